import { designWith, slipShed } from '../../testing/designs.js';
import { writeResults } from '../../files/csv/results.js';
import type { Rule } from '../../document/types.js';
import { type EvaluatedAlternative, evaluateAlternative, questions } from '../index.js';
import { metric } from '../../units/units.js';

/** The shed's bases pinned, and held against turning by 0.1 N·m/rad. */
function softlyHeld(): EvaluatedAlternative {
  const shed = slipShed();
  const soft: Rule = {
    id: 'bases',
    nodes: 'place == "base"',
    support: { ux: 'fixed', uz: 'fixed', ry: '0.1 N m/rad' },
  };
  const rules = shed.rules.map((rule) => (rule.id === 'bases' ? soft : rule));
  const design = { ...shed, rules };
  const run = evaluateAlternative(
    design,
    design.alternatives.find(({ id }) => id === 'fixed')!,
    'forces',
  );
  return run;
}

/** A beam of 8 m on two supports with 10 kN/m on its first half. */
const halfLoaded = designWith(
  [
    {
      id: 'beam',
      make: 'line',
      points: [
        ['0 m', '0 m'],
        ['8 m', '0 m'],
      ],
      role: 'beam',
    },
  ],
  {
    space: 'plane',
    analysis: { order: 1, imperfections: false },
    rules: [
      { id: 'ends', nodes: 'true', support: 'pinned' },
      {
        id: 'half',
        members: 'true',
        load: { case: 'Q', kind: 'line', direction: 'z', q: '-10 kN/m', from: '0 m', to: '4 m' },
      },
    ],
    loadCases: [{ id: 'Q', title: 'Imposed', category: 'imposed' }],
  },
);

describe('tables of results', () => {
  const design = { ...slipShed(), analysis: { order: 1, imperfections: false } } as const;
  const run = evaluateAlternative(design, design.alternatives[0]!, 'checks');
  const table = (kind: string, result: string, parts?: string[]) =>
    questions.table(run, { kind, result, ...(parts ? { parts } : {}) }, '')!;

  it('of reactions balance the snow: 4.4 kN/m on 22 m', () => {
    const { columns, rows } = table('reactions', 'S');
    const FZ = columns.findIndex(({ name }) => name === 'FZ');
    expect(rows.map(({ title }) => title)).toEqual(['left base', 'right base']);
    expect(rows.reduce((sum, { values }) => sum + values[FZ]!, 0)).toBeCloseTo(96_800, 3);
  });

  it('of forces give every member five rows from start to end, those of the columns under snow half of it in compression', () => {
    const { rows, columns } = table('forces', 'S', ['shed.column.1']);
    expect(rows.map(({ at }) => at)).toEqual([
      'x = 0 m',
      'x = 1.60 m',
      'x = 3.20 m',
      'x = 4.80 m',
      'x = 6.40 m',
    ]);
    const N = columns.findIndex(({ name }) => name === 'N');
    for (const { values } of rows) expect(values[N]).toBeCloseTo(-48_400, 3);
  });

  it('of extremes have the span moment of a beam where it is, between the rows of its quarters', () => {
    // A beam of 8 m with 10 kN/m over the first 4 m: R = 10·4·6/8 = 30 kN, M greatest at 3 m: 30·3 − 10·3²/2 = 45 kN·m, V from 30 to −10 kN
    const beam = halfLoaded;
    const run = evaluateAlternative(beam, beam.alternatives[0]!, 'forces');
    const { rows, columns } = questions.table(run, { kind: 'extremes', result: 'Q' }, '')!;
    expect(columns.map(({ name }) => name)).toEqual(['N', 'V', 'M']);
    expect(rows.map(({ at }) => at)).toEqual(['greatest', 'least']);
    expect(rows[0]!.values[2]).toBeCloseTo(45_000, 5);
    expect(rows[0]!.from![2]).toBe('x = 3.00 m');
    expect([rows[0]!.values[1], rows[1]!.values[1]].map((V) => Math.round(V!))).toEqual([30_000, -10_000]);
    const quarters = questions
      .table(run, { kind: 'forces', result: 'Q' }, '')!
      .rows.map(({ values }) => values[2]!);
    expect(Math.max(...quarters)).toBeLessThan(45_000);
  });

  it('of displacements have the supports at rest', () => {
    const { rows } = table('displacements', 'S', ['shed.base.1']);
    expect(rows.length).toBe(1);
    for (const value of rows[0]!.values) expect(value).toBeCloseTo(0, 12);
  });

  it('of an envelope have the greatest and the least over the strength combinations, and where they come from', () => {
    const { rows } = table('reactions', 'envelope.strength', ['shed.base.1']);
    expect(rows.map(({ at }) => at)).toEqual(['greatest', 'least']);
    const each = design.combinations
      .filter(({ state }) => state === 'strength')
      .map(({ id }) => ({ id, values: table('reactions', id, ['shed.base.1']).rows[0]!.values }));
    rows[0]!.values.forEach((value, k) => {
      expect(value).toBe(Math.max(...each.map(({ values }) => values[k]!)));
      expect(each.find(({ id }) => id === rows[0]!.from![k])!.values[k]).toBe(value);
      expect(rows[1]!.values[k]).toBe(Math.min(...each.map(({ values }) => values[k]!)));
    });
  });

  it('tell what is nothing beside the greatest: a millionth of it', () => {
    // Springs against turning that are soft beyond sense: some thousandths of a N·m beside 133 kN
    const { negligible, rows } = questions.table(softlyHeld(), { kind: 'reactions', result: 'U1' }, '')!;
    const FZ = rows.map(({ values }) => values[1]!);
    expect(negligible).toBeCloseTo(1e-6 * Math.max(...FZ), 9);
    for (const { values } of rows) {
      expect(Math.abs(values[2]!)).toBeGreaterThan(1e-5);
      expect(Math.abs(values[2]!)).toBeLessThan(negligible);
    }
  });

  it('are written with their units and all digits, those of envelopes with what they come from', () => {
    const [head, first] = writeResults(table('reactions', 'S'), metric).split('\r\n');
    expect(head).toBe('node,id,at,FX [kN],FZ [kN],MY [kN·m]');
    expect(first!.startsWith('left base,shed.base.1,,')).toBeTrue();
    expect(Number(first!.split(',')[4])).toBeCloseTo(48.4, 6);
    const [envelope] = writeResults(table('reactions', 'envelope.strength'), metric).split('\r\n');
    expect(envelope).toContain('FX [kN],FX from,');
  });

  it('of a kind that there is not are none', () => {
    expect(questions.table(run, { kind: 'dreams', result: 'S' }, '')).toBeUndefined();
  });
});
