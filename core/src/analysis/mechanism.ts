import { freedoms } from '../model/types.js';
import { problem, type Problem } from '../problem.js';
import type { Frame } from './frame.js';
import type { Plan } from './plan.js';
import type { Factor } from './sparse/factor.js';

/** Energy of a shape, against that of its freedoms taken one by one, below which it is a mechanism and not just soft. */
const mechanismEnergy = 2e-14;

/**
 * Looks at a factorization's suspicious pivots and describes those that are true mechanisms: shapes that the frame can
 * take without resistance.
 *
 * @param diagonal the matrix's diagonal by equation
 * @returns one problem for each mechanism, with `where.moves` (nodes and directions), `where.restraint` (the one that
 *   would stop it) and `where.shape` (node id → [ux, uy, uz, rx, ry, rz], largest translation 1)
 */
export function findMechanisms(frame: Frame, plan: Plan, factor: Factor, diagonal: Float64Array): Problem[] {
  const found: Problem[] = [];
  for (const { pivot, shape } of factor.suspects) {
    let energy = 0;
    for (let i = 0; i < shape.length; i++) energy += diagonal[i]! * shape[i]! ** 2;
    if (pivot > mechanismEnergy * energy) continue;
    found.push(describe(frame, plan, shape));
  }
  return found;
}

function describe(frame: Frame, plan: Plan, x: Float64Array): Problem {
  const size = extent(frame);
  const motion = new Float64Array(6 * frame.nodeIds.length);
  let largest = 0;
  for (let i = 0; i < motion.length; i++) {
    const e = plan.equation[i]!;
    if (e < 0) continue;
    motion[i] = x[e]!;
    largest = Math.max(largest, travel(i, motion[i]!, size));
  }
  const moves: { node: string; directions: string[] }[] = [];
  let restraint = { node: '', direction: '', travel: 0 };
  const shape: Record<string, number[]> = {};
  frame.nodeIds.forEach((node, n) => {
    const own = [0, 1, 2, 3, 4, 5].map((k) => motion[6 * n + k]!);
    const directions = freedoms.filter((_, k) => travel(k, own[k]!, size) > 1e-3 * largest);
    if (directions.length > 0) moves.push({ node, directions: [...directions] });
    own.forEach((value, k) => {
      const t = travel(k, value, size);
      if (t > restraint.travel * (1 + 1e-9)) restraint = { node, direction: freedoms[k]!, travel: t };
    });
    shape[node] = own.map((value) => value / largest);
  });
  const list = moves.slice(0, 6).map((m) => `"${m.node}" in ${m.directions.join(', ')}`);
  const more = moves.length > list.length ? ` and ${moves.length - list.length} more` : '';
  return problem(
    'mechanism',
    `The frame can move without resistance: node ${list.join('; ')}${more}. ` +
      `Hold "${restraint.node}" in ${restraint.direction}, or make a hinge on the way to it rigid.`,
    { moves, restraint: { node: restraint.node, direction: restraint.direction }, shape },
  );
}

/** Rotations count by the way they carry a point at a tenth of the frame's size. */
function travel(freedom: number, value: number, size: number): number {
  return Math.abs(value) * (freedom % 6 < 3 ? 1 : size / 10);
}

function extent(frame: Frame): number {
  let size = 0;
  for (let k = 0; k < 3; k++) {
    let low = Infinity;
    let high = -Infinity;
    for (let i = k; i < frame.xyz.length; i += 3) {
      low = Math.min(low, frame.xyz[i]!);
      high = Math.max(high, frame.xyz[i]!);
    }
    size = Math.max(size, high - low);
  }
  return size || 1;
}
