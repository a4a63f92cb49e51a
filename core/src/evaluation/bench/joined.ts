import { analyse, invert, type Frame, type FrameState } from '../../analysis/index.js';
import { fail, unwrapped } from '../../base/problem.js';
import { freedoms, type FrameModel } from '../../model/types.js';
import { unitMoves, type Bench, type CondensedRest } from './bench.js';

/** The member's states under every combination, joined to the rest at the nodes that they share. */
export function joinedStates(bench: Bench, frame: Frame, model: FrameModel): Map<string, FrameState> {
  const cases = model.loadCases!;
  const count = 6 * bench.nodes.length;
  const own = Object.keys(bench.selfWeight);
  const moves = unitMoves(bench.nodes, bench.space);
  const alone = unwrapped(
    analyse(
      frame,
      cases.map(({ id }, c) => {
        const factors = new Float64Array(cases.length);
        factors[c] = 1;
        return { id, kind: 'case' as const, factors };
      }),
    ),
  ).states;
  const reactions = (id: string): number[] =>
    bench.nodes.flatMap((node) => {
      const n = frame.nodeIndex.get(node.id)!;
      return [...alone.get(id)!.reactions.subarray(6 * n, 6 * n + 6)];
    });
  const member = new Float64Array(count * count);
  for (const { loadCase, freedom } of moves)
    reactions(loadCase.id).forEach((value, row) => (member[row * count + freedom] = value));
  const displacementsOf =
    bench.rest.kind === 'stiffness'
      ? byStiffness(bench, bench.rest, member, reactions)
      : byFlexibility(bench.rest, member, count, reactions);
  const moved = new Map(own.map((id) => [id, displacementsOf(id)]));
  const selections = bench.combinations.map(({ id, factors }) => {
    const all = new Float64Array(cases.length);
    for (const [name, factor] of Object.entries(factors)) {
      all[own.indexOf(name)] = factor;
      moves.forEach(({ freedom }, k) => (all[own.length + k]! += factor * moved.get(name)![freedom]!));
    }
    return { id, kind: 'combination' as const, factors: all };
  });
  return new Map(unwrapped(analyse(frame, selections)).states);
}

type Displacements = (loadCase: string) => Float64Array;

/** How the shared nodes move where the rest is known by its stiffness: (K + Km)·d = forces of both. */
function byStiffness(
  bench: Bench,
  rest: Extract<CondensedRest, { kind: 'stiffness' }>,
  member: Float64Array,
  reactions: (id: string) => number[],
): Displacements {
  const count = 6 * bench.nodes.length;
  const K = Float64Array.from(rest.stiffness, (value, i) => value + member[i]!);
  const held = heldFreedoms(bench, K, count);
  const free = Array.from({ length: count }, (_, i) => i).filter((i) => !held[i]);
  const reduced = new Float64Array(free.length ** 2);
  free.forEach((i, r) => free.forEach((j, c) => (reduced[r * free.length + c] = K[i * count + j]!)));
  const inverse = inverseOf(reduced, free.length);
  return (id) => {
    const d = Float64Array.from(rest.given[id]!, (value, i) => (held[i] ? value : 0));
    const own = reactions(id);
    const load = free.map((i) => {
      let sum = rest.forces[id]![i]! - own[i]!;
      for (let j = 0; j < count; j++) if (held[j]) sum -= K[i * count + j]! * d[j]!;
      return sum;
    });
    free.forEach((i, r) => {
      let sum = 0;
      for (let c = 0; c < free.length; c++) sum += inverse[r * free.length + c]! * load[c]!;
      d[i] = sum;
    });
    return d;
  };
}

/** The same where it is known by its flexibility: d = d0 − F·(Km·d + forces of the member), d0 without the member. */
function byFlexibility(
  { flexibility, moves }: Extract<CondensedRest, { kind: 'flexibility' }>,
  member: Float64Array,
  count: number,
  reactions: (id: string) => number[],
): Displacements {
  const A = new Float64Array(count * count);
  for (let i = 0; i < count; i++)
    for (let j = 0; j < count; j++) {
      let sum = i === j ? 1 : 0;
      for (let k = 0; k < count; k++) sum += flexibility[i * count + k]! * member[k * count + j]!;
      A[i * count + j] = sum;
    }
  const inverse = inverseOf(A, count);
  return (id) => {
    const own = reactions(id);
    const right = moves[id]!.map((value, i) => {
      let sum = value;
      for (let k = 0; k < count; k++) sum -= flexibility[i * count + k]! * own[k]!;
      return sum;
    });
    return Float64Array.from(right, (_, i) => {
      let sum = 0;
      for (let k = 0; k < count; k++) sum += inverse[i * count + k]! * right[k]!;
      return sum;
    });
  };
}

/** @throws ProblemError `mechanism` where nothing resists some freedom */
function inverseOf(matrix: Float64Array, n: number): Float64Array {
  const inverse = invert(matrix, n);
  if (isSingular(matrix, inverse, n))
    fail('mechanism', 'The member falls as it is now; hold it at another place.', {});
  return inverse;
}

/** Freedoms that nothing resists make an inverse of numbers beyond reason. */
function isSingular(matrix: Float64Array, inverse: Float64Array, n: number): boolean {
  for (let i = 0; i < n; i++) if (!(Math.abs(inverse[n * i + i]! * matrix[n * i + i]!) < 1e9)) return true;
  return false;
}

/** Freedoms that supports hold; springs are added to the stiffness, and what nothing resists is held where it stands. */
function heldFreedoms(bench: Bench, K: Float64Array, count: number): boolean[] {
  const held = new Array<boolean>(count).fill(false);
  bench.nodes.forEach(({ support }, n) =>
    freedoms.forEach((name, k) => {
      const given = (support as unknown as Record<string, 'fixed' | number> | undefined)?.[name];
      const i = 6 * n + k;
      if (given === 'fixed') held[i] = true;
      else if (typeof given === 'number') K[i * count + i]! += given;
    }),
  );
  let most = 0;
  for (let i = 0; i < count; i++) most = Math.max(most, K[i * count + i]!);
  for (let i = 0; i < count; i++) if (K[i * count + i]! <= 1e-14 * most) held[i] = true;
  return held;
}
