import { unwrapped } from '../base/problem.js';
import { buildFrame } from '../build/build.js';
import { validateDesign } from '../document/read.js';
import type { Rule } from '../document/types.js';
import { setRuleField } from '../edits/index.js';
import { startOf } from '../fields/applying.js';
import type { Field, Fields } from '../fields/index.js';
import { slipShed } from '../testing/designs.js';
import { kindsOf, ruleKinds } from './index.js';

/** Every value that can be chosen of a field, at its path below the rule. */
function choicesOf(
  field: Field<unknown>,
  path: string,
  written: unknown,
): { path: string; value: unknown }[] {
  const { form } = field;
  const within = (fields: Fields) =>
    Object.entries(fields).flatMap(([name, part]: [string, Field<unknown>]) =>
      choicesOf(part, `${path}/${name}`, (written as Record<string, unknown> | undefined)?.[name]),
    );
  switch (form.kind) {
    case 'option':
      return form.options.map(({ value }) => ({ path, value }));
    case 'ways':
      return form.ways.map(({ start }) => ({ path, value: start }));
    case 'record':
      return within(form.fields);
    case 'kinds': {
      const { kind = Object.keys(form.kinds)[0]! } = written as { kind?: string };
      return within({ ...form.common, ...form.kinds[kind] });
    }
    default:
      return [];
  }
}

describe('a kind of rule', () => {
  for (const kind of ruleKinds)
    it(`${kind.title} of ${kind.of}: as it begins, and with every choice of its fields, it is valid and builds`, () => {
      const design = slipShed();
      const condition =
        kind.of === 'members' ? { members: 'role == "rafter"' } : { nodes: 'place == "base"' };
      const rule: Rule = { id: 'new', ...condition, ...kind.initial(design) };
      expect(kindsOf(rule)).toContain(kind);
      const next = { ...design, rules: [...design.rules, rule] };
      expect(validateDesign(structuredClone(next)).ok).toBeTrue();
      unwrapped(buildFrame(next, next.alternatives[0]!));
      const written = rule as unknown as Record<string, unknown>;
      for (const [name, field] of Object.entries(kind.fields as Fields))
        for (const { path, value } of choicesOf(field as Field<unknown>, name, written[name])) {
          const chosen = setRuleField(next, 'new', path, value);
          const words = `${path}: ${JSON.stringify(value)}`;
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
    });

  it('of loads begins each of its kinds with a valid load', () => {
    const design = slipShed();
    for (const of of ['members', 'nodes'] as const) {
      const kind = ruleKinds.find((one) => one.key === 'load' && one.of === of)!;
      const { form } = (kind.fields as Fields)['load'] as Field<unknown>;
      if (form.kind !== 'kinds') throw new Error('loads have kinds');
      for (const [name, fields] of Object.entries(form.kinds)) {
        const condition = of === 'members' ? { members: 'role == "rafter"' } : { nodes: 'place == "base"' };
        const load = { case: 'S', kind: name, ...startOf(fields) };
        const rule = { id: 'new', ...condition, load } as unknown as Rule;
        const next = { ...design, rules: [...design.rules, rule] };
        const read = validateDesign(structuredClone(next));
        expect(read.ok ? '' : read.problems[0]!.message)
          .withContext(name)
          .toBe('');
        unwrapped(buildFrame(next, next.alternatives[0]!));
      }
    }
  });
});
