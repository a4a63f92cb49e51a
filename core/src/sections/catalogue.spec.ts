import { expectClose } from '../testing/models.js';
import { catalogue, type CatalogueEntry } from './catalogue/index.js';
import { sectionDetails } from './details.js';
import { profileKey } from './names.js';
import { massDeviation } from './published/mass.js';
import { published, publishedProperties } from './published/index.js';
import { findProfile } from './profiles.js';
import { integrate } from './outline/outline.js';
import { outlineOf } from './outline/outlines.js';
import { plasticModuli } from './outline/plastic.js';
import { saintVenant } from './outline/saint-venant.js';
import { shapeProblem, shapeProperties } from './shapes/index.js';

const seriesOf = (name: string): CatalogueEntry[] => catalogue.filter(({ series }) => series === name);
const names = [...new Set(catalogue.map(({ series }) => series))];

/**
 * How far the mass may be from the published one: European masses are printed to three digits; American designations are
 * rounded to whole lb/ft, and those of the smallest channels by more.
 */
function massTolerance({ series, publishedMass }: CatalogueEntry): number {
  if (series === 'C') return publishedMass! < 10 ? 0.065 : 0.015;
  return series === 'W' || series === 'WT' ? 0.013 : 0.0055;
}

describe('catalogue', () => {
  for (const series of names) {
    it(`${series}: every profile has an outline, and weighs what is published`, () => {
      for (const entry of seriesOf(series)) {
        expect(shapeProblem(entry.shape)).withContext(entry.name).toBeUndefined();
        expect(Math.abs(massDeviation(entry)))
          .withContext(entry.name)
          .toBeLessThan(massTolerance(entry));
      }
    });

    it(`${series}: the fast formulas agree with the integrals over the outline`, () => {
      const entries = seriesOf(series);
      for (const { name, shape } of [
        entries[0]!,
        entries[entries.length >> 1]!,
        entries[entries.length - 1]!,
      ]) {
        const fast = shapeProperties(shape);
        const exact = integrate(outlineOf(shape));
        expectClose(fast.A, exact.A, 1e-9);
        expectClose(fast.Iy!, exact.Iy, 1e-9);
        expectClose(fast.Iz!, exact.Iz, 1e-9);
        expect(Math.abs((fast.Iyz ?? 0) - exact.Iyz))
          .withContext(name)
          .toBeLessThan(1e-9 * fast.Iy!);
        if (fast.Wply === undefined) continue;
        const plastic = plasticModuli(outlineOf(shape));
        expectClose(fast.Wply, plastic.Wply, 1e-4);
        expectClose(fast.Wplz!, plastic.Wplz, 1e-4);
      }
    });
  }

  it('has every name once, in any spelling', () => {
    expect(new Set(catalogue.map(({ name }) => profileKey(name))).size).toBe(catalogue.length);
  });

  it('grows along the European series', () => {
    for (const series of ['IPE', 'HEA', 'HEB', 'HEM', 'IPN', 'UPN', 'UPE'])
      seriesOf(series).forEach((entry, i, all) => {
        if (i === 0) return;
        const before = all[i - 1]!;
        expect(entry.publishedMass!).withContext(entry.name).toBeGreaterThan(before.publishedMass!);
        expect(shapeProperties(entry.shape).Iy!)
          .withContext(entry.name)
          .toBeGreaterThan(shapeProperties(before.shape).Iy!);
        expect((entry.shape as { h: number }).h)
          .withContext(entry.name)
          .toBeGreaterThanOrEqual((before.shape as { h: number }).h);
      });
  });

  it('within one serial size, heavier is thicker (UB, UC)', () => {
    for (const series of ['UB', 'UC'])
      seriesOf(series).forEach((entry, i, all) => {
        const before = all[i - 1];
        const size = (name: string) => name.slice(0, name.lastIndexOf('x'));
        if (!before || size(before.name) !== size(entry.name)) return;
        const [a, b] = [before.shape, entry.shape] as unknown as [
          Record<string, number>,
          Record<string, number>,
        ];
        for (const key of ['h', 'tw', 'tf'])
          expect(b[key]!).withContext(`${entry.name} ${key}`).toBeGreaterThanOrEqual(a[key]!);
      });
  });

  it('within one group of W shapes, lighter is thinner', () => {
    const shapes = seriesOf('W');
    shapes.forEach((entry, i) => {
      const before = shapes[i - 1];
      const depth = (name: string) => name.slice(0, name.indexOf('X'));
      if (!before || depth(before.name) !== depth(entry.name)) return;
      const [a, b] = [before.shape, entry.shape] as { b: number; tf: number; tw: number }[];
      // A new flange width begins a new group
      if (Math.abs(a!.b / b!.b - 1) > 0.03) return;
      expect(b!.tf).withContext(entry.name).toBeLessThanOrEqual(a!.tf);
      expect(b!.tw)
        .withContext(entry.name)
        .toBeLessThanOrEqual(a!.tw * 1.05);
      expect(entry.publishedMass!).withContext(entry.name).toBeLessThan(before.publishedMass!);
    });
  });

  it('radii follow their series: IPE, HEA and HEB by steps, IPN as thick as its web', () => {
    for (const series of ['IPE', 'HEA', 'HEB', 'HEM', 'UPE'])
      seriesOf(series).forEach((entry, i, all) => {
        const r = (one: CatalogueEntry) => (one.shape as { r: number }).r;
        if (i > 0)
          expect(r(entry))
            .withContext(entry.name)
            .toBeGreaterThanOrEqual(r(all[i - 1]!));
      });
    for (const { name, shape } of seriesOf('IPN')) {
      const { r, tw } = shape as { r: number; tw: number };
      expect(r).withContext(name).toBe(tw);
    }
  });

  for (const { name, source, values, unit } of published)
    it(`${name} has its published properties (${source})`, () => {
      const details = sectionDetails(findProfile(name).shape) as unknown as Record<string, number>;
      for (const [symbol, value] of Object.entries(values)) {
        const [key, dimension] = publishedProperties[symbol]!;
        expect(Math.abs(details[key]! / unit ** dimension / value - 1))
          .withContext(symbol)
          .toBeLessThan(toleranceOf(name, symbol));
      }
    });
});

