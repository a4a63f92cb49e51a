import { freedoms, type FrameModel, type Load, type Section } from '../../model/types.js';
import type { Framed, Line } from './framed.js';
import { written } from './words.js';

/** What a node or a member has, by what it is: each in words, so that what differs can be told. */
export type Contents = ReadonlyMap<string, string>;

/** Numbers as they are compared: differences of rounding are none. */
const figure = (value: number): string => String(Number(value.toPrecision(9)));
const figures = (value: unknown): unknown =>
  typeof value === 'number'
    ? figure(value)
    : Array.isArray(value)
      ? value.map(figures)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(Object.entries(value).map(([name, part]) => [name, figures(part)]))
        : value;
const inWords = (value: unknown): string => written(figures(value));

/** What every node and every physical member of a frame has. `caseOf` calls load cases as the other frame does. */
export interface FrameContents {
  node(id: string): Contents;
  line(line: Line): Contents;
}

export function contentsOf({ model, nodes }: Framed, caseOf: (id: string) => string): FrameContents {
  const sections = new Map(model.sections.map((section) => [section.id, section]));
  const supports = new Map((model.supports ?? []).map((support) => [support.node, support]));
  const masses = new Map<string, number>();
  for (const { node, m } of model.masses ?? []) masses.set(node, (masses.get(node) ?? 0) + m);
  const existing = model.space === 'plane' ? (['ux', 'uz', 'ry'] as const) : freedoms;
  const loads = loadsOf(model, caseOf);
  return {
    node(id) {
      const support = supports.get(id);
      const held = support && Object.fromEntries(existing.map((name) => [name, support[name]]));
      return known({
        support: support && inWords({ ...held, axes: support.axes }),
        mass: masses.has(id) ? `${figure(masses.get(id)!)} kg` : undefined,
        loads: loads.nodes.get(id)?.sort().join('; '),
      });
    },
    line({ pieces, length }) {
      const each = (of: (piece: Line['pieces'][number]) => string | undefined) => [
        ...new Set(pieces.flatMap((piece) => of(piece) ?? [])),
      ];
      const fraction = fractionsOf(pieces, nodes, length);
      const loaded = pieces.flatMap(({ id }) =>
        (loads.members.get(id) ?? []).map((load) => load(fraction.get(id)!)),
      );
      return known({
        section: each((piece) => sectionWords(sections, piece)).join(', then '),
        material: each((piece) => sections.get(piece.section)!.material).join(', then '),
        hinges: each(({ hinges }) => (hinges ? inWords(hinges) : undefined)).join('; '),
        action: each(({ action }) => (action === 'frame' ? undefined : action)).join(', '),
        roll: each(({ roll = 0 }) => (roll === 0 ? undefined : `${figure(roll)} rad`)).join(', '),
        offsets: each(({ offsets }) => (offsets ? inWords(offsets) : undefined)).join('; '),
        lengths: each(({ design = {} }) => {
          const { Lcy, Lcz, LT, LLT, lengths } = design;
          const text = inWords({ Lcy, Lcz, LT, LLT, lengths });
          return text === 'nothing' ? undefined : text;
        }).join('; '),
        loads: [...new Set(loaded)].sort().join('; '),
      });
    },
  };
}

const known = (contents: Readonly<Record<string, string | undefined>>): Contents =>
  new Map(Object.entries(contents).flatMap(([name, text]) => (text ? [[name, text] as const] : [])));

/** A profile by its name, another section by its name and dimensions. */
function sectionWords(
  sections: ReadonlyMap<string, Section>,
  { section, endSection }: Line['pieces'][number],
): string {
  const words = (id: string) => {
    const { profile, shape, properties } = sections.get(id)!;
    return profile ?? `${id} (${inWords(shape ?? properties)})`;
  };
  return endSection === undefined ? words(section) : `${words(section)} to ${words(endSection)}`;
}

/** Where each piece lies in its line, in fractions of its length. */
function fractionsOf(
  pieces: Line['pieces'],
  nodes: Framed['nodes'],
  length: number,
): Map<string, readonly [from: number, to: number]> {
  let at = 0;
  return new Map(
    pieces.map(({ id, start, end }) => {
      const [a, b] = [nodes.get(start)!.at, nodes.get(end)!.at];
      const own = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) / length;
      return [id, [at, (at += own)] as const];
    }),
  );
}

type InLine = (fraction: readonly [number, number]) => string;

/** Loads in words, by node and by member; those of members with their place along the physical member. */
function loadsOf(
  model: FrameModel,
  caseOf: (id: string) => string,
): { readonly nodes: Map<string, string[]>; readonly members: Map<string, InLine[]> } {
  const nodes = new Map<string, string[]>();
  const members = new Map<string, InLine[]>();
  const put = <T>(map: Map<string, T[]>, key: string, value: T) =>
    map.set(key, [...(map.get(key) ?? []), value]);
  for (const { id, loads = [] } of model.loadCases ?? [])
    for (const load of loads) {
      if ('node' in load) {
        const { kind, node, ...rest } = load;
        put(nodes, node, `${caseOf(id)}: ${kind} ${inWords(rest)}`);
      } else put(members, load.member, (fraction) => `${caseOf(id)}: ${memberLoadWords(load, fraction)}`);
    }
  return { nodes, members };
}

function memberLoadWords(load: Exclude<Load, { node: string }>, [a, b]: readonly [number, number]): string {
  const along = (place: number) => a + place * (b - a);
  const { kind, member: _, ...rest } = load;
  if (kind === 'point' && 'at' in rest) return `${kind} ${inWords({ ...rest, at: along(rest.at) })}`;
  // An even load over all of its piece is the same whatever pieces there are
  if (kind === 'distributed' && 'q' in rest && !isEven(rest))
    return `${kind} ${inWords({ ...rest, from: along(rest.from ?? 0), to: along(rest.to ?? 1) })}`;
  return `${kind} ${inWords(rest)}`;
}

const isEven = ({ q, from = 0, to = 1 }: { q: [number, number]; from?: number; to?: number }): boolean =>
  q[0] === q[1] && from === 0 && to === 1;
