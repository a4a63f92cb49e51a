import { flatPortal, simpleBeam, smallHall } from '../../testing/checked-designs.js';
import lookoutTower from '../../../demo/lookout-tower.json' with { type: 'json' };
import winchBed from '../../../demo/winch-bed.json' with { type: 'json' };
import { designOf, slipShed } from '../../testing/designs.js';
import type { Design } from '../../document/types.js';
import { evaluateAlternative } from '../alternative.js';
import { memberSheet, type Curve } from '../member-sheet/index.js';
import { benchOf, benchState, type BenchChanges } from './index.js';

const firstOrder = (design: Design): Design => ({ ...design, analysis: { order: 1, imperfections: false } });
const stations = 9;

/** Largest difference of two curves' functions, against the largest value of each. */
function difference(a: readonly Curve[], b: readonly Curve[]): number {
  let worst = 0;
  for (const one of a) {
    const other = b.find(({ combination }) => combination === one.combination)!;
    const greatest = Math.max(...(['N', 'Vz', 'My'] as const).flatMap((name) => one[name]!.map(Math.abs)));
    for (const name of ['N', 'Vz', 'My', 'Vy', 'Mz', 'T', 'w', 'v'] as const) {
      const [p, q] = [one[name], other[name]];
      if (!p || !q) continue;
      // What is nothing but rounding is measured against the member's greatest force or moment
      const most = name === 'w' || name === 'v' ? 1e-6 : 1e-6 * greatest;
      const size = Math.max(most, ...p.map(Math.abs));
      expect(q.length).withContext(name).toBe(p.length);
      p.forEach((value, i) => (worst = Math.max(worst, Math.abs(value - q[i]!) / size)));
    }
  }
  return worst;
}
const curvesOf = (design: Design, member: string) =>
  memberSheet(evaluateAlternative(design, design.alternatives[0]!), { member, stations }).curves;
const benched = (design: Design, member: string, changes: BenchChanges = {}) =>
  benchState(benchOf(evaluateAlternative(design, design.alternatives[0]!), member), changes, stations);

describe('bench', () => {
  for (const [name, design, member] of [
    ['a beam', simpleBeam(), 'beam'],
    ['a portal’s beam', flatPortal(), 'beam'],
    ['a portal’s column', flatPortal(), 'left column'],
    ['a hall’s rafter', smallHall(), 'left rafter'],
    ['a shed’s column', firstOrder(slipShed()), 'right column'],
  ] as const)
    it(`of ${name}, unchanged, gives the frame’s own numbers`, () => {
      expect(difference(curvesOf(design, member), benched(design, member).curves)).toBeLessThan(1e-9);
    });

  it('of a member of a solid frame too, with all couplings', () => {
    const design = firstOrder(designOf(structuredClone(winchBed)));
    const run = evaluateAlternative(design, design.alternatives[0]!);
    expect(run.problems).toEqual([]);
    const member = run.evaluation!.checks![2]!.member;
    const sheet = memberSheet(run, { member, stations });
    const state = benchState(benchOf(run, member), {}, stations);
    expect(difference(sheet.curves, state.curves)).toBeLessThan(1e-9);
  });

  it('of a beam whose ends a rigid floor ties to one another', () => {
    const design = firstOrder(designOf(structuredClone(lookoutTower)));
    const run = evaluateAlternative(design, design.alternatives[0]!);
    const { member } = run.evaluation!.checks!.find(({ member: id }) => id.includes('beam'))!;
    const bench = benchOf(run, member);
    expect(bench.rest.kind).toBe('flexibility');
    const sheet = memberSheet(run, { member, stations });
    expect(difference(sheet.curves, benchState(bench, {}, stations).curves)).toBeLessThan(1e-8);
  });

  it('with a load put on it gives what the frame with that load gives', () => {
    const design = flatPortal();
    const loaded = flatPortal({
      rules: [
        {
          id: 'more',
          members: 'role == "beam"',
          load: { case: 'Q', kind: 'point', at: '1.5 m', F: ['0 kN', '0 kN', '-20 kN'] },
        },
      ],
    });
    const state = benched(design, 'beam', { loads: [{ case: 'Q', x: 1.5, F: [0, 0, -20e3] }] });
    expect(difference(curvesOf(loaded, 'beam'), state.curves)).toBeLessThan(1e-9);
  });

  it('with a load moved along it gives what the frame with the load there gives', () => {
    const moved = flatPortal();
    moved.rules[3] = {
      id: 'down',
      members: 'role == "beam"',
      load: { case: 'G', kind: 'point', at: '2 m', F: ['0 kN', '0 kN', '-60 kN'] },
    };
    expect(
      difference(curvesOf(moved, 'beam'), benched(flatPortal(), 'beam', { moved: { 0: 2 } }).curves),
    ).toBeLessThan(1e-9);
  });

  it('with a hinge and a support in the span gives what the divided frame gives', () => {
    const divided = flatPortal({
      rules: [
        { id: 'one', members: 'role == "beam"', group: 'line' },
        { id: 'prop', nodes: 'x == 4 m and z == 4 m', support: { uz: 'fixed' } },
        { id: 'hinge', members: 'role == "beam" and length == 2 m and x < 2 m', hinge: ['My'], at: 'end' },
      ],
    });
    divided.steps.push({
      id: 'cut',
      edit: 'divide',
      members: 'role == "beam"',
      at: ['2 m', '4 m'],
      split: true,
    });
    // A point load of a rule stands on each member by itself
    divided.rules[3] = {
      id: 'down',
      members: 'role == "beam" and x > 2 m and x < 4 m',
      load: { case: 'G', kind: 'point', at: '0.5', F: ['0 kN', '0 kN', '-60 kN'] },
    };
    const state = benched(flatPortal(), 'beam', { hinges: [2], supports: [4] });
    const run = evaluateAlternative(divided, divided.alternatives[0]!);
    const { member } = run.evaluation!.checks!.find(({ of }) => of.length === 3)!;
    expect(difference(memberSheet(run, { member, stations }).curves, state.curves)).toBeLessThan(1e-8);
  });

  it('another section is that of the whole frame with it', () => {
    const other = flatPortal({ beam: 'IPE 400' });
    expect(
      difference(curvesOf(other, 'beam'), benched(flatPortal(), 'beam', { profile: 'IPE 400' }).curves),
    ).toBeLessThan(1e-9);
  });

  it('a longer beam on its supports has moments by the square of its length', () => {
    const longer = benched(simpleBeam(), 'beam', { length: 12 });
    const moment = ({ curves }: { readonly curves: readonly Curve[] }) => Math.max(...curves[0]!.My!);
    expect(moment(longer) / moment(benched(simpleBeam(), 'beam'))).toBeCloseTo(4, 9);
  });

  it('says where something stands beyond the member, and that a hinge too many falls', () => {
    expect(() => benched(simpleBeam(), 'beam', { hinges: [7] })).toThrowError(/is not between the ends/);
    expect(() => benched(simpleBeam(), 'beam', { hinges: [3] })).toThrowError();
  });
});
