import type { FlangeLengths, MemberDesign } from '../../model/types.js';
import { fail } from '../../base/problem.js';
import { conditionProgram, quantityProgram } from '../../language/evaluate.js';
import { Tagged } from '../../geometry/select.js';
import { cross, minus, size, unit } from '../../geometry/vector.js';
import type { Written } from '../../language/evaluate.js';
import type { Place } from '../../language/tree.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { fieldOf, memberRule, type Matched, type RuleContext } from '../rule.js';
import { expression, object, six } from '../../fields/schemas.js';

function merge({ assignment }: RuleContext, member: string, design: MemberDesign): void {
  assignment.design.set(member, { ...assignment.design.get(member), ...design });
}

const lengthNames = ['Lcy', 'Lcz', 'LT', 'LLT'] as const;

/** A length of a member, at least 0. */
function heldLength(
  written: Written,
  place: Place,
  { names }: RuleContext,
): (one: Matched<GeometryMember>) => number {
  const length = quantityProgram(written, { ...names, tags: true }, 'length', place);
  return (one) => {
    const value = length(one);
    if (value < 0)
      fail(
        'out-of-range',
        `In ${place.what}: ${String(written)} is below zero; give 0 for held throughout.`,
        place.where,
      );
    return value;
  };
}

/** Distances between what holds the top and the bottom flange. */
function flangeLengths(
  { top, bottom }: { top: Written; bottom: Written },
  context: RuleContext,
): (one: Matched<GeometryMember>) => FlangeLengths {
  const [above, below] = [
    heldLength(top, fieldOf(context, 'LLT, top'), context),
    heldLength(bottom, fieldOf(context, 'LLT, bottom'), context),
  ];
  return (one) => ({ top: above(one), bottom: below(one) });
}

export const lengths = memberRule({
  key: 'lengths',
  initial: () => ({ lengths: 'buckling-analysis' }),
  title: 'Buckling lengths',
  gives: 'lengths',
  schema: {
    lengths: {
      anyOf: [
        { const: 'buckling-analysis' },
        object({
          ...six(lengthNames, expression),
          LLT: { anyOf: [expression, object({ top: expression, bottom: expression }, ['top', 'bottom'])] },
        }),
      ],
    },
  },
  apply(rule, matched, context) {
    const given = rule.lengths!;
    if (given === 'buckling-analysis') {
      for (const { thing } of matched) {
        merge(context, thing.id, { lengths: 'buckling-analysis' });
        context.assignment.credit(thing.id, 'lengths', rule.id);
      }
      return;
    }
    for (const name of lengthNames) {
      const written = given[name];
      if (written === undefined) continue;
      const length =
        typeof written === 'object'
          ? flangeLengths(written, context)
          : heldLength(written, fieldOf(context, name), context);
      for (const one of matched) {
        merge(context, one.thing.id, { [name]: length(one) });
        context.assignment.credit(one.thing.id, name, rule.id);
      }
    }
  },
});

export const restraints = memberRule({
  key: 'restraints',
  initial: () => ({ restraints: 'true' }),
  title: 'Lateral restraints',
  gives: 'lengths',
  schema: {
    restraints: { type: 'string', minLength: 1, maxLength: 400 },
    flange: { enum: ['both', 'top', 'bottom'] },
  },
  apply(rule, matched, context) {
    const matches = conditionProgram(rule.restraints!, context.names, fieldOf(context, 'restraints'));
    const nodes = new Set(
      Tagged.of(context.geometry)
        .selectNodes(matches)
        .map(({ id }) => id),
    );
    const { flange = 'both' } = rule;
    for (const { thing } of matched) {
      const held = flange === 'both' ? { top: nodes, bottom: nodes } : { [flange]: nodes };
      context.assignment.restraints.set(thing.id, {
        ...context.assignment.restraints.get(thing.id),
        ...held,
      });
      context.assignment.credit(thing.id, 'restraints', rule.id);
    }
  },
});

export const restrains = memberRule({
  key: 'restrains',
  initial: () => ({ restrains: 2 }),
  title: 'Bracing that holds members',
  gives: 'lengths',
  schema: { restrains: { type: 'integer', minimum: 1, maximum: 1000 } },
  apply(rule, matched, context) {
    for (const { thing } of matched) {
      merge(context, thing.id, { restrains: rule.restrains! });
      context.assignment.credit(thing.id, 'restrains', rule.id);
    }
  },
});

export const deflection = memberRule({
  key: 'deflection',
  initial: () => ({ deflection: { limit: '1/250' } }),
  title: 'Deflection limit',
  gives: 'lengths',
  schema: { deflection: object({ limit: expression, from: { enum: ['chord', 'start', 'end'] } }, ['limit']) },
  apply(rule, matched, context) {
    const { limit: written, from } = rule.deflection!;
    const place = fieldOf(context, 'deflection');
    const limit = quantityProgram(written, { ...context.names, tags: true }, 'number', place);
    for (const one of matched) {
      const { thing } = one;
      const value = limit(one);
      if (value <= 0)
        fail('out-of-range', `In ${place.what}: the limit must be above zero, e.g. 1/250.`, place.where);
      merge(context, thing.id, { deflection: { limit: value, ...(from ? { from } : {}) } });
      context.assignment.credit(thing.id, 'deflection', rule.id);
    }
  },
});

export const group = memberRule({
  key: 'group',
  initial: () => ({ group: 'line' }),
  title: 'One physical member a line',
  gives: 'lengths',
  schema: { group: { type: 'string', minLength: 1, maxLength: 200 } },
  apply(rule, matched, context) {
    const { geometry, assignment } = context;
    const lines = [...new Set(matched.map(({ thing }) => thing.line))];
    const ends = new Map(
      lines.map((line) => {
        const pieces = geometry.lines.get(line)!.members;
        return [
          line,
          { start: geometry.members.get(pieces[0]!)!.start, end: geometry.members.get(pieces.at(-1)!)!.end },
        ];
      }),
    );
    const at = (node: string) => geometry.nodes.get(node)!.at;
    const straight = (a: string, b: string) => {
      const [p, q] = [ends.get(a)!, ends.get(b)!];
      return size(cross(unit(minus(at(p.end), at(p.start))), unit(minus(at(q.end), at(q.start))))) < 1e-4;
    };
    const follows = (line: string) =>
      lines.find(
        (other) => other !== line && ends.get(other)!.start === ends.get(line)!.end && straight(line, other),
      );
    const next = new Map(lines.map((line) => [line, follows(line)]));
    const continued = new Set(next.values());
    for (const first of lines.filter((line) => !continued.has(line))) {
      const name = `${rule.id}.${first}`;
      for (
        let line: string | undefined = first, guard = 0;
        line !== undefined && guard <= lines.length;
        line = next.get(line), guard++
      )
        assignment.groups.set(line, name);
    }
    for (const { thing } of matched) assignment.credit(thing.id, 'group', rule.id);
  },
});
