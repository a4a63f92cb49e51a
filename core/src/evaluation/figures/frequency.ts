import type { FigureKind, FigureSource } from './figure.js';

/** The n-th elastic natural frequency, Hz; rigid motions do not count. */
function frequencyOf({ modes }: FigureSource, n: number): number | undefined {
  return (modes ?? []).filter(({ frequency: f }) => f > 0)[n - 1]?.frequency;
}

export const frequency: FigureKind = {
  kind: 'frequency',
  title: 'Natural frequency',
  needs: 'modes',
  signed: false,
  limitIs: 'least',
  judgedBy: 'none',
  of: 'frame',
  numbered: true,
  components: [],
  quantity: () => 'frequency',
  compute(source, { number = 1 }) {
    const value = frequencyOf(source, number);
    return value === undefined ? undefined : { value };
  },
  trace: (_, { number = 1 }, { value }) => [
    {
      symbol: `ω${number}`,
      value: 2 * Math.PI * value,
      unit: 'rad/s',
      from: `elastic mode ${number} of (K − ω²·M)·u = 0, mass spread along the members and the masses given`,
    },
    { symbol: `f${number}`, value, unit: 'Hz', from: 'ω / 2π' },
  ],
};

/** The n-th elastic natural period, s. */
export const period: FigureKind = {
  ...frequency,
  kind: 'period',
  title: 'Natural period',
  limitIs: 'most',
  quantity: () => 'time',
  compute(source, { number = 1 }) {
    const value = frequencyOf(source, number);
    return value === undefined ? undefined : { value: 1 / value };
  },
  trace: (_, { number = 1 }, { value }) => [
    {
      symbol: `f${number}`,
      value: 1 / value,
      unit: 'Hz',
      from: `elastic mode ${number} of (K − ω²·M)·u = 0`,
    },
    { symbol: `T${number}`, value, unit: 's', from: '1 / f' },
  ],
};
