import { partAt } from '../../geometry/part.js';
import { portal } from './examples.js';
import { sentence } from '../../language/tree.js';
import { fail } from '../../base/problem.js';
import { Draft } from '../../geometry/draft.js';
import type { Geometry, GeometryMember, GeometryNode } from '../../geometry/geometry.js';
import { runsBackwards, turned, type Point } from '../../geometry/vector.js';
import { weld } from '../../geometry/weld/weld.js';
import type { Tags } from '../../language/types.js';
import { quantityOf, type Written } from '../../language/evaluate.js';
import { condition, count, custom, flag, optional, word } from '../../fields/index.js';
import { selectMembers, selectsMembers } from '../select.js';
import { edit } from '../step.js';

/** How one copy follows from the one before it. */
type Move =
  | { readonly kind: 'along'; readonly by: Point }
  | { readonly kind: 'about'; readonly centre: readonly [number, number]; readonly angle: number };

const expression = { type: ['string', 'number'] } as const;
const vectorOf = (size: number) => ({ type: 'array', items: expression, minItems: size, maxItems: size });

const by = custom<Move>(
  {
    title: 'By',
    about: 'A distance [x, y, z], or a turn: { "about": [x, y], "angle": … }.',
    initial: ['0 m', '6 m', '0 m'],
  },
  {
    anyOf: [
      vectorOf(3),
      {
        type: 'object',
        properties: { about: vectorOf(2), angle: expression },
        required: ['about', 'angle'],
        additionalProperties: false,
      },
    ],
  },
  (written, names, place) => {
    const lengths = (items: readonly Written[]) =>
      items.map((item) => quantityOf(item, names, 'length', place));
    if (Array.isArray(written)) {
      const move = lengths(written as Written[]) as unknown as Point;
      if (Math.hypot(...move) < 1e-4)
        fail(
          'geometry',
          `${sentence(place.what)} is nothing: the copies would lie on the original; give a distance.`,
          place.where,
        );
      return { kind: 'along', by: move };
    }
    const { about, angle } = written as { about: Written[]; angle: Written };
    return {
      kind: 'about',
      centre: lengths(about) as unknown as [number, number],
      angle: quantityOf(angle, names, 'angle', place),
    };
  },
  { kind: 'point' },
);

/** Copies in a row or about an axis. */
export const copy = edit({
  kind: 'copy',
  title: 'Copy',
  about:
    'Copies beside the original, by a distance or a turn about a vertical axis; nodes that match can be connected with their next copies.',
  roles: ['member'],
  places: [],
  group: 'shape',
  example: {
    before: [portal()],
    fields: {
      count: 3,
      by: ['0 m', '6 m', '0 m'],
      join: 'place == "eaves" or place == "apex"',
      joinRole: 'purlin',
    },
  },
  fields: {
    members: selectsMembers,
    count: count({ title: 'Copies', initial: 3, most: 2000 }),
    by,
    join: optional(condition('nodes', { title: 'Connect the nodes', about: 'Each with its next copy.' })),
    joinRole: word({ title: 'Role of what connects them', fallback: 'member' }),
    closed: flag({ title: 'Close the circle', about: 'Connect the last copy with the original.' }),
  },
  run(before, values, context) {
    const selected = selectMembers(before, values.members, context);
    const draft = new Draft(before, context.id);
    const used = new Set(selected.flatMap(({ start, end }) => [start, end]));
    const nodes = [...before.nodes.values()].filter(({ id }) => used.has(id));
    const counted = counting(draft, selected, nodes, values.by);
    const made = { nodes: new Set<string>(), lines: new Set<string>() };
    for (let k = 1; k <= values.count; k++)
      copyOnce(draft, before, { selected, nodes, k, move: values.by, counted, made });
    if (values.join) {
      const joined = nodes.filter((node) =>
        values.join!({ ...node.tags, x: node.at[0], y: node.at[1], z: node.at[2] }),
      );
      if (joined.length === 0)
        fail(
          'nothing-selected',
          `Step "${context.id}": no node matches "${String(context.written['join'])}", so nothing connects the copies.`,
          { step: context.id, field: 'join' },
        );
      for (const node of joined)
        connectCopies(draft, node, { ...values, role: values.joinRole }, counted, made);
    }
    weld(draft, before, made);
    return draft.finish();
  },
  summary: ({ count: n, by: move }) =>
    `${String(n)} copies, ${Array.isArray(move) ? move.map(String).join(', ') : 'about an axis'}`,
});

/** The tag that counts on from copy to copy, and by how much. */
interface Counted {
  readonly tag: 'row' | 'bay';
  readonly step: number;
}

