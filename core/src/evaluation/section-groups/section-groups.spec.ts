import { built } from '../../testing/designs.js';
import { smallHall } from '../../testing/checked-designs.js';
import { expectClose } from '../../testing/models.js';
import { slipShed } from '../../testing/designs.js';
import { evaluate } from '../stages/index.js';
import { unwrapped } from '../../base/problem.js';
import { ChangedSections, massOfMembers } from './changed-sections.js';
import { sectionGroups } from './groups.js';
import { familyOf } from './pools.js';

describe('groups of sections', () => {
  it('are parameters that rules use, then rules that name a section, with the members that have it', () => {
    const design = smallHall();
    design.rules.push({ id: 'left', members: 'role == "column" and side == "left"', section: 'HEB 180' });
    const groups = sectionGroups(built(design));
    expect(groups.map(({ id, kind, section, members }) => [id, kind, section, members.length])).toEqual([
      ['column_section', 'parameter', 'HEA 200', 1],
      ['rafter_section', 'parameter', 'IPE 240', 2],
      ['left', 'rule', 'HEB 180', 1],
    ]);
  });

  it('leave out what a later rule takes over wholly', () => {
    const design = smallHall();
    design.rules.push({ id: 'all', members: 'true', section: 'HEB 180' });
    expect(sectionGroups(built(design)).map(({ id }) => id)).toEqual(['all']);
  });

  it('a series is ordered by mass per metre', () => {
    expect(
      familyOf('IPE')
        .map(({ name }) => name)
        .slice(0, 3),
    ).toEqual(['IPE 80', 'IPE 100', 'IPE 120']);
  });

  for (const [name, design, section] of [
    ['a hall', smallHall(), 'HEB 160'],
    ['a shed', slipShed(), 'HEB 260'],
  ] as const)
    it(`exchanged in the model of ${name} give what building anew gives`, () => {
      const frame = built(design, design.alternatives.length - 1);
      const groups = sectionGroups(frame);
      const id = groups[0]!.id;
      const changed = new ChangedSections(frame, groups).with(new Map([[id, section]]));
      const own = {
        ...design,
        parameters: design.parameters.map((one) => (one.name === id ? { ...one, value: section } : one)),
      } as typeof design;
      const anew = built(own, design.alternatives.length - 1);
      expectClose(massOfMembers(changed), massOfMembers(anew));
      const worst = (model: typeof anew.model) =>
        unwrapped(evaluate(model, { upTo: 'checks' })).checks!.map(({ utilisation }) => utilisation ?? 0);
      worst(changed.model).forEach((value, k) => expectClose(value, worst(anew.model)[k]!, 1e-9));
    });
});
