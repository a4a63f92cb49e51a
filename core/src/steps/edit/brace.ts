import { conditionWords } from '../../geometry/conditions/condition-words.js';
import { bay } from './examples.js';
import { fail } from '../../base/problem.js';
import {
  bracesOf,
  bracingPatterns,
  complaintOf,
  type BraceEnd,
  type PanelSide,
} from '../../geometry/bracing.js';
import { Draft } from '../../geometry/draft.js';
import type { Geometry, GeometryMember } from '../../geometry/geometry.js';
import { PointGrid } from '../../geometry/weld/nearby.js';
import { panelsOf, sidesOf, type PanelFace, type PanelSideLine } from '../../geometry/panels/panels.js';
import { inName } from '../../geometry/sketch.js';
import { warpedPanels } from '../../geometry/panels/warped-panels.js';
import { between, cross, minus, runsBackwards, size, unit, type Point } from '../../geometry/vector.js';
import { weld } from '../../geometry/weld/weld.js';
import type { Tags } from '../../language/types.js';
import { bracingFields } from '../bracing-fields.js';
import { condition, optional, option, word } from '../../fields/index.js';
import { selectMembers } from '../select.js';
import { edit } from '../step.js';
import { words } from '../words.js';

/** Bracing in panels of what is there. */
export const brace = edit({
  kind: 'brace',
  title: 'Brace panels',
  about:
    'Bracing in the panels that members bound: between copied frames in roof and wall, or between storeys. The ground closes a panel between two column feet.',
  roles: ['brace'],
  places: ['brace'],
  group: 'connect',
  example: { before: [bay({ bays: ['6 m', '6 m'], storeys: ['3.5 m'] })], fields: { pattern: 'x' } },
  fields: {
    panels: optional(
      condition('members', { title: 'Panels', about: 'Members that bound the panels; left out: all.' }),
    ),
    pattern: option(bracingPatterns, { title: 'Pattern', drawn: true, initial: 'x', fallback: 'x' }),
    ...bracingFields('pattern'),
    role: word({ title: 'Role', fallback: 'brace' }),
  },
  run(before, values, context) {
    const { id } = context;
    const selected = selectMembers(before, values.panels, context, 'panels');
    const frame = withGround(before, selected);
    const bounding = [...selected, ...frame.ground];
    const faces: { face: Pick<PanelFace, 'edges'>; sides: readonly PanelSideLine[] }[] = [
      ...panelsOf(frame, bounding).map((face) => ({ face, sides: sidesOf(face) })),
      ...warpedPanels(frame, bounding, (member) => isUpright(frame, member)).map((panel) => ({
        face: panel,
        sides: panel.sides,
      })),
    ];
    // The ground is one side of a panel at the most: what it bounds alone is the floor
    const ground = new Set(frame.ground.map((one) => one.id));
    const four = faces.filter(
      ({ face, sides }) =>
        sides.length === 4 && face.edges.filter(({ member }) => ground.has(member)).length <= 1,
    );
    if (four.length === 0)
      fail(
        'nothing-selected',
        `Step "${id}": the selected members bound no panel of four sides; select the members around it, such as columns and beams.`,
        { step: id, field: 'panels' },
      );
    const draft = new Draft(before, id);
    const grid = new PointGrid(1e-4);
    for (const node of before.nodes.values()) grid.add(node.id, node.at);
    const made = { nodes: new Set<string>(), lines: new Set<string>() };
    four.forEach(({ face, sides }, k) => {
      const panel = orient(sides);
      const tags = panelTags(before, face);
      const numbers = { bay: numberOf(tags['bay']), storey: numberOf(tags['storey']) };
      const options = {
        pattern: values.pattern,
        lean: values.lean,
        ...(values.link === undefined ? {} : { link: values.link }),
        ...(values.knee ? { knee: values.knee } : {}),
      };
      const ends = bracesOf({ corners: panel.corners, ...numbers }, options, complaintOf(id, 'pattern'));
      const nodeOf = ({ at, on }: BraceEnd, e: number): string => {
        const known = grid.firstAt(at);
        if (known !== undefined) return known;
        const node = draft.addNode(`${id}.brace.${k + 1}.${e}`, at, { step: id, place: 'brace', ...tags });
        grid.add(node, at);
        made.nodes.add(node);
        if (on) putOn(draft, panel.sides[on], node);
        return node;
      };
      ends.forEach(([a, b], e) => {
        const nodes = [nodeOf(a, 2 * e + 1), nodeOf(b, 2 * e + 2)] as const;
        const through = runsBackwards(draft.at(nodes[0]), draft.at(nodes[1]))
          ? [nodes[1], nodes[0]]
          : [...nodes];
        if (values.crossing === 'joined' && values.pattern === 'x')
          through.splice(1, 0, nodeOf({ at: between(panel.corners.ll, panel.corners.ur, 0.5) }, 5));
        const line = `${id}.${inName(values.role)}.${k + 1}.${e + 1}`;
        draft.addLine(line, through, () => ({ step: id, role: values.role, ...tags }));
        made.lines.add(line);
      });
    });
    weld(draft, before, made);
    return draft.finish();
  },
  summary: ({ pattern, panels }) =>
    `${words(pattern, 'x')}${typeof panels === 'string' ? ` between ${conditionWords(panels, 'members')}` : ''}`,
});