/** Copies along x count bays, others rows; originals without the tag get 1. */
function counting(
  draft: Draft,
  members: readonly GeometryMember[],
  nodes: readonly GeometryNode[],
  move: Move,
): Counted {
  const alongX = move.kind === 'along' && Math.abs(move.by[0]) > Math.abs(move.by[1]);
  const tag = alongX ? 'bay' : 'row';
  const values = [...members, ...nodes].flatMap(({ tags }) =>
    typeof tags[tag] === 'number' ? [tags[tag]] : [],
  );
  for (const node of nodes)
    if (node.tags[tag] === undefined) draft.nodes.set(node.id, { ...node, tags: { ...node.tags, [tag]: 1 } });
  for (const member of members)
    if (member.tags[tag] === undefined)
      draft.members.set(member.id, { ...member, tags: { ...member.tags, [tag]: 1 } });
  return { tag, step: values.length === 0 ? 1 : Math.max(...values) - Math.min(...values) + 1 };
}

function placed(at: Point, move: Move, k: number): Point {
  if (move.kind === 'about') return turned(at, k * move.angle, move.centre);
  return [at[0] + k * move.by[0], at[1] + k * move.by[1], at[2] + k * move.by[2]];
}

/** `hall.column.left`, copy 2 of step rows → `rows.column.hall.left.2`. */
export function copiedId(step: string, id: string, k: number | string): string {
  const [first, second, ...rest] = id.split('.');
  return [step, second, first, ...rest, k].join('.');
}

interface CopyWork {
  readonly selected: readonly GeometryMember[];
  readonly nodes: readonly GeometryNode[];
  readonly k: number;
  readonly move: Move;
  readonly counted: Counted;
  readonly made: { readonly nodes: Set<string>; readonly lines: Set<string> };
}

function copyOnce(draft: Draft, before: Geometry, work: CopyWork): void {
  const { selected, nodes, k, move, counted, made } = work;
  const { step } = draft;
  const tagsOf = (tags: Tags): Tags => ({
    ...tags,
    step,
    [counted.tag]: ((tags[counted.tag] as number | undefined) ?? 1) + k * counted.step,
  });
  for (const node of nodes)
    made.nodes.add(draft.addNode(copiedId(step, node.id, k), placed(node.at, move, k), tagsOf(node.tags)));
  const chosen = new Set(selected.map(({ id }) => id));
  for (const line of new Set(selected.map((member) => member.line))) {
    const name = copiedId(step, line, k);
    const pieces = before.lines.get(line)!.members.filter((id) => chosen.has(id));
    for (const id of pieces) {
      const member = before.members.get(id)!;
      draft.setMember({
        ...member,
        id: copiedId(step, id, k),
        start: copiedId(step, member.start, k),
        end: copiedId(step, member.end, k),
        tags: tagsOf(member.tags),
        line: name,
      });
    }
    draft.setPieces(
      name,
      pieces.map((id) => copiedId(step, id, k)),
    );
    made.lines.add(name);
  }
  for (const floor of before.floors)
    if (floor.nodes.every((id) => nodes.some((node) => node.id === id)))
      draft.floors.push({
        ...floor,
        id: `${floor.id}.${step}.${k}`,
        nodes: floor.nodes.map((id) => copiedId(step, id, k)),
      });
}

function connectCopies(
  draft: Draft,
  node: GeometryNode,
  { count: n, by: move, closed, role }: { count: number; by: Move; closed: boolean; role: string },
  counted: Counted,
  made: { readonly lines: Set<string> },
): void {
  const name = (k: number) => (k === 0 ? node.id : copiedId(draft.step, node.id, k));
  const links = Array.from({ length: n }, (_, k) => [k, k + 1] as const);
  if (closed && move.kind === 'about') links.push([n, 0]);
  for (const [from, to] of links) {
    const [first, second, ...rest] = node.id.split('.');
    const id = [draft.step, role, first, second, ...rest, from + 1].join('.');
    const back = runsBackwards(draft.at(name(from)), draft.at(name(to)));
    const { side, storey, bay, row } = node.tags;
    const tags: Record<string, string | number | undefined> = {
      step: draft.step,
      role,
      side,
      storey,
      bay,
      row,
      part: partAt(draft, [name(from), name(to)]),
    };
    tags[counted.tag] = ((node.tags[counted.tag] as number | undefined) ?? 1) + from * counted.step;
    const known = Object.fromEntries(Object.entries(tags).filter(([, value]) => value !== undefined));
    draft.addLine(id, back ? [name(to), name(from)] : [name(from), name(to)], () => known);
    made.lines.add(id);
  }
}
