import { addAxis, setAxis, setCombination, setSetting } from '../edits/index.js';
import { axisFields } from '../document/axis-schema.js';
import { validateDesign } from '../document/read.js';
import { settingsFields } from '../document/settings.js';
import { slipShed } from '../testing/designs.js';
import { applyingFields, startOf } from './applying.js';
import { length, onlyWhen, option, optional, type Field, type Fields } from './index.js';
import { readTyped } from './typed.js';
import { metric } from '../units/units.js';

describe('the fields of a record', () => {
  const fields: Fields = {
    roof: option(['flat', 'duo'], { title: 'Roof', fallback: 'duo' }),
    pitch: onlyWhen('roof', ['duo'], length({ title: 'Pitch', initial: '1 m' })),
    note: optional(length({ title: 'Note' })),
  };
  const names = (record: object) =>
    applyingFields(fields, record as Record<string, unknown>).map(({ name }) => name);

  it('apply by what others say, or fall back to', () => {
    expect(names({})).toEqual(['roof', 'pitch', 'note']);
    expect(names({ roof: 'flat' })).toEqual(['roof', 'note']);
  });

  it('begin with what must be written', () => {
    expect(startOf(fields)).toEqual({ roof: 'duo', pitch: '1 m' });
  });
});

describe('the fields of the settings', () => {
  const parts = Object.entries(settingsFields(slipShed())).flatMap(
    ([name, field]: [string, Field<unknown>]) =>
      field.form.kind === 'record'
        ? Object.entries(field.form.fields).map(([key, part]) => ({
            path: `${name}/${key}`,
            field: part as Field<unknown>,
          }))
        : [{ path: name, field }],
  );

  it('each choice of them makes a valid design', () => {
    const design = slipShed();
    for (const {
      path,
      field: { form },
    } of parts)
      for (const { value } of form.kind === 'option'
        ? form.options
        : [{ value: form.kind === 'flag' ? true : 1.05 }]) {
        const outcome = validateDesign(structuredClone(setSetting(design, path, value)));
        expect(outcome.ok ? '' : `${path}: ${outcome.problems[0]!.message}`).toBe('');
      }
  });

  it('name standards and factors as the trade does', () => {
    expect(parts.map(({ field }) => field.title)).toEqual([
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
    const { form } = parts.find(({ path }) => path === 'code/name')!.field;
    expect(form.kind === 'option' && form.options.map(({ label }) => label)).toEqual([
      'EN 1993-1-1',
      'ANSI/AISC 360-22',
    ]);
  });
});

describe('the fields of grid lines and combinations', () => {
  it('write valid designs', () => {
    const design = addAxis(slipShed(), { along: 'x', at: ['0 m', '11 m'], names: 'A' });
    const at = readTyped('0 m, 2 * 11 m', (axisFields['at'] as Field<unknown>).form, metric);
    const next = setCombination(setAxis(design, design.axes.length - 1, { at: at as string[] }), 'U1', {
      state: 'service',
    });
    expect(next.axes.at(-1)!.at).toEqual(['0 m', '2 * 11 m']);
    expect(validateDesign(structuredClone(next)).ok).toBeTrue();
  });
});
