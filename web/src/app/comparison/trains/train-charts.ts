import { colourValues as colours, type AlongLine, type TrainInfluence, type Units } from '@hashira/core';
import type { EChartsCoreOption } from 'echarts/core';
import { short, text, tooltipStyle, toneOf, type ChartedAlternative } from '../charts/charted';

/** An alternative that has the train. */
export interface Travelled extends ChartedAlternative {
  readonly influence: TrainInfluence;
  /** m along the line, where the first force stands on the stage. */
  readonly at: number;
}

const dashes = ['solid', 'dashed', 'dotted'] as const;

interface Curve {
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
  readonly style: object;
  readonly marks?: readonly { readonly at: number; readonly value: number; readonly text: string }[];
}

function chart(
  curves: readonly Curve[],
  along: string,
  up: string,
  marked: readonly number[],
): EChartsCoreOption {
  return {
    animation: false,
    textStyle: text,
    grid: { left: 54, right: 16, top: 24, bottom: 36 },
    tooltip: { ...tooltipStyle, trigger: 'axis', valueFormatter: (value: number) => short(value) },
    xAxis: {
      type: 'value',
      name: along,
      nameLocation: 'middle',
      nameGap: 22,
      nameTextStyle: text,
      axisLabel: { ...text, formatter: short },
      axisLine: { onZero: true, lineStyle: { color: colours.ink } },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      name: up,
      nameTextStyle: { ...text, align: 'left' },
      splitNumber: 4,
      axisLabel: { ...text, formatter: short },
      splitLine: { lineStyle: { color: colours.inkFaint } },
    },
    series: curves.map(({ name, points, style, marks = [] }, i) => ({
      type: 'line',
      name,
      data: points.map((point) => [...point]),
      showSymbol: false,
      lineStyle: style,
      itemStyle: { color: colours.indigo },
      markPoint: {
        symbol: 'circle',
        symbolSize: 7,
        label: { show: true, position: 'top', ...text, formatter: '{b}' },
        data: marks.map(({ at, value, text: words }) => ({ name: words, coord: [at, value] })),
      },
      ...(i === 0 && marked.length > 0
        ? {
            markLine: {
              silent: true,
              symbol: 'none',
              animation: false,
              label: { show: false },
              lineStyle: { color: colours.ochre, type: 'solid' },
              data: marked.map((at) => ({ xAxis: at })),
            },
          }
        : {}),
    })),
  };
}

const styleOf = (one: ChartedAlternative, i: number) => ({
  color: toneOf(one),
  width: one.isReference || one.isDecided ? 2.5 : 1.5,
  type: dashes[i % dashes.length],
});

/** The influence lines of the alternatives: the reading under 1 kN, or 1 kip, at each place. */
export function influenceChart(all: readonly Travelled[], units: Units): EChartsCoreOption {
  const [first] = all;
  if (!first) return {};
  const { length, value, unit } = axesOf(first.influence, units);
  const { factor, unit: force } = units.of('force');
  const of = ({ at, value: one }: AlongLine) => [at * length.factor, (one * value) / factor] as const;
  return chart(
    all.map((one, i) => ({ name: one.title, points: one.influence.line.map(of), style: styleOf(one, i) })),
    `place of a force, ${length.unit}`,
    `${unit === '' ? '' : `${unit} `}for 1 ${force}`,
    [],
  );
}

/** What the whole train brings while it travels, with its extremes, and where it stands on the stages. */
export function effectChart(all: readonly Travelled[], units: Units): EChartsCoreOption {
  const [first] = all;
  if (!first) return {};
  const { length, value, unit } = axesOf(first.influence, units);
  const of = ({ at, value: one }: AlongLine) => [at * length.factor, one * value] as const;
  return chart(
    all.map((one, i) => {
      const { most, least, effect } = one.influence;
      const marks = [most, least].flatMap(({ at, value: v }) =>
        v === 0 ? [] : [{ at: at * length.factor, value: v * value, text: short(v * value) }],
      );
      return { name: one.title, points: effect.map(of), style: styleOf(one, i), marks };
    }),
    `place of the first force, ${length.unit}`,
    unit,
    all.map(({ at }) => at * length.factor),
  );
}

/** Least and greatest along the members that are travelled. */
export function envelopeChart(all: readonly Travelled[], units: Units): EChartsCoreOption {
  const [first] = all;
  if (!first) return {};
  const length = units.of('length');
  const { factor, unit } = units.of(first.influence.envelope.force.startsWith('M') ? 'moment' : 'force');
  return chart(
    all.flatMap((one, i) =>
      (['greatest', 'least'] as const).map((end): Curve => ({
        name: `${one.title}, ${end}`,
        points: one.influence.envelope.places.map(
          (place) => [place.at * length.factor, place[end] * factor] as const,
        ),
        style: styleOf(one, i),
      })),
    ),
    `along the line, ${length.unit}`,
    `${first.influence.envelope.force}, ${unit}`,
    [],
  );
}

function axesOf({ quantity }: TrainInfluence, units: Units) {
  const { factor, unit } = units.of(quantity);
  return { length: units.of('length'), value: factor, unit };
}
