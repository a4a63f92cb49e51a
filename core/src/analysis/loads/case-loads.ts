import { lazily } from '../../base/lazily.js';
import { freedoms, type LoadCase } from '../../model/types.js';
import { ShortArrays } from '../../base/short-arrays.js';
import { givenValues, type Constraints } from '../frame/constraints.js';
import type { Frame } from '../frame/frame.js';
import type { LoadField, MemberLoadFields } from './member-loads.js';

/** All that acts in one load case, or in a combination of them. */
export interface CaseLoads {
  /** 6 a node: forces and moments applied at nodes, global. */
  readonly nodal: Float64Array;
  /** 6 a node: given displacements of held freedoms and of springs' ground ends, in the supports' axes. */
  readonly settled: Float64Array;
  /** By member; undefined where nothing acts on it. */
  readonly fields: readonly (LoadField | undefined)[];
  /** Of a combination: the cases that it adds up, each with its factor. */
  readonly sumOf?: { readonly cases: readonly CaseLoads[]; readonly factors: Float64Array };
}

/** The loads of every load case. */
export function caseLoads(frame: Frame, loads: MemberLoadFields): CaseLoads[] {
  return frame.loadCases.map((loadCase, c) => ({
    nodal: nodeLoads(frame, loadCase),
    settled: settlements(frame, loadCase),
    fields: loads.fields[c]!,
  }));
}

function nodeLoads(frame: Frame, loadCase: LoadCase): Float64Array {
  const out = new Float64Array(6 * frame.nodeIds.length);
  for (const load of loadCase.loads ?? []) {
    if (load.kind !== 'node') continue;
    const at = 6 * frame.nodeIndex.get(load.node)!;
    for (let k = 0; k < 3; k++) {
      out[at + k]! += load.F?.[k] ?? 0;
      out[at + 3 + k]! += load.M?.[k] ?? 0;
    }
  }
  return out;
}

function settlements(frame: Frame, loadCase: LoadCase): Float64Array {
  const out = new Float64Array(6 * frame.nodeIds.length);
  for (const load of loadCase.loads ?? []) {
    if (load.kind !== 'settlement') continue;
    const n = frame.nodeIndex.get(load.node)!;
    freedoms.forEach((freedom, k) => {
      out[6 * n + k]! += load[freedom] ?? 0;
    });
  }
  return out;
}

/** Σ factor · case; each part is added up when it is asked for. */
export function combineLoads(frame: Frame, cases: readonly CaseLoads[], factors: Float64Array): CaseLoads {
  const sum = (of: (c: CaseLoads) => Float64Array) =>
    lazily(() => {
      const out = new Float64Array(6 * frame.nodeIds.length);
      cases.forEach((one, c) => {
        if (factors[c] !== 0) addTimes(out, factors[c]!, of(one));
      });
      return out;
    });
  const nodal = sum((c) => c.nodal);
  const settled = sum((c) => c.settled);
  const fields = lazily(() => {
    const arrays = new ShortArrays();
    return frame.memberIds.map((_, m) => combinedField(cases, factors, m, arrays));
  });
  return {
    get nodal() {
      return nodal();
    },
    get settled() {
      return settled();
    },
    get fields() {
      return fields();
    },
    sumOf: { cases, factors },
  };
}

/** Σ factor · field of one member, in arrays that are the caller's. */
export function combinedField(
  cases: readonly CaseLoads[],
  factors: Float64Array,
  member: number,
  arrays: ShortArrays,
): LoadField | undefined {
  let out: { forces: Float64Array; end: Float64Array; strain: [number, number, number] } | undefined;
  for (let c = 0; c < cases.length; c++) {
    const factor = factors[c]!;
    const field = cases[c]!.fields[member];
    if (!field || factor === 0) continue;
    out ??= { forces: arrays.take(field.forces.length), end: arrays.take(6), strain: [0, 0, 0] };
    addTimes(out.forces, factor, field.forces);
    addTimes(out.end, factor, field.end);
    for (let i = 0; i < 3; i++) out.strain[i]! += factor * field.strain[i]!;
  }
  return out && { forces: out.forces, end: out.end, strain: out.strain, dislocations: [] };
}

/** Adds values times a factor. */
export function addTimes(out: Float64Array, factor: number, values: Float64Array): void {
  for (let i = 0; i < out.length; i++) out[i]! += factor * values[i]!;
}

/** 6 a node: 1 where a node load acts in any case. */
export function loadedFreedoms(cases: readonly CaseLoads[], nodes: number): Uint8Array {
  const out = new Uint8Array(6 * nodes);
  for (const { nodal } of cases) for (let i = 0; i < out.length; i++) if (nodal[i] !== 0) out[i] = 1;
  return out;
}

/** Nodes' displacements (6 a node, global) that settlements give where nothing is unknown. */
export function givenDisplacements(
  frame: Frame,
  constraints: Constraints,
  settled: Float64Array,
): Float64Array {
  const out = new Float64Array(settled.length);
  for (let i = 0; i < out.length; i++)
    if (settled[i] !== 0 && constraints.plain[Math.floor(i / 6)] && frame.restraint[i] === Infinity)
      out[i] = settled[i]!;
  if (constraints.dependents.size === 0) return out;
  const values = givenValues(frame, constraints, settled);
  for (const [i, { given, givenFactors }] of constraints.dependents)
    given.forEach((g, t) => (out[i]! += givenFactors[t]! * values[g]!));
  return out;
}
