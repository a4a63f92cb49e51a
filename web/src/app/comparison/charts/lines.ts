import { colourValues as colours } from '@hashira/core';
import type { EChartsCoreOption } from 'echarts/core';
import { escaped, text, told, tooltipStyle, toneOf, type Charted, type ChartedAlternative } from './charted';

/** Ratios beyond these stand at the edge of the chart. */
const least = 1 / 8;
const most = 8;

/** Every figure as a place along the foot, every alternative as a line through its ratios to the reference, which lies straight; limits as marks. */
export function linesChart(
  all: readonly Charted[],
  alternatives: readonly ChartedAlternative[],
): EChartsCoreOption {
  const reference = alternatives.findIndex(({ isReference }) => isReference);
  const ratios = all.map(({ figures }) =>
    figures.map((one) => ratioOf(one?.value, figures[reference]?.value)),
  );
  const limits = all.map(({ figures }) => {
    const limit = figures.find((one) => one?.limit !== undefined)?.limit;
    return ratioOf(limit, figures[reference]?.value);
  });
  const shown = [...ratios.flat(), ...limits].flatMap((one) => (one === undefined ? [] : [Math.log2(one)]));
  const bound = Math.max(1, ...shown.map((one) => Math.ceil(Math.abs(one))));
  return {
    animation: false,
    textStyle: text,
    grid: { left: 56, right: 160, top: 12, bottom: 58 },
    legend: {
      type: 'scroll',
      orient: 'vertical',
      right: 4,
      top: 8,
      itemWidth: 30,
      data: alternatives.map(({ title }) => title),
      textStyle: { ...text, width: 112, overflow: 'truncate' },
    },
    xAxis: {
      type: 'category',
      data: all.map(({ title }) => title),
      axisLabel: { ...text, interval: 0, rotate: all.length > 4 ? 24 : 0, width: 96, overflow: 'truncate' },
      axisLine: { onZero: false, lineStyle: { color: colours.inkSoft } },
      splitLine: { show: true, lineStyle: { color: colours.inkFaint } },
    },
    yAxis: {
      type: 'value',
      min: -bound,
      max: bound,
      interval: 1,
      axisLabel: { ...text, formatter: (value: number) => timesWords(value) },
      splitLine: { lineStyle: { color: colours.inkFaint } },
    },
    tooltip: {
      ...tooltipStyle,
      trigger: 'item',
      formatter: ({ seriesIndex, dataIndex, seriesName }: Pointed) =>
        seriesIndex < alternatives.length
          ? `${escaped(seriesName)}: ${escaped(all[dataIndex]!.title)} ${told(all[dataIndex]!.figures[seriesIndex], all[dataIndex]!.units)}`
          : `limit of ${escaped(all[dataIndex]!.title)}`,
    },
    series: [
      ...alternatives.map((one, i) => ({
        type: 'line',
        name: one.title,
        data: ratios.map((of) => (of[i] === undefined ? null : Math.log2(of[i]))),
        symbolSize: 7,
        lineStyle: {
          color: toneOf(one),
          width: one.isReference || one.isDecided ? 2.5 : 1.2,
          type: dashes[i % dashes.length],
        },
        itemStyle: { color: toneOf(one) },
        symbol: symbols[i % symbols.length],
        emphasis: { focus: 'series' },
      })),
      {
        type: 'scatter',
        name: 'limit',
        symbol: 'rect',
        symbolSize: [26, 3],
        itemStyle: { color: colours.vermilion },
        data: limits.map((one) => (one === undefined ? null : Math.log2(one))),
      },
    ],
  };
}

interface Pointed {
  readonly seriesIndex: number;
  readonly dataIndex: number;
  readonly seriesName: string;
}

/** So that lines can be told apart without their colour. */
const dashes = ['solid', 'dashed', 'dotted'] as const;
const symbols = [
  'circle',
  'rect',
  'triangle',
  'diamond',
  'emptyCircle',
  'emptyRect',
  'emptyTriangle',
] as const;

/** Ratio of magnitudes, at the edge where it is beyond; undefined where there is nothing to compare with. */
function ratioOf(value: number | undefined, reference: number | undefined): number | undefined {
  if (value === undefined || reference === undefined || reference === 0) return undefined;
  return Math.min(most, Math.max(least, Math.abs(value / reference)));
}

/** "×2", "×½": a power of two. */
const timesWords = (power: number): string =>
  power === 0 ? 'reference' : power > 0 ? `×${2 ** power}` : `×1/${2 ** -power}`;
