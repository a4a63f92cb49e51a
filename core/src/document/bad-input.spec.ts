import { built, designWith, problemsOf } from '../testing/designs.js';
import type { Design, Step } from './types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const arch = (more: object): Step => ({
  id: 'a',
  make: 'arch',
  span: '20 m',
  rise: '4 m',
  curve: 'parabolic',
  members: 8,
  ...more,
});

/** A step, or several, that cannot be made: the step that is named, and what its sentence says. */
const steps: Readonly<Record<string, { steps: Step[]; at: string; says: RegExp; more?: Partial<Design> }>> = {
  'a rise of zero': { steps: [arch({ rise: '0 m' })], at: 'a', says: /rise/i },
  'a pitch of 90°': { steps: [{ ...portal, pitch: '90 deg' }], at: 'p', says: /pitch/i },
  'a hyperbola too flat for its rise': {
    steps: [arch({ curve: 'hyperbolic', asymptote: '10 deg' })],
    at: 'a',
    says: /asymptote/i,
  },
  'a circle of more than half with equal x': {
    steps: [arch({ curve: 'circular', rise: '15 m', spacing: 'equal-x' })],
    at: 'a',
    says: /equal-length/,
  },
  'more members than sense': { steps: [arch({ members: 100_000 })], at: 'a', says: /at most|more than|most/ },
  'more divisions than sense': {
    steps: [portal, { id: 'd', edit: 'divide', parts: 1_000_000 }],
    at: 'd',
    says: /at most|more than|most/,
  },
  'more copies than 20 000 members': {
    steps: [
      portal,
      { id: 'd', edit: 'divide', parts: 100 },
      { id: 'c', edit: 'copy', count: 400, by: ['0 m', '5 m', '0 m'] },
    ],
    at: 'c',
    says: /20.?000/,
  },
  'a ring that crosses itself': {
    steps: [
      {
        id: 'r',
        make: 'ring',
        curve: {
          through: [
            ['0 m', '0 m'],
            ['4 m', '4 m'],
            ['4 m', '0 m'],
            ['0 m', '4 m'],
          ],
        },
        count: 12,
        rim: true,
      },
    ],
    at: 'r',
    says: /cross/,
  },
  'a haunch longer than its member': {
    steps: [
      portal,
      { id: 'h', edit: 'haunch', members: 'role == "rafter"', end: 'eaves', length: '9 m', depth: '0.3 m' },
    ],
    at: 'h',
    says: /longer than|length/,
  },
  'a point of a step that is gone': {
    steps: [portal, { id: 'l', make: 'line', points: ['gone.base.1', 'p.apex.1'] }],
    at: 'l',
    says: /gone\.base\.1/,
  },
  'a point of a step that comes later': {
    steps: [{ id: 'l', make: 'line', points: ['p.base.1', 'p.apex.1'] }, portal],
    at: 'l',
    says: /p\.base\.1/,
  },
  'an edit of nothing that is there': {
    steps: [portal, { id: 'm', edit: 'move', nodes: 'step == "gone"', by: ['1 m', '0 m', '0 m'] }],
    at: 'm',
    says: /select|match|none/i,
  },
  'a mirror plane without a normal': {
    steps: [
      portal,
      { id: 'm', edit: 'mirror', plane: { through: ['0 m', '0 m', '0 m'], normal: ['0', '0', '0'] } },
    ],
    at: 'm',
    says: /normal/,
  },
  'a condition with an unknown tag': {
    steps: [portal, { id: 'd', edit: 'divide', members: 'rolle == "rafter"', parts: 2 }],
    at: 'd',
    says: /rolle/,
  },
  'a condition with a syntax error': {
    steps: [portal, { id: 'd', edit: 'divide', members: 'role == ("rafter"', parts: 2 }],
    at: 'd',
    says: /./,
  },
  'a formula that explodes': { steps: [{ ...portal, eaves: '9^9^9^9 m' }], at: 'p', says: /./ },
  'a formula that divides by nothing': { steps: [{ ...portal, eaves: '1 m / (2 - 2)' }], at: 'p', says: /./ },
  'a length that is an angle': { steps: [{ ...portal, eaves: '30 deg' }], at: 'p', says: /length|unit|m\b/ },
  'a count that is none': { steps: [arch({ members: '2.5' })], at: 'a', says: /whole|integer/ },
};

describe('what cannot be made', () => {
  for (const [name, { steps: given, at, says, more }] of Object.entries(steps))
    it(`${name}: the step says what is wrong`, () => {
      const problems = problemsOf(designWith(given, more));
      expect(problems.length).toBeGreaterThan(0);
      const [first] = problems;
      expect(first!.where['step']).toBe(at);
      expect(first!.message).toMatch(says);
      // A sentence, not a stack or a library's own words
      expect(first!.message).toMatch(/^[A-Z"“].*[.!]$/s);
      expect(first!.message).not.toMatch(/undefined|NaN|Error:|\[object/);
    });

  it('a rule that names an unknown tag says so at the rule', () => {
    const [first] = problemsOf(
      designWith([portal], { rules: [{ id: 'bad', members: 'rolle == "rafter"', section: 'IPE 300' }] }),
    );
    expect(first!.where['rule']).toBe('bad');
    expect(first!.message).toContain('rolle');
  });

  it('a member that a step would make twice is made once and told', () => {
    const { notes, model } = built(
      designWith([
        portal,
        {
          id: 'l',
          make: 'line',
          points: [
            ['0 m', '0 m', '0 m'],
            ['0 m', '0 m', '5 m'],
          ],
        },
      ]),
    );
    expect(model.members.length).toBe(4);
    expect(notes.some(({ message }) => message.includes('1 duplicate member removed'))).toBeTrue();
  });
});
