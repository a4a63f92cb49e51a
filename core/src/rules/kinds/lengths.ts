import { ownValue } from '../../base/own-value.js';
import { fail } from '../../base/problem.js';
import {
  byTags,
  condition,
  custom,
  number,
  option,
  optional,
  readFields,
  record,
  recordWay,
  text,
  ways,
  wordWay,
  type Evaluated,
  type Field,
} from '../../fields/index.js';
import { expression } from '../../fields/schemas.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { Tagged } from '../../geometry/select.js';
import { cross, minus, size, unit } from '../../geometry/vector.js';
import { quantityProgram, type Written } from '../../language/evaluate.js';
import type { FlangeLengths, MemberDesign } from '../../model/types.js';
import { fieldOf, memberRule, type Matched, type RuleContext } from '../rule.js';
import { listWords } from '../words.js';

declare module '../../document/types.js' {
  interface Rule {
    lengths?: LengthsRule | 'buckling-analysis';
    /** Condition on nodes that hold members sideways: both flanges, or the one that is named (top: on the side of local z). */
    restraints?: Expression;
    flange?: 'top' | 'bottom' | 'both';
    /** How many members alike the system of these braces holds. */
    restrains?: number;
    deflection?: { limit: Written; from?: 'chord' | 'start' | 'end' };
    group?: string;
  }
}

function merge({ assignment }: RuleContext, member: string, design: MemberDesign): void {
  assignment.design.set(member, { ...assignment.design.get(member), ...design });
}

type Length = (one: Matched<GeometryMember>) => number;

/** A length of a member, at least 0. */
const heldLength = (title: string): Field<Length> =>
  custom(
    { title },
    expression,
    (written, context, place) => {
      const length = quantityProgram(written as Written, { ...context, tags: true }, 'length', place);
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
    },
    { kind: 'quantity', quantity: 'length', of: 'members' },
  );

const flangeFields = { top: heldLength('top'), bottom: heldLength('bottom') };

/** Distances between what holds a member sideways: of both flanges, or of each. */
const lateralLength: Field<(one: Matched<GeometryMember>) => number | FlangeLengths> = ways(
  [
    {
      label: 'both flanges',
      start: '1 m',
      is: (written) => typeof written !== 'object',
      schema: expression,
      field: heldLength(''),
    },
    recordWay(flangeFields, { top: '1 m', bottom: '1 m' }, 'each flange'),
  ],
  { title: 'LLT, between what holds it sideways' },
  (written, context, place) => {
    if (typeof written !== 'object') return heldLength('LLT').read(written, context, place);
    const { top, bottom } = readFields(flangeFields, written as Record<string, unknown>, context, place);
    return (one) => ({ top: top(one), bottom: bottom(one) });
  },
);

const lengthFields = {
  Lcy: optional(heldLength('Lcr,y')),
  Lcz: optional(heldLength('Lcr,z')),
  LT: optional(heldLength('LT, of torsion')),
  LLT: optional(lateralLength),
};

const lengthNames: Readonly<Record<string, string>> = { Lcy: 'Lcr,y', Lcz: 'Lcr,z' };

/** Lengths in words, by the symbols of the codes: "Lcr,z 1.6 m, LLT 3.2 m". */
const lengthWords = (given: unknown): string =>
  typeof given === 'object' && given !== null
    ? listWords(
        Object.fromEntries(
          Object.entries(given).map(([name, value]) => [ownValue(lengthNames, name) ?? name, value]),
        ),
      )
    : listWords(given);

export const lengths = memberRule({
  key: 'lengths',
  initial: () => ({ lengths: 'buckling-analysis' }),
  title: 'Buckling lengths',
  words: ({ lengths: given }) =>
    given === 'buckling-analysis' ? 'buckling lengths from the frame' : lengthWords(given),
  gives: 'lengths',
  fields: {
    lengths: ways<'buckling-analysis' | Evaluated<typeof lengthFields>>(
      [
        wordWay('buckling-analysis', 'buckling analysis'),
        recordWay(lengthFields, { Lcy: '1 m' }, 'each by itself'),
      ],
      { title: 'lengths' },
      (written, context, place) =>
        typeof written === 'string'
          ? 'buckling-analysis'
          : readFields(lengthFields, written as Record<string, unknown>, context, place),
    ),
  },
  apply({ lengths: given }, matched, context) {
    const { assignment, rule } = context;
    if (given === 'buckling-analysis') {
      for (const { thing } of matched) {
        merge(context, thing.id, { lengths: 'buckling-analysis' });
        assignment.credit(thing.id, 'lengths', rule.id);
      }
      return;
    }
    for (const [name, length] of Object.entries(given)) {
      if (!length) continue;
      for (const one of matched) {
        merge(context, one.thing.id, { [name]: length(one) });
        assignment.credit(one.thing.id, name, rule.id);
      }
    }
  },
});

export const restraints = memberRule({
  key: 'restraints',
  initial: () => ({ restraints: 'true' }),
  title: 'Lateral restraints',
  words: ({ restraints: where, flange = 'both' }) =>
    `held sideways${flange === 'both' ? '' : ` at the ${flange} flange`} where ${String(where)}`,
  gives: 'lengths',
  fields: {
    restraints: condition('nodes', { title: 'held where' }),
    flange: optional(option(['both', 'top', 'bottom'], { title: 'holds' })),
  },
  apply({ restraints: matches, flange = 'both' }, matched, context) {
    const { rule } = context;
    const nodes = new Set(
      Tagged.of(context.geometry)
        .selectNodes(matches)
        .map(({ id }) => id),
    );
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
  words: ({ restrains: held }) => `braces of a system that holds ${String(held)} members`,
  gives: 'lengths',
  fields: { restrains: number({ title: 'members held', whole: true, least: 1, most: 1000 }) },
  apply({ restrains: held }, matched, context) {
    for (const { thing } of matched) {
      merge(context, thing.id, { restrains: held });
      context.assignment.credit(thing.id, 'restrains', context.rule.id);
    }
  },
});

export const deflection = memberRule({
  key: 'deflection',
  initial: () => ({ deflection: { limit: '1/250' } }),
  title: 'Deflection limit',
  words: ({ deflection: given }) => `deflection at most ${String(given!.limit)} of the length`,
  gives: 'lengths',
  fields: {
    deflection: record(
      {
        limit: byTags('number', { title: 'at most' }),
        from: optional(option(['chord', 'start', 'end'], { title: 'from' })),
      },
      { title: '' },
    ),
  },
  apply({ deflection: { limit, from } }, matched, context) {
    const { rule } = context;
    const place = fieldOf(context, 'deflection');
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
  words: () => 'one physical member a line',
  gives: 'lengths',
  fields: { group: text({ title: 'group' }) },
  apply(_, matched, context) {
    const { geometry, assignment, rule } = context;
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
