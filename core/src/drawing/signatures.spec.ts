import { drawingOf, evaluateAlternative } from '../evaluation/index.js';
import { slipShed, slipShedWith } from '../testing/designs.js';
import { differingFrom } from './signatures.js';

const scene = (id: string, design = slipShed()) =>
  drawingOf(
    evaluateAlternative(
      design,
      design.alternatives.find((one) => one.id === id)!,
      'forces',
    ),
    { result: 'U1', diagram: 'none' },
  )!;

describe('what differs between alternatives', () => {
  const fixed = scene('fixed');

  it('is nothing of an alternative from itself, whatever a parameter moves', () => {
    expect(differingFrom(fixed, fixed)).toEqual({ members: [], places: [] });
    expect(differingFrom(scene('fixed', slipShedWith({ span: '26 m' })), fixed)).toEqual({
      members: [],
      places: [],
    });
  });

  it('are the supports of pinned bases: both, at 0 and at 22 m', () => {
    const { members, places } = differingFrom(scene('pinned'), fixed);
    expect(members).toEqual([]);
    expect(places).toEqual([
      [0, 0, 0],
      [22, 0, 0],
    ]);
  });

  it('is a hinge at the apex beside them, and the pieces of the rafters that a haunch makes other ones', () => {
    const three = differingFrom(scene('three-hinges'), fixed);
    // One end of a rafter is hinged at the apex: 11 m along, 6.4 m + 11 m · tan 9° up
    const apex = three.places.find(([x]) => Math.abs(x - 11) < 1e-6)!;
    expect(apex[2]).toBeCloseTo(6.4 + 11 * Math.tan(Math.PI / 20), 5);
    expect(differingFrom(scene('haunched'), fixed).members.length).toBeGreaterThanOrEqual(2);
  });
});
