import { metric, type FigureSummary } from '@hashira/core';
import { barsChart } from './bars';
import { inWords, type Charted, type ChartedAlternative } from './charted';
import { linesChart } from './lines';
import { pointsChart } from './points';

const figure = (value: number | undefined, limit?: number): FigureSummary => ({
  id: 'f',
  title: 'F',
  quantity: 'force',
  signed: false,
  ...(value === undefined ? {} : { value }),
  ...(limit === undefined ? {} : { limit }),
  place: '',
  limitIs: 'most',
  status: limit !== undefined && value !== undefined && Math.abs(value) > limit ? 'fail' : 'none',
});
const alternatives: ChartedAlternative[] = ['A', 'B', 'C'].map((title, i) => ({
  title,
  isReference: i === 0,
  isDecided: i === 2,
}));
const pull: Charted = {
  title: 'Pull',
  units: metric,
  figures: [figure(-2000, 5000), figure(4000, 5000), figure(6000, 5000)],
};
const push: Charted = {
  title: 'Push',
  units: metric,
  figures: [figure(1000), figure(1000), figure(undefined)],
};

interface Drawn {
  series: { name?: string; data: unknown[]; markLine?: { data: object[] } }[];
  xAxis: { name?: string; data?: string[] };
}

describe('charts over the alternatives', () => {
  it('have two figures as points with names, in the reader’s units, limits that are near as lines', () => {
    const { series, xAxis } = pointsChart(pull, push, alternatives) as unknown as Drawn;
    const points = series[0]!.data as { name: string; value: number[] }[];
    expect(points.map(({ name, value }) => [name, ...value])).toEqual([
      ['A', 2, 1],
      ['B', 4, 1],
    ]);
    expect(xAxis.name).toBe('Pull, kN');
    expect(series[0]!.markLine!.data).toEqual([jasmine.objectContaining({ xAxis: 5 })]);
  });

  it('have all figures as lines of ratios to the reference by powers of two, with their limits', () => {
    const { series, xAxis } = linesChart([pull, push], alternatives) as unknown as Drawn;
    expect(xAxis.data).toEqual(['Pull', 'Push']);
    expect(series.slice(0, 2).map(({ data }) => data)).toEqual([
      [0, 0],
      [1, 0],
    ]);
    const [limit, none] = series[3]!.data as [number, null];
    expect(limit).toBeCloseTo(Math.log2(2.5), 12);
    expect(none).toBeNull();
  });

  it('have one figure as bars of its magnitude', () => {
    const { series } = barsChart(pull, alternatives) as unknown as Drawn;
    expect((series[0]!.data as { value: number }[]).map(({ value }) => value)).toEqual([2, 4, 6]);
    expect(series[0]!.markLine!.data.length).toBe(1);
  });

  it('are told in words', () => {
    expect(inWords([push], alternatives).replace(/\u00a0/g, ' ')).toBe(
      'Push: A 1.00 kN, B 1.00 kN, C unknown',
    );
  });
});
