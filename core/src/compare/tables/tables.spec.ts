import { slipShed } from '../../testing/designs.js';
import { writeResults } from '../../exchange/csv/results.js';
import { AlternativeRun } from '../index.js';

describe('tables of results', () => {
  const design = { ...slipShed(), analysis: { order: 1, imperfections: false } } as const;
  const run = new AlternativeRun(design, design.alternatives[0]!);
  run.advance('checks');
  const table = (kind: string, result: string, parts?: string[]) =>
    run.resultTable(kind, { result, ...(parts ? { parts } : {}) })!;

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

  it('tell what is rounding: hinges at both bases pass no moment on, but the thrust of the rafters', () => {
    const pinned = slipShed().alternatives.find(({ id }) => id === 'pinned')!;
    const run = new AlternativeRun({ ...slipShed(), analysis: { order: 2, imperfections: true } }, pinned);
    run.advance('forces');
    const [combination] = slipShed().combinations;
    const { rows, rounding } = run.resultTable('reactions', { result: combination!.id })!;
    for (const { values } of rows) {
      expect(Math.abs(values[0]!)).toBeGreaterThan(1e3 * rounding);
      expect(Math.abs(values[2]!)).toBeLessThan(rounding);
    }
  });

  it('are written with their units and all digits, those of envelopes with what they come from', () => {
    const [head, first] = writeResults(table('reactions', 'S')).split('\r\n');
    expect(head).toBe('node,id,at,FX [kN],FZ [kN],MY [kN·m]');
    expect(first!.startsWith('left base,shed.base.1,,')).toBeTrue();
    expect(Number(first!.split(',')[4])).toBeCloseTo(48.4, 6);
    const [envelope] = writeResults(table('reactions', 'envelope.strength')).split('\r\n');
    expect(envelope).toContain('FX [kN],FX from,');
  });

  it('of a kind that there is not are none', () => {
    expect(run.resultTable('dreams', { result: 'S' })).toBeUndefined();
  });
});
