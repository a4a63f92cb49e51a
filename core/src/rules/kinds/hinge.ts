import type { Hinges } from '../../model/types.js';
import { fail } from '../../base/problem.js';
import { quantityOf } from '../../language/evaluate.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import type { HingeRule } from '../../document/types.js';
import { fieldOf, memberRule, nodeRule, type RuleContext } from '../rule.js';
import { expression, object, releases, six } from '../../fields/schemas.js';

const schema = {
  hinge: {
    anyOf: [
      { type: 'array', items: { enum: releases }, minItems: 1, maxItems: 6 },
      object(six(releases, expression)),
    ],
  },
};

function hingesOf(hinge: HingeRule, context: RuleContext): Hinges {
  if (Array.isArray(hinge)) return Object.fromEntries(hinge.map((release) => [release, 'free' as const]));
  return Object.fromEntries(
    Object.entries(hinge).map(([release, written]): [string, number | 'free'] => {
      if (written === 'free') return [release, 'free'];
      const place = fieldOf(context, release);
      const quantity = ['T', 'My', 'Mz'].includes(release) ? 'rotationalSpring' : 'spring';
      const value = quantityOf(written, context.names, quantity, place);
      if (value <= 0)
        fail('out-of-range', `In ${place.what} the spring must be above zero, or "free".`, place.where);
      return [release, value];
    }),
  );
}

function put(
  { assignment }: RuleContext,
  member: string,
  end: 'start' | 'end',
  hinges: Hinges,
  rule: string,
): void {
  assignment.hinges.set(member, { ...assignment.hinges.get(member), [end]: hinges });
  assignment.credit(member, `hinge at ${end}`, rule);
}

/** Members that meet at each node, in the order of their ids. */
const meetings = new WeakMap<object, Map<string, GeometryMember[]>>();
function meetingsOf({ geometry }: RuleContext): Map<string, GeometryMember[]> {
  let map = meetings.get(geometry);
  if (!map) {
    map = new Map();
    for (const member of geometry.members.values())
      for (const node of [member.start, member.end]) {
        const list = map.get(node);
        if (list) list.push(member);
        else map.set(node, [member]);
      }
    for (const list of map.values()) list.sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
    meetings.set(geometry, map);
  }
  return map;
}

/** A hinge at a node: at all but one of the members that meet there, so that the node itself never spins. */
export const nodeHinge = nodeRule({
  key: 'hinge',
  initial: () => ({ hinge: ['My'] }),
  title: 'Hinge at the node',
  gives: 'hinges',
  schema,
  apply(rule, matched, context) {
    const hinges = hingesOf(rule.hinge!, context);
    const meeting = meetingsOf(context);
    for (const { thing } of matched) {
      // The first by id keeps the node
      for (const member of (meeting.get(thing.id) ?? []).slice(1))
        put(context, member.id, member.start === thing.id ? 'start' : 'end', hinges, rule.id);
      context.assignment.credit(thing.id, 'hinge', rule.id);
    }
  },
});

/** Hinges at the ends of physical members: start, end, both, or where a place is. */
export const memberHinge = memberRule({
  key: 'hinge',
  initial: () => ({ hinge: ['My'] }),
  title: 'Hinge at an end',
  gives: 'hinges',
  schema: { ...schema, at: { type: 'string', minLength: 1, maxLength: 60 } },
  apply(rule, matched, context) {
    const { geometry } = context;
    const hinges = hingesOf(rule.hinge!, context);
    const wanted = rule.at ?? 'both';
    let count = 0;
    for (const { thing } of matched) {
      const pieces = geometry.lines.get(thing.line)!.members;
      for (const end of ['start', 'end'] as const) {
        if (thing.id !== (end === 'start' ? pieces[0] : pieces.at(-1))) continue;
        const place = geometry.nodes.get(thing[end])!.tags['place'];
        if (wanted !== 'both' && wanted !== end && wanted !== place) continue;
        put(context, thing.id, end, hinges, rule.id);
        count++;
      }
    }
    if (count === 0 && matched.length > 0)
      context.assignment.notes.push({
        code: 'no-end',
        message: `Rule "${rule.title ?? rule.id}" gives no hinge: none of its members has its end at "${wanted}".`,
        where: { rule: rule.id },
      });
  },
});
