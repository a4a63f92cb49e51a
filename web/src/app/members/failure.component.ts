import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { allCombinations, significant, type FailureFile, type FailureOptions } from '@hashira/core';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { ProgressBar } from 'primeng/progressbar';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { DesignWorkspace } from '../state/design-workspace.service';
import { FailurePath } from './failure-path.service';
import { readersUnits } from '../ui/units.service';

/** The chart, px. */
const chart = { width: 460, height: 230, left: 40, bottom: 26, top: 12, right: 12 };
const tones = [
  'var(--indigo)',
  'var(--plum)',
  'var(--teal)',
  'var(--ochre)',
  'var(--moss)',
  'var(--ink-soft)',
];

/** Raises loads until the frame fails: what is raised and what stays, the curve with its events, and the verdict in a sentence. */
@Component({
  selector: 'app-failure',
  imports: [Button, FormsModule, InputText, ProgressBar, Select, SelectButton],
  templateUrl: './failure.component.html',
  styleUrl: './failure.component.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FailureComponent {
  private readonly units = readersUnits();
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly path = inject(FailurePath);
  protected readonly chart = chart;

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly alternative = computed(() => this.workspace.selectedAlternative(this.design()));

  private readonly chosenRaise = signal<string | undefined>(undefined);
  protected readonly raises = computed(() => {
    const { loadCases } = this.design();
    return [
      {
        label: 'Load cases',
        items: loadCases.map(({ id, title }) => ({ value: `${id}=1`, label: `${id} ${title}` })),
      },
      {
        label: 'Variable part of a combination',
        items: allCombinations(this.design())
          .filter(({ state }) => state === 'strength')
          .map(({ id, title }) => ({ value: id, label: `${id} ${title ?? ''}`.trim() })),
      },
    ];
  });
  /** The first variable case until something is chosen. */
  protected readonly raise = computed(() => {
    const { loadCases } = this.design();
    const variable = loadCases.find(({ category }) => category !== 'permanent') ?? loadCases[0];
    return this.chosenRaise() ?? (variable ? `${variable.id}=1` : '');
  });
  private readonly chosenConstant = signal<string | undefined>(undefined);
  /** What stays, as it is written: permanent cases until something else is. */
  protected readonly constant = computed(() => this.chosenConstant() ?? this.usualConstant());
  private readonly usualConstant = computed(() => {
    const { loadCases } = this.design();
    if (!this.raise().includes('='))
      return Object.entries(
        allCombinations(this.design()).find(({ id }) => id === this.raise())?.factors ?? {},
      )
        .filter(
          ([id, factor]) => factor !== 0 && loadCases.find((one) => one.id === id)?.category === 'permanent',
        )
        .map(([id, factor]) => `${id}=${factor}`)
        .join(', ');
    return loadCases
      .filter(({ id, category }) => category === 'permanent' && `${id}=1` !== this.raise())
      .map(({ id }) => `${id}=1`)
      .join(', ');
  });
  protected readonly kind = signal<'elastic' | 'plastic'>('elastic');
  protected readonly kinds = computed(() => [
    { label: 'elastic', value: 'elastic' as const },
    { label: 'plastic hinges', value: 'plastic' as const, disabled: this.design().space !== 'plane' },
  ]);
  private readonly chosenOrder = signal<1 | 2 | undefined>(undefined);
  protected readonly order = computed(() => this.chosenOrder() ?? this.design().analysis.order);
  protected readonly orders = [
    { label: 'first order', value: 1 as const },
    { label: 'second order', value: 2 as const },
  ];
  protected readonly most = signal('20');
  protected readonly problem = signal('');
  protected readonly result = this.path.result;

  protected setRaise(value: string): void {
    this.chosenRaise.set(value);
    this.chosenConstant.set(undefined);
  }

  protected setConstant(text: string): void {
    this.chosenConstant.set(text);
  }

  protected setOrder(order: 1 | 2): void {
    this.chosenOrder.set(order);
  }

  protected begin(): void {
    const most = Number(this.most().replace(',', '.'));
    if (!(most > 0)) {
      this.problem.set('The greatest factor is a number above zero, such as 20.');
      return;
    }
    this.problem.set('');
    const options: FailureOptions = {
      raise: this.raise(),
      constant: this.constant(),
      path: this.kind(),
      order: this.order(),
      most,
    };
    this.path.begin(options);
  }

  /** All curves that are drawn, that of the alternative first, to one scale. */
  private readonly files = computed((): { title: string; file: FailureFile; tone: string }[] => {
    const result = this.result();
    if (!result) return [];
    return [{ title: this.alternative().title, file: result }, ...this.path.others()].map(
      ({ title, file }, k) => ({ title, file, tone: tones[k % tones.length]! }),
    );
  });

  private readonly scale = computed(() => {
    const points = this.files().flatMap(({ file }) => file.curve);
    const factor = Math.max(1e-9, ...points.map((point) => point.factor));
    // Beyond where all but the last steps are a curve grows without end: it is cut there
    const sizes = points.map(({ displacement }) => Math.abs(displacement)).sort((a, b) => a - b);
    const reach = Math.max(1e-12, sizes[Math.floor(0.97 * (sizes.length - 1))] ?? 0);
    const { width, height, left, right, top, bottom } = chart;
    return {
      factor,
      reach,
      x: (displacement: number) =>
        left + (width - left - right) * Math.min(1.02, Math.abs(displacement) / reach),
      y: (value: number) => height - bottom - ((height - top - bottom) * value) / factor,
    };
  });

  protected readonly curves = computed(() => {
    const { x, y } = this.scale();
    return this.files().map(({ title, file, tone }) => ({
      title,
      tone,
      verdict: file.verdict,
      path: file.curve
        .map(
          ({ factor, displacement }, i) =>
            `${i === 0 ? 'M' : 'L'}${x(displacement).toFixed(1)} ${y(factor).toFixed(1)}`,
        )
        .join(''),
    }));
  });

  protected readonly axes = computed(() => {
    const { factor, reach } = this.scale();
    const { followed } = this.result() ?? {};
    const quantity = followed?.component.startsWith('r') ? ('angle' as const) : ('deflection' as const);
    return {
      most: significant(factor),
      reach: `${this.units().number(reach, quantity)} ${this.units().of(quantity).unit}`,
      followed: followed ? `${followed.component} of ${followed.title}` : '',
    };
  });

  protected readonly events = computed(() => {
    const result = this.result();
    if (!result) return [];
    const { x, y } = this.scale();
    const happened = new Set(this.path.happened());
    return result.events.map((event, k) => {
      const index = nearest(result, event.factor);
      const point = result.curve[index];
      return {
        key: `${event.kind} ${event.factor} ${event.member ?? ''} ${event.x ?? ''} ${k}`,
        number: k + 1,
        index,
        text: event.text,
        factor: significant(event.factor, 4),
        member: event.of === 'member' ? 'whole member' : '',
        happened: happened.has(event),
        x: x(point?.displacement ?? 0),
        y: y(event.factor),
      };
    });
  });

  protected readonly cursor = computed(() => {
    const point = this.result()?.curve[this.path.at()];
    const { x, y } = this.scale();
    return point && { x: x(point.displacement), y: y(point.factor) };
  });

  protected readonly spoken = computed(() => {
    const result = this.result();
    const point = result?.curve[this.path.at()];
    return point ? `${significant(point.factor)} times what is raised` : '';
  });

  protected point(event: PointerEvent): void {
    const result = this.result();
    if (!result) return;
    const box = (event.currentTarget as Element).getBoundingClientRect();
    const y = ((event.clientY - box.top) / box.height) * chart.height;
    const fraction = (chart.height - chart.bottom - y) / (chart.height - chart.top - chart.bottom);
    this.path.lookAt(nearest(result, Math.max(0, fraction) * this.scale().factor));
  }

  protected key(event: KeyboardEvent): void {
    const count = this.result()?.curve.length ?? 0;
    const at = this.path.at();
    const to = {
      ArrowRight: at + 1,
      ArrowUp: at + 1,
      ArrowLeft: at - 1,
      ArrowDown: at - 1,
      Home: 0,
      End: count - 1,
    }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    this.path.lookAt(Math.min(count - 1, Math.max(0, to)));
  }
}

/** The point of a curve nearest to a factor. */
function nearest({ curve }: FailureFile, factor: number): number {
  let best = 0;
  curve.forEach((point, i) => {
    if (Math.abs(point.factor - factor) < Math.abs(curve[best]!.factor - factor)) best = i;
  });
  return best;
}
