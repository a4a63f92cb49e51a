import { fail } from '../../base/problem.js';
import type { Vector } from '../../model/types.js';
import { listItems, quantityOf, type WrittenList } from '../../language/evaluate.js';
import { cross, minus, size, unit } from '../../geometry/vector.js';
import type { GeometryMember } from '../../geometry/geometry.js';
import { caseFor, checkCase } from './load.js';
import { fieldOf, memberRule, type RuleContext } from '../rule.js';
import { list, object, text } from '../../fields/schemas.js';

/** Forces that travel along a line of members. */
export const train = memberRule({
  key: 'train',
  initial: (design) => ({ train: { case: caseFor(design), forces: ['10 kN', '10 kN'], gaps: ['2 m'] } }),
  title: 'Travelling load',
  gives: 'loads',
  schema: {
    train: object(
      { case: text, forces: list, gaps: list, direction: { enum: ['x', 'y', 'z', '-x', '-y', '-z'] } },
      ['case', 'forces'],
    ),
  },
  apply(rule, matched, context) {
    const { case: loadCase, forces, gaps, direction = '-z' } = rule.train!;
    checkCase(loadCase, context);
    const read = (written: WrittenList, quantity: 'force' | 'length', field: string) =>
      listItems(written, context.names, fieldOf(context, field)).map((item) =>
        quantityOf(item, context.names, quantity, fieldOf(context, field)),
      );
    const F = read(forces, 'force', 'forces');
    const between = read(gaps, 'length', 'gaps');
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
        case: loadCase,
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