const numberOf = (value: unknown): number => (typeof value === 'number' ? value : 1);

/** The geometry with lines on the ground between the feet of columns, which close panels. */
function withGround(
  before: Geometry,
  selected: readonly GeometryMember[],
): Geometry & { ground: GeometryMember[] } {
  const feet = [...new Set(selected.filter((m) => isUpright(before, m)).map(({ start }) => start))].filter(
    (node) => !selected.some((m) => m.end === node && isUpright(before, m)),
  );
  const ground: GeometryMember[] = [];
  const tops = new Map<string, string>();
  for (const m of selected) if (isUpright(before, m) && feet.includes(m.start)) tops.set(m.start, m.end);
  const neighbours = (a: string, b: string) => {
    const [p, q] = [before.nodes.get(a)!.at, before.nodes.get(b)!.at];
    if (Math.abs(p[2] - q[2]) > 1e-4) return false;
    // Of feet in one line only neighbours close a panel
    return !feet.some((c) => {
      if (c === a || c === b) return false;
      const r = before.nodes.get(c)!.at;
      const fraction =
        ((r[0] - p[0]) * (q[0] - p[0]) + (r[1] - p[1]) * (q[1] - p[1])) /
        ((q[0] - p[0]) ** 2 + (q[1] - p[1]) ** 2);
      return fraction > 0 && fraction < 1 && size(cross(unit(minus(q, p)), minus(r, p))) < 1e-3;
    });
  };
  const linked = (a: string, b: string) =>
    selected.some((m) => (m.start === a && m.end === b) || (m.start === b && m.end === a));
  for (let i = 0; i < feet.length; i++)
    for (let j = i + 1; j < feet.length; j++)
      if (
        joinedAbove(before, selected, tops.get(feet[i]!)!, tops.get(feet[j]!)!) &&
        neighbours(feet[i]!, feet[j]!) &&
        !linked(feet[i]!, feet[j]!)
      )
        ground.push({
          id: `ground.${i}.${j}`,
          start: feet[i]!,
          end: feet[j]!,
          tags: {},
          line: `ground.${i}.${j}`,
        });
  return { ...before, ground };
}

/** Whether members in one line lead from one head to the other. */
function joinedAbove(before: Geometry, selected: readonly GeometryMember[], a: string, b: string): boolean {
  const [p, q] = [before.nodes.get(a)!.at, before.nodes.get(b)!.at];
  if (size(minus(q, p)) < 1e-4) return false;
  const along = unit(minus(q, p));
  let at = a;
  for (let guard = 0; guard < 1000; guard++) {
    if (at === b) return true;
    const here = before.nodes.get(at)!.at;
    const next = selected.find((m) => {
      const other = m.start === at ? m.end : m.end === at ? m.start : undefined;
      if (other === undefined) return false;
      const d = unit(minus(before.nodes.get(other)!.at, here));
      return size(minus(d, along)) < 1e-4;
    });
    if (!next) return false;
    at = next.start === at ? next.end : next.start;
  }
  return false;
}

function isUpright(geometry: Geometry, { start, end }: GeometryMember): boolean {
  const d = unit(minus(geometry.nodes.get(end)!.at, geometry.nodes.get(start)!.at));
  return d[2] > 0.9;
}

