import { at, built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const copy = (fields: object): Step => ({
  id: 'c',
  edit: 'copy',
  count: 3,
  by: ['0 m', '6 m', '0 m'],
  ...fields,
});

describe('copy', () => {
  it('puts copies beside the original, their rows counting on, joined node by node', () => {
    const frame = built(designWith([portal, copy({ join: 'place == "eaves"', joinRole: 'rail' })]));
    expect(frame.model.members.length).toBe(4 * 4 + 2 * 3);
    const rows = new Set([...frame.geometry.members.values()].map(({ tags }) => tags['row']));
    expect([...rows].sort()).toEqual([1, 2, 3, 4]);
    const rails = [...frame.geometry.members.values()].filter(({ tags }) => tags['role'] === 'rail');
    expect(rails.length).toBe(6);
    for (const { start, end } of rails) expect(at(frame, end)[1] - at(frame, start)[1]).toBeCloseTo(6, 12);
  });

  it('turns about an axis, and closes the ring only when asked', () => {
    const mast: Step = {
      id: 'm',
      make: 'line',
      points: [
        ['2 m', '0 m', '0 m'],
        ['2 m', '0 m', '3 m'],
      ],
    };
    const about = { by: { about: ['0 m', '0 m'], angle: '90 deg' }, join: 'z > 1 m' };
    const open = built(designWith([mast, copy(about)]));
    expect(open.model.members.length).toBe(4 + 3);
    for (const { x, y } of open.model.nodes) expect(Math.hypot(x, y ?? 0)).toBeCloseTo(2, 9);
    expect(built(designWith([mast, copy({ ...about, closed: true })])).model.members.length).toBe(4 + 4);
  });

  it('refuses more copies than sense, and a condition that selects nothing', () => {
    expect(problemsOf(designWith([portal, copy({ count: 100000 })]))[0]!.where['step']).toBe('c');
    expect(problemsOf(designWith([portal, copy({ members: 'role == "brace"' })]))[0]!.code).toBe(
      'nothing-selected',
    );
  });
});
