import { fail } from '../../base/problem.js';
import {
  custom,
  optional,
  readFields,
  recordWay,
  memberEnd,
  ways,
  wordWay,
  type Field,
  type FieldContext,
} from '../../fields/index.js';
import { releases } from '../../fields/schemas.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { quantityOf, type Written } from '../../language/evaluate.js';
import type { Place } from '../../language/tree.js';
import type { Rule } from '../../document/types.js';
import type { Hinges } from '../../model/types.js';
import { springWay } from '../spring-way.js';
import { memberRule, nodeRule, type RuleContext } from '../rule.js';
import { listWords } from '../words.js';

declare module '../../document/types.js' {
  interface Rule {
    hinge?: HingeRule;
    at?: string;
  }
}

type Release = (typeof releases)[number];

const releaseTitles: Readonly<Record<Release, string>> = {
  N: 'along the member',
  Vy: 'across it, along y',
  Vz: 'across it, along z',
  T: 'twisting',
  My: 'turning about y',
  Mz: 'turning about z',
};

const isOfSolids = (name: Release): boolean => ['Vy', 'T', 'Mz'].includes(name);

/** A force that is not handed on, or that a spring hands on. @throws ProblemError for a spring that is not above zero */
const release = (name: Release): Field<number | 'free' | undefined> =>
  optional(
    ways<number | 'free'>(
      [wordWay('free'), springWay(['T', 'My', 'Mz'].includes(name) ? 'rotationalSpring' : 'spring')],
      {
        title: releaseTitles[name],
        absent: 'joined',
        ...(isOfSolids(name) ? { onlySolid: true } : {}),
      },
      (written, context, place) => {
        if (written === 'free') return 'free' as const;
        const quantity = ['T', 'My', 'Mz'].includes(name) ? 'rotationalSpring' : 'spring';
        const spring = quantityOf(written as Written, context, quantity, place);
        return spring > 0
          ? spring
          : fail('out-of-range', `In ${place.what} the spring must be above zero, or "free".`, place.where);
      },
    ),
  );

const releaseFields = Object.fromEntries(releases.map((name) => [name, release(name)]));
const releaseList = { type: 'array', items: { enum: releases }, minItems: 1, maxItems: 6 } as const;

const hinge = ways<Hinges>(
  [
    {
      label: 'turns freely',
      start: ['My'],
      // In space a hinge turns about both axes
      from: (_, space) => (space === 'plane' ? ['My'] : ['My', 'Mz']),
      is: (written) => Array.isArray(written) && written.every((name) => name === 'My' || name === 'Mz'),
      schema: releaseList,
    },
    {
      label: 'as a list',
      start: ['N', 'My'],
      rare: true,
      is: Array.isArray,
      schema: releaseList,
      field: custom({ title: '' }, releaseList, (written) => written, {
        kind: 'list',
        quantity: '',
        as: 'list',
      }),
    },
    {
      ...recordWay(releaseFields, { My: 'free' }, 'each by itself'),
      from: (written) =>
        Array.isArray(written)
          ? Object.fromEntries((written as Release[]).map((name) => [name, 'free']))
          : { My: 'free' },
    },
  ],
  { title: 'hinge' },
  readHinge,
);

function readHinge(written: unknown, context: FieldContext, place: Place): Hinges {
  if (Array.isArray(written)) return Object.fromEntries((written as string[]).map((name) => [name, 'free']));
  const read = readFields(releaseFields, written as Record<string, unknown>, context, place);
  return Object.fromEntries(Object.entries(read).filter(([, given]) => given !== undefined));
}

function put({ assignment, rule }: RuleContext, member: string, end: 'start' | 'end', hinges: Hinges): void {
  assignment.hinges.set(member, { ...assignment.hinges.get(member), [end]: hinges });
  assignment.credit(member, `hinge at ${end}`, rule.id);
}

const releaseWords: Readonly<Record<Release, string>> = {
  N: 'slides along the member',
  Vy: 'slides along y',
  Vz: 'slides along z',
  T: 'twists freely',
  My: 'turns freely',
  Mz: 'turns freely about z',
};

/** What a hinge lets go in each direction: "free along the member, spring of 2 MN m/rad turning about y". */
const eachWords = (given: unknown): string =>
  typeof given === 'object' && given !== null
    ? Object.entries(given)
        .map(([name, held]) => {
          const words = releaseTitles[name as Release];
          return held === 'free' ? `free ${words}` : `spring of ${String(held)} ${words}`;
        })
        .join(', ')
    : listWords(given);

/** "turns freely" of a hinge in the plane, "turns freely about y and z" of one in space; springs as they are written. */
function hingeWords({ hinge: given, at }: Rule): string {
  const behind = at === undefined || at === 'both' ? '' : ` at its ${at}`;
  if (!Array.isArray(given)) return `${eachWords(given)}${behind}`;
  const names = given as readonly Release[];
  const turnsInSpace = names.includes('My') && names.includes('Mz');
  const words = names
    .filter((name) => !(turnsInSpace && name === 'Mz'))
    .map((name) => (turnsInSpace && name === 'My' ? 'turns freely about y and z' : releaseWords[name]));
  return `${words.join(', ')}${behind}`;
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
  words: hingeWords,
  gives: 'hinges',
  fields: { hinge },
  apply({ hinge: hinges }, matched, context) {
    const meeting = meetingsOf(context);
    for (const { thing } of matched) {
      // The first by id keeps the node
      for (const member of (meeting.get(thing.id) ?? []).slice(1))
        put(context, member.id, member.start === thing.id ? 'start' : 'end', hinges);
      context.assignment.credit(thing.id, 'hinge', context.rule.id);
    }
  },
});

/** Hinges at the ends of physical members: start, end, both, or where a place is. */
export const memberHinge = memberRule({
  key: 'hinge',
  initial: () => ({ hinge: ['My'] }),
  title: 'Hinge at an end',
  words: hingeWords,
  gives: 'hinges',
  fields: { hinge, at: optional(memberEnd({ title: 'at', absent: 'both ends' })) },
  apply({ hinge: hinges, at: wanted = 'both' }, matched, context) {
    const { geometry, rule } = context;
    let count = 0;
    for (const { thing } of matched) {
      const pieces = geometry.lines.get(thing.line)!.members;
      for (const end of ['start', 'end'] as const) {
        if (thing.id !== (end === 'start' ? pieces[0] : pieces.at(-1))) continue;
        const place = geometry.nodes.get(thing[end])!.tags['place'];
        if (wanted !== 'both' && wanted !== end && wanted !== place) continue;
        put(context, thing.id, end, hinges);
        count++;
      }
    }
    if (count === 0 && matched.length > 0)
      context.assignment.notes.push({
        code: 'no-end',
        message: `Rule "${rule.title}" gives no hinge: none of its members has its end at "${wanted}".`,
        where: { rule: rule.id },
      });
  },
});
