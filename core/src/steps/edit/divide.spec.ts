import { at, built, designWith, problemsOf } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const divide = (fields: object): Step => ({
  id: 'd',
  edit: 'divide',
  members: 'role == "rafter"',
  ...fields,
});
const of = (fields: object) => built(designWith([portal, divide(fields)]));

describe('divide', () => {
  it('in parts that stay one physical member', () => {
    const { model, geometry } = of({ parts: 4 });
    expect(model.members.length).toBe(2 + 8);
    const lines = [...geometry.lines.values()].filter(({ members }) => members.length === 4);
    expect(lines.length).toBe(2);
    const groups = new Set(model.members.flatMap(({ design }) => design?.group ?? []));
    expect(groups.size).toBe(2);
  });

  it('in members of their own where they are split', () => {
    const { model } = of({ parts: 4, split: true });
    expect(model.members.every(({ design }) => design?.group === undefined)).toBeTrue();
  });

  it('says so where it is told in two ways, and divides by neither', () => {
    const [problem] = problemsOf(designWith([portal, divide({ parts: 4, at: ['3 m'] })]));
    expect(problem!.message).toContain('by "parts" and by "at"; keep one of them');
    expect(problem!.where).toEqual(jasmine.objectContaining({ step: 'd', field: 'at' }));
  });

  it('at lengths and shares', () => {
    const frame = of({ at: ['0.25', '3 m'] });
    const left = [...frame.geometry.lines.values()].find(({ id }) => id.includes('left'))!;
    const start = at(frame, frame.geometry.members.get(left.members[0]!)!.start);
    const far = left.members.map((id) => {
      const [x, , z] = at(frame, frame.geometry.members.get(id)!.end);
      return Math.hypot(x - start[0], z - start[2]);
    });
    const length = 6 / Math.cos(Math.PI / 18);
    [length / 4, 3, length].forEach((x, i) => expect(far[i]).toBeCloseTo(x, 9));
  });

  it('refuses a place beyond the member', () => {
    expect(problemsOf(designWith([portal, divide({ at: ['9 m'] })]))[0]!.where['step']).toBe('d');
  });
});
