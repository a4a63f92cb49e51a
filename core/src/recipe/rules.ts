import { findProfile } from '../library/profiles.js';
import type { Freedom, Hinges, Load, MemberDesign, Support } from '../model/types.js';
import { attempt, fail, problem, type Problem } from '../problem.js';
import type { QuantityName } from '../units/quantities.js';
import { evaluateCondition, evaluateQuantity, type Scope, type ScopeValue } from './evaluate.js';
import { compileExpression } from './expression-language.js';
import type { Geometry, GeometryMember, GeometryNode } from './geometry.js';
import type { Design, LengthsRule, LineLoadRule, NameReference, Rule, SupportKind } from './types.js';

/** What the rules gave to members and nodes, and which rule gave it. */
export interface Assignment {
  readonly section: ReadonlyMap<string, string>;
  readonly material: ReadonlyMap<string, string>;
  readonly supports: readonly Support[];
  /** What the checks take for a member, by member. */
  readonly design: ReadonlyMap<string, MemberDesign>;
  /** By member, then end. */
  readonly hinges: ReadonlyMap<string, { start?: Hinges; end?: Hinges }>;
  /** By load case. */
  readonly loads: ReadonlyMap<string, readonly Load[]>;
  /** Rule ids by member or node id, in the order in which they applied. */
  readonly givenBy: ReadonlyMap<string, readonly string[]>;
  /** Rules that matched nothing, in words. */
  readonly notes: readonly string[];
}

/** Applies all rules in order; later ones win. Problems are collected into `problems`. */
export function applyRules(
  design: Design,
  geometry: Geometry,
  scope: Scope,
  problems: Problem[],
): Assignment {
  const section = new Map<string, string>();
  const material = new Map<string, string>();
  const supports = new Map<string, Support>();
  const hinged = new Map<string, Hinges>();
  const loads = new Map<string, Load[]>();
  const checked = new Map<string, MemberDesign>();
  const givenBy = new Map<string, string[]>();
  const notes: string[] = [];
  const nodeOf = new Map(geometry.nodes.map((node) => [node.id, node]));
  const members = geometry.members.map((member) => ({ member, scope: memberScope(nodeOf, member, scope) }));
  const nodes = geometry.nodes.map((node) => ({ node, scope: nodeScope(node, scope) }));
  const credit = (id: string, rule: Rule) => givenBy.set(id, [...(givenBy.get(id) ?? []), rule.id]);

  for (const rule of design.rules) {
    const outcome = attempt(() => {
      const place = { what: `rule "${rule.title ?? rule.id}"`, where: { rule: rule.id } };
      let matches = 0;
      const aboutNodes = rule.support !== undefined || rule.hinge !== undefined;
      if (aboutNodes)
        for (const { node, scope: own } of nodes) {
          if (!matchesRule(rule, own, place)) continue;
          matches++;
          credit(node.id, rule);
          if (rule.support !== undefined)
            supports.set(node.id, supportOf(rule.support, node.id, scope, place));
          if (rule.hinge) hinged.set(node.id, Object.fromEntries(rule.hinge.map((r) => [r, 'free'])));
        }
      else
        for (const { member, scope: own } of members) {
          if (!matchesRule(rule, own, place)) continue;
          matches++;
          credit(member.id, rule);
          if (rule.set?.section !== undefined)
            section.set(member.id, sectionName(resolveName(rule.set.section, scope, rule), rule));
          if (rule.set?.material !== undefined)
            material.set(member.id, resolveName(rule.set.material, scope, rule));
          if (rule.set?.lengths)
            checked.set(member.id, { ...checked.get(member.id), ...lengthsOf(rule.set.lengths, own, place) });
          if (rule.load) {
            const list = loads.get(rule.load.case) ?? [];
            list.push(lineLoad(rule.load, member.id, own, place));
            loads.set(rule.load.case, list);
          }
        }
      if (matches === 0) notes.push(`Rule "${rule.title ?? rule.id}" matches nothing: ${rule.where}.`);
    });
    if (!outcome.ok) problems.push(...outcome.problems);
  }
  for (const rule of design.rules)
    if (rule.load && !design.loadCases.some((c) => c.id === rule.load!.case))
      problems.push(
        problem(
          'unknown-name',
          `Rule "${rule.title ?? rule.id}" loads the case "${rule.load.case}", which does not exist.`,
          { rule: rule.id },
        ),
      );
  return {
    section,
    material,
    supports: [...supports.values()],
    design: checked,
    hinges: placeHinges(geometry, hinged),
    loads,
    givenBy,
    notes,
  };
}

