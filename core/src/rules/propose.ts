import type { Tags } from '../language/types.js';
import type { Geometry } from '../geometry/geometry.js';
import { Tagged } from '../geometry/select.js';
import { significant } from '../units/significant.js';

/** A condition on one tag and the things for which it holds. */
interface Atom {
  readonly text: string;
  /** The less, the more a reader learns from it and the longer it is likely to stay true. */
  readonly cost: number;
  readonly holds: Uint8Array;
}

const texts = ['role', 'place', 'side', 'face', 'step', 'direction'];
const numbers = ['storey', 'bay', 'row', 'level'];
const lengths = ['length', 'z', 'x', 'y'];
const costs: Readonly<Record<string, number>> = {
  role: 1,
  place: 1,
  side: 2,
  face: 2,
  storey: 2,
  bay: 2,
  row: 2,
  level: 2,
  step: 3,
  direction: 3,
  // What a thing is stays true while a parameter changes, where it is does not
  length: 8,
  z: 9,
  x: 10,
  y: 10,
};
/** Most conditions joined by `and` that are tried. */
const mostJoined = 3;
/** Most atoms that are combined; the dearest are left out. */
const mostAtoms = 40;
/** Most texts of conditions, as documents hold them. */
const longest = 400;

/**
 * The shortest condition that selects just the given members or nodes, in the language of rules: by what they are before where they
 * are; several joined by `and`; parts joined by `or` where nothing simpler selects them.
 *
 * @param wanted ids; those that are not there are left out
 * @returns undefined where there are none, or where no condition of a rule's length selects them
 */
export function proposeCondition(
  geometry: Geometry,
  of: 'members' | 'nodes',
  wanted: ReadonlySet<string>,
): string | undefined {
  const tagged = Tagged.of(geometry);
  const things: { id: string; tags: Tags }[] =
    of === 'members'
      ? tagged.members.map(({ thing, tags }) => ({ id: thing.id, tags }))
      : tagged.nodes.map(({ thing, tags }) => ({ id: thing.id, tags }));
  const target = Uint8Array.from(things, ({ id }) => (wanted.has(id) ? 1 : 0));
  const text = conditionFor(
    things.map(({ tags }) => tags),
    target,
  );
  return text !== undefined && text.length <= longest ? text : undefined;
}

function conditionFor(things: readonly Tags[], target: Uint8Array): string | undefined {
  const count = target.reduce((sum, one) => sum + one, 0);
  if (count === 0) return undefined;
  if (count === things.length) return 'true';
  const atoms = atomsFor(things, target);
  const joined = cheapest(atoms, target);
  if (joined) return joined.map(({ text }) => text).join(' and ');
  const parts = partsOf(things, target);
  if (parts.length === 1) return undefined;
  const conditions = parts.map((part) => conditionFor(things, part));
  if (conditions.includes(undefined)) return undefined;
  return conditions.map((text) => (text!.includes(' and ') ? `(${text!})` : text!)).join(' or ');
}

/** What was wanted, parted by the first tag in which it differs. */
function partsOf(things: readonly Tags[], target: Uint8Array): Uint8Array[] {
  for (const tag of [...texts, ...numbers, 'z', 'x', 'y', 'length']) {
    const parts = new Map<unknown, Uint8Array>();
    target.forEach((is, i) => {
      if (!is) return;
      const value = things[i]![tag];
      const key = typeof value === 'number' ? Math.round(value * 1e4) : value;
      let part = parts.get(key);
      if (!part) parts.set(key, (part = new Uint8Array(target.length)));
      part[i] = 1;
    });
    if (parts.size > 1) return [...parts.values()];
  }
  return [target];
}

/** Conditions on one tag that hold for everything wanted and not for everything else. */
function atomsFor(things: readonly Tags[], target: Uint8Array): Atom[] {
  const atoms: Atom[] = [];
  const add = (tag: string, text: string, test: (value: string | number | undefined) => boolean) => {
    const holds = Uint8Array.from(things, (tags) => (test(tags[tag]) ? 1 : 0));
    if (holds.some((is, i) => !is && target[i])) return;
    if (holds.every((is) => is)) return;
    atoms.push({ text, cost: costs[tag]!, holds });
  };
  const valuesOf = (tag: string) => new Set(things.flatMap((tags, i) => (target[i] ? [tags[tag]] : [])));
  for (const tag of texts) {
    const [value, ...others] = valuesOf(tag);
    if (typeof value === 'string' && others.length === 0)
      add(tag, `${tag} == "${value}"`, (own) => own === value);
  }
  for (const tag of numbers) {
    const values = [...valuesOf(tag)];
    if (values.some((value) => typeof value !== 'number')) continue;
    const [low, high] = [Math.min(...(values as number[])), Math.max(...(values as number[]))];
    if (low === high) add(tag, `${tag} == ${low}`, (own) => own === low);
    else {
      add(tag, `${tag} >= ${low}`, (own) => typeof own === 'number' && own >= low);
      add(tag, `${tag} <= ${high}`, (own) => typeof own === 'number' && own <= high);
    }
  }
  for (const tag of lengths) {
    const wanted = [...valuesOf(tag)].filter((value) => typeof value === 'number');
    const others = things.flatMap((tags, i) =>
      !target[i] && typeof tags[tag] === 'number' ? [tags[tag]] : [],
    );
    if (wanted.length === 0) continue;
    const [low, high] = [Math.min(...wanted), Math.max(...wanted)];
    const below = Math.max(...others.filter((value) => value < low - 1e-6));
    const above = Math.min(...others.filter((value) => value > high + 1e-6));
    if (Number.isFinite(below)) {
      const limit = roundBetween(below, low);
      add(tag, `${tag} > ${limit} m`, (own) => typeof own === 'number' && own > Number(limit));
    }
    if (Number.isFinite(above)) {
      const limit = roundBetween(high, above);
      add(tag, `${tag} < ${limit} m`, (own) => typeof own === 'number' && own < Number(limit));
    }
  }
  return atoms.sort((a, b) => a.cost - b.cost).slice(0, mostAtoms);
}

/** The number with the fewest digits well between two others. */
function roundBetween(low: number, high: number): string {
  const [from, to] = [low + 0.2 * (high - low), high - 0.2 * (high - low)];
  for (let digits = 1; digits < 15; digits++) {
    const rounded = Number(((from + to) / 2).toPrecision(digits));
    if (rounded >= from && rounded <= to) return String(rounded);
  }
  return significant((from + to) / 2, 15);
}

/** The cheapest conditions that together hold for just what is wanted. */
function cheapest(atoms: readonly Atom[], target: Uint8Array): readonly Atom[] | undefined {
  let best: readonly Atom[] | undefined;
  let least = Infinity;
  const tryOut = (chosen: readonly Atom[], from: number, holds: Uint8Array, cost: number): void => {
    if (cost >= least) return;
    if (chosen.length > 0 && holds.every((is, i) => is === target[i])) {
      best = chosen;
      least = cost;
      return;
    }
    if (chosen.length === mostJoined) return;
    for (let k = from; k < atoms.length; k++) {
      const atom = atoms[k]!;
      // A word more counts beside what it says
      const next = cost + atom.cost + (chosen.length > 0 ? 1 : 0);
      if (next >= least) continue;
      const both = holds.map((is, i) => is & atom.holds[i]!);
      // What excludes nothing more says nothing
      if (chosen.length > 0 && both.every((is, i) => is === holds[i])) continue;
      tryOut([...chosen, atom], k + 1, both, next);
    }
  };
  tryOut([], 0, new Uint8Array(target.length).fill(1), 0);
  return best;
}
