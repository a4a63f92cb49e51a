import { built, designWith, slipShed } from '../testing/designs.js';
import { parseModel } from '../model/parse.js';
import { checkToFile } from '../files/checks-file.js';
import type { Design, Step } from '../document/types.js';

const beam: Step = {
  id: 'beam',
  make: 'line',
  points: [
    ['0 m', '0 m', '0 m'],
    ['6 m', '0 m', '0 m'],
  ],
};
const supports: Design['rules'] = [{ id: 'feet', nodes: 'z == 0 m', support: 'fixed' }];
const loaded = (more: Partial<Design>) =>
  designWith([beam], {
    loadCases: [
      { id: 'G', title: 'Own weight', category: 'permanent', selfWeight: 1 },
      { id: 'Q', title: 'Stores', category: 'imposed' },
    ],
    combinations: [{ id: 'U', state: 'strength', factors: { G: 1.35, Q: 1.5 } }],
    ...more,
    rules: [...supports, ...(more.rules ?? [])],
  });
const codes = (design: Design) => built(design).notes.map(({ code }) => code);

describe('notes of loads', () => {
  const onBeam = { case: 'Q', direction: 'z', q: '-2 kN/m' } as const;

  it('a load rule that reaches nothing is told apart from other rules, even where its case has other loads', () => {
    const rules: Design['rules'] = [
      { id: 'here', members: 'true', load: onBeam },
      { id: 'nowhere', title: 'Stores on joists', members: 'role == "joist"', load: onBeam },
      { id: 'idle', members: 'role == "joist"', restraints: 'true' },
    ];
    const { notes } = built(loaded({ rules }));
    expect(notes.map(({ code }) => code)).toContain('load-reaches-nothing');
    const note = notes.find(({ code }) => code === 'load-reaches-nothing')!;
    expect(note.message).toContain('Stores on joists');
    expect(notes.filter(({ code }) => code === 'load-reaches-nothing').length).toBe(1);
  });

  it('a case that no combination names is told', () => {
    const combinations: Design['combinations'] = [{ id: 'U', state: 'strength', factors: { G: 1.35 } }];
    expect(codes(loaded({ combinations }))).toContain('case-in-no-combination');
    expect(codes(loaded({ rules: [{ id: 'q', members: 'true', load: onBeam }] }))).not.toContain(
      'case-in-no-combination',
    );
    expect(codes(slipShed())).toEqual([]);
  });

  it('a strength combination without any load is told, and its checks are no pass', () => {
    const combinations: Design['combinations'] = [{ id: 'U', state: 'strength', factors: { Q: 1.5 } }];
    const { model, notes } = built(loaded({ combinations }));
    expect(notes.map(({ code }) => code)).toContain('no-load');
    const parsed = parseModel(JSON.stringify(model));
    const outcome = parsed.ok ? checkToFile(parsed.value) : parsed;
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
    expect(outcome.value.summary.status).toBe('no load');
  });
});
