import { all, create, type Unit } from 'mathjs';
import { readUnit } from './read-unit.js';
import { siPrefixes, unitTable } from './unit-table.js';

/** The independent source: a mathematics package with units of its own. Its exponents have nine places; these are ours. */
const math = create(all!);
const ourPlaces = [0, 1, 2, 4, 7];
type Other = Unit & { value: number; dimensions: number[] };

function other(text: string): { si: number; dimension: number[] } | undefined {
  try {
    const unit = math.unit(1, text) as Other;
    return { si: unit.value, dimension: ourPlaces.map((at) => unit.dimensions[at]!) };
  } catch {
    return undefined;
  }
}

/** What the package has rounded, and the exact value by NIST SP 811 appendix B. */
const exact: Readonly<Record<string, number>> = {
  kip: 4448.2216152605,
  acre: 43_560 * 0.3048 ** 2,
  psi: 6894.757293168361,
  hp: 745.69987158227,
};

/** Pints and quarts to the package, thousand-billionths and the like of a tonne here. */
const otherwise = new Set(['pt', 'qt']);

describe('readUnit', () => {
  it('knows each unit of its table, with each prefix, as an independent package does', () => {
    let compared = 0;
    for (const { names, prefixes } of unitTable) {
      const rounded = names.find((name) => name in exact);
      for (const name of names) {
        const all =
          prefixes === 'none'
            ? []
            : siPrefixes.map(([letters, word]) => (prefixes === 'letters' ? letters : word));
        for (const prefix of ['', ...all]) {
          if (otherwise.has(prefix + name)) continue;
          const wanted = other(prefix + name);
          const read = readUnit(prefix + name)!;
          expect(wanted)
            .withContext(prefix + name)
            .toBeDefined();
          expect(read.dimension)
            .withContext(prefix + name)
            .toEqual(wanted!.dimension);
          const error = Math.abs(read.si / wanted!.si - 1);
          expect(error)
            .withContext(prefix + name)
            .toBeLessThan(rounded ? 1.5e-5 : 1e-12);
          compared++;
        }
      }
    }
    expect(compared).toBeGreaterThan(700);
  });

  it('is exact where the package rounds', () => {
    for (const [name, si] of Object.entries(exact))
      expect(Math.abs(readUnit(name)!.si / si - 1))
        .withContext(name)
        .toBeLessThan(1e-14);
  });

  it('reads compounds: a space or * multiplies, / divides by the next name alone, ^ raises', () => {
    const texts = [
      'kN m/rad',
      'kN/m^2',
      'N/mm^2',
      'cm^4',
      'kip/in^2',
      'lbf/ft^2',
      'kN*m',
      'J / kg K',
      'kg m/s^2',
      'K/m',
    ];
    for (const text of texts) {
      const [read, wanted] = [readUnit(text)!, other(text)!];
      expect(read.dimension).withContext(text).toEqual(wanted.dimension);
      expect(Math.abs(read.si / wanted.si - 1))
        .withContext(text)
        .toBeLessThan(1e-8);
    }
  });

  it('gives prefixed areas and volumes the power of their prefix', () => {
    expect(readUnit('mm2')!.si).toBe(1e-6);
    expect(readUnit('cm3')!.si).toBe(1e-6);
    expect(readUnit('mL')!.si).toBeCloseTo(1e-6, 18);
  });

  it('takes a whole name before a prefix: min is a minute, ft a foot, mil a thousandth of an inch', () => {
    expect(readUnit('min')!.si).toBe(60);
    expect(readUnit('ft')!.si).toBe(0.3048);
    expect(readUnit('mil')!.si).toBeCloseTo(2.54e-5, 18);
  });

  it('knows none where there is none, where a prefix does not fit, or where zero is not zero', () => {
    for (const text of [
      '',
      'span',
      'kfoot',
      'kilom',
      'mkm',
      'kN/',
      '/m',
      'm^',
      'm^-1',
      '2 m',
      'degC',
      'celsius',
      'A',
      '__proto__',
      // Of no use to an engineer, and names that a parameter may want
      'stone',
      'pint',
      'torr',
      'erg',
      'link',
    ])
      expect(readUnit(text)).withContext(text).toBeUndefined();
  });
});