/** A hinge at a node goes to all but one of the members that meet there, so that the node itself never spins. */
function placeHinges(
  geometry: Geometry,
  hinged: ReadonlyMap<string, Hinges>,
): Map<string, { start?: Hinges; end?: Hinges }> {
  const out = new Map<string, { start?: Hinges; end?: Hinges }>();
  for (const [node, hinges] of hinged) {
    const meeting = geometry.members.filter((m) => m.start === node || m.end === node);
    for (const member of meeting.slice(0, -1)) {
      const end = member.start === node ? 'start' : 'end';
      out.set(member.id, { ...out.get(member.id), [end]: hinges });
    }
  }
  return out;
}

function matchesRule(
  rule: Rule,
  scope: Scope,
  place: { what: string; where: Record<string, unknown> },
): boolean {
  // A condition on an attribute that this kind of thing does not have (role of a node) is false, not an error
  const names = compileExpression(rule.where, place).names;
  if (names.some((name) => foreign.has(name) && !scope.has(name))) return false;
  return evaluateCondition(rule.where, scope, place);
}

const foreign = new Set(['role', 'place', 'length', 'slope']);

function memberScope(nodeOf: ReadonlyMap<string, GeometryNode>, member: GeometryMember, scope: Scope): Scope {
  const a = nodeOf.get(member.start)!;
  const b = nodeOf.get(member.end)!;
  const run = Math.hypot(b.x - a.x, b.y - a.y);
  const own = new Map<string, ScopeValue>(scope);
  own.set('step', member.step);
  own.set('role', member.role);
  own.set('side', member.side);
  own.set('bay', { si: member.bay, quantity: 'number' });
  own.set('length', { si: Math.hypot(run, b.z - a.z), quantity: 'length' });
  own.set('slope', { si: Math.atan2(b.z - a.z, run), quantity: 'angle' });
  own.set('x', { si: (a.x + b.x) / 2, quantity: 'length' });
  own.set('y', { si: (a.y + b.y) / 2, quantity: 'length' });
  own.set('z', { si: (a.z + b.z) / 2, quantity: 'length' });
  return own;
}

function nodeScope(node: GeometryNode, scope: Scope): Scope {
  const own = new Map<string, ScopeValue>(scope);
  own.set('step', node.step);
  own.set('place', node.place);
  own.set('side', node.side);
  own.set('bay', { si: node.bay, quantity: 'number' });
  own.set('x', { si: node.x, quantity: 'length' });
  own.set('y', { si: node.y, quantity: 'length' });
  own.set('z', { si: node.z, quantity: 'length' });
  return own;
}

function resolveName(reference: NameReference, scope: Scope, rule: Rule): string {
  if (typeof reference === 'string') return reference;
  const value = scope.get(reference.parameter);
  if (typeof value === 'string') return value;
  return fail(
    'unknown-name',
    `Rule "${rule.title ?? rule.id}" takes a name from the parameter "${reference.parameter}", which is no section or material parameter.`,
    { rule: rule.id, parameter: reference.parameter },
  );
}

function sectionName(name: string, rule: Rule): string {
  return findProfile(name, { rule: rule.id }).name;
}

const kinds: Record<'fixed' | 'pinned' | 'roller', readonly Freedom[]> = {
  fixed: ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'],
  pinned: ['ux', 'uy', 'uz'],
  roller: ['uz'],
};

function supportOf(
  kind: SupportKind,
  node: string,
  scope: Scope,
  place: { what: string; where: Record<string, unknown> },
): Support {
  const support: Support = { node };
  if (typeof kind === 'string') for (const freedom of kinds[kind]) support[freedom] = 'fixed';
  else
    for (const [freedom, value] of Object.entries(kind) as [Freedom, string][]) {
      const quantity: QuantityName = freedom.startsWith('u') ? 'spring' : 'rotationalSpring';
      support[freedom] = value === 'fixed' ? 'fixed' : evaluateQuantity(value, scope, quantity, place);
    }
  return support;
}

/** Lengths of a rule, m; none may be below zero. */
function lengthsOf(
  lengths: LengthsRule,
  scope: Scope,
  place: { what: string; where: Record<string, unknown> },
): MemberDesign {
  return Object.fromEntries(
    Object.entries(lengths).map(([name, text]) => {
      const length = evaluateQuantity(text, scope, 'length', place);
      if (length < 0)
        fail(
          'out-of-range',
          `In ${place.what} the length ${name} is ${text}, below zero; give 0 for held throughout.`,
          place.where,
        );
      return [name, length];
    }),
  );
}

function lineLoad(
  load: LineLoadRule,
  member: string,
  scope: Scope,
  place: { what: string; where: Record<string, unknown> },
): Load {
  const q = evaluateQuantity(load.q, scope, 'lineLoad', place);
  return {
    kind: 'distributed',
    member,
    axes: load.axes ?? 'global',
    direction: load.direction,
    q: [q, q],
    from: 0,
    to: 1,
    per: load.per ?? 'length',
  };
}
