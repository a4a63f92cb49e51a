import { built, designWith } from '../../testing/designs.js';
import type { Step } from '../../document/types.js';

const line = (id: string, ...points: [string, string, string][]): Step => ({ id, make: 'line', points });

describe('the weld', () => {
  it('makes one node of ends that meet, whichever step came first', () => {
    const a = line('a', ['0 m', '0 m', '0 m'], ['0 m', '0 m', '3 m']);
    const b = line('b', ['0 m', '0 m', '3 m'], ['5 m', '0 m', '3 m']);
    for (const steps of [
      [a, b],
      [b, a],
    ])
      expect(built(designWith(steps)).model.nodes.length).toBe(3);
  });

  it('divides a member where a line of another step ends on it, and the pieces stay one', () => {
    const beam = line('beam', ['0 m', '0 m', '3 m'], ['6 m', '0 m', '3 m']);
    const post = line('post', ['2 m', '0 m', '0 m'], ['2 m', '0 m', '3 m']);
    const { model, geometry } = built(designWith([beam, post]));
    expect(model.members.length).toBe(3);
    expect([...geometry.lines.values()].filter(({ members }) => members.length === 2).length).toBe(1);
  });

  it('leaves lines alone that only cross', () => {
    const one = line('one', ['0 m', '0 m', '0 m'], ['4 m', '0 m', '4 m']);
    const two = line('two', ['0 m', '0 m', '4 m'], ['4 m', '0 m', '0 m']);
    expect(built(designWith([one, two])).model.members.length).toBe(2);
  });

  it('keeps apart what is further than a thousandth', () => {
    const one = line('one', ['0 m', '0 m', '0 m'], ['0 m', '0 m', '3 m']);
    const two = line('two', ['0 m', '0 m', '3.01 m'], ['4 m', '0 m', '3.01 m']);
    expect(built(designWith([one, two])).model.nodes.length).toBe(4);
  });
});

describe('copies within one step', () => {
  it('share the nodes in which they meet: three frames of a bay in a row have four columns', () => {
    const bay: Step = {
      id: 'bay',
      make: 'line',
      points: [
        ['0 m', '0 m', '0 m'],
        ['0 m', '0 m', '3 m'],
        ['4 m', '0 m', '3 m'],
        ['4 m', '0 m', '0 m'],
      ],
    };
    const row: Step = { id: 'row', edit: 'copy', by: ['4 m', '0 m', '0 m'], count: 2 };
    const { model } = built(designWith([bay, row]));
    expect(model.nodes.length).toBe(8);
  });
});
