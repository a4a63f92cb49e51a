import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  figures,
  setReference,
  type Calculated,
  type Figure,
  type FigureId,
  type FigureResult,
} from '@hashira/core';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { extentOf, fitCamera, union, type Camera, type Extent } from '../stage/camera';
import { StageComponent } from '../stage/stage.component';
import { differenceText, figureExact, figurePlace, figureText, figureTrace } from '../shared/figure-text';
import { StageBarComponent } from '../shared/stage-bar.component';
import { stageContent } from '../shared/stage-content';
import { TracePanelComponent } from '../shared/trace-panel.component';
import { TraceService } from '../shared/trace.service';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';
import { FiguresChartComponent, type ChartSeries } from './figures-chart.component';

/** Free space around a frame on its stage, px: room for values and reactions. */
const margins = { left: 84, right: 84, top: 44, bottom: 78 };
/** Height of a stage's heading, px. */
const headHeight = 26;

/** Alternatives as equal stages, with one camera, one scale and one load case, over one table and a chart. */
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
  ],
  templateUrl: './comparison-screen.component.html',
  styleUrl: './comparison-screen.component.css',
  providers: [TraceService],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparisonScreenComponent {
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  private readonly traces = inject(TraceService);

  /** Figures at their worst over the combinations that judge them, or under the shown loads only. */
  protected readonly basis = signal<'governing' | 'shown'>('governing');
  protected readonly first = signal<FigureId>('utilisation');
  protected readonly second = signal<FigureId>('sway');
  /** The camera after a user moved it; until then every frame is shown whole. */
  private readonly moved = signal<Camera | undefined>(undefined);
  protected readonly stageSize = signal({ width: 300, height: 200 });
  /** Size of all stages together, px. */
  private readonly area = signal({ width: 1280, height: 400 });
  private readonly stages = viewChild.required<ElementRef<HTMLElement>>('stages');

  protected readonly figureOptions = figures.map(({ id, title }) => ({ id, title }));
  protected readonly bases = computed(() => [
    { label: 'worst of combinations', value: 'governing' },
    { label: `${this.view.resultId()} only`, value: 'shown' },
  ]);
  protected readonly design = computed(() => this.workspace.state()!.design);
  protected readonly layers = computed(() => ({ ...this.view.layers(), dimensions: false }));

  constructor() {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      this.area.set({ width, height });
    });
    afterNextRender(() => observer.observe(this.stages().nativeElement));
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }

  private readonly extents = computed(() =>
    [...this.workspace.results().alternatives.values()].flatMap((result): Extent[] => {
      const built = result.ok ? result.value.built : result.built;
      return built ? [extentOf(built.model.nodes.flatMap((n) => [n.x, 0, n.z]))] : [];
    }),
  );

  protected readonly camera = computed(() => {
    const moved = this.moved();
    if (moved) return moved;
    const extents = this.extents();
    if (extents.length === 0) return undefined;
    return fitCamera(extents.reduce(union), this.stageSize(), margins);
  });

  /** Stages in as many rows as draw the frames largest. */
  protected readonly columnCount = computed(() => {
    const { width, height } = this.area();
    const count = this.design().alternatives.length;
    const extents = this.extents();
    if (extents.length === 0) return count;
    const whole = extents.reduce(union);
    const scaleWith = (columns: number): number => {
      const rows = Math.ceil(count / columns);
      return fitCamera(whole, { width: width / columns, height: height / rows - headHeight }, margins).scale;
    };
    let best = count;
    for (let columns = count; columns >= 1; columns--)
      if (scaleWith(columns) > scaleWith(best) * 1.001) best = columns;
    return best;
  });

  protected readonly columns = computed(() =>
    this.design().alternatives.map((alternative) => {
      const result = this.workspace.results().alternatives.get(alternative.id);
      return {
        alternative,
        calculated: result?.ok ? result.value : undefined,
        problems: result && !result.ok ? result.problems : [],
        content: stageContent(result, this.view.resultId(), this.layers(), this.view.scales()),
      };
    }),
  );

  private readonly values = computed(() =>
    figures.map((figure) => ({
      figure,
      results: this.columns().map(({ calculated }) => calculated && this.resultOf(figure, calculated)),
    })),
  );

  protected readonly rows = computed(() => {
    const reference = this.design().alternatives.findIndex((a) => a.id === this.design().reference);
    return this.values().map(({ figure, results }) => ({
      figure,
      cells: results.map((result, i) => ({
        result,
        column: i,
        text: figureText(figure, result),
        exact: figureExact(figure, result),
        place: figurePlace(result),
        difference: i === reference ? '' : differenceText(result, results[reference]),
        over: figure.id === 'utilisation' && (result?.value ?? 0) > 1,
      })),
    }));
  });

  protected readonly chart = computed((): { names: string[]; series: ChartSeries[] } => {
    const series = [this.first(), this.second()].map((id): ChartSeries => {
      const row = this.values().find(({ figure }) => figure.id === id)!;
      return {
        title: row.figure.title,
        quantity: row.figure.quantity,
        values: row.results.map((r) => r?.value),
      };
    });
    return { names: this.design().alternatives.map((a) => a.title), series };
  });

  private resultOf(figure: Figure, calculated: Calculated): FigureResult | undefined {
    if (this.basis() === 'governing') return calculated.governing[figure.id];
    const selection = calculated.selections.filter((s) => s.id === this.view.resultId());
    return figure.compute(calculated, selection);
  }

  protected setReference(id: string): void {
    this.workspace.apply((design) => setReference(design, id));
  }

  protected setCamera(camera: Camera): void {
    this.moved.set(camera);
  }

  protected fitAll(): void {
    this.moved.set(undefined);
  }

  protected trace(figure: Figure, column: number): void {
    this.traces.open.set(() => {
      const { alternative, calculated } = this.columns()[column] ?? {};
      const result = calculated && this.resultOf(figure, calculated);
      return calculated && result && alternative
        ? figureTrace(figure, alternative.title, calculated, result)
        : undefined;
    });
  }
}
