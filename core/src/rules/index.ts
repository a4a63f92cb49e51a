import { attempt, fail, type Problem } from '../base/problem.js';
import type { Names } from '../language/compile.js';
import { conditionProgram } from '../language/evaluate.js';
import type { Geometry } from '../geometry/geometry.js';
import { matching, Tagged } from '../geometry/select.js';
import type { Design, Rule } from '../document/types.js';
import { action, roll } from './kinds/action.js';
import { area } from './kinds/area.js';
import { Assignment } from './assignment.js';
import { memberHinge, nodeHinge } from './kinds/hinge.js';
import { deflection, group, lengths, restraints, restrains } from './kinds/lengths.js';
import { memberLoad, nodeLoad } from './kinds/load.js';
import { readFields, type Fields } from '../fields/index.js';
import { fieldContextOf, type RuleContext, type RuleKind } from './rule.js';
import { material, section } from './kinds/section.js';
import { mass, support } from './kinds/support.js';
import { train } from './kinds/train.js';

/** Every kind of rule. A new kind is one file and one line here. */
export const ruleKinds: readonly RuleKind[] = [
  section,
  material,
  action,
  roll,
  lengths,
  restraints,
  restrains,
  group,
  deflection,
  support,
  mass,
  nodeHinge,
  memberHinge,
  memberLoad,
  nodeLoad,
  area,
  train,
];

/** Kinds that a rule is of: those whose field it has, for what it selects. */
export function kindsOf(rule: Rule): RuleKind[] {
  const of = rule.members !== undefined ? 'members' : 'nodes';
  return ruleKinds.filter((kind) => kind.of === of && writtenOf(rule, kind) !== undefined);
}

/** What a rule has in the field of a kind. */
const writtenOf = (rule: Rule, { key }: RuleKind): unknown =>
  (rule as unknown as Record<string, unknown>)[key];

/** What a rule gives, in words: "HEB 300 in S355", "fixed", "hinge My", "−4 kN/m in S". */
export function ruleWords(rule: Rule): string {
  const keys = new Set<string>();
  return ruleKinds
    .flatMap((kind) => {
      if (writtenOf(rule, kind) === undefined || keys.has(kind.key)) return [];
      keys.add(kind.key);
      return kind.words(rule);
    })
    .filter((words) => words !== '')
    .join('; ');
}

/** The load case that a rule loads; undefined for one that gives no load. */
export function loadCaseOf(rule: Rule): string | undefined {
  const cases = ruleKinds.flatMap((kind) => {
    const written = writtenOf(rule, kind) as { case?: unknown } | undefined;
    return kind.gives === 'loads' && typeof written?.case === 'string' ? [written.case] : [];
  });
  return cases[0];
}

/** How many members or nodes each rule matches, by rule id. */
export type RuleMatches = ReadonlyMap<string, readonly string[]>;

/**
 * Applies all rules in order; later ones win field by field, loads add.
 *
 * @param problems takes what is wrong, rule by rule
 */
export function applyRules(
  design: Design,
  geometry: Geometry,
  names: Names,
  problems: Problem[],
): { assignment: Assignment; matches: RuleMatches } {
  const assignment = new Assignment();
  const matches = new Map<string, readonly string[]>();
  const tagged = Tagged.of(geometry);
  const common = {
    geometry,
    names,
    space: design.space,
    loadCases: new Set(design.loadCases.map(({ id }) => id)),
    ownSections: new Set(design.sections.map(({ id }) => id)),
    ownMaterials: new Set(design.materials.map(({ id }) => id)),
    assignment,
  };
  for (const rule of design.rules) {
    if (rule.off) continue;
    const outcome = attempt(() =>
      matches.set(
        rule.id,
        applyRule(rule, tagged, {
          ...common,
          place: placeOf(rule),
          rule: { id: rule.id, title: rule.title ?? rule.id },
        }),
      ),
    );
    if (!outcome.ok) problems.push(...outcome.problems);
  }
  for (const { rule, by } of assignment.overridden())
    assignment.notes.push({
      code: 'overridden',
      message: `Rule "${titleOf(design, rule)}" is wholly overridden: ${by.map((one) => `"${titleOf(design, one)}"`).join(', ')} ${by.length === 1 ? 'gives' : 'give'} all that it gives.`,
      where: { rule },
    });
  return { assignment, matches };
}

const titleOf = (design: Design, id: string): string =>
  design.rules.find((rule) => rule.id === id)?.title ?? id;

function placeOf(rule: Rule): RuleContext['place'] {
  return { what: `rule "${rule.title ?? rule.id}"`, where: { rule: rule.id } };
}

function applyRule(rule: Rule, tagged: Tagged, context: RuleContext): string[] {
  const { members, nodes } = rule;
  const text =
    members ??
    nodes ??
    fail(
      'invalid-design',
      `Rule "${rule.title ?? rule.id}" says neither members nor nodes; give it a condition.`,
      context.place.where,
    );
  const matchesTags = conditionProgram(text, context.names, {
    what: `${context.place.what}, condition`,
    where: { ...context.place.where, field: members === undefined ? 'nodes' : 'members' },
  });
  const ofMembers = members === undefined ? [] : matching(tagged.members, matchesTags);
  const ofNodes = members === undefined ? matching(tagged.nodes, matchesTags) : [];
  const found = members === undefined ? ofNodes : ofMembers;
  if (found.length === 0) {
    const loads = loadCaseOf(rule);
    context.assignment.notes.push(
      loads === undefined
        ? {
            code: 'matches-nothing',
            message: `Rule "${rule.title ?? rule.id}" matches nothing: ${text}.`,
            where: { rule: rule.id },
          }
        : {
            code: 'load-reaches-nothing',
            message: `The load of rule "${rule.title ?? rule.id}" (load case ${loads}) reaches nothing in this frame: ${text} matches nothing. Change its condition, or switch it off here.`,
            where: { rule: rule.id, loadCase: loads },
          },
    );
  }
  for (const kind of kindsOf(rule)) {
    const given = readFields(kind.fields as Fields, { ...rule }, fieldContextOf(context), context.place);
    if (kind.of === 'members') kind.apply(given, ofMembers, context);
    else kind.apply(given, ofNodes, context);
  }
  return found.map(({ thing }) => thing.id);
}