/** Three digits; torsion and warping by the conventions of the tables, see docs/sections.md. */
function toleranceOf(name: string, symbol: string): number {
  if (symbol === 'Iw') return /^(UP|PFC)/.test(name) ? 0.08 : 0.015;
  if (symbol === 'It') return /^(L4|C)/.test(name) ? 0.045 : 0.025;
  return /^(L|C)\d/.test(name) ? 0.012 : 0.0065;
}

describe('Saint-Venant’s torsion by finite elements', () => {
  it('a square bar: J = 0.1406·a⁴ (Timoshenko and Goodier, art. 109)', () => {
    const { J } = saintVenant(outlineOf({ type: 'rectangle', h: 0.1, b: 0.1 }));
    expectClose(J, 0.14058e-4, 2e-3);
  });

  it('a round tube: J = 2I, no warping', () => {
    const { J, Iw } = saintVenant(outlineOf({ type: 'circular-hollow', d: 0.1, t: 0.01 }));
    expectClose(J, (Math.PI / 32) * (0.1 ** 4 - 0.08 ** 4), 5e-3);
    expect(Iw).toBeLessThan(1e-12);
  });

  it('UPE 200: the torsion constant of the tables, and the shear centre of thin walls', () => {
    const { shape } = findProfile('UPE 200');
    const { J, ys } = saintVenant(outlineOf(shape));
    expectClose(J, 8.88e-8, 0.01);
    expectClose(ys, sectionDetails(shape).ys, 0.04);
  });

  it('an outline of points is the same solid as the shape', () => {
    const own = shapeProperties({
      type: 'outline',
      points: [[0, 0], [0.1, 0], [0.1, 0.02], [0.02, 0.02], [0.02, 0.15], [0, 0.15]], // oxfmt-ignore
    });
    const angle = shapeProperties({ type: 'angle', h: 0.15, b: 0.1, t: 0.02 });
    for (const key of ['A', 'Iy', 'Iz', 'Iyz', 'Wely', 'Welz'] as const)
      expectClose(own[key]!, angle[key]!, 1e-9);
    expectClose(own.J!, angle.J!, 0.03);
  });
});
