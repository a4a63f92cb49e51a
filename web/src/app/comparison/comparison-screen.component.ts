import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { comparisonCsv, compareSummaries, type FigureSummary } from '@hashira/core';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { AlternativesStripComponent } from '../design/alternatives/alternatives-strip.component';
import { TracePanelComponent } from '../design/ledger/trace-panel.component';
import { TraceService } from '../design/ledger/trace.service';
import { StageBarComponent } from '../design/stage-tools/stage-bar.component';
import { Calculation } from '../state/calculation/calculation.service';
import { ComparisonView, type ComparisonLeaf } from '../state/comparison-view.service';
import { ComparedDesign } from './compared-design.service';
import { DesignWorkspace } from '../state/design-workspace.service';
import { ViewState } from '../state/view-state.service';
import { focusSoon } from '../ui/focus-soon';
import { download } from '../state/saving/design-file';
import { ComparisonChartsComponent } from './charts/comparison-charts.component';
import { ShapesTableComponent } from './shapes/shapes-table.component';
import { ComparisonStagesComponent } from './stages/comparison-stages.component';
import { PairedShapes } from './stages/paired-shapes.service';
import { DecisionComponent } from './table/decision.component';
import { FiguresTableComponent, type PressedFigure } from './table/figures-table.component';
import { TrainsComponent } from './trains/trains.component';
import { Trains } from './trains/trains.service';
import { WhyComponent } from './why/why.component';
import { Why } from './why/why.service';
import { ActionDirective } from '../ui/action.directive';

/** Which alternative, by how much, and why: a few alternatives large, all of them in a table that decides, in charts, and by their modes. */
@Component({
  selector: 'app-comparison-screen',
  imports: [
    ActionDirective,
    FormsModule,
    Select,
    SelectButton,
    AlternativesStripComponent,
    ComparisonChartsComponent,
    ComparisonStagesComponent,
    DecisionComponent,
    FiguresTableComponent,
    ShapesTableComponent,
    StageBarComponent,
    TracePanelComponent,
    TrainsComponent,
    WhyComponent,
  ],
  templateUrl: './comparison-screen.component.html',
  styleUrl: './comparison-screen.component.css',
  providers: [TraceService, Why, ComparedDesign, PairedShapes, Trains],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[class.tall]': 'stages()?.isTall()' },
})
export class ComparisonScreenComponent {
  protected readonly workspace = inject(DesignWorkspace);
  protected readonly view = inject(ViewState);
  protected readonly comparison = inject(ComparisonView);
  protected readonly why = inject(Why);
  private readonly trains = inject(Trains);
  private readonly calculation = inject(Calculation);
  private readonly traces = inject(TraceService);
  protected readonly stages = viewChild(ComparisonStagesComponent);

  /** Figures at their worst over the combinations that judge them, or under the shown loads only. */
  protected readonly chosenBasis = signal<'governing' | 'shown'>('governing');
  protected readonly basis = computed(() => (this.view.single() ? this.chosenBasis() : 'governing'));
  /** Figures under the shown loads alone, by alternative. */
  private readonly foundAlone = signal<ReadonlyMap<string, readonly FigureSummary[]>>(new Map());
  protected readonly alone = computed(() => (this.basis() === 'shown' ? this.foundAlone() : undefined));

  protected readonly design = inject(ComparedDesign).now;
  /** Figures of one load case or combination alone are told while one is shown. */
  protected readonly bases = computed(() => [
    { label: 'worst of combinations', value: 'governing' as const },
    ...(this.view.single() ? [{ label: `${this.view.resultId()} only`, value: 'shown' as const }] : []),
  ]);
  protected readonly leaves = computed((): { label: string; value: ComparisonLeaf }[] => [
    { label: 'Figures', value: 'figures' },
    { label: 'Charts', value: 'charts' },
    { label: 'Modes and buckling', value: 'shapes' },
    ...(this.trains.exist() ? [{ label: 'Trains', value: 'trains' as const }] : []),
  ]);
  protected readonly orders = [
    { label: 'in the design’s order', value: 'design' as const },
    { label: 'by how much they differ', value: 'difference' as const },
  ];
  protected readonly large = computed((): readonly string[] => {
    const { alternatives, reference } = this.design();
    return this.comparison.large(
      alternatives.map(({ id }) => id),
      reference,
    );
  });

  private opener: HTMLElement | null = null;

  constructor() {
    this.comparison.open.set(true);
    inject(DestroyRef).onDestroy(() => this.comparison.open.set(false));
    effect(() => {
      this.workspace.results();
      void this.traces.refresh();
      if (this.basis() === 'shown') void this.askAlone(this.view.resultId());
    });
  }

  private async askAlone(result: string): Promise<void> {
    const found = await Promise.all(
      this.design().alternatives.map(
        async ({ id }) => [id, (await this.calculation.ask(id, 'figuresUnder', { result })) ?? []] as const,
      ),
    );
    this.foundAlone.set(new Map(found));
  }

  protected explain({ figure, alternative }: PressedFigure): void {
    this.traces.close();
    this.opener = document.activeElement as HTMLElement | null;
    const { id, title, quantity } = figure;
    this.why.open({
      figure: id,
      title,
      quantity,
      alternative,
      reference: this.design().reference,
      ...(this.basis() === 'shown' ? { result: this.view.resultId() } : {}),
    });
  }

  /** Closes it; the focus goes back to what opened it. */
  protected closeWhy(): void {
    const label = this.opener?.getAttribute('aria-label');
    this.why.close();
    this.opener = null;
    // The table is made anew where it stood
    if (label) focusSoon(document, `[aria-label="${CSS.escape(label)}"]`);
  }

  protected setLarge({ id, on }: { readonly id: string; readonly on: boolean }): void {
    this.comparison.setLarge(id, on, this.large());
  }

  protected fitAll(): void {
    this.stages()?.fitAll();
  }

  protected trace({ figure, alternative }: PressedFigure): void {
    const shown = this.basis() === 'shown' ? { result: this.view.resultId() } : {};
    this.traces.open({
      kind: 'figure',
      alternative,
      title: this.design().alternatives.find(({ id }) => id === alternative)!.title,
      figure: figure.id,
      ...shown,
      code: this.workspace.results().alternatives.get(alternative)?.summary.code ?? '',
    });
  }

  protected saveCsv(): void {
    const summaries = [...this.workspace.results().alternatives.values()].map(({ summary }) => summary);
    const csv = comparisonCsv(compareSummaries(this.design(), summaries));
    download(csv, `${this.design().title}, comparison.csv`, 'text/csv');
  }
}
