import type { Namer } from '../../geometry/names.js';
import { combinationOf, type ResultSelection } from '../../results/index.js';
import type { Analysed } from '../stages/index.js';

const directions = ['Fx', 'Fy', 'Fz', 'Mx', 'My', 'Mz'] as const;
export type FoundationDirection = (typeof directions)[number];

/** Least and greatest of what the ground does to the frame in one direction, and by which combinations. N, N·m, global. */
export interface FoundationRange {
  readonly least: number;
  readonly leastBy: string;
  readonly greatest: number;
  readonly greatestBy: string;
}

/** A support's reactions over the strength combinations, in the directions that it holds. */
export interface Foundation extends Partial<Record<FoundationDirection, FoundationRange>> {
  readonly node: string;
  readonly title: string;
  /** By load case, where those add up to every combination. */
  readonly cases?: Readonly<Record<string, Partial<Record<FoundationDirection, number>>>>;
}

/** Reactions of every support of an alternative. */
export function foundationsOf(forces: Analysed, namer: Namer): Foundation[] {
  const { frame, model, selections } = forces;
  const strength = selections.filter(({ state }) => state === 'strength');
  if (strength.length === 0) return [];
  const nodes = [...new Set((model.supports ?? []).map(({ node }) => node))];
  const supports = nodes.map((node) => {
    const n = frame.nodeIndex.get(node)!;
    return { node, n, held: [0, 1, 2, 3, 4, 5].filter((k) => frame.restraint[6 * n + k]! > 0) };
  });
  const freedoms = supports.flatMap(({ n, held }) => held.map((k) => 6 * n + k));
  const cases = addUp(forces, strength, freedoms) ? casesOf(forces) : undefined;
  return supports.map(({ node, n, held }) => ({
    node,
    title: namer.node(node),
    ...byDirection(held, (k) => rangeAt(forces, strength, 6 * n + k)),
    ...(cases ? { cases: atSupport(cases, n, held) } : {}),
  }));
}

const byDirection = <T>(
  held: readonly number[],
  of: (k: number) => T,
): Partial<Record<FoundationDirection, T>> =>
  Object.fromEntries(held.map((k) => [directions[k]!, of(k)] as const));

const atSupport = (cases: ReturnType<typeof casesOf>, n: number, held: readonly number[]) =>
  Object.fromEntries(
    cases.map(({ id, reactions }) => [id, byDirection(held, (k) => reactions[6 * n + k]!)] as const),
  );

function rangeAt({ states }: Analysed, strength: readonly ResultSelection[], at: number): FoundationRange {
  const values = strength.map((one) => ({
    value: states.get(one.id)!.reactions[at]!,
    by: combinationOf(one),
  }));
  const least = values.reduce((a, b) => (b.value < a.value ? b : a));
  const greatest = values.reduce((a, b) => (b.value > a.value ? b : a));
  return { least: least.value, leastBy: least.by, greatest: greatest.value, greatestBy: greatest.by };
}

/** The load cases of the frame that have a state by themselves. */
const casesOf = ({ selections, states }: Analysed) =>
  selections
    .filter(({ kind }) => kind === 'case')
    .map(({ id }) => ({ id, reactions: states.get(id)!.reactions }));

/** Whether every combination's reactions are the sums of its load cases': not of second order, nor where members become slack. */
function addUp(
  { order, frame, states }: Analysed,
  strength: readonly ResultSelection[],
  freedoms: readonly number[],
): boolean {
  if (order === 2) return false;
  return strength.every(({ id, factors }) => {
    const { reactions } = states.get(id)!;
    const acting = frame.loadCases.flatMap((one, c) =>
      factors[c] === 0 ? [] : [{ factor: factors[c]!, state: states.get(one.id) }],
    );
    if (acting.some(({ state }) => !state)) return false;
    const size = Math.max(...freedoms.map((at) => Math.abs(reactions[at]!)), 0);
    return freedoms.every((at) => {
      const sum = acting.reduce((total, { factor, state }) => total + factor * state!.reactions[at]!, 0);
      return Math.abs(sum - reactions[at]!) <= 1e-9 * size;
    });
  });
}
