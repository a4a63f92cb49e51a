import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { attempt, benchState, giveBack, significant, type Bench, type BenchChanges } from '@hashira/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { DesignWorkspace } from '../state/design-workspace.service';
import { standingAnswer } from '../state/answers/standing-answer';
import { SectionPickerComponent } from '../ui/sections/section-picker.component';
import { CurvesComponent } from './curves.component';
import { readersUnits } from '../ui/units.service';
import { ActionDirective } from '../ui/action.directive';

/** px of the drawing. */
const width = 420;
const height = 96;
const edge = 18;
const line = 58;

/** A part that was put on the bench, or stands there, and can be moved along it. */
type Movable =
  | { readonly kind: 'load'; readonly index: number }
  | { readonly kind: 'support'; readonly index: number }
  | { readonly kind: 'hinge'; readonly index: number }
  | { readonly kind: 'standing load'; readonly index: number }
  | { readonly kind: 'end' };

/**
 * A member taken out of its frame: loads, supports and hinges are put on it and moved along it, its length and section changed, and its
 * curves follow at once. What the design can hold is given back to it as one change.
 */
@Component({
  selector: 'app-bench',
  imports: [ActionDirective, Button, CurvesComponent, FormsModule, InputText, SectionPickerComponent, Select],
  templateUrl: './bench.component.html',
  styleUrl: './bench.component.css',
  host: { '(keydown.escape)': 'closed.emit()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchComponent {
  private readonly units = readersUnits();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly workspace = inject(DesignWorkspace);
  readonly member = input.required<string>();
  readonly closed = output();

  protected readonly size = { width, height, edge, line };
  private readonly answer = standingAnswer('bench', () => ({ member: this.member() }), 'checks');
  protected readonly bench = computed((): Bench | undefined => {
    const answer = this.answer.value();
    return answer && 'bench' in answer ? answer.bench : undefined;
  });
  protected readonly refused = computed(() => {
    const answer = this.answer.value();
    return answer && 'problem' in answer ? answer.problem : '';
  });
  protected readonly changes = signal<BenchChanges>({});
  protected readonly problem = signal('');
  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly combination = signal('');
  protected readonly combinations = computed(() => [
    { label: 'all combinations, the envelope', value: '' },
    ...(this.bench()?.combinations ?? []).map(({ id, state }) => ({ label: `${id}, ${state}`, value: id })),
  ]);
  protected readonly loadCase = signal<string | undefined>(undefined);
  protected readonly cases = computed(() =>
    this.design().loadCases.map(({ id, title }) => ({ id, label: `${id} ${title}` })),
  );
  /** The first variable case until another is chosen. */
  protected readonly chosenCase = computed(() => {
    const { loadCases } = this.design();
    const first = loadCases.find(({ category }) => category !== 'permanent') ?? loadCases[0];
    return this.loadCase() ?? first?.id ?? '';
  });
  protected readonly force = signal('10');
  protected readonly forceUnit = computed(() => this.units().of('force').unit);
  protected readonly lengthUnit = computed(() => this.units().of('length').unit);

  /** The last state that stands, and why the present one does not. */
  private readonly outcome = computed(() => {
    const bench = this.bench();
    return bench && attempt(() => benchState(bench, this.changes()));
  });
  private readonly original = computed(() => {
    const bench = this.bench();
    const outcome = bench && attempt(() => benchState(bench));
    return outcome?.ok ? outcome.value : undefined;
  });
  protected readonly state = computed(() => {
    const outcome = this.outcome();
    return outcome?.ok ? { ...outcome.value, restraints: [] } : undefined;
  });
  protected readonly trouble = computed(() => {
    const outcome = this.outcome();
    return outcome && !outcome.ok ? outcome.problems[0]!.message : '';
  });
  protected readonly used = computed(() => {
    const [before, now] = [this.original()?.utilisation, this.state()?.utilisation];
    if (now === undefined) return undefined;
    const text = now === null ? 'not covered' : `${significant(now)}${now > 1 + 1e-9 ? ' over' : ''}`;
    const changed = before !== undefined && before !== null && now !== null && Math.abs(before - now) > 5e-4;
    return {
      text: changed ? `${significant(before)} → ${text}` : text,
      loud: now === null || now > 1 + 1e-9,
    };
  });

  protected readonly length = computed(() => this.changes().length ?? this.bench()?.length ?? 1);
  protected readonly lengthText = computed(() =>
    significant(this.length() * this.units().of('length').factor, 4),
  );
  private readonly scale = computed(() => {
    const bench = this.bench();
    // Longer than in the frame, it still lies on the sheet
    return (width - 2 * edge) / Math.max(this.length(), bench?.length ?? 1);
  });
  protected readonly end = computed(() => this.px(this.length()));

  private px(x: number): number {
    return edge + this.scale() * x;
  }

  protected readonly parts = computed(() => {
    const bench = this.bench();
    const { loads = [], supports = [], hinges = [], moved = {} } = this.changes();
    if (!bench) return [];
    const stretch = this.length() / bench.length;
    const at = (what: Movable, x: number, name: string, extra: Record<string, unknown> = {}) => ({
      key: `${what.kind} ${'index' in what ? what.index : ''}`,
      what,
      x,
      px: this.px(x),
      label: `${name} at ${this.units().withUnit(x, 'length')}`,
      removable: what.kind === 'load' || what.kind === 'support' || what.kind === 'hinge',
      ...extra,
    });
    return [
      ...bench.loads.flatMap((one, index) => {
        const what = { kind: 'standing load' as const, index };
        if (one.kind === 'point') return [at(what, moved[index] ?? one.x * stretch, `${one.case}, load`)];
        if (one.kind !== 'distributed') return [];
        const from = moved[index] ?? one.from * stretch;
        return [
          at(what, from, `${one.case}, load along`, { to: this.px(from + (one.to - one.from) * stretch) }),
        ];
      }),
      ...loads.map((one, index) =>
        at(
          { kind: 'load', index },
          one.x,
          `${this.units().withUnit(Math.abs(one.F[2]), 'force')} in ${one.case}`,
        ),
      ),
      ...supports.map((x, index) => at({ kind: 'support', index }, x, 'support')),
      ...hinges.map((x, index) => at({ kind: 'hinge', index }, x, 'hinge')),
      at({ kind: 'end' }, this.length(), 'end of the member'),
    ] as const;
  });
  protected readonly nodes = computed(() => {
    const bench = this.bench();
    const stretch = bench ? this.length() / bench.length : 1;
    return (bench?.nodes ?? []).map(({ id, x, title, support }) => ({
      id,
      px: this.px(x * stretch),
      title: support ? `${title}, supported` : `${title}, held by the frame`,
    }));
  });

  /** What would be written into the design, and what cannot be. */
  protected readonly back = computed(() => {
    const { loads = [], supports = [], hinges = [], profile, length, moved } = this.changes();
    const at = (x: number) => this.units().withUnit(x, 'length');
    const written = [
      ...(profile ? [`${profile} for this member`] : []),
      ...loads.map(
        ({ case: id, x, F }) => `${this.units().withUnit(Math.abs(F[2]), 'force')} down at ${at(x)} in ${id}`,
      ),
      ...supports.map((x) => `a support across it at ${at(x)}`),
      ...hinges.map((x) => `a hinge at ${at(x)}`),
    ];
    const left = [
      ...(length === undefined ? [] : ['its length, which the recipe gives']),
      ...(moved && Object.keys(moved).length > 0
        ? ['loads of rules that were moved: change their rules']
        : []),
    ];
    return { written, left };
  });
  protected readonly isChanged = computed(() => Object.keys(this.changes()).length > 0);

  constructor() {
    // Another member, or another state of the design, lies on the bench as it is in the frame
    effect(() => {
      this.bench();
      untracked(() => this.changes.set({}));
    });
  }

  private change(more: Partial<BenchChanges>): void {
    this.problem.set('');
    this.changes.update((before) => ({ ...before, ...more }));
  }

  /** Somewhere in the span where nothing of the kind stands yet. */
  private freePlace(taken: readonly number[]): number {
    const length = this.length();
    return (
      [0.5, 0.25, 0.75, 0.375, 0.625, 0.125, 0.875]
        .map((fraction) => fraction * length)
        .find((x) => !taken.some((other) => Math.abs(other - x) < 0.02 * length)) ?? 0.43 * length
    );
  }

  protected addLoad(): void {
    const value = Number(this.force().replace(',', '.')) / this.units().of('force').factor;
    if (!Number.isFinite(value) || value === 0) {
      this.problem.set(`The load is a number of ${this.forceUnit()}, positive downwards.`);
      return;
    }
    const loads = this.changes().loads ?? [];
    const x = this.freePlace(loads.map((one) => one.x));
    this.change({ loads: [...loads, { case: this.chosenCase(), x, F: [0, 0, -value] }] });
  }

  protected addSupport(): void {
    const supports = this.changes().supports ?? [];
    this.change({ supports: [...supports, this.freePlace(supports)] });
  }

  protected addHinge(): void {
    const hinges = this.changes().hinges ?? [];
    this.change({ hinges: [...hinges, this.freePlace([...hinges, ...(this.changes().supports ?? [])])] });
  }

  protected setProfile(profile: string): void {
    this.change({ profile });
  }

  protected typeLength(text: string): void {
    const length = Number(text.replace(',', '.')) / this.units().of('length').factor;
    if (length > 0.05 && length < 1000) this.change({ length });
    else this.problem.set(`The length is a number of ${this.lengthUnit()} above zero.`);
  }

  protected reset(): void {
    this.changes.set({});
    this.problem.set('');
  }

  /** Moves a part to a place, m; within the member. */
  private move(what: Movable, to: number): void {
    const { loads = [], supports = [], hinges = [], moved = {} } = this.changes();
    const length = this.length();
    const inside = Math.min(0.995 * length, Math.max(0.005 * length, to));
    const within = Math.min(length, Math.max(0, to));
    switch (what.kind) {
      case 'load':
        this.change({ loads: loads.map((one, k) => (k === what.index ? { ...one, x: within } : one)) });
        return;
      case 'support':
        this.change({ supports: supports.map((x, k) => (k === what.index ? inside : x)) });
        return;
      case 'hinge':
        this.change({ hinges: hinges.map((x, k) => (k === what.index ? inside : x)) });
        return;
      case 'standing load':
        this.change({ moved: { ...moved, [what.index]: within } });
        return;
      case 'end':
        this.change({ length: Math.max(0.2 * this.bench()!.length, Math.min(3 * this.bench()!.length, to)) });
    }
  }

  protected remove(what: Movable): void {
    const { loads = [], supports = [], hinges = [] } = this.changes();
    if (what.kind === 'load') this.change({ loads: loads.filter((_, k) => k !== what.index) });
    else if (what.kind === 'support') this.change({ supports: supports.filter((_, k) => k !== what.index) });
    else if (what.kind === 'hinge') this.change({ hinges: hinges.filter((_, k) => k !== what.index) });
  }

  protected grab(event: PointerEvent, what: Movable): void {
    const target = event.currentTarget as Element;
    target.setPointerCapture(event.pointerId);
    const scale = this.scale();
    const svg = this.host.nativeElement.querySelector('svg.bench')!.getBoundingClientRect();
    const follow = (move: PointerEvent) =>
      this.move(what, (((move.clientX - svg.left) / svg.width) * width - edge) / scale);
    const drop = () => {
      target.removeEventListener('pointermove', follow as EventListener);
      target.removeEventListener('pointerup', drop);
    };
    target.addEventListener('pointermove', follow as EventListener);
    target.addEventListener('pointerup', drop);
    event.preventDefault();
    (target as HTMLElement).focus();
  }

  protected key(event: KeyboardEvent, what: Movable, x: number): void {
    const step = this.length() / (event.shiftKey ? 20 : 100);
    if (event.key === 'ArrowLeft' || event.key === 'ArrowDown') this.move(what, x - step);
    else if (event.key === 'ArrowRight' || event.key === 'ArrowUp') this.move(what, x + step);
    else if (event.key === 'Delete' || event.key === 'Backspace') this.remove(what);
    else return;
    event.preventDefault();
  }

  /** Writes what was put on into the design, as one change. */
  protected give(): void {
    const bench = this.bench();
    if (!bench) return;
    const { loads = [], supports = [], hinges = [], profile } = this.changes();
    const of = bench.pieces.map(({ member }) => member.id);
    const { title } = bench;
    const shown = this.workspace.edited()!;
    const given = giveBack(shown, this.workspace.selectedAlternative(shown), {
      title,
      of,
      loads,
      supports,
      hinges,
      ...(profile ? { profile } : {}),
    });
    if (!given) {
      this.problem.set(
        'No condition of a rule selects just this member; give it a name of its own in the recipe first.',
      );
      return;
    }
    this.workspace.apply(() => given);
    this.changes.set({});
  }
}
