import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { fitView, projected, significant, standardViews, type FailureFile } from '@hashira/core';
import { ViewState } from '../state/view-state.service';
import { FailurePath } from './failure-path.service';

const margins = { left: 60, right: 60, top: 60, bottom: 60 };
/** Share of the frame's size that its greatest displacement is drawn as. */
const drawnAs = 0.12;

/** The frame along a path to failure: how it has moved at one factor, hinges where they have formed, members that have failed. */
@Component({
  selector: 'app-failure-frame',
  template: `
    <p class="caption">
      <strong>{{ name() }}</strong>
      <span class="soft">at {{ factor() }} times what is raised; displacements × {{ scaleText() }}</span>
    </p>
    <svg [attr.viewBox]="'0 0 ' + size().width + ' ' + size().height" role="img" [attr.aria-label]="spoken()">
      <defs>
        <pattern id="failed" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(30)">
          <rect width="6" height="6" fill="var(--sheet)" />
          <rect width="4" height="6" fill="var(--vermilion)" />
        </pattern>
      </defs>
      @for (one of lines(); track one.id) {
        <path class="before" [attr.d]="one.before" />
      }
      @for (one of lines(); track one.id) {
        @if (one.failed) {
          <path class="failed" [attr.d]="one.now" stroke="url(#failed)" />
        }
        <path class="now" [class.over]="one.failed" [attr.d]="one.now" />
      }
      @for (hinge of hinges(); track hinge.key) {
        <circle class="hinge" [class.closed]="hinge.closed" [attr.cx]="hinge.x" [attr.cy]="hinge.y" r="5" />
        <text [attr.x]="hinge.x + 8" [attr.y]="hinge.y - 7">{{ hinge.number }}</text>
      }
    </svg>
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      min-height: 0;
    }
    svg {
      position: absolute;
      inset: 0;
      width: 100%;
      height: 100%;
    }
    .caption {
      position: absolute;
      z-index: 1;
      left: 12px;
      top: 4px;
      margin: 0;
      display: flex;
      flex-direction: column;
    }
    path {
      fill: none;
    }
    .before {
      stroke: var(--ink-faint);
      stroke-width: 1.2;
    }
    .now {
      stroke: var(--ink);
      stroke-width: 2;
    }
    .now.over {
      stroke: var(--vermilion);
    }
    .failed {
      stroke-width: 11;
    }
    .hinge {
      fill: var(--sheet);
      stroke: var(--vermilion);
      stroke-width: 2.2;
    }
    .hinge.closed {
      stroke: var(--ink-soft);
      stroke-dasharray: 2 2;
    }
    text {
      font-size: 12px;
      fill: var(--vermilion-text);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FailureFrameComponent {
  private readonly view = inject(ViewState);
  private readonly path = inject(FailurePath);
  readonly of = input.required<FailureFile>();
  /** Number of the point of the curve. */
  readonly at = input.required<number>();
  readonly name = input.required<string>();
  protected readonly size = signal({ width: 600, height: 400 });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      if (width > 20 && height > 20) this.size.set({ width, height });
    });
    observer.observe(host);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }

  protected readonly factor = computed(() => significant(this.of().curve[this.at()]?.factor ?? 0));

  private readonly camera = computed(() => {
    const { picture } = this.of();
    const direction = this.view.solid() ? standardViews[this.view.direction()] : standardViews.front;
    return picture && fitView(picture.places, direction, this.size(), margins);
  });

  /** Displacements are drawn to one scale along the whole path, by which the greatest is well seen. */
  private readonly scale = computed(() => {
    const { picture } = this.of();
    if (!picture) return 1;
    const { places, moves } = picture;
    let [low, high, most] = [Infinity, -Infinity, 1e-12];
    for (const value of places) [low, high] = [Math.min(low, value), Math.max(high, value)];
    for (const one of moves) for (const value of one) most = Math.max(most, Math.abs(value));
    const exact = (drawnAs * (high - low)) / most;
    const power = 10 ** Math.floor(Math.log10(exact));
    return Math.max(1, [1, 2, 5, 10].map((step) => step * power).findLast((step) => step <= exact) ?? 1);
  });
  protected readonly scaleText = computed(() => significant(this.scale()));

  private pointOf(member: number, station: number): readonly [number, number] {
    const picture = this.of().picture!;
    const moves = picture.moves[this.at()];
    const at = 3 * (picture.stations * member + station);
    const place = [0, 1, 2].map(
      (k) => picture.places[at + k]! + this.scale() * (moves?.[at + k] ?? 0),
    ) as unknown as readonly [number, number, number];
    const [x, y] = projected(this.camera()!, this.size(), place);
    return [x, y];
  }

  protected readonly lines = computed(() => {
    const { picture } = this.of();
    const camera = this.camera();
    if (!picture || !camera) return [];
    const failed = new Set(
      this.path.happened().flatMap(({ kind, member }) => (kind === 'condition' && member ? [member] : [])),
    );
    const still = (m: number, k: number) => {
      const at = 3 * (picture.stations * m + k);
      const place = [...picture.places.subarray(at, at + 3)] as unknown as readonly [number, number, number];
      return projected(camera, this.size(), place);
    };
    return picture.members.map((id, m) => {
      const along = (of: (k: number) => readonly number[]) =>
        Array.from({ length: picture.stations }, (_, k) => of(k))
          .map(([x, y], k) => `${k === 0 ? 'M' : 'L'}${x!.toFixed(1)} ${y!.toFixed(1)}`)
          .join('');
      return {
        id,
        before: along((k) => still(m, k)),
        now: along((k) => this.pointOf(m, k)),
        failed: failed.has(id) || [...failed].some((one) => id.startsWith(`${one}.`)),
      };
    });
  });

  protected readonly hinges = computed(() => {
    const { picture } = this.of();
    if (!picture || !this.camera()) return [];
    let number = 0;
    return this.path.happened().flatMap((event) => {
      if (event.kind !== 'hinge' && event.kind !== 'closed') return [];
      if (event.kind === 'hinge') number++;
      const m = picture.members.findIndex((id) => id === event.member || id.startsWith(`${event.member!}.`));
      if (m < 0) return [];
      const a = 3 * picture.stations * m;
      const b = a + 3 * (picture.stations - 1);
      const length = Math.hypot(...[0, 1, 2].map((k) => picture.places[b + k]! - picture.places[a + k]!));
      const fraction = Math.min(1, Math.max(0, (event.x ?? 0) / length)) * (picture.stations - 1);
      const k = Math.min(picture.stations - 2, Math.floor(fraction));
      const [p, q] = [this.pointOf(m, k), this.pointOf(m, k + 1)];
      const t = fraction - k;
      return [
        {
          key: `${event.kind} ${event.factor} ${event.member!} ${event.x!}`,
          x: p[0] + t * (q[0] - p[0]),
          y: p[1] + t * (q[1] - p[1]),
          closed: event.kind === 'closed',
          number: event.kind === 'hinge' ? number : '',
        },
      ];
    });
  });

  protected readonly spoken = computed(
    () =>
      `The frame at ${this.factor()} times what is raised. ${this.path
        .happened()
        .map(({ text }) => text)
        .join('. ')}`,
  );
}
