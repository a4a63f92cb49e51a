import { built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const copy: Step = {
  id: 'c',
  edit: 'copy',
  count: 2,
  by: ['0 m', '6 m', '0 m'],
  join: 'place == "eaves" or place == "apex"',
  joinRole: 'purlin',
};
const brace = (fields: object): Step => ({
  id: 'b',
  edit: 'brace',
  panels: 'role == "rafter" or role == "purlin"',
  pattern: 'x',
  ...fields,
});
const braces = (fields: object) =>
  [...built(designWith([portal, copy, brace(fields)])).geometry.lines.values()].filter(({ id }) =>
    id.startsWith('b.brace'),
  ).length;

describe('brace', () => {
  it('finds the panels of a roof between copied frames', () => {
    // Two slopes × two bays
    expect(braces({})).toBe(4 * 2);
    expect(braces({ pattern: 'diagonal' })).toBe(4);
    expect(braces({ panels: '(role == "purlin" and row == 1) or role == "rafter"' })).toBe(2 * 2);
  });

  it('closes wall panels along the ground', () => {
    expect(braces({ panels: 'x < 1 m and (role == "column" or role == "purlin")' })).toBe(2 * 2);
  });

  it('braces the four walls of a tower, not the ground between its feet', () => {
    const tower: Step = { id: 't', make: 'storey-frame', baysX: ['5 m'], baysY: ['4 m'], storeys: ['3 m'] };
    const walls = (panels: string): number => {
      const { geometry } = built(designWith([tower, brace({ panels })]));
      return [...geometry.lines.values()].filter(({ id }) => id.startsWith('b.brace')).length;
    };
    expect(walls('role == "column" or role == "beam-x"')).toBe(2 * 2);
    // Beams both ways bound the floor above too
    expect(walls('true')).toBe(5 * 2);
  });

  it('braces the walls of a twisted tower too, whose panels do not lie in a plane', () => {
    for (const twist of ['-10 deg', '-3 deg', '0 deg', '1 deg', '10 deg']) {
      const tower: Step = {
        id: 't',
        make: 'storey-frame',
        baysX: ['5 m'],
        baysY: ['4 m'],
        storeys: ['3 m', '3 m'],
        twist,
      };
      const panels = 'role == "column" or role == "beam-x" or role == "beam-y"';
      const { geometry } = built(designWith([tower, brace({ panels, pattern: 'diagonal' })]));
      const upright = [...geometry.lines.values()].filter(({ id, members: [first] }) => {
        if (!id.startsWith('b.brace')) return false;
        const { start, end } = geometry.members.get(first!)!;
        return geometry.nodes.get(start)!.at[2] !== geometry.nodes.get(end)!.at[2];
      });
      // One a wall and storey
      expect(upright.length)
        .withContext(twist)
        .toBe(4 * 2);
    }
  });

  it('joins the diagonals where they cross, when asked', () => {
    const joined = built(designWith([portal, copy, brace({ crossing: 'joined' })]));
    const free = built(designWith([portal, copy, brace({})]));
    expect(joined.model.nodes.length - free.model.nodes.length).toBe(4);
  });

  it('says when there is no panel', () => {
    expect(
      problemsOf(designWith([portal, copy, brace({ panels: 'role == "column"' })]))[0]!.where['step'],
    ).toBe('b');
  });
});
