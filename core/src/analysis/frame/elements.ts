import { localStiffness } from './element.js';
import type { Frame } from './frame.js';
import { condenseHinges, type HingeStep } from './hinges.js';
import { globalDiagonal } from './transform.js';

/** Every member's stiffness in local axes. */
export interface Elements {
  /** Stiffness with hinges, 144 each; uniform members of one section and length share theirs. */
  readonly local: Float64Array;
  /** Place in `local` by member. */
  readonly at: Int32Array;
  /** Stiffness before hinges, of members that have some. */
  readonly clamped: ReadonlyMap<number, Float64Array>;
  /** How hinges were condensed, of members that have some. */
  readonly hinges: ReadonlyMap<number, readonly HingeStep[]>;
}

/**
 * Forms all member stiffnesses.
 *
 * @throws ProblemError `mechanism` for a member that its own hinges leave loose
 */
export function formElements(frame: Frame): Elements {
  const { at, leaders } = sharedPlaces(frame);
  const local = new Float64Array(144 * leaders.length);
  const clamped = new Map<number, Float64Array>();
  const hinges = new Map<number, readonly HingeStep[]>();
  for (const [k, m] of leaders.entries()) {
    const K = local.subarray(144 * k, 144 * k + 144);
    localStiffness(frame, m, K);
    if (!frame.hinged[m] || frame.axialOnly[m]) continue;
    clamped.set(m, K.slice());
    hinges.set(m, condenseHinges(frame, m, K));
  }
  return { local, at, clamped, hinges };
}

/** Where each member's stiffness goes, and for which member each of them is formed. */
function sharedPlaces(frame: Frame): { at: Int32Array; leaders: readonly number[] } {
  const at = new Int32Array(frame.memberIds.length);
  const leaders: number[] = [];
  const known = new Map<object, Map<number, number>>();
  for (let m = 0; m < at.length; m++) {
    const length = frame.length[m]!;
    const bySection = frame.hinged[m] || frame.tapers.has(m) ? undefined : frame.sections[m]!;
    let ofSection = bySection && known.get(bySection);
    if (bySection && !ofSection) known.set(bySection, (ofSection = new Map<number, number>()));
    // A bar and a frame member of one section differ
    const key = frame.axialOnly[m] ? -length : length;
    const shared = ofSection?.get(key);
    // Members of one section differ in stiffness where they are held otherwise, or softer
    const place =
      shared !== undefined && isAsStiff(frame, m, leaders[shared / 144]!) ? shared : 144 * leaders.length;
    at[m] = place;
    if (place < 144 * leaders.length) continue;
    leaders.push(m);
    ofSection?.set(key, place);
  }
  return { at, leaders };
}

function isAsStiff({ rigidity, coupling }: Frame, a: number, b: number): boolean {
  for (let k = 0; k < 6; k++) if (rigidity[6 * a + k] !== rigidity[6 * b + k]) return false;
  return coupling[a] === coupling[b];
}

/** Local stiffness of a member with its hinges. */
export function stiffnessOf({ local, at }: Elements, m: number): Float64Array {
  return local.subarray(at[m], at[m]! + 144);
}

/** The same before its hinges. */
export function clampedStiffness(elements: Elements, m: number): Float64Array {
  return elements.clamped.get(m) ?? stiffnessOf(elements, m);
}

/** Stiffnesses of which those of the given members are `factor` times what they are. */
export function scaledElements(elements: Elements, chosen: Uint8Array, factor: number): Elements {
  const at = Int32Array.from(elements.at, (_, m) => 144 * m);
  const local = new Float64Array(144 * at.length);
  for (let m = 0; m < at.length; m++) {
    const scale = chosen[m] ? factor : 1;
    for (let k = 0; k < 144; k++) local[144 * m + k] = scale * elements.local[elements.at[m]! + k]!;
  }
  return { ...elements, local, at };
}

const scratch = new Float64Array(12);

/** Stiffness of the members on each freedom of each node, 6 a node, global. */
export function nodeDiagonal(frame: Frame, elements: Elements): Float64Array {
  const out = new Float64Array(6 * frame.nodeIds.length);
  for (let m = 0; m < frame.memberIds.length; m++) {
    globalDiagonal(frame, m, elements.local, elements.at[m]!, scratch);
    for (let k = 0; k < 6; k++) {
      out[6 * frame.start[m]! + k]! += scratch[k]!;
      out[6 * frame.end[m]! + k]! += scratch[k + 6]!;
    }
  }
  return out;
}
