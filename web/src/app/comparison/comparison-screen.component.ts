import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  differencesBetween,
  fitView,
  isExplained,
  setReference,
  standardViews,
  type DrawnScene,
  type FigureSummary,
  type View,
} from '@hashira/core';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { Calculation } from '../state/calculation/calculation.service';
import { StageBarComponent } from '../design/stage-tools/stage-bar.component';
import { TracePanelComponent } from '../design/ledger/trace-panel.component';
import { TraceService } from '../design/ledger/trace.service';
import {
  beyondText,
  differenceText,
  figureExact,
  figureText,
  isLoud,
  limitText,
  statusWords,
} from '../ui/values';
import { StageComponent } from '../stage/stage.component';
import type { StageContent } from '../stage/types';
import { DesignWorkspace } from '../state/design-workspace.service';
import { ViewState } from '../state/view-state.service';
import { FiguresChartComponent, type ChartSeries } from './figures-chart.component';
import { WhyComponent, type Difference } from './why.component';

/** Free space around a frame on its stage, px: room for values and reactions. */
const margins = { left: 84, right: 84, top: 54, bottom: 78 };
/** Height of a stage's heading and of what differs below it, px. */
const headHeight = 46;

/** Alternatives as equal stages, with one view, one scale and one load case, over one table and a chart. */
@Component({
  selector: 'app-comparison-screen',
  imports: [
    FormsModule,
    Select,
    SelectButton,
    StageComponent,
    StageBarComponent,
    TracePanelComponent,
    FiguresChartComponent,
    WhyComponent,
  ],
  templateUrl: './comparison-screen.component.html',
  styleUrl: './comparison-screen.component.css',
  providers: [TraceService],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparisonScreenComponent {
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  private readonly calculation = inject(Calculation);
  private readonly traces = inject(TraceService);

  /** Figures at their worst over the combinations that judge them, or under the shown loads only. */
  protected readonly chosenBasis = signal<'governing' | 'shown'>('governing');
  protected readonly basis = computed(() => (this.view.single() ? this.chosenBasis() : 'governing'));
  private readonly chosenFirst = signal<string | undefined>(undefined);
  private readonly chosenSecond = signal<string | undefined>(undefined);
  /** Figures under the shown loads alone, by alternative. */
  private readonly alone = signal<ReadonlyMap<string, readonly FigureSummary[]>>(new Map());
  /** The view after a user moved it; until then every frame is shown whole. */
  private readonly moved = signal<View | undefined>(undefined);
  protected readonly stageSize = signal({ width: 300, height: 200 });
  /** Size of all stages together, px. */
  private readonly area = signal({ width: 1280, height: 400 });
  private readonly stages = viewChild.required<ElementRef<HTMLElement>>('stages');

  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly figureOptions = computed(() =>
    this.design().figures.map(({ id, title }) => ({ id, title })),
  );
  protected readonly first = computed(() => this.chosenFirst() ?? this.figureOptions()[0]?.id ?? '');
  protected readonly second = computed(() => this.chosenSecond() ?? this.figureOptions()[1]?.id ?? '');
  /** Figures of one load case or combination alone are told while one is shown. */
  protected readonly bases = computed(() => [
    { label: 'worst of combinations', value: 'governing' as const },
    ...(this.view.single() ? [{ label: `${this.view.resultId()} only`, value: 'shown' as const }] : []),
  ]);

  constructor() {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      this.area.set({ width, height });
    });
    afterNextRender(() => observer.observe(this.stages().nativeElement));
    inject(DestroyRef).onDestroy(() => observer.disconnect());
    effect(() => {
      this.workspace.results();
      void this.traces.refresh();
      if (this.basis() === 'shown') void this.askAlone(this.view.resultId());
    });
    effect(() => {
      this.view.direction();
      this.moved.set(undefined);
    });
  }

  private async askAlone(result: string): Promise<void> {
    const found = await Promise.all(
      this.design().alternatives.map(
        async ({ id }) => [id, (await this.calculation.ask(id, 'figuresUnder', { result })) ?? []] as const,
      ),
    );
    this.alone.set(new Map(found));
  }

  private readonly points = computed(() =>
    [...this.workspace.results().alternatives.values()].flatMap(({ scene }) =>
      scene ? [...scene.points] : [],
    ),
  );
  private readonly direction = computed(
    () => standardViews[this.view.solid() ? this.view.direction() : 'front'],
  );

  protected readonly camera = computed(() => {
    const points = this.points();
    return (
      this.moved() ??
      (points.length > 0 ? fitView(points, this.direction(), this.stageSize(), margins) : undefined)
    );
  });

  /** Stages in as many rows as draw the frames largest; none is left empty where that costs little. */
  protected readonly columnCount = computed(() => {
    const { width, height } = this.area();
    const count = this.design().alternatives.length;
    const points = this.points();
    if (points.length === 0) return count;
    const scaleWith = (columns: number): number => {
      const rows = Math.ceil(count / columns);
      const size = { width: width / columns, height: height / rows - headHeight };
      const empty = columns * rows - count;
      return fitView(points, this.direction(), size, margins).scale * (1 - 0.2 * Math.min(1, empty));
    };
    let best = count;
    for (let columns = count; columns >= 1; columns--)
      if (scaleWith(columns) > scaleWith(best) * 1.001) best = columns;
    return best;
  });

  protected readonly columns = computed(() =>
    this.design().alternatives.map((alternative) => {
      const known = this.workspace.results().alternatives.get(alternative.id);
      const { scene, summary } = known ?? {};
      const content: StageContent | undefined = scene && {
        scene,
        layers: this.view.layers(),
        scales: this.view.scales(),
        dimensions: false,
      };
      return {
        alternative,
        differs: this.differs().get(alternative.id)!,
        summary,
        problems: summary?.problems ?? [],
        content,
        shown: this.shownOf(scene),
        status: summary && isLoud(summary.status) ? statusWords[summary.status] : '',
      };
    }),
  );

  /** In what each differs from the reference, by alternative: in few words, and in whole ones. */
  private readonly differs = computed(() => {
    const design = this.design();
    const reference = design.alternatives.find(({ id }) => id === design.reference)!;
    return new Map(
      design.alternatives.map((one) => {
        const found = differencesBetween(design, one, reference);
        const short = found.map(({ title, own }) => `${title}: ${own}`).join('; ');
        const whole = found.map(({ title, own, other }) => `${title}: ${own} instead of ${other}`).join('; ');
        return [one.id, { short: short || (one === reference ? '' : 'as the reference'), whole }];
      }),
    );
  });

  /** What a stage shows, in few words; of a shape what it comes to in that alternative. */
  private shownOf(scene: DrawnScene | undefined): string {
    if (this.view.single()) return this.view.resultId();
    return (this.view.shape() ? scene?.legend[0]?.text : undefined) ?? this.view.resultTitle();
  }

  /** Figures of each alternative, in the order of the design. */
  private readonly values = computed(() =>
    this.design().figures.map((spec) => ({
      id: spec.id,
      title: spec.title,
      explained: isExplained(spec),
      cells: this.columns().map(({ alternative, summary }) => {
        const list = this.basis() === 'governing' ? summary?.figures : this.alone().get(alternative.id);
        return list?.find((figure) => figure.id === spec.id);
      }),
    })),
  );

  protected readonly rows = computed(() => {
    const reference = this.design().alternatives.findIndex((a) => a.id === this.design().reference);
    return this.values().map(({ id, title, explained, cells }) => ({
      id,
      title,
      explained,
      limit: cells.map((cell) => (cell ? limitText(cell) : '')).find((text) => text !== '') ?? '',
      cells: cells.map((figure, column) => ({
        column,
        figure,
        text: figure ? figureText(figure) : '–',
        exact: figure ? figureExact(figure) : 'not known',
        place: figure?.place ?? '',
        difference: column === reference ? '' : differenceText(figure, cells[reference]),
        over: figure?.status === 'fail',
        beyond: figure ? beyondText(figure) : '',
      })),
    }));
  });

  protected readonly chart = computed((): { names: string[]; series: ChartSeries[] } => {
    const series = [this.first(), this.second()].flatMap((id): ChartSeries[] => {
      const row = this.values().find((one) => one.id === id);
      const known = row?.cells.find((cell) => cell !== undefined);
      return row && known
        ? [{ title: row.title, quantity: known.quantity, values: row.cells.map((cell) => cell?.value) }]
        : [];
    });
    return { names: this.design().alternatives.map((a) => a.title), series };
  });

  /** The difference of which it is shown where it comes from. */
  protected readonly why = signal<Difference | undefined>(undefined);
  private opener: HTMLElement | null = null;

  protected askWhy(row: { readonly id: string; readonly title: string }, column: number): void {
    const { alternative, summary } = this.columns()[column]!;
    const { quantity } = summary!.figures.find(({ id }) => id === row.id)!;
    this.traces.close();
    this.opener = document.activeElement as HTMLElement | null;
    this.why.set({
      figure: row.id,
      title: row.title,
      quantity,
      alternative: alternative.id,
      reference: this.design().reference,
      ...(this.basis() === 'shown' ? { result: this.view.resultId() } : {}),
    });
  }

  /** Closes it; the focus goes back to what opened it. */
  protected closeWhy(): void {
    this.why.set(undefined);
    this.opener?.focus();
    this.opener = null;
  }

  protected setFirst(id: string): void {
    this.chosenFirst.set(id);
  }

  protected setSecond(id: string): void {
    this.chosenSecond.set(id);
  }

  protected setReference(id: string): void {
    this.workspace.apply((design) => setReference(design, id));
  }

  protected setCamera(view: View): void {
    this.moved.set(view);
  }

  protected fitAll(): void {
    this.moved.set(undefined);
  }

  protected trace(figure: string, column: number): void {
    this.why.set(undefined);
    const { alternative, summary } = this.columns()[column]!;
    const shown = this.basis() === 'shown' ? { result: this.view.resultId() } : {};
    this.traces.open({
      kind: 'figure',
      alternative: alternative.id,
      title: alternative.title,
      figure,
      ...shown,
      code: summary?.code ?? '',
    });
  }
}
