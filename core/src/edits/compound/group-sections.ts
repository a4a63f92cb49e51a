import type { Design } from '../../document/types.js';
import { freeTitle } from '../ids.js';
import { addParameter, setOwnParameter, setValue } from '../parameters.js';
import { setRule } from '../rules.js';

/** What gives members their section: a parameter by its name, or a rule by its id. */
export interface SectionSource {
  readonly id: string;
  readonly kind: 'parameter' | 'rule';
}

/**
 * Gives the members of a group another section: in all alternatives, or in one alone. For one alone a rule's section becomes a parameter,
 * of which that alternative has its own value.
 */
export function setGroupSection(
  design: Design,
  { id, kind }: SectionSource,
  section: string,
  alternative?: string,
): Design {
  if (kind === 'parameter') {
    if (alternative !== undefined) return setValue(design, id, section, alternative);
    // What every alternative is given wins over values of their own
    return {
      ...setValue(design, id, section),
      alternatives: design.alternatives.map((one) =>
        one.parameters && Object.hasOwn(one.parameters, id)
          ? { ...one, parameters: { ...one.parameters, [id]: section } }
          : one,
      ),
    };
  }
  if (alternative === undefined) return setRule(design, id, { section });
  const rule = design.rules.find((one) => one.id === id);
  if (typeof rule?.section !== 'string') return design;
  const title = rule.title ?? id;
  const plain = title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '');
  const name = freeTitle(
    `${/^[a-z]/.test(plain) ? plain : 'members'}_section`,
    design.parameters.map((one) => one.name),
  ).replace(/ /g, '_');
  const parameter = { name, title: `${title}, section`, kind: 'section' as const, value: rule.section };
  const named = setRule(addParameter(design, parameter), id, { section: { parameter: name } });
  return setOwnParameter(named, alternative, name, section);
}
