import { half } from './examples.js';
import { fail } from '../../base/problem.js';
import { Draft } from '../../geometry/draft.js';
import { add, dot, minus, runsBackwards, size, times, unit, type Point } from '../../geometry/vector.js';
import { weld } from '../../geometry/weld/weld.js';
import type { Tags } from '../../language/types.js';
import { quantityOf, type Written } from '../../language/evaluate.js';
import { sentence } from '../../language/tree.js';
import { custom, offset, record } from '../../fields/index.js';
import { selectMembers, selectsMembers } from '../select.js';
import { edit } from '../step.js';
import { copiedId } from './copy.js';

const normal = custom<Point>(
  { title: 'Normal', about: '"x", "y", or a vector [nx, ny, nz].', initial: 'x' },
  {
    anyOf: [
      { enum: ['x', 'y', 'z'] },
      { type: 'array', items: { type: ['number', 'string'] }, minItems: 3, maxItems: 3 },
    ],
  },
  (written, names, place) => {
    if (written === 'x') return [1, 0, 0];
    if (written === 'y') return [0, 1, 0];
    if (written === 'z') return [0, 0, 1];
    const n = (written as Written[]).map((item) =>
      quantityOf(item, names, 'number', place),
    ) as unknown as Point;
    return size(n) > 1e-9
      ? unit(n)
      : fail(
          'geometry',
          `${sentence(place.what)} is zero, so the plane has no direction; give "x", "y" or a vector.`,
          place.where,
        );
  },
);

/** The mirrored half of what came before. */
export const mirror = edit({
  kind: 'mirror',
  title: 'Mirror',
  about:
    'The mirrored half beside the original. What lies in the plane is not doubled; tapers and haunches stay at their physical ends; left and right are exchanged.',
  roles: [],
  places: [],
  group: 'shape',
  example: { before: [half()], fields: { plane: { through: ['11 m', '0 m', '0 m'], normal: 'x' } } },
  fields: {
    members: selectsMembers,
    plane: record(
      { through: offset({ title: 'Through', initial: ['6 m', '0 m', '0 m'] }), normal },
      { title: 'Plane', initial: { through: ['6 m', '0 m', '0 m'], normal: 'x' } },
    ),
  },
  run(before, { members, plane }, context) {
    const selected = selectMembers(before, members, context);
    const draft = new Draft(before, context.id);
    const { through, normal: n } = plane;
    const image = (p: Point): Point => add(p, times(n, -2 * dot(minus(p, through), n)));
    const tagsOf = (tags: Tags): Tags => ({ ...tags, step: context.id, ...mirroredSide(tags['side'], n) });
    const made = { nodes: new Set<string>(), lines: new Set<string>() };
    const used = new Set(selected.flatMap(({ start, end }) => [start, end]));
    // What lies in the plane is its own image
    const name = (id: string) => (inPlane(before.nodes.get(id)!.at) ? id : copiedId(context.id, id, 'm'));
    const inPlane = (p: Point) => Math.abs(dot(minus(p, through), n)) < 1e-5;
    for (const { id, at, tags } of before.nodes.values())
      if (used.has(id) && !inPlane(at)) made.nodes.add(draft.addNode(name(id), image(at), tagsOf(tags)));
    const chosen = new Set(selected.map(({ id }) => id));
    for (const line of new Set(selected.map((member) => member.line))) {
      const pieces = before.lines.get(line)!.members.filter((id) => chosen.has(id));
      const copied = pieces.filter((id) => {
        const { start, end } = before.members.get(id)!;
        return name(start) !== start || name(end) !== end;
      });
      for (const id of copied) {
        const member = before.members.get(id)!;
        const { setOut } = member;
        draft.setMember({
          ...member,
          id: copiedId(context.id, id, 'm'),
          start: name(member.start),
          end: name(member.end),
          tags: tagsOf(member.tags),
          line: copiedId(context.id, line, 'm'),
          ...(setOut
            ? {
                setOut: {
                  ...setOut,
                  across: -setOut.across as -1 | 0 | 1,
                  mirrored: !setOut.mirrored,
                  turn: -setOut.turn,
                },
              }
            : {}),
        });
      }
      if (copied.length === 0) continue;
      const mirrored = copiedId(context.id, line, 'm');
      draft.setPieces(
        mirrored,
        copied.map((id) => copiedId(context.id, id, 'm')),
      );
      const pieceIds = draft.lines.get(mirrored)!.members;
      const from = draft.at(draft.members.get(pieceIds[0]!)!.start);
      const to = draft.at(draft.members.get(pieceIds.at(-1)!)!.end);
      if (runsBackwards(from, to)) draft.reverse(mirrored);
      made.lines.add(mirrored);
    }
    weld(draft, before, made);
    return draft.finish();
  },
  summary: ({ plane }) => {
    const { through, normal: n } = (plane ?? {}) as { through?: unknown[]; normal?: unknown };
    return `in the plane through ${(through ?? []).map(String).join(', ')}, normal ${Array.isArray(n) ? n.map(String).join(', ') : String(n)}`;
  },
});

const exchanged: Readonly<Record<string, string>> = {
  left: 'right',
  right: 'left',
  front: 'back',
  back: 'front',
};

/** Left and right change places in a plane across x, front and back in one across y. */
function mirroredSide(side: unknown, n: Point): Tags {
  if (typeof side !== 'string') return {};
  const acrossX = Math.abs(n[0]) >= Math.abs(n[1]);
  const concerned = acrossX ? side === 'left' || side === 'right' : side === 'front' || side === 'back';
  return concerned ? { side: exchanged[side]! } : { side };
}
