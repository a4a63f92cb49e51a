import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { ComparedDesign } from '../compared-design.service';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { FigurePickerComponent } from '../figure-picker.component';
import { barsChart } from './bars';
import { inWords, type Charted, type ChartedAlternative } from './charted';
import { linesChart } from './lines';
import { pointsChart } from './points';
import { readersUnits } from '../../ui/units.service';

/** Two figures against one another, all figures as parallel lines, one figure as bars: over all alternatives. */
@Component({
  selector: 'app-comparison-charts',
  imports: [FigurePickerComponent, NgxEchartsDirective],
  templateUrl: './comparison-charts.component.html',
  styleUrl: './comparison-charts.component.css',
  providers: [provideEchartsCore({ echarts: () => import('./echarts').then((m) => m.echarts) })],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparisonChartsComponent {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  private readonly chosenAcross = signal<string | undefined>(undefined);
  private readonly chosenUp = signal<string | undefined>(undefined);
  private readonly chosenBars = signal<string | undefined>(undefined);

  private readonly design = inject(ComparedDesign).now;
  protected readonly options = computed(() => this.design().figures.map(({ id, title }) => ({ id, title })));
  /** Mass against the first other figure says the most at a look. */
  protected readonly across = computed(
    () =>
      this.chosenAcross() ?? this.design().figures.find(({ kind }) => kind === 'mass')?.id ?? this.idAt(1),
  );
  protected readonly up = computed(() => this.chosenUp() ?? this.idAt(0));
  protected readonly bars = computed(() => this.chosenBars() ?? this.idAt(0));

  private idAt(index: number): string {
    const options = this.options();
    return options[Math.min(index, options.length - 1)]?.id ?? '';
  }

  protected readonly alternatives = computed((): ChartedAlternative[] => {
    const { alternatives, reference, decision } = this.design();
    return alternatives.map(({ id, title }) => ({
      title,
      isReference: id === reference,
      isDecided: id === decision?.alternative,
    }));
  });

  private readonly all = computed((): ReadonlyMap<string, Charted> => {
    const known = this.workspace.results().alternatives;
    const units = this.units();
    const { figures, alternatives } = this.design();
    return new Map(
      figures.map(({ id, title }) => [
        id,
        {
          title,
          units,
          figures: alternatives.map((one) =>
            known.get(one.id)?.summary.figures.find((figure) => figure.id === id),
          ),
        },
      ]),
    );
  });

  protected readonly points = computed(() => {
    const [across, up] = [this.all().get(this.across()), this.all().get(this.up())];
    const alternatives = this.alternatives();
    return across && up
      ? { options: pointsChart(across, up, alternatives), words: inWords([across, up], alternatives) }
      : undefined;
  });
  protected readonly lines = computed(() => {
    const all = [...this.all().values()];
    return { options: linesChart(all, this.alternatives()), words: inWords(all, this.alternatives()) };
  });
  protected readonly barred = computed(() => {
    const of = this.all().get(this.bars());
    const alternatives = this.alternatives();
    return of && { options: barsChart(of, alternatives), words: inWords([of], alternatives) };
  });

  protected setAcross(id: string): void {
    this.chosenAcross.set(id);
  }

  protected setUp(id: string): void {
    this.chosenUp.set(id);
  }

  protected setBars(id: string): void {
    this.chosenBars.set(id);
  }
}
