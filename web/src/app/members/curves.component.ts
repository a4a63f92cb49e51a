import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import {
  forceQuantity,
  significant,
  type Curve,
  type CurveName,
  type MemberSheet,
  type QuantityName,
} from '@hashira/core';
import { readersUnits } from '../ui/units.service';

/** px of the drawing that all strips share. */
const width = 420;
const left = 8;
const strip = 46;
const gap = 6;
const beam = 40;

type Strip = CurveName | 'utilisation';

const titles: Readonly<Record<Strip, string>> = {
  N: 'N',
  Vy: 'Vy',
  Vz: 'V',
  T: 'T',
  My: 'M',
  Mz: 'Mz',
  w: 'w',
  v: 'v',
  utilisation: 'η',
};

/** What a function is at the places of a sheet: one value, or the least and the greatest. */
interface Values {
  readonly least: readonly (number | null)[];
  readonly greatest: readonly (number | null)[];
  readonly by?: readonly (readonly [string, string])[];
}

/**
 * Forces, deflection and utilisation along a member, one below the other on one axis. One cursor reads them all: by the pointer, and by the
 * arrow keys, with Home and End for the ends and page keys for the greatest utilisation.
 */
@Component({
  selector: 'app-curves',
  templateUrl: './curves.component.html',
  styleUrl: './curves.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CurvesComponent {
  private readonly units = readersUnits();
  protected readonly size = { width, left, right: width - left };
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly sheet = input.required<Pick<MemberSheet, 'length' | 'restraints' | 'curves' | 'envelope'>>();
  /** The combination; undefined: the envelope of all. */
  readonly combination = input<string | undefined>(undefined);
  private readonly wished = signal<number | undefined>(undefined);

  private readonly solid = computed(() => this.sheet().envelope.Mz !== undefined);
  private readonly curve = computed((): Curve | undefined =>
    this.sheet().curves.find(({ combination }) => combination === this.combination()),
  );
  private readonly x = computed(() => this.curve()?.x ?? this.sheet().envelope.x);

  private readonly values = computed((): ReadonlyMap<Strip, Values> => {
    const curve = this.curve();
    const { envelope } = this.sheet();
    const names: readonly CurveName[] = this.solid()
      ? ['N', 'Vz', 'My', 'Vy', 'Mz', 'T', 'w', 'v']
      : ['N', 'Vz', 'My', 'w'];
    const found = new Map<Strip, Values>();
    for (const name of names) {
      const one = curve ? curve[name] : undefined;
      const both = envelope[name];
      if (one) found.set(name, { least: one, greatest: one });
      else if (!curve && both && both.least.length > 0) found.set(name, both);
    }
    const used = curve ? curve.utilisation : envelope.utilisation.greatest;
    if (used && used.length > 0)
      found.set('utilisation', {
        least: used,
        greatest: used,
        ...(curve ? {} : { by: envelope.utilisation.by.map((id) => [id, id] as const) }),
      });
    return found;
  });

  /** In a plane V and M say enough. */
  private nameOf(name: Strip): string {
    return this.solid() && name.length > 1 && name !== 'utilisation' ? name : titles[name];
  }

  private readonly px = computed(() => {
    const scale = (width - 2 * left) / this.sheet().length;
    return (x: number) => left + scale * x;
  });

  protected readonly restraints = computed(() => {
    const { length, restraints } = this.sheet();
    return restraints.map(({ x, title, holds }) => ({
      x,
      px: this.px()(x),
      text: holds.includes('y') ? '' : title,
      anchor: x < length * 0.1 ? 'start' : x > length * 0.9 ? 'end' : 'middle',
    }));
  });

  protected readonly strips = computed(() => {
    const x = this.x();
    return [...this.values()].map(([name, { least, greatest }], k) => {
      const all = [...least, ...greatest].flatMap((value) => value ?? []);
      const isUsed = name === 'utilisation';
      const [low, high] = [Math.min(0, ...all), Math.max(isUsed ? 1.05 : 0, ...all)];
      const size = Math.max(high - low, 1e-12);
      // Moments stand on the side in tension, deflections as they go
      const down = name === 'My' || name === 'Mz';
      const y = (value: number) =>
        down ? (strip * (value - low)) / size : strip - (strip * (value - low)) / size;
      const path = (values: readonly (number | null)[]) =>
        values
          .map((value, i) => {
            const isFirst = i === 0 || values[i - 1] === null;
            return value === null
              ? ''
              : `${isFirst ? 'M' : 'L'}${this.px()(x[i]!).toFixed(1)} ${y(value).toFixed(1)}`;
          })
          .join('');
      const isBoth = least !== greatest;
      const back = isBoth ? [...least].reverse() : [];
      const corners = isBoth
        ? back
            .map((value, i) => `L${this.px()(x[x.length - 1 - i]!).toFixed(1)} ${y(value ?? 0).toFixed(1)}`)
            .join('')
        : `L${this.px()(x[x.length - 1] ?? 0).toFixed(1)} ${y(0).toFixed(1)}L${left} ${y(0).toFixed(1)}`;
      return {
        name,
        title: this.nameOf(name),
        top: beam + k * (strip + gap),
        zero: y(0),
        ...(isUsed ? { limit: y(1) } : {}),
        line: path(greatest),
        ...(isBoth ? { other: path(least) } : {}),
        area: greatest.some((value) => value === null) ? '' : `${path(greatest)}${corners}Z`,
      };
    });
  });
  protected readonly height = computed(() => beam + this.strips().length * (strip + gap));

  /** Number of the place that is read; the most used one until the cursor is moved. */
  private readonly index = computed(() => {
    const x = this.x();
    const wished = this.wished();
    if (wished !== undefined) return nearest(x, wished);
    const used = this.values().get('utilisation')?.greatest ?? [];
    return used.reduce<number>((best, value, i) => ((value ?? 2) > (used[best] ?? 2) ? i : best), 0);
  });
  protected readonly at = computed(() => this.x()[this.index()] ?? 0);
  protected readonly cursor = computed(() => this.px()(this.at()));
  protected readonly place = computed(() => this.units().withUnit(this.at(), 'length'));

  protected readonly reading = computed(() => {
    const i = this.index();
    return [...this.values()].map(([name, { least, greatest, by }]) => {
      const [low, high] = [least[i] ?? null, greatest[i] ?? null];
      const quantity = quantityOf(name);
      const unit = this.units().of(quantity).unit;
      const of = (value: number) =>
        name === 'utilisation' ? significant(value) : this.units().number(value, quantity);
      const text = high === null ? 'not covered' : low === high ? of(high) : `${of(low!)} … ${of(high)}`;
      const governing = by?.[i];
      const names = governing && (governing[0] === governing[1] ? [governing[0]] : [...governing]);
      return {
        name,
        title: this.nameOf(name),
        text: high === null || unit === '' ? text : `${text} ${unit}`,
        by: names?.join(', ') ?? '',
        over: name === 'utilisation' && (high === null || high > 1 + 1e-9),
      };
    });
  });

  protected readonly spoken = computed(
    () =>
      `${this.place()}: ${this.reading()
        .map(({ title, text, by }) =>
          [title === 'η' ? 'utilisation' : title, text, by].filter(Boolean).join(' '),
        )
        .join('; ')}`,
  );

  protected round(value: number): number {
    return Math.round(1000 * value) / 1000;
  }

  protected point(event: PointerEvent): void {
    const box = this.host.nativeElement.querySelector('svg')!.getBoundingClientRect();
    const fraction = (event.clientX - box.left) / box.width;
    if (fraction < 0 || fraction > 1) return;
    const scale = (width - 2 * left) / this.sheet().length;
    this.wished.set(Math.min(this.sheet().length, Math.max(0, (fraction * width - left) / scale)));
  }

  protected key(event: KeyboardEvent): void {
    const x = this.x();
    const i = this.index();
    const to = {
      ArrowLeft: x[Math.max(0, i - 1)],
      ArrowDown: x[Math.max(0, i - 1)],
      ArrowRight: x[Math.min(x.length - 1, i + 1)],
      ArrowUp: x[Math.min(x.length - 1, i + 1)],
      Home: 0,
      End: this.sheet().length,
    }[event.key];
    if (event.key === 'PageUp' || event.key === 'PageDown') this.wished.set(undefined);
    else if (to !== undefined) this.wished.set(to === this.at() ? this.beyond(event.key) : to);
    else return;
    event.preventDefault();
  }

  /** A place at a jump stands twice: the next one is beyond it. */
  private beyond(key: string): number {
    const x = this.x();
    const forward = key === 'ArrowRight' || key === 'ArrowUp';
    const next = forward
      ? x.find((one) => one > this.at() + 1e-9)
      : x.findLast((one) => one < this.at() - 1e-9);
    return next ?? this.at();
  }
}

function nearest(x: readonly number[], wished: number): number {
  let best = 0;
  x.forEach((value, i) => {
    if (Math.abs(value - wished) < Math.abs(x[best]! - wished) - 1e-12) best = i;
  });
  return best;
}

function quantityOf(name: Strip): QuantityName {
  if (name === 'utilisation') return 'number';
  return name === 'w' || name === 'v' ? 'deflection' : forceQuantity(name);
}
