import { titleWith } from '../document/titles.js';
import type { Design, Rule } from '../document/types.js';
import { ruleKinds, ruleWords } from '../rules/index.js';
import { freeId } from './ids.js';
import { changed, movedTo, withFields, withItem, withPath, without } from './lists.js';
import { withoutPatches } from './choices/patches.js';

/** Sets fields of a rule; `undefined` takes a field away. */
export function setRule(design: Design, id: string, fields: Readonly<Record<string, unknown>>): Design {
  return {
    ...design,
    rules: changed(design.rules, id, (rule) => retitled(rule, withFields(rule, fields))),
  };
}

/** A title that tells what a rule gives follows it, until the rule is given another title. */
function retitled(before: Rule, after: Rule): Rule {
  const { title } = before;
  const words = ruleWords(before);
  if (title === undefined || words === '' || after.title !== title) return after;
  const told = ruleWords(after);
  if (title === words) return { ...after, title: titleWith(told, '') };
  const of = title.slice(0, -words.length);
  return title.endsWith(words) && of.endsWith(': ')
    ? { ...after, title: titleWith(`${of}${told}`, '') }
    : after;
}

/** Adds a rule at a place, at the end without one: later rules win. */
export function addRule(design: Design, rule: Rule, index?: number): Design {
  return { ...design, rules: withItem(design.rules, rule, index) };
}

/** Removes a rule, also what options change of it. */
export function removeRule(design: Design, id: string): Design {
  return withoutPatches({ ...design, rules: without(design.rules, id) }, 'rules', [id]);
}

/** Moves a rule to another place: later rules win. */
export function moveRule(design: Design, id: string, index: number): Design {
  return { ...design, rules: movedTo(design.rules, id, index) };
}

/** Sets one value within a rule by its path, such as `load/q`; `undefined` takes it away. */
export function setRuleField(design: Design, id: string, path: string, value: unknown): Design {
  return {
    ...design,
    rules: changed(design.rules, id, (rule) => retitled(rule, withPath(rule, path.split('/'), value))),
  };
}

/**
 * Gives something to what a condition selects: by the last rule with that condition that gives the same, else by a new one.
 *
 * @param gives fields of a rule, such as `{ section: 'HEB 300' }`; loads always make a rule of their own
 * @param of whom the condition selects, for the title: "left columns"
 */
export function giveByRule(
  design: Design,
  selects: { readonly members: string } | { readonly nodes: string },
  gives: Readonly<Record<string, unknown>>,
  of = '',
): { design: Design; id: string } {
  const [[field, condition]] = Object.entries(selects) as [[string, string]];
  const adds = ruleKinds.some((kind) => kind.gives === 'loads' && kind.key in gives);
  const known = [...design.rules]
    .reverse()
    .find(
      (rule) =>
        (rule as unknown as Record<string, unknown>)[field] === condition &&
        Object.keys(gives).every((key) => (rule as unknown as Record<string, unknown>)[key] !== undefined),
    );
  if (known && !adds) return { design: setRule(design, known.id, gives), id: known.id };
  const words = ruleWords({ id: '', ...gives });
  const title = of === '' ? words : `${of}: ${words}`;
  const id = freeId(
    title,
    design.rules.map((one) => one.id),
    'rule',
  );
  const rule = { id, title: titleWith(title, ''), ...selects, ...gives } as Rule;
  return { design: addRule(design, rule), id };
}
