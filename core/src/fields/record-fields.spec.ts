import { slipShed } from '../testing/designs.js';
import { addAxis, setAxis, setCombination, setSetting } from '../edits/index.js';
import { validateDesign } from '../document/read.js';
import { axisFields } from '../document/axis-schema.js';
import { combinationFields } from '../combinations/combination.js';
import { settingsFields } from '../document/settings.js';
import { readRecordField, recordFields, recordFieldText } from './record-fields.js';

const object = (properties: Record<string, unknown>, required: string[] = []) => ({
  type: 'object',
  properties,
  required,
});

describe('the fields of a record', () => {
  it('are those of its schema in its order, each by the form that its type gives', () => {
    const schema = object(
      {
        id: { type: 'string' },
        title: { type: 'string' },
        count: { type: 'integer' },
        factor: { type: 'number' },
        held: { type: 'boolean' },
        kind: { const: 'x' },
        side: { enum: ['left', 'right'] },
        at: { type: 'array', items: { type: 'string' } },
      },
      ['title'],
    );
    const fields = recordFields(schema, { title: 'T', factor: 2 });
    // What people never change has no field: its id, and what it is
    expect(fields.map(({ path, form }) => `${path} ${form.kind}`)).toEqual([
      'title text',
      'count number',
      'factor number',
      'held flag',
      'side choice',
      'at list',
    ]);
    expect(fields.filter(({ optional }) => !optional).map(({ path }) => path)).toEqual(['title']);
    expect(fields.find(({ path }) => path === 'factor')!.value).toBe(2);
  });

  it('of a part that is left out as a whole are not asked for', () => {
    const schema = object({ limit: object({ most: { type: 'string' } }, ['most']) });
    expect(recordFields(schema, {})).toEqual([]);
    expect(recordFields(schema, { limit: { most: '3 m' } }).map(({ path }) => path)).toEqual(['limit/most']);
  });

  it('read numbers as people write them, and nothing else as a number', () => {
    const read = (text: string) => readRecordField(text, { kind: 'number' });
    expect(read('1,35')).toBe(1.35);
    expect(read('−2')).toBe(-2);
    expect(read('1e3')).toBe(1000);
    expect(read('much')).toBeUndefined();
    expect(read('Infinity')).toBeUndefined();
    expect(read('')).toBeUndefined();
    expect(recordFieldText(1.35)).toBe('1.35');
  });
});

describe('the fields of the settings', () => {
  it('each choice of them makes a valid design', () => {
    const design = slipShed();
    for (const { path, form } of settingsFields(design))
      for (const { value } of form.kind === 'choice'
        ? form.choices
        : [{ value: form.kind === 'flag' ? true : 1.05 }]) {
        const next = setSetting(design, path, value);
        const outcome = validateDesign(structuredClone(next));
        expect(outcome.ok ? '' : `${path}: ${outcome.problems[0]!.message}`).toBe('');
      }
  });

  it('name standards and factors as the trade does', () => {
    const fields = settingsFields(slipShed());
    expect(fields.map(({ title }) => title)).toEqual([
      'space',
      'order',
      'imperfections',
      'code',
      'γM0',
      'γM1',
      'γM2',
      'η (shear)',
      'kij by annex',
      'χLT by curves of',
    ]);
    const code = fields.find(({ path }) => path === 'code/name')!.form;
    expect(code.kind === 'choice' && code.choices.map(({ label }) => label)).toEqual([
      'EN 1993-1-1',
      'ANSI/AISC 360-22',
    ]);
  });
});

describe('the fields of grid lines and combinations', () => {
  it('leave out what is changed elsewhere', () => {
    const [combination] = slipShed().combinations;
    expect(combinationFields(combination!).map(({ path }) => path)).toEqual(['title', 'state']);
    expect(axisFields({ along: 'x', at: ['0 m'], names: 'A' }).map(({ path }) => path)).toEqual([
      'along',
      'at',
      'names',
    ]);
  });

  it('write valid designs', () => {
    const design = addAxis(slipShed(), { along: 'x', at: ['0 m', '11 m'], names: 'A' });
    const at = readRecordField('0 m, 2 * 11 m', { kind: 'list', single: false });
    const next = setCombination(setAxis(design, design.axes.length - 1, { at: at as string[] }), 'U1', {
      state: 'service',
    });
    expect(next.axes.at(-1)!.at).toEqual(['0 m', '2 * 11 m']);
    expect(validateDesign(structuredClone(next)).ok).toBeTrue();
  });
});
