import { smallHall, simpleBeam } from '../../testing/checked-designs.js';
import { built } from '../../testing/designs.js';
import { sectionGroups } from '../../evaluation/section-groups/groups.js';
import { duplicateAlternative } from '../choices/alternatives.js';
import { setGroupSection } from './group-sections.js';

const sectionsOf = (design: ReturnType<typeof smallHall>, alternative = 0) =>
  sectionGroups(built(design, alternative)).map(({ section }) => section);

describe('giving a group another section', () => {
  it('of a parameter: for all, also those with a value of their own, or for one alone', () => {
    const two = duplicateAlternative(smallHall(), 'a', 'B').design;
    const group = { id: 'rafter_section', kind: 'parameter' } as const;
    const one = setGroupSection(two, group, 'IPE 300', two.alternatives[1]!.id);
    expect([sectionsOf(one)[1], sectionsOf(one, 1)[1]]).toEqual(['IPE 240', 'IPE 300']);
    const all = setGroupSection(one, group, 'IPE 360');
    expect([sectionsOf(all)[1], sectionsOf(all, 1)[1]]).toEqual(['IPE 360', 'IPE 360']);
  });

  it('of a rule: for one alternative its section becomes a parameter', () => {
    const two = duplicateAlternative(simpleBeam(), 'a', 'B').design;
    const group = { id: 'beams', kind: 'rule' } as const;
    expect(sectionsOf(setGroupSection(two, group, 'IPE 300'))).toEqual(['IPE 300']);
    const one = setGroupSection(two, group, 'IPE 300', two.alternatives[1]!.id);
    expect([sectionsOf(one), sectionsOf(one, 1)]).toEqual([['plates'], ['IPE 300']]);
    expect(one.parameters.map(({ name, title }) => [name, title])).toEqual([
      ['beams_section', 'Beams, section'],
    ]);
  });
});
