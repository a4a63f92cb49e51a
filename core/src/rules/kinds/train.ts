import { fail } from '../../base/problem.js';
import type { Vector } from '../../model/types.js';
import { listItems, quantityOf, type WrittenList } from '../../language/evaluate.js';
import { cross, minus, size, unit } from '../../geometry/vector.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { caseFor, checkCase } from './load.js';
import { custom, loadCase, option, optional, record, type Field } from '../../fields/index.js';
import { list } from '../../fields/schemas.js';
import { memberRule, type RuleContext } from '../rule.js';
import { listWords } from '../words.js';

declare module '../../document/types.js' {
  interface Rule {
    train?: TrainRule;
  }
}

/** Values one after the other, each evaluated. */
const several = (quantity: 'force' | 'length', title: string): Field<number[]> =>
  custom(
    { title },
    list,
    (written, context, place) =>
      listItems(written as WrittenList, context, place).map((item) =>
        quantityOf(item, context, quantity, place),
      ),
    { kind: 'list', quantity, as: 'list' },
  );

/** Forces that travel along a line of members. */
export const train = memberRule({
  key: 'train',
  initial: (design) => ({ train: { case: caseFor(design), forces: ['10 kN', '10 kN'], gaps: ['2 m'] } }),
  title: 'Travelling load',
  words: ({ train: given }) => `travelling ${listWords(given!.forces)} in ${given!.case}`,
  gives: 'loads',
  fields: {
    train: record(
      {
        case: loadCase({ title: 'load case' }),
        forces: several('force', 'forces'),
        gaps: optional(several('length', 'gaps')),
        direction: optional(option(['x', 'y', 'z', '-x', '-y', '-z'], { title: 'along' })),
      },
      { title: '' },
    ),
  },
  apply({ train: given }, matched, context) {
    const { case: inCase, forces: F, gaps: between = [], direction = '-z' } = given;
    const { rule } = context;
    checkCase(inCase, context);
    const { where } = context.place;
    if (F.length === 0 || between.length !== F.length - 1 || between.some((gap) => gap < 0))
      fail(
        'geometry',
        `${context.place.what}: ${F.length} forces need ${Math.max(0, F.length - 1)} gaps of zero or more between them, not ${between.length}.`.replace(
          /^./,
          (c) => c.toUpperCase(),
        ),
        where,
      );
    const sign = direction.startsWith('-') ? -1 : 1;
    const axis: Vector = [0, 0, 0];
    axis['xyz'.indexOf(direction.slice(-1))] = sign;
    chains(
      matched.map(({ thing }) => thing),
      context,
    ).forEach((members, k) =>
      context.assignment.trains.push({
        id: k === 0 ? rule.id : `${rule.id} ${k + 1}`,
        case: inCase,
        members,
        forces: F,
        gaps: between,
        direction: axis,
      }),
    );
    for (const { thing } of matched) context.assignment.creditAdded(thing.id, 'train', rule.id);
  },
});

/** Members in line, each starting where the one before ends. */
function chains(members: readonly GeometryMember[], { geometry }: RuleContext): string[][] {
  const direction = ({ start, end }: GeometryMember) =>
    unit(minus(geometry.nodes.get(end)!.at, geometry.nodes.get(start)!.at));
  const byStart = new Map<string, GeometryMember[]>();
  for (const member of members) byStart.set(member.start, [...(byStart.get(member.start) ?? []), member]);
  const next = (member: GeometryMember) =>
    (byStart.get(member.end) ?? []).find((other) => size(cross(direction(other), direction(member))) < 1e-4);
  const continued = new Set(members.map((member) => next(member)?.id));
  return members
    .filter(({ id }) => !continued.has(id))
    .map((first) => {
      const chain: string[] = [];
      for (
        let member: GeometryMember | undefined = first;
        member && chain.length <= members.length;
        member = next(member)
      )
        chain.push(member.id);
      return chain;
    });
}
