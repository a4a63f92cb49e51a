import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { hasInfluence } from '@hashira/core';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';
import { Slider } from 'primeng/slider';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { FigurePickerComponent } from '../figure-picker.component';
import { effectChart, envelopeChart, influenceChart, type Travelled } from './train-charts';
import { Trains } from './trains.service';
import { readersUnits } from '../../ui/units.service';
import { ActionDirective } from '../../ui/action.directive';

/** Influence lines of a reading over the alternatives, what a train brings to it as it travels, and where it is worst. */
@Component({
  selector: 'app-trains',
  imports: [ActionDirective, FigurePickerComponent, FormsModule, Slider, NgxEchartsDirective],
  templateUrl: './trains.component.html',
  styleUrl: './trains.component.css',
  providers: [provideEchartsCore({ echarts: () => import('../charts/echarts').then((m) => m.echarts) })],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrainsComponent {
  private readonly units = readersUnits();
  private readonly workspace = inject(DesignWorkspace);
  protected readonly trains = inject(Trains);

  private readonly design = computed(() => this.workspace.state()!.design);

  protected readonly readings = computed(() =>
    this.design()
      .figures.filter(hasInfluence)
      .map(({ id, title }) => ({ id, title: `${title}, where it is worst` })),
  );
  protected readonly figure = computed(() => {
    const reading = this.trains.reading();
    return 'figure' in reading ? reading.figure : '';
  });

  protected readonly travelled = computed((): readonly Travelled[] => {
    const { alternatives, reference, decision } = this.design();
    return alternatives.flatMap(({ id, title }): Travelled[] => {
      const influence = this.trains.influences().get(id);
      return influence
        ? [
            {
              title,
              influence,
              at: this.trains.placeIn(id)!,
              isReference: id === reference,
              isDecided: id === decision?.alternative,
            },
          ]
        : [];
    });
  });

  /** What each alternative comes to, in words. */
  protected readonly words = computed(() =>
    this.travelled().map(({ title, influence: { most, least, quantity, title: read } }) => {
      const told = ({ value, at }: typeof most) =>
        `${this.units().withUnit(value, quantity)} with the first force at ${this.units().withUnit(at, 'length')}`;
      return `${title}, ${read}: greatest ${told(most)}, least ${told(least)}`;
    }),
  );
  protected readonly problems = computed(() =>
    this.design().alternatives.flatMap(({ id, title }) => {
      const problem = this.trains.problems().get(id);
      return problem === undefined ? [] : [`${title}: ${problem}`];
    }),
  );
  protected readonly charts = computed(() => {
    const [all, units] = [this.travelled(), this.units()];
    return all.length === 0
      ? undefined
      : {
          line: influenceChart(all, units),
          effect: effectChart(all, units),
          envelope: envelopeChart(all, units),
        };
  });

  /** Length that the first force travels until the last has left, m. */
  protected readonly run = computed(() => {
    const [first] = this.travelled();
    const train = first?.influence.train;
    return first ? first.influence.length + train![train!.length - 1]!.behind : 0;
  });
  protected readonly at = computed(() => this.trains.at() ?? this.travelled()[0]?.at ?? 0);
  protected readonly atText = computed(
    () => `${this.units().number(this.at(), 'length')} ${this.units().of('length').unit}`,
  );

  protected setAt(at: number | undefined): void {
    this.trains.at.set(at);
  }
}
