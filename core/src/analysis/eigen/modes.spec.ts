import type { FrameModel, Member, Support } from '../../model/types.js';
import { EIy, modelOf } from '../../testing/models.js';
import { prepareFrame } from '../frame/frame.js';
import { prepareEquations } from '../first-order/static.js';
import { vibrationModes } from './modes.js';

const frequencies = (model: FrameModel, wanted: number): number[] =>
  vibrationModes(prepareEquations(prepareFrame(model)), wanted).map(({ frequency }) => frequency);

/** Members in line along X through places, in the plane X–Z; 80 kg/m. */
function line(
  places: readonly number[],
  supports: Support[],
  change: (members: Member[]) => void = () => undefined,
) {
  const points = Object.fromEntries(places.map((x, i) => [`n${i}`, [x, 0]]));
  const members = places.slice(1).map((_, i) => ({ id: `m${i}`, start: `n${i}`, end: `n${i + 1}` }));
  const model = modelOf('plane', points, members, supports, []);
  change(model.members);
  return model;
}

/** Bending of a beam of 80 kg/m by Euler and Bernoulli: (k/L)²·√(EI/μ)/2π, Hz. */
const bending = (k: number, L: number): number => ((k / L) ** 2 * Math.sqrt(EIy / 80)) / (2 * Math.PI);

describe('natural modes with motions that nothing resists', () => {
  it('a beam on rollers slides at 0 Hz, then swings as a simply supported one', () => {
    const model = line(
      [0, 5, 10],
      [
        { node: 'n0', uz: 'fixed' },
        { node: 'n2', uz: 'fixed' },
      ],
    );
    const [slide, first, second] = frequencies(model, 3);
    expect(slide).toBe(0);
    // Rotary inertia takes a few thousandths off
    expect(first! / bending(Math.PI, 10)).toBeCloseTo(1, 2);
    expect(second! / bending(2 * Math.PI, 10)).toBeCloseTo(1, 1);
  });

  // Blevins, Formulas for Natural Frequency and Mode Shape, table 8-1: free and free 4.730
  it('a free beam has three motions at 0 Hz, with a hinge in it four', () => {
    const free = frequencies(line([0, 4, 10], []), 4);
    expect(free.slice(0, 3)).toEqual([0, 0, 0]);
    expect(free[3]! / bending(4.73, 10)).toBeCloseTo(1, 2);
    const hinged = frequencies(
      line([0, 5, 10], [], (members) => (members[0]!.hinges = { end: { My: 'free' } })),
      5,
    );
    expect(hinged.slice(0, 4)).toEqual([0, 0, 0, 0]);
    // Each half free at one end and hinged at the other swings against its twin: 3.927 (pinned and free)
    expect(hinged[4]! / bending(3.927, 5)).toBeCloseTo(1, 1);
  });

  it('a beam turning about a pin: one motion at 0 Hz, which is no translation', () => {
    const modes = vibrationModes(
      prepareEquations(prepareFrame(line([0, 10], [{ node: 'n0', ux: 'fixed', uz: 'fixed' }]))),
      2,
    );
    expect(modes[0]!.frequency).toBe(0);
    expect(modes[1]!.frequency / bending(3.927, 10)).toBeCloseTo(1, 2);
    expect(modes[0]!.shape[2]).toBeCloseTo(0, 9);
    expect(Math.abs(modes[0]!.shape[6 + 2]!)).toBeCloseTo(1, 9);
  });

  it('far from the origin a free frame in space has the same frequencies', () => {
    const frame = (offset: number): FrameModel =>
      modelOf(
        'solid',
        {
          a: [offset, offset, 0],
          b: [offset + 3, offset, 0],
          c: [offset + 3, offset + 2, 0],
          d: [offset + 3, offset + 2, 4],
        },
        [
          { id: 'ab', start: 'a', end: 'b' },
          { id: 'bc', start: 'b', end: 'c' },
          { id: 'cd', start: 'c', end: 'd' },
        ],
        [],
        [],
      );
    const near = frequencies(frame(0), 9);
    const far = frequencies(frame(1e4), 9);
    expect(near.slice(0, 6)).toEqual([0, 0, 0, 0, 0, 0]);
    expect(far.slice(0, 6)).toEqual([0, 0, 0, 0, 0, 0]);
    for (let i = 6; i < 9; i++) expect(far[i]! / near[i]!).toBeCloseTo(1, 6);
  });
});

describe('natural modes on soft springs', () => {
  it('a stiff grid of 13 members on springs of 10 N/m heaves at √(Σk/m)/2π, far below its bending', () => {
    const points = Object.fromEntries(
      Array.from({ length: 9 }, (_, i) => [`n${i}`, [2 * (i % 3), 2 * Math.floor(i / 3), 0]]),
    );
    const between = [
      ...[0, 1, 3, 4, 6, 7].map((i) => [i, i + 1]),
      ...[0, 1, 2, 3, 4, 5].map((i) => [i, i + 3]),
      [0, 4],
    ];
    const members = between.map(([a, b], i) => ({ id: `m${i}`, start: `n${a}`, end: `n${b}` }));
    const soft = (node: string): Support => ({ node, ux: 'fixed', uy: 'fixed', uz: 10 });
    const model = modelOf('solid', points, members, ['n0', 'n2', 'n6', 'n8'].map(soft), []);
    const found = frequencies(model, 4);
    // 80 kg/m along twelve members of 2 m and one diagonal; the diagonal lies off the middle, which shifts it a little
    const mass = 80 * (12 * 2 + 2 * Math.SQRT2);
    const heave = Math.sqrt(40 / mass) / (2 * Math.PI);
    expect(found.some((one) => Math.abs(one / heave - 1) < 0.02)).toBeTrue();
    // Heave and two rockings, then bending of stiff beams
    expect(found.filter((one) => one < 3 * heave).length).toBe(3);
    expect(found.every((one) => one > 0)).toBeTrue();
    expect(found[3]!).toBeGreaterThan(50 * heave);
  });
});
