import type { Frame } from '../../analysis/index.js';
import type { Flange, FlangeLengths, FrameModel, MemberDesign } from '../../model/types.js';
import { problem, type Problem } from '../../base/problem.js';

/** What meets at each node of a frame. */
export interface Joints {
  /** Ends of members. */
  readonly memberEnds: Int32Array;
  /** 1 where a support or a rigid group holds it. */
  readonly held: Uint8Array;
}

/** What meets at each node. */
export function jointsOf(frame: Frame): Joints {
  const count = frame.nodeIds.length;
  const memberEnds = new Int32Array(count);
  for (const ends of [frame.start, frame.end]) for (const node of ends) memberEnds[node]!++;
  const held = new Uint8Array(count);
  for (let n = 0; n < count; n++)
    if (frame.restraint.subarray(6 * n, 6 * n + 6).some((value) => value > 0)) held[n] = 1;
  for (const { nodes } of frame.groups) for (const n of nodes) held[n] = 1;
  return { memberEnds, held };
}

type Pieces = readonly { readonly member: number; readonly from: number }[];

/** Where a physical member begins or ends freely, and where a support holds every rotation. */
export interface Ends {
  readonly free: { readonly start: boolean; readonly end: boolean };
  readonly builtIn: { readonly start: boolean; readonly end: boolean };
}

/** What holds the two ends of a line of pieces. */
export function endsOf({ frame, joints }: { frame: Frame; joints: Joints }, pieces: Pieces): Ends {
  const start = frame.start[pieces[0]!.member]!;
  const end = frame.end[pieces[pieces.length - 1]!.member]!;
  const isFree = (n: number) => joints.memberEnds[n] === 1 && joints.held[n] === 0;
  const rotations = frame.plane ? [4] : [3, 4, 5];
  const isBuiltIn = (n: number) => rotations.every((k) => frame.restraint[6 * n + k] === Infinity);
  return {
    free: { start: isFree(start), end: isFree(end) },
    builtIn: { start: isBuiltIn(start), end: isBuiltIn(end) },
  };
}

/** Places between the ends of a line of pieces where something else meets it, m. */
export function innerNodes({ frame, joints }: { frame: Frame; joints: Joints }, pieces: Pieces): number[] {
  return pieces.slice(1).flatMap(({ member, from }) => {
    const n = frame.start[member]!;
    return joints.memberEnds[n]! > 2 || joints.held[n] === 1 ? [from] : [];
  });
}

/** The shorter of the distances between lateral restraints that are given, m; 0 where none is. */
export function leastDistance(LLT: number | FlangeLengths | undefined): number {
  if (typeof LLT !== 'object') return LLT ?? 0;
  const distances = [LLT.top, LLT.bottom].filter((distance) => distance > 0);
  return distances.length === 0 ? 0 : Math.min(...distances);
}

/** A physical member as far as its restraints go. */
interface Line {
  readonly pieces: Pieces;
  readonly length: number;
  readonly design: MemberDesign;
  readonly nodes: readonly number[];
  readonly ends: Ends;
}

const flanges: readonly Flange[] = ['top', 'bottom'];

/**
 * Where each flange of a physical member is held: at the restraints that are named, and at its ends unless nothing holds them there.
 * The overhang beyond the last place that something holds reaches to the free end by itself.
 */
export function heldPlaces(
  { model, frame, problems }: { model: FrameModel; frame: Frame; problems: Problem[] },
  { pieces, length, design, nodes, ends }: Line,
): {
  held: Record<Flange, number[]>;
  flangesHeldAlike: boolean;
  free: Record<Flange, { start: boolean; end: boolean }>;
} {
  const first = pieces[0]!.member;
  const last = pieces[pieces.length - 1]!.member;
  const places: Record<Flange, Set<number>> = { top: new Set([0, length]), bottom: new Set([0, length]) };
  const free = { top: { ...ends.free }, bottom: { ...ends.free } };
  (design.restraints ?? []).forEach((restraint, k) => {
    const { node, flange = 'both' } =
      typeof restraint === 'string' ? { node: restraint, flange: 'both' as const } : restraint;
    const number = frame.nodeIndex.get(node);
    const piece = pieces.find(({ member }) => frame.start[member] === number);
    const at = piece ? piece.from : number !== undefined && frame.end[last] === number ? length : undefined;
    if (at === undefined) {
      const path = `/members/${first}/design/restraints/${k}`;
      problems.push(
        problem(
          'invalid-model',
          `The restraint "${node}" is no node of member "${design.group ?? model.members[first]!.id}": name a node of its pieces (${path}).`,
          { path },
        ),
      );
      return;
    }
    for (const one of flange === 'both' ? flanges : [flange]) {
      places[one].add(at);
      if (at === 0) free[one].start = false;
      if (at === length) free[one].end = false;
    }
  });
  for (const flange of flanges) {
    if (free[flange].start && nodes.length > 0) places[flange].add(nodes[0]!);
    if (free[flange].end && nodes.length > 0) places[flange].add(nodes[nodes.length - 1]!);
  }
  const sorted = (flange: Flange) => [...places[flange]].sort((a, b) => a - b);
  const held = { top: sorted('top'), bottom: sorted('bottom') };
  return { held, flangesHeldAlike: held.top.join() === held.bottom.join(), free };
}
