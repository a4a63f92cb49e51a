import type { Design, Rule } from '../../document/types.js';
import { stepTitles } from '../../document/titles.js';
import { conditionWords } from '../../geometry/conditions/condition-words.js';
import { ruleWords } from '../../rules/index.js';
import { fieldWords } from '../../steps/field-words.js';
import { kindOf } from '../../steps/index.js';
import { stepFields } from '../../steps/step-fields.js';
import { written } from './words.js';

/** What names a record, and which kind of step it is. */
const names = new Set(['id', 'title']);
const kinds = new Set(['make', 'edit']);

/** A value of a record of a design's list in words: conditions as they are said. */
export function valueWords(of: string, record: object, name: string, value: unknown, design: Design): string {
  if (value === undefined) return written(value);
  if (of === 'rules' && (name === 'members' || name === 'nodes'))
    return conditionWords(written(value), name, stepTitles(design));
  const kind = of === 'steps' ? kindOf(record) : undefined;
  const field = kind && stepFields(kind)[name];
  return field?.form.kind === 'condition' ? fieldWords(field, value, stepTitles(design)) : written(value);
}

/** What a record of a design's list holds, in words. */
export function recordWords(of: string, record: object, design: Design): string {
  if (of === 'rules') {
    const rule = record as Rule;
    const whose = rule.members === undefined ? 'nodes' : 'members';
    const reach = conditionWords(rule[whose] ?? '', whose, stepTitles(design));
    return `${ruleWords(rule)}, for ${reach}${rule.off === true ? ', switched off' : ''}`;
  }
  const kind = of === 'steps' ? kindOf(record) : undefined;
  const parts = Object.entries(record).filter(
    ([name, value]) => value !== undefined && !names.has(name) && !(kind && kinds.has(name)),
  );
  if (!kind) return written(Object.fromEntries(parts));
  const told = parts.map(([name, value]) => `${name} ${valueWords(of, record, name, value, design)}`);
  return [kind.title.toLowerCase(), ...told].join(', ');
}
