import type { Load } from '../../model/types.js';
import type { ForceName } from '../../results/index.js';
import { expectClose, modelOf, solved } from '../../testing/models.js';
import { plainText, strokesOn } from '../../testing/strokes.js';
import { drawAlongMembers } from './along-members.js';
import { Draughtsman } from '../drawing.js';
import type { ShownContext } from '../shown/shown.js';
import { metric } from '../../units/units.js';

/** Simple beams of 8 m above each other, each under a load of its own, with one force drawn along them. */
function drawn(diagram: ForceName, loads: readonly Load[], shown = (_: number) => true) {
  const { frame, state } = solved(
    modelOf(
      'plane',
      Object.fromEntries(
        loads.flatMap((_, i): [string, number[]][] => [
          [`a${i}`, [0, 3 * i]],
          [`b${i}`, [8, 3 * i]],
        ]),
      ),
      loads.map((_, i) => ({ id: `m${i}`, start: `a${i}`, end: `b${i}` })),
      loads.flatMap((_, i) => [
        { node: `a${i}`, ux: 'fixed' as const, uz: 'fixed' as const },
        { node: `b${i}`, uz: 'fixed' as const },
      ]),
      [...loads],
    ),
  );
  const pen = new Draughtsman();
  const namer = { member: (id: string) => id };
  const context = {
    pen,
    frame,
    units: metric,
    namer,
    shown,
    source: { built: { geometry: { members: new Map() } } },
    options: { result: 'L', diagram },
  };
  const { greatest, legend } = drawAlongMembers(context as unknown as ShownContext, [{ id: 'L', state }]);
  const drawing = pen.finish();
  /** Parts of the curve: x along the beam, m, and the ordinate upwards, N or N·m, of both ends. */
  const curve = strokesOn(drawing, 'diagram')
    .filter(({ width }) => width === 1.5)
    .map(({ a, da, b, db }) => ({ z: a[2]!, from: [a[0]!, da[2]!], to: [b[0]!, db[2]!] }));
  const told = drawing.texts.map(({ text }) => plainText(text));
  return { curve, greatest, told, legend: legend.map(({ text }) => plainText(text)) };
}
const uniform = (i: number, q: number): Load => ({
  kind: 'distributed',
  member: `m${i}`,
  axes: 'global',
  direction: 'z',
  q: [q, q],
});
const force = (i: number, at: number, F: number): Load => ({
  kind: 'point',
  member: `m${i}`,
  at,
  axes: 'global',
  F: [0, 0, F],
});

describe('a diagram along members', () => {
  it('has its ordinates on the side in tension, exact at every station: q·x·(L − x)/2', () => {
    const { curve, greatest } = drawn('My', [uniform(0, -3000)]);
    expectClose(greatest, (3000 * 64) / 8);
    expect(curve.length).toBeGreaterThan(3);
    for (const { from, to } of curve)
      for (const [x, ordinate] of [from, to])
        // Single precision; sagging stretches the lower side
        expect(Math.abs(ordinate! + 1500 * x! * (8 - x!))).toBeLessThan(1e-2);
    // Each part begins where the one before ends
    curve.slice(1).forEach(({ from }, i) => expect(from).toEqual(curve[i]!.to));
  });

  it('leaves the exact curve by less than a hundredth of the greatest ordinate between the stations', () => {
    const { curve, greatest } = drawn('My', [uniform(0, -3000)]);
    for (const { from, to } of curve) {
      const x = (from[0]! + to[0]!) / 2;
      const chord = (from[1]! + to[1]!) / 2;
      expect(Math.abs(chord + 1500 * x * (8 - x))).toBeLessThan(0.01 * greatest);
    }
  });

  it('has both values where a force makes it jump', () => {
    const { curve } = drawn('Vz', [force(0, 0.25, -8000)]);
    // 3/4 and 1/4 of the force go to the supports
    expect(curve.length).toBe(4);
    // The jump goes through the axis: a part on either side
    const [before, toAxis, fromAxis, after] = curve;
    for (const { from, to } of [toAxis!, fromAxis!]) {
      expect(from[0]).toBeCloseTo(2, 6);
      expect(to[0]).toBeCloseTo(2, 6);
    }
    expect(Math.abs(before!.to[1]!)).toBeCloseTo(6000, 2);
    expect(Math.abs(after!.from[1]!)).toBeCloseTo(2000, 2);
    expect(toAxis!.from[1]).toBeCloseTo(before!.to[1]!, 2);
    expect(toAxis!.to[1]).toBe(0);
    expect(fromAxis!.from[1]).toBe(0);
    expect(fromAxis!.to[1]).toBeCloseTo(after!.from[1]!, 2);
  });

  it('tells the sixty greatest values, of the members that are looked at', () => {
    const loads = Array.from({ length: 80 }, (_, i) => force(i, 0.5, -1000 * (i + 21)));
    // F·L/4 at the middle
    const { told, legend } = drawn('My', loads);
    expect(told.length).toBe(60);
    expect(told[0]).toBe('200 kN·m');
    expect(told.at(-1)).toBe('82.0 kN·m');
    expect(legend).toEqual(['greatest 200 kN·m']);
    const slice = drawn('My', loads, (m) => m < 20);
    expect(slice.told.length).toBe(20);
    expect(slice.told[0]).toBe('80.0 kN·m');
    // Common scales go by the whole frame
    expectClose(slice.greatest, 200_000);
    expect(new Set(slice.curve.map(({ z }) => z)).size).toBe(20);
  });

  it('says where there is nothing to draw', () => {
    const { curve, legend } = drawn('N', [uniform(0, -3000)]);
    expect(curve).toEqual([]);
    expect(legend).toEqual(['no N anywhere']);
  });
});