/** A panel's corners and sides: the lower left corner is least along the panel's horizontal edge, then least z. */
function orient(sides: readonly PanelSideLine[]): {
  corners: { ll: Point; lr: Point; ul: Point; ur: Point };
  sides: Record<PanelSide, PanelSideLine>;
} {
  const rise = (s: PanelSideLine) => Math.abs(s.to[2] - s.from[2]) / size(minus(s.to, s.from));
  // The pair of opposite sides that is more level
  const level =
    rise(sides[0]!) + rise(sides[2]!) <= rise(sides[1]!) + rise(sides[3]!) + 1e-9 ? [0, 2] : [1, 3];
  const flat =
    level.every((k) => rise(sides[k]!) < 1e-6) && [0, 1, 2, 3].every((k) => rise(sides[k]!) < 1e-6);
  // In plan the sides along x are the level ones
  const pair = flat
    ? Math.abs(sides[0]!.to[0] - sides[0]!.from[0]) >= Math.abs(sides[1]!.to[0] - sides[1]!.from[0])
      ? [0, 2]
      : [1, 3]
    : level;
  const height = (s: PanelSideLine) => (flat ? s.from[1] + s.to[1] : s.from[2] + s.to[2]);
  const [a, b] = [sides[pair[0]!]!, sides[pair[1]!]!];
  const [below, above] = height(a) <= height(b) ? [a, b] : [b, a];
  const ends = (s: PanelSideLine): [Point, Point] =>
    runsBackwards(level0(s.from), level0(s.to)) ? [s.to, s.from] : [s.from, s.to];
  const [ll, lr] = ends(below);
  const uprights = [0, 1, 2, 3].filter((k) => !pair.includes(k)).map((k) => sides[k]!);
  const touches = (s: PanelSideLine, p: Point) =>
    size(minus(s.from, p)) < 1e-6 || size(minus(s.to, p)) < 1e-6;
  const left = uprights.find((s) => touches(s, ll))!;
  const right = uprights.find((s) => s !== left)!;
  // What stands on a lower corner is above it, however the upper side is turned
  const upperEnd = (s: PanelSideLine, lower: Point) => (size(minus(s.from, lower)) < 1e-6 ? s.to : s.from);
  const [ul, ur] = [upperEnd(left, ll), upperEnd(right, lr)];
  return { corners: { ll, lr, ul, ur }, sides: { above, below, left, right } };
}

/** Without height: left and right are a matter of plan. */
const level0 = (p: Point): Point => [p[0], p[1], 0];

/** Tags that all members around a panel agree on, and the greatest storey. */
function panelTags(geometry: Geometry, { edges }: Pick<PanelFace, 'edges'>): Tags {
  const all = edges.flatMap(({ member }) => {
    const found = geometry.members.get(member);
    return found ? [found.tags] : [];
  });
  const out: Record<string, string | number> = {};
  for (const name of ['side', 'bay', 'row', 'storey', 'part']) {
    const values = all.flatMap((tags) => (tags[name] === undefined ? [] : [tags[name]]));
    if (values.length === 0) continue;
    if (name === 'side' || name === 'part') {
      if (values.every((v) => v === values[0])) out[name] = values[0]!;
    } else out[name] = name === 'storey' ? Math.max(...values.map(Number)) : Math.min(...values.map(Number));
  }
  return out;
}

/** Divides the piece of a panel's side at a node. */
function putOn(draft: Draft, side: PanelSideLine, node: string): void {
  const at = draft.at(node);
  for (const { member } of side.edges)
    for (const piece of [...draft.members.values()].filter(
      ({ id }) => id === member || id.startsWith(`${member}.`),
    )) {
      const [a, b] = [draft.at(piece.start), draft.at(piece.end)];
      const d = minus(b, a);
      const fraction =
        ((at[0] - a[0]) * d[0] + (at[1] - a[1]) * d[1] + (at[2] - a[2]) * d[2]) /
        (d[0] ** 2 + d[1] ** 2 + d[2] ** 2);
      if (fraction > 1e-6 && fraction < 1 - 1e-6) {
        draft.dividePiece(piece.id, node);
        return;
      }
    }
}
