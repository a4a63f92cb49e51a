import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import {
  colourValues as colours,
  formatWithUnit,
  shownUnit,
  significant,
  type QuantityName,
} from '@hashira/core';
import type { EChartsCoreOption } from 'echarts/core';
import { NgxEchartsDirective, provideEchartsCore } from 'ngx-echarts';

/** One figure over the alternatives, SI; undefined where it could not be found. */
export interface ChartSeries {
  readonly title: string;
  readonly quantity: QuantityName;
  readonly values: readonly (number | undefined)[];
}

/** Two figures over the alternatives, by magnitude: the first as bars on the left axis, the second as points on the right. */
@Component({
  selector: 'app-figures-chart',
  imports: [NgxEchartsDirective],
  template: `<div
    echarts
    [options]="options()"
    class="chart"
    role="img"
    [attr.aria-label]="description()"
  ></div>`,
  styles: `
    :host,
    .chart {
      display: block;
      width: 100%;
      height: 100%;
    }
  `,
  providers: [provideEchartsCore({ echarts: () => import('./echarts').then((m) => m.echarts) })],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiguresChartComponent {
  readonly names = input.required<readonly string[]>();
  readonly series = input.required<readonly ChartSeries[]>();

  protected readonly description = computed(() =>
    this.series()
      .map(
        ({ title, quantity, values }) =>
          `${title}: ${this.names()
            .map(
              (name, i) =>
                `${name} ${values[i] === undefined ? 'unknown' : formatWithUnit(values[i], quantity)}`,
            )
            .join(', ')}`,
      )
      .join('. '),
  );

  protected readonly options = computed((): EChartsCoreOption => {
    const text = { color: colours.ink, fontFamily: 'IBM Plex Sans Condensed' };
    const axis = ({ title, quantity }: ChartSeries, right: boolean) => ({
      type: 'value',
      name: `${title}${shownUnit(quantity).unit ? `, ${shownUnit(quantity).unit}` : ''}`,
      nameTextStyle: { ...text, align: right ? 'right' : 'left' },
      axisLabel: { ...text, formatter: (value: number) => significant(value, 3) },
      splitLine: { show: !right, lineStyle: { color: colours.inkFaint } },
      splitNumber: 4,
      min: 0,
    });
    const data = ({ quantity, values }: ChartSeries) =>
      values.map((value) => (value === undefined ? null : Math.abs(value) * shownUnit(quantity).factor));
    // Heights are magnitudes; what is told has its sign
    const told = ({ quantity, values }: ChartSeries, k: number, digits?: number) =>
      values[k] === undefined ? '–' : significant(values[k] * shownUnit(quantity).factor, digits);
    const label = (of: ChartSeries) => ({
      show: true,
      ...text,
      formatter: ({ dataIndex }: { dataIndex: number }) => told(of, dataIndex),
    });
    const tooltip = (of: ChartSeries) => ({
      valueFormatter: (_: unknown, dataIndex: number) => told(of, dataIndex, 4),
    });
    const [first, second] = this.series() as [ChartSeries, ChartSeries];
    return {
      animation: false,
      textStyle: text,
      grid: { left: 46, right: 50, top: 28, bottom: 24 },
      tooltip: {
        trigger: 'axis',
        backgroundColor: colours.sheet,
        borderColor: colours.inkSoft,
        textStyle: text,
      },
      xAxis: {
        type: 'category',
        data: [...this.names()],
        axisLabel: {
          ...text,
          interval: 0,
          overflow: 'truncate',
          width: Math.floor(270 / Math.max(1, this.names().length)),
        },
        axisTick: { show: false },
        axisLine: { lineStyle: { color: colours.ink } },
      },
      yAxis: [axis(first, false), axis(second, true)],
      series: [
        {
          type: 'bar',
          name: first.title,
          data: data(first),
          barWidth: '34%',
          itemStyle: { color: colours.inkFaint, borderColor: colours.ink, borderWidth: 1 },
          // Clear of the axis
          label: { ...label(first), position: 'insideBottom', distance: 8 },
          tooltip: tooltip(first),
        },
        {
          type: 'line',
          name: second.title,
          yAxisIndex: 1,
          data: data(second),
          symbol: 'diamond',
          symbolSize: 10,
          // Alternatives have no order that a line could follow
          lineStyle: { width: 0 },
          itemStyle: { color: colours.indigo },
          label: { ...label(second), position: 'top', color: colours.indigo },
          tooltip: tooltip(second),
        },
      ],
    };
  });
}
