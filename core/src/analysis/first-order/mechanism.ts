import { emptyRecord } from '../../base/own-value.js';
import { freedoms } from '../../model/types.js';
import { problem, type Problem } from '../../base/problem.js';
import type { CaseLoads } from '../loads/case-loads.js';
import { extent, type Constraints } from '../frame/constraints.js';
import { clampedStiffness, type Elements } from '../frame/elements.js';
import type { Frame } from '../frame/frame.js';
import { displaceInside } from '../frame/hinges.js';
import type { Plan } from './plan.js';
import type { Factor } from '../sparse/factor.js';
import { springForces } from './recover.js';
import { expand } from './system.js';
import { toMember } from '../frame/transform.js';

/**
 * Energy of a shape, against that of its freedoms taken one by one, below which it is a mechanism and not just soft.
 * The energy is summed from each member's own deformation, which loses no digits, so that a true mechanism leaves about
 * 1e-30 of it and a soft frame keeps what it has.
 */
const mechanismEnergy = 1e-17;

/** Mechanisms that are described; a frame that is loose in more ways says enough by these. */
const mostDescribed = 12;

/** A frame with what its stiffness was assembled by. */
export interface SuspectedFrame {
  readonly frame: Frame;
  readonly elements: Elements;
  readonly constraints: Constraints;
  readonly plan: Plan;
}

/**
 * Looks at a factorization's suspicious pivots and describes those that are true mechanisms: shapes that the frame can
 * take without resistance. A shape that only turns joints and that no load turns is harmless and becomes a note.
 *
 * @returns one problem for each mechanism, with `where.moves` (nodes and directions), `where.restraint` (the one that
 *   would stop it) and `where.shape` (node id → [ux, uy, uz, rx, ry, rz], largest translation 1)
 */
export function findMechanisms(
  { frame, elements, constraints, plan }: SuspectedFrame,
  factor: Factor,
  cases: readonly CaseLoads[],
  inactive?: Uint8Array,
): { problems: Problem[]; notes: string[] } {
  const problems: Problem[] = [];
  const notes: string[] = [];
  const nothing = new Float64Array(6 * frame.nodeIds.length);
  const size = extent(frame);
  const diagonals = factor.diagonals;
  for (const { column } of factor.suspects) {
    if (problems.length >= mostDescribed) break;
    const x = factor.pivotShape(column);
    let apart = 0;
    for (let i = 0; i < x.length; i++) apart += diagonals[i]! * x[i]! ** 2;
    const u = expand(constraints, plan, x, nothing);
    // A freedom without any stiffness of its own has no energy to compare with
    if (apart > 0 && strainEnergy(frame, elements, u, inactive) > mechanismEnergy * apart) continue;
    if (isHarmlessSpin(u, size) && !cases.some((one) => works(one, u))) {
      const nodes = turningNodes(frame, u);
      if (nodes)
        notes.push(`Nothing resists the rotation of ${nodes}, and nothing turns it; it is left out.`);
    } else problems.push(describe(frame, u, size));
  }
  return { problems, notes };
}

/** Twice the strain energy of nodes' displacements, from the deformation of each member within its hinges. */
export function strainEnergy(
  frame: Frame,
  elements: Elements,
  u: Float64Array,
  inactive?: Uint8Array,
): number {
  const local = new Float64Array(12);
  let energy = 0;
  for (let m = 0; m < frame.memberIds.length; m++) {
    if (inactive?.[m]) continue;
    toMember(frame, m, u, local);
    const steps = elements.hinges.get(m);
    if (steps) {
      const outside = local.slice();
      displaceInside(steps, undefined, local);
      for (const { freedom, spring } of steps) energy += spring * (outside[freedom]! - local[freedom]!) ** 2;
    }
    // Rigid motion of the start taken off: what is left at the end is deformation
    const L = frame.length[m]!;
    const end = [
      local[6]! - local[0]!,
      local[7]! - local[1]! - local[5]! * L,
      local[8]! - local[2]! + local[4]! * L,
      local[9]! - local[3]!,
      local[10]! - local[4]!,
      local[11]! - local[5]!,
    ];
    const K = clampedStiffness(elements, m);
    for (let i = 0; i < 6; i++)
      for (let j = 0; j < 6; j++) energy += end[i]! * K[12 * (6 + i) + 6 + j]! * end[j]!;
  }
  const springs = springForces(frame, u, new Float64Array(u.length));
  for (let i = 0; i < u.length; i++) energy -= springs[i]! * u[i]!;
  return energy;
}

/** True where joints turn and nothing else moves. */
function isHarmlessSpin(u: Float64Array, size: number): boolean {
  let shift = 0;
  let turn = 0;
  for (let i = 0; i < u.length; i++)
    if (i % 6 < 3) shift = Math.max(shift, Math.abs(u[i]!));
    else turn = Math.max(turn, Math.abs(u[i]!));
  return shift <= 1e-9 * turn * size;
}

/** True where a case's loads do work on the shape. */
function works(one: CaseLoads, u: Float64Array): boolean {
  let work = 0;
  let size = 0;
  for (let i = 0; i < u.length; i++) {
    work += one.nodal[i]! * u[i]!;
    size += Math.abs(one.nodal[i]! * u[i]!);
  }
  return Math.abs(work) > 1e-9 * size;
}

function turningNodes(frame: Frame, u: Float64Array): string {
  let largest = 0;
  for (const value of u) largest = Math.max(largest, Math.abs(value));
  const rigid = new Set<number>();
  for (let m = 0; m < frame.memberIds.length; m++)
    if (!frame.axialOnly[m]) rigid.add(frame.start[m]!).add(frame.end[m]!);
  return frame.nodeIds
    .filter((_, n) => rigid.has(n) && [3, 4, 5].some((k) => Math.abs(u[6 * n + k]!) > 1e-3 * largest))
    .map((id) => `"${id}"`)
    .join(', ');
}

function describe(frame: Frame, motion: Float64Array, size: number): Problem {
  let largest = 0;
  for (let i = 0; i < motion.length; i++) largest = Math.max(largest, travel(i, motion[i]!, size));
  const moves: { node: string; directions: string[] }[] = [];
  let restraint = { node: '', direction: '', travel: 0 };
  const shape = emptyRecord<number[]>();
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
  return problem(
    'mechanism',
    `${whatMoves(frame, moves)}. Hold "${restraint.node}" in ${restraint.direction}, or make a hinge on the way to it rigid.`,
    { moves, restraint: { node: restraint.node, direction: restraint.direction }, shape },
  );
}

/** The nodes that move, in words; of a frame that moves as a whole one stands for all. */
function whatMoves(
  frame: Frame,
  moves: readonly { readonly node: string; readonly directions: readonly string[] }[],
): string {
  const told = moves.slice(0, 6).map((m) => `"${m.node}" in ${m.directions.join(', ')}`);
  if (moves.length === frame.nodeIds.length && moves.length > told.length)
    return `The whole frame can move without resistance, as does node ${told[0]!}`;
  const more = moves.length > told.length ? ` and ${moves.length - told.length} more` : '';
  return `The frame can move without resistance: node ${told.join('; ')}${more}`;
}

/** Rotations count by the way they carry a point at a tenth of the frame's size. */
function travel(freedom: number, value: number, size: number): number {
  return Math.abs(value) * (freedom % 6 < 3 ? 1 : size / 10);
}
