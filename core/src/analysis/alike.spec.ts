import { clamp, EA, modelOf, solved } from '../testing/models.js';
import type { Load, Member } from '../model/types.js';
import { formElements, scaledElements, stiffnessOf } from './frame/elements.js';
import { prepareFrame } from './frame/frame.js';
import { memberLoadFields } from './loads/member-loads.js';

/** Beams of 6 m side by side, both ends clamped, each as it is given and under its own loads. */
function beams(ways: readonly { member?: Partial<Member>; loads: (id: string) => Load[] }[]) {
  const ids = ways.map((_, i) => `b${i}`);
  return modelOf(
    'solid',
    Object.fromEntries(
      ids.flatMap((id, i) => [
        [`${id} start`, [0, i, 0]],
        [`${id} end`, [6, i, 0]],
      ]),
    ),
    ways.map(({ member }, i) => ({
      ...member,
      id: ids[i]!,
      start: `${ids[i]!} start`,
      end: `${ids[i]!} end`,
    })),
    ids.flatMap((id) => [clamp(`${id} start`), clamp(`${id} end`)]),
    ways.flatMap(({ loads }, i) => loads(ids[i]!)),
  );
}

const uniform =
  (q: number) =>
  (member: string): Load[] => [{ kind: 'distributed', member, direction: 'z', q: [-q, -q] }];
const atThird = (member: string): Load[] => [
  ...uniform(1000)(member),
  { kind: 'point', member, at: 1 / 3, F: [0, 0, -900] },
];

describe('members that are alike', () => {
  const model = beams([
    { loads: uniform(1000) },
    { loads: uniform(1000) },
    { loads: uniform(3000) },
    { member: { hinges: { end: { My: 'free' } } }, loads: uniform(1000) },
    { member: { action: 'axial' }, loads: uniform(1000) },
    { loads: atThird },
    { loads: () => [] },
    { loads: uniform(1000) },
  ]);

  // Fixed-end moments of the beam tables: qL²/12 clamped, qL²/8 propped, F·a·b²/L² under a point load at a
  it('do not take one another’s forces where loads, hinges or action differ', () => {
    const { frame, state } = solved(model);
    const moments = frame.memberIds.map((_, m) => Math.abs(state.memberForces[12 * m + 4]!));
    const clamped = (q: number) => (q * 36) / 12;
    const expected = [
      clamped(1000),
      clamped(1000),
      clamped(3000),
      (1000 * 36) / 8,
      0,
      clamped(1000) + (900 * 2 * 16) / 36,
      0,
      clamped(1000),
    ];
    expected.forEach((value, m) => expect(moments[m]).withContext(`beam ${m}`).toBeCloseTo(value, 6));
    // A bar hands its load to its nodes in halves
    expect(state.memberForces[12 * 4 + 2]).toBeCloseTo(3000, 6);
  });

  it('have one stiffness, one with a hinge or that is a bar has its own', () => {
    const { at, local } = formElements(prepareFrame(model));
    expect([...at].map((place) => place / 144)).toEqual([0, 0, 0, 1, 2, 0, 0, 0]);
    expect(local.length).toBe(3 * 144);
  });

  it('have one load function where nothing but the same line load acts on them', () => {
    const { fields } = memberLoadFields(prepareFrame(model));
    const [first, second, heavier, hinged, , third, bare, last] = fields[0]!;
    expect(second).toBe(first);
    expect(hinged).toBe(first);
    expect(last).toBe(first);
    expect(heavier).not.toBe(first);
    expect(third).not.toBe(first);
    expect(bare).toBeUndefined();
  });

  it('keep apart when the stiffness of one of them is scaled', () => {
    const elements = formElements(prepareFrame(model));
    const chosen = new Uint8Array(8);
    chosen[1] = 1;
    const scaled = scaledElements(elements, chosen, 1e-7);
    expect(stiffnessOf(scaled, 0)[0]).toBeCloseTo(EA / 6, 3);
    expect(stiffnessOf(scaled, 1)[0]).toBeCloseTo((1e-7 * EA) / 6, 9);
    expect(stiffnessOf(scaled, 2)[0]).toBeCloseTo(EA / 6, 3);
  });
});
