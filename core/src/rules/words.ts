import type { Rule } from '../document/types.js';

const list = (value: unknown): string =>
  Array.isArray(value)
    ? value.map(String).join(', ')
    : typeof value === 'object' && value !== null
      ? Object.entries(value)
          .map(([k, v]) => `${k} ${list(v)}`)
          .join(', ')
      : String(value);

/** What a rule gives, in words: "HEB 300 in S355", "fixed", "hinge My", "−4 kN/m in S". */
export function ruleWords(rule: Rule): string {
  const parts: string[] = [];
  const {
    section,
    material,
    support,
    hinge,
    load,
    area,
    train,
    mass,
    lengths,
    restraints,
    flange,
    group,
    restrains,
    deflection,
    action,
    roll,
  } = rule;
  const name = (value: NonNullable<typeof section>) => (typeof value === 'string' ? value : value.parameter);
  if (section !== undefined)
    parts.push(name(section) + (material === undefined ? '' : ` in ${name(material)}`));
  else if (material !== undefined) parts.push(name(material));
  if (action !== undefined) parts.push(action);
  if (roll !== undefined) parts.push(`rolled ${String(roll)}`);
  if (support !== undefined) parts.push(typeof support === 'string' ? support : list(support));
  if (hinge !== undefined) parts.push(`hinge ${list(hinge)}${rule.at === undefined ? '' : ` at ${rule.at}`}`);
  if (lengths !== undefined)
    parts.push(lengths === 'buckling-analysis' ? 'buckling lengths from the frame' : list(lengths));
  if (restraints !== undefined)
    parts.push(
      `held sideways${flange === undefined || flange === 'both' ? '' : ` at the ${flange} flange`} where ${restraints}`,
    );
  if (group !== undefined) parts.push('one physical member a line');
  if (restrains !== undefined) parts.push(`braces of a system that holds ${restrains} members`);
  if (deflection !== undefined) parts.push(`deflection at most ${String(deflection.limit)} of the length`);
  if (load !== undefined) {
    const { case: loadCase, kind = 'line', ...rest } = load;
    const q = 'q' in rest ? list(rest.q) : 'F' in rest && rest.F ? list(rest.F) : list(rest);
    parts.push(
      `${kind === 'line' ? '' : `${kind} `}${q}${'direction' in rest ? ` along ${rest.direction}` : ''} in ${loadCase}`,
    );
  }
  if (area !== undefined)
    parts.push(
      `${String(area.q)} along ${area.direction}, shared ${area.share ?? 'two-way'}, in ${area.case}`,
    );
  if (train !== undefined) parts.push(`travelling ${list(train.forces)} in ${train.case}`);
  if (mass !== undefined) parts.push(`mass ${String(mass)}`);
  return parts.join('; ');
}
