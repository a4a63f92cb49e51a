import { conditionWords } from './condition-words.js';

describe('a condition in words', () => {
  const titleOf = (id: string) => ({ walls: 'Wall bracing' })[id] ?? id;
  const members = (condition: string) => conditionWords(condition, 'members', titleOf);
  const nodes = (condition: string) => conditionWords(condition, 'nodes', titleOf);

  it('begins with what it selects, where is said behind', () => {
    expect(members('role == "column" and storey == 1 and side == "left"')).toBe(
      'columns of storey 1 on the left',
    );
    expect(members('role == "column" or role == "rafter"')).toBe('columns and rafters');
    expect(members('role == "beam-x"')).toBe('beams along x');
    expect(members('role == "brace" and step == "walls"')).toBe('braces of “Wall bracing”');
    expect(nodes('place == "base"')).toBe('bases');
    expect(nodes('place == "eaves" and side != "left"')).toBe('eaves not on the left');
    expect(nodes('place == "apex"')).toBe('apexes');
  });

  it('says how numbers compare', () => {
    expect(members('role == "column" and storey >= 2')).toBe('columns from storey 2 on');
    expect(members('z > 2 m')).toBe('members above z = 2 m');
    expect(members('length < 3 m and slope >= 5 deg')).toBe('members shorter than 3 m of 5 deg or steeper');
    expect(nodes('x == span / 2')).toBe('nodes at x = span / 2');
  });

  it('is of all where nothing is asked, and keeps what no tag says', () => {
    expect(members('true')).toBe('all members');
    expect(nodes('')).toBe('all nodes');
    expect(members('role == "rafter" and (x + z > 3 m or y == 2 m)')).toBe(
      'rafters where x + z > 3 m or y == 2 m',
    );
  });
});
