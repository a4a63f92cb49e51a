import { unwrapped } from '../base/problem.js';
import { slipShed } from '../testing/designs.js';
import { buildFrame } from '../build/build.js';
import { setRuleField } from '../edits/index.js';
import { validateDesign } from '../document/read.js';
import type { Rule } from '../document/types.js';
import { readRecordField, recordFieldText } from '../fields/record-fields.js';
import { ruleFields } from './form.js';
import { kindsOf, ruleKinds } from './index.js';

const fieldsOf = (rule: Rule) => kindsOf(rule).flatMap((kind) => ruleFields(rule, kind));
const paths = (rule: Rule) => fieldsOf(rule).map(({ path }) => path);

describe('the form of a rule', () => {
  it('of a section and a material asks for both', () => {
    const fields = fieldsOf({
      id: 'r',
      members: 'true',
      section: 'IPE 300',
      material: { parameter: 'steel' },
    });
    expect(fields.map(({ path, form }) => [path, form.kind])).toEqual([
      ['section', 'section'],
      ['material', 'material'],
    ]);
  });

  it('of a line load has its case, axes, direction, load and extent', () => {
    const rule: Rule = { id: 'r', members: 'true', load: { case: 'S', direction: 'z', q: '-1 kN/m' } };
    expect(paths(rule)).toEqual([
      'load/kind',
      'load/case',
      'load/axes',
      'load/direction',
      'load/q',
      'load/from',
      'load/to',
      'load/per',
    ]);
    expect(fieldsOf(rule).find(({ path }) => path === 'load/direction')!.form).toEqual({
      kind: 'choice',
      choices: ['x', 'y', 'z'].map((value) => ({ label: value, value })),
    });
  });

  it('of another kind of load has that kind’s fields', () => {
    const rule: Rule = {
      id: 'r',
      members: 'true',
      load: { case: 'T', kind: 'temperature', uniform: '20 K' },
    };
    expect(paths(rule)).toEqual([
      'load/kind',
      'load/case',
      'load/uniform',
      'load/gradientY',
      'load/gradientZ',
    ]);
  });

  it('of a support offers the usual ones, and each freedom where they are given by themselves', () => {
    const usual: Rule = { id: 'r', nodes: 'true', support: 'pinned' };
    const [field] = fieldsOf(usual);
    expect(field!.form.kind === 'choice' && field!.form.choices.map(({ label }) => label)).toEqual([
      'fixed',
      'pinned',
      'roller',
      'each by itself',
    ]);
    expect(paths({ ...usual, support: { ux: 'fixed', uz: '2 kN/mm' } })).toContain('support/uz');
  });

  it('writes lists with commas, single values where they may stand alone', () => {
    expect(readRecordField('-1 kN/m, -2 kN/m', { kind: 'list', single: true })).toEqual([
      '-1 kN/m',
      '-2 kN/m',
    ]);
    expect(readRecordField(' -1 kN/m ', { kind: 'list', single: true })).toBe('-1 kN/m');
    expect(readRecordField('My', { kind: 'list', single: false })).toEqual(['My']);
    expect(readRecordField('  ', { kind: 'text' })).toBeUndefined();
    expect(recordFieldText(['My', 'Mz'])).toBe('My, Mz');
    expect(recordFieldText(undefined)).toBe('');
  });

  it('of every kind as it begins writes a valid design that builds, and every choice of it is valid', () => {
    for (const kind of ruleKinds) {
      const design = slipShed();
      const condition =
        kind.of === 'members' ? { members: 'role == "rafter"' } : { nodes: 'place == "base"' };
      const rule: Rule = { id: 'new', ...condition, ...kind.initial(design) };
      expect(kindsOf(rule)).toContain(kind);
      const next = { ...design, rules: [...design.rules, rule] };
      expect(validateDesign(structuredClone(next)).ok)
        .withContext(kind.title)
        .toBeTrue();
      unwrapped(buildFrame(next, next.alternatives[0]!));
      for (const field of ruleFields(rule, kind)) {
        if (field.form.kind !== 'choice' || field.path === 'load/kind') continue;
        for (const { label, value } of field.form.choices) {
          const chosen = setRuleField(next, 'new', field.path, value);
          const words = `${kind.title}, ${field.path}: ${label}`;
          expect(validateDesign(structuredClone(chosen)).ok)
            .withContext(words)
            .toBeTrue();
          const frame = buildFrame(chosen, chosen.alternatives[0]!);
          // What acts along y leaves this plane frame, which is said in its own words
          const problems = frame.ok
            ? []
            : frame.problems.filter(({ message }) => !message.includes('out of the plane'));
          expect(problems.map(({ message }) => message))
            .withContext(words)
            .toEqual([]);
        }
      }
    }
  });
});
