import { colourValues as colours } from '@hashira/core';
import type { EChartsCoreOption } from 'echarts/core';
import {
  axisName,
  escaped,
  limitOf,
  short,
  sizeOf,
  text,
  told,
  tooltipStyle,
  toneOf,
  type Charted,
  type ChartedAlternative,
} from './charted';

/** Two figures against one another, each alternative a point with its name; limits as dashed lines. */
export function pointsChart(
  across: Charted,
  up: Charted,
  alternatives: readonly ChartedAlternative[],
): EChartsCoreOption {
  const axis = (of: Charted, nameGap: number) => ({
    type: 'value',
    name: axisName(of),
    nameLocation: 'middle',
    nameGap,
    nameTextStyle: text,
    scale: true,
    boundaryGap: ['18%', '26%'],
    splitNumber: 4,
    axisLabel: { ...text, formatter: short },
    axisLine: { show: true, lineStyle: { color: colours.inkSoft } },
    splitLine: { lineStyle: { color: colours.inkFaint } },
  });
  const known = alternatives.flatMap((one, i) => {
    const [x, y] = [sizeOf(across.figures[i], across.units), sizeOf(up.figures[i], up.units)];
    return x === undefined || y === undefined ? [] : [{ one, x, y }];
  });
  const sides = sidesOf(known, ends(across), ends(up));
  const points = known.map(({ one, x, y }, i) => ({
    name: one.title,
    value: [x, y],
    itemStyle: { color: toneOf(one), borderColor: colours.sheet, borderWidth: 1 },
    symbol: one.isReference ? 'rect' : 'circle',
    label: { show: true, formatter: '{b}', ...text, position: sides[i] },
  }));
  const lines = [...limitLine(nearLimit(across), 'xAxis'), ...limitLine(nearLimit(up), 'yAxis')];
  return {
    animation: false,
    textStyle: text,
    grid: { left: 54, right: 18, top: 12, bottom: 40 },
    xAxis: axis(across, 24),
    yAxis: axis(up, 40),
    tooltip: {
      ...tooltipStyle,
      formatter: ({ name }: { name: string }) => {
        const i = alternatives.findIndex(({ title }) => title === name);
        return `${escaped(name)}<br>${escaped(across.title)} ${told(across.figures[i], across.units)}<br>${escaped(up.title)} ${told(up.figures[i], up.units)}`;
      },
    },
    series: [
      {
        type: 'scatter',
        symbolSize: 10,
        data: points,
        markLine: { silent: true, symbol: 'none', animation: false, data: lines },
      },
      // Axes reach limits although no point does
      ...(known.length > 0 && lines.length > 0
        ? [
            {
              type: 'scatter',
              symbolSize: 0,
              silent: true,
              data: [[nearLimit(across) ?? known[0]!.x, nearLimit(up) ?? known[0]!.y]],
            },
          ]
        : []),
    ],
  };
}

const limitLine = (limit: number | undefined, axis: 'xAxis' | 'yAxis') =>
  limit === undefined
    ? []
    : [
        {
          [axis]: limit,
          lineStyle: { color: colours.vermilion, type: 'dashed' },
          label: { formatter: 'limit', color: colours.vermilion, position: 'insideEndTop' },
        },
      ];

/** The least and the greatest value of a figure, a limit that is not far away among them. */
function ends(of: Charted): [number, number] {
  const sizes = of.figures.flatMap((one) => sizeOf(one, of.units) ?? []);
  const [low, high] = [Math.min(...sizes), Math.max(...sizes)];
  const limit = nearLimit(of);
  return limit === undefined ? [low, high] : [Math.min(low, limit), Math.max(high, limit)];
}

/** A limit that is within twice of some value. */
function nearLimit(of: Charted): number | undefined {
  const limit = limitOf(of);
  const sizes = of.figures.flatMap((one) => sizeOf(one, of.units) ?? []);
  const isNear = limit !== undefined && sizes.some((size) => size > 0.5 * limit && size < 2 * limit);
  return isNear ? limit : undefined;
}

const sides = ['right', 'left', 'top', 'bottom'] as const;
const atRight: (typeof sides)[number][] = ['left', 'top', 'bottom', 'right'];
const atLeft: (typeof sides)[number][] = ['right', 'top', 'bottom', 'left'];
/** Names of points nearer than these shares of the axes stand on different sides. */
const near = { x: 0.35, y: 0.09 };

/** On which side of each point its name stands, so that those of neighbours do not cover one another. */
function sidesOf(
  points: readonly { readonly x: number; readonly y: number }[],
  [x0, x1]: readonly [number, number],
  [y0, y1]: readonly [number, number],
): (typeof sides)[number][] {
  const placed: (typeof sides)[number][] = [];
  points.forEach(({ x, y }, i) => {
    const taken = points.slice(0, i).flatMap((other, k) => {
      const isNear = Math.abs(other.x - x) < near.x * (x1 - x0) && Math.abs(other.y - y) < near.y * (y1 - y0);
      return isNear ? [placed[k]!] : [];
    });
    // At either edge names stand on the side that has room
    const share = (x - x0) / (x1 - x0 || 1);
    const order = share > 0.62 ? atRight : share < 0.3 ? atLeft : sides;
    placed.push(order.find((side) => !taken.includes(side)) ?? 'right');
  });
  return placed;
}
