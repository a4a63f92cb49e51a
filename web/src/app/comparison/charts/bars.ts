import { colourValues as colours } from '@hashira/core';
import type { EChartsCoreOption } from 'echarts/core';
import {
  axisName,
  limitOf,
  short,
  sizeOf,
  text,
  told,
  toneOf,
  type Charted,
  type ChartedAlternative,
} from './charted';

/** A figure over the alternatives as bars with their names, by magnitude, and its limit. */
export function barsChart(of: Charted, alternatives: readonly ChartedAlternative[]): EChartsCoreOption {
  const limit = limitOf(of);
  return {
    animation: false,
    textStyle: text,
    grid: { left: 8, right: 64, top: 20, bottom: 26, containLabel: true },
    xAxis: {
      type: 'value',
      name: axisName(of),
      nameLocation: 'middle',
      nameGap: 22,
      nameTextStyle: text,
      min: 0,
      splitNumber: 4,
      axisLabel: { ...text, formatter: short },
      splitLine: { lineStyle: { color: colours.inkFaint } },
    },
    yAxis: {
      type: 'category',
      inverse: true,
      data: alternatives.map(({ title }) => title),
      axisLabel: { ...text, interval: 0, width: 150, overflow: 'break' },
      axisTick: { show: false },
      axisLine: { lineStyle: { color: colours.ink } },
    },
    series: [
      {
        type: 'bar',
        barMaxWidth: 20,
        data: alternatives.map((one, i) => ({
          value: sizeOf(of.figures[i], of.units) ?? null,
          itemStyle: {
            color: of.figures[i]?.status === 'fail' ? colours.vermilion : colours.inkFaint,
            borderColor: toneOf(one),
            borderWidth: 1,
          },
        })),
        label: {
          show: true,
          position: 'right',
          ...text,
          backgroundColor: colours.paper,
          formatter: ({ dataIndex }: { dataIndex: number }) => {
            const figure = of.figures[dataIndex];
            return figure?.status === 'fail' ? `${told(figure, of.units)} over` : told(figure, of.units);
          },
        },
        markLine: {
          silent: true,
          symbol: 'none',
          animation: false,
          data:
            limit === undefined
              ? []
              : [
                  {
                    xAxis: limit,
                    lineStyle: { color: colours.vermilion, type: 'dashed' },
                    label: { formatter: 'limit', color: colours.vermilion, position: 'start' },
                  },
                ],
        },
      },
    ],
  };
}
