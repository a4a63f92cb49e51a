import { ReusedArrays } from '../../base/reused-arrays.js';
import type { Constraints } from '../frame/constraints.js';
import type { Frame } from '../frame/frame.js';
import type { Plan } from '../first-order/plan.js';
import { Factor } from '../sparse/factor.js';
import type { FreedomMatrix } from '../second-order/linkage.js';
import type { Prepared } from '../first-order/static.js';
import {
  assembleFreedoms,
  assembleMembers,
  assembleSprings,
  expand,
  reduce,
  springMatrix,
} from '../first-order/system.js';
import { addToNodes, toMember } from '../frame/transform.js';
import {
  condenseMember,
  InnerEliminator,
  widest,
  type InnerElimination,
  type MemberPencil,
} from './inner-elimination.js';

/** Work on so many members takes about a thousandth of a second: a pause may come between. */
export const fewMembers = 64;

/** Memory of pencils that follow one another: a pencil is of no use any more when the next is made with it. */
export class PencilMemory {
  readonly matrices = new ReusedArrays();
  /** Of shifted pencils that were released. */
  private readonly spare: ReusedArrays[] = [];

  takeElimination(): ReusedArrays {
    const arrays = this.spare.pop() ?? new ReusedArrays();
    arrays.rewind();
    return arrays;
  }

  giveElimination(arrays: ReusedArrays): void {
    this.spare.push(arrays);
  }
}

/**
 * The pair of matrices K and B over a frame's unknowns and its members' inner unknowns. In K the inner unknowns are apart
 * from all others; B couples them. A vector holds the equations' unknowns first, then each member's inner ones.
 */
export class Pencil {
  readonly size: number;
  private readonly frame: Frame;
  private readonly constraints: Constraints;
  private readonly plan: Plan;
  private readonly members: readonly MemberPencil[];
  private readonly extraB: readonly FreedomMatrix[];
  readonly innerStart: Int32Array;
  private readonly nothing: Float64Array;
  private readonly springs: readonly FreedomMatrix[];
  private readonly sparseB: SmallMatrices;
  private readonly sparseK: SmallMatrices;
  /** For nodes' displacements, nodes' forces and the equations' forces while a vector is multiplied. */
  private readonly moves: Float64Array;
  private readonly forces: Float64Array;
  private readonly reduced: Float64Array;

  /** @param pause called in long work now and then; may throw to stop it */
  constructor(
    prepared: Prepared,
    members: readonly MemberPencil[],
    extraB: readonly FreedomMatrix[],
    private readonly pause: () => void = () => undefined,
    private readonly memory = new PencilMemory(),
  ) {
    this.frame = prepared.frame;
    this.constraints = prepared.constraints;
    this.plan = prepared.plan;
    this.members = members;
    this.extraB = extraB;
    this.innerStart = new Int32Array(members.length + 1);
    members.forEach(({ inner, B }, m) => {
      this.innerStart[m + 1] = this.innerStart[m]! + (B ? inner : 0);
    });
    this.size = this.plan.size + this.innerStart[members.length]!;
    this.nothing = new Float64Array(6 * this.frame.nodeIds.length);
    this.moves = new Float64Array(this.nothing.length);
    this.forces = new Float64Array(this.nothing.length);
    this.reduced = new Float64Array(this.plan.size);
    memory.matrices.rewind();
    const springs: FreedomMatrix[] = [];
    this.frame.nodeIds.forEach((_, n) => {
      const K = springMatrix(this.frame, n);
      if (K) springs.push({ freedoms: [0, 1, 2, 3, 4, 5].map((k) => 6 * n + k), K });
    });
    this.springs = springs;
    this.sparseB = new SmallMatrices(
      members.map(({ B }) => B),
      memory.matrices,
      pause,
    );
    this.sparseK = new SmallMatrices(
      members.map(({ K }) => K),
      memory.matrices,
      pause,
    );
  }

  /** Unknowns of the equations; a vector's further entries are inner ones. */
  get outer(): number {
    return this.plan.size;
  }

  /** Nodes' displacements of a vector, 6 a node, global. */
  nodes(x: Float64Array): Float64Array {
    return expand(this.constraints, this.plan, x, this.nothing);
  }

  /** A vector with given nodes' displacements, inner unknowns 0; what rigid groups or supports with their own axes tie stays 0. */
  vectorOf(u: Float64Array): Float64Array {
    const x = new Float64Array(this.size);
    this.plan.nodeEquation.forEach((e, i) => {
      if (e >= 0) x[e] = u[i]!;
    });
    return x;
  }

  /** A member's unknowns in a vector: ends (local), then inner ones; written to `z`, which may be longer. */
  memberVector(m: number, u: Float64Array, x: Float64Array, z: Float64Array): void {
    const count = this.innerStart[m + 1]! - this.innerStart[m]!;
    toMember(this.frame, m, u, z);
    const first = this.plan.size + this.innerStart[m]!;
    for (let k = 0; k < count; k++) z[12 + k] = x[first + k]!;
  }

  /** Nodes' displacements of a vector and zero forces of nodes, until the next vector is multiplied. */
  private begin(x: Float64Array): { u: Float64Array; forces: Float64Array } {
    this.pause();
    const u = expand(this.constraints, this.plan, x, this.nothing, this.moves);
    return { u, forces: this.forces.fill(0) };
  }

  /** B·x, written to all of `out`. */
  timesB(x: Float64Array, out: Float64Array = new Float64Array(this.size)): Float64Array {
    const { u, forces } = this.begin(x);
    const p = new Float64Array(widest);
    const z = new Float64Array(widest);
    for (let m = 0; m < this.members.length; m++) {
      const { B, inner } = this.members[m]!;
      if (!B) continue;
      toMember(this.frame, m, u, z);
      const n = 12 + inner;
      const first = this.plan.size + this.innerStart[m]!;
      for (let k = 0; k < inner; k++) z[12 + k] = x[first + k]!;
      this.sparseB.multiply(m, n, z, p);
      addToNodes(this.frame, m, p, 1, forces);
      for (let k = 0; k < inner; k++) out[first + k] = p[12 + k]!;
    }
    for (const { freedoms, K } of this.extraB) addFreedoms(freedoms, K, u, forces);
    out.set(reduce(this.constraints, this.plan, forces, this.reduced));
    return out;
  }

  /** K·x. */
  timesK(x: Float64Array): Float64Array {
    const { u, forces } = this.begin(x);
    const out = new Float64Array(this.size);
    const p = new Float64Array(12);
    const z = new Float64Array(12);
    for (let m = 0; m < this.members.length; m++) {
      const { Kinner, inner, B } = this.members[m]!;
      toMember(this.frame, m, u, z);
      this.sparseK.multiply(m, 12, z, p);
      addToNodes(this.frame, m, p, 1, forces);
      if (!B) continue;
      const first = this.plan.size + this.innerStart[m]!;
      for (let i = 0; i < inner; i++)
        for (let j = 0; j < inner; j++) out[first + i]! += Kinner[i * inner + j]! * x[first + j]!;
    }
    for (const { freedoms, K } of this.springs) addFreedoms(freedoms, K, u, forces);
    out.set(reduce(this.constraints, this.plan, forces, this.reduced));
    return out;
  }

  /** K − σ·B, factored. */
  shifted(sigma: number): ShiftedPencil {
    const factor = new Factor(this.plan.symbolic);
    let negatives = 0;
    // Members that share their matrices share the inner unknowns' elimination
    const known = new Map<Float64Array, InnerElimination>();
    const arrays = this.memory.takeElimination();
    const eliminator = new InnerEliminator(sigma, arrays);
    const condensed = this.members.map((member, m) => {
      if (m % fewMembers === 0) this.pause();
      const one = condenseMember(member, eliminator, known);
      negatives += one.negatives;
      return one;
    });
    const { values } = factor;
    const ends = new Float64Array(144);
    const endsOf = (m: number): Float64Array => {
      if (m % fewMembers === 0) this.pause();
      const { K } = this.members[m]!;
      const { off } = condensed[m]!;
      if (!off) return K;
      for (let i = 0; i < 144; i++) ends[i] = K[i]! - off[i]!;
      return ends;
    };
    assembleMembers(this.frame, this.constraints, this.plan, endsOf, values);
    assembleSprings(this.frame, this.constraints, this.plan, values);
    if (sigma !== 0)
      for (const { freedoms, K } of this.extraB)
        assembleFreedoms(
          this.constraints,
          this.plan,
          freedoms,
          K.map((value) => -sigma * value),
          values,
        );
    factor.factorize({ step: this.pause });
    return {
      factor,
      /** Eigenvalues of K·x = λ·B·x that lie between 0 and σ (Sylvester), for positive definite K or B. */
      negatives: negatives + factor.negatives - roundingPivots(factor),
      solve: (list) => this.solveShifted(factor, condensed, list),
      release: () => {
        factor.release();
        this.memory.giveElimination(arrays);
      },
    };
  }

  /** How many eigenvalues lie between 0 and σ (Sylvester), for positive definite K or B. */
  countBelow(sigma: number): number {
    const factored = this.shifted(sigma);
    factored.release();
    return factored.negatives;
  }

  private solveShifted(
    factor: Factor,
    condensed: readonly InnerElimination[],
    list: readonly Float64Array[],
  ): Float64Array[] {
    const { frame, constraints, plan } = this;
    const inner = list.map((f) => {
      this.pause();
      // Inner forces go to the ends: f_o − A_oi·A_ii⁻¹·f_i
      const forces = this.forces.fill(0);
      const p = new Float64Array(12);
      for (let m = 0; m < condensed.length; m++) {
        const member = condensed[m]!;
        const count = this.innerStart[m + 1]! - this.innerStart[m]!;
        if (count === 0 || !member.carry) continue;
        const first = plan.size + this.innerStart[m]!;
        for (let i = 0; i < 12; i++) {
          let sum = 0;
          for (let k = 0; k < count; k++) sum += member.carry[i * count + k]! * f[first + k]!;
          p[i] = sum;
        }
        addToNodes(frame, m, p, -1, forces);
      }
      const b = reduce(constraints, plan, forces);
      for (let e = 0; e < plan.size; e++) b[e]! += f[e]!;
      return b;
    });
    factor.solve(inner);
    return list.map((f, r) => {
      this.pause();
      const out = new Float64Array(this.size);
      out.set(inner[r]!);
      const u = expand(constraints, plan, out, this.nothing, this.moves);
      const z = new Float64Array(12);
      for (let m = 0; m < condensed.length; m++) {
        const member = condensed[m]!;
        const count = this.innerStart[m + 1]! - this.innerStart[m]!;
        if (count === 0) continue;
        const first = plan.size + this.innerStart[m]!;
        const { inverse } = member;
        for (let i = 0; i < count; i++) {
          let sum = 0;
          for (let k = 0; k < count; k++) sum += inverse[i * count + k]! * f[first + k]!;
          out[first + i] = sum;
        }
        if (!member.carry) continue;
        toMember(frame, m, u, z);
        const { carry } = member;
        for (let i = 0; i < 12; i++) {
          const x = z[i]!;
          for (let k = 0; k < count; k++) out[first + k]! -= carry[i * count + k]! * x;
        }
      }
      return out;
    });
  }
}

/** K − σ·B factored: its inertia, and solutions. */
export interface ShiftedPencil {
  readonly factor: Factor;
  readonly negatives: number;
  /** (K − σ·B)⁻¹ times each vector, as new vectors. */
  solve(list: readonly Float64Array[]): Float64Array[];
  /** Gives its memory to the next; nothing more is solved with it. */
  release(): void;
}

/** A diagonal below this share of the greatest is that of a freedom that nothing resists and nothing drives. */
const nothing = 1e-12;

/** Negative pivots of freedoms that have no stiffness of either kind, such as the spin of a hinged joint: their signs are rounding. */
function roundingPivots(factor: Factor): number {
  const { diagonals, signs } = factor;
  let greatest = 0;
  for (const value of diagonals) greatest = Math.max(greatest, Math.abs(value));
  let count = 0;
  for (let i = 0; i < signs.length; i++)
    if (signs[i]! < 0 && Math.abs(diagonals[i]!) <= nothing * greatest) count++;
  return count;
}

/** Small matrices without their zeros, one after the other: most of a member's freedoms do not meet. */
class SmallMatrices {
  private readonly rowStart: Int32Array;
  private readonly firstRow: Int32Array;
  private readonly columns: Uint8Array;
  private readonly values: Float64Array;

  constructor(matrices: readonly (Float64Array | undefined)[], arrays: ReusedArrays, pause: () => void) {
    const sizes = matrices.map((A) => (A ? Math.round(Math.sqrt(A.length)) : 0));
    this.firstRow = new Int32Array(matrices.length + 1);
    sizes.forEach((n, m) => (this.firstRow[m + 1] = this.firstRow[m]! + n));
    this.rowStart = new Int32Array(this.firstRow[matrices.length]! + 1);
    let count = 0;
    for (const A of matrices) if (A) for (let i = 0; i < A.length; i++) if (A[i] !== 0) count++;
    this.columns = new Uint8Array(count);
    this.values = arrays.take(count);
    let filled = 0;
    for (let m = 0; m < matrices.length; m++) {
      if (m % fewMembers === 0) pause();
      const A = matrices[m];
      if (A) filled = this.take(A, sizes[m]!, this.firstRow[m]!, filled);
    }
  }

  /** Takes the entries of a matrix of n rows. @returns how many are there now */
  private take(A: Float64Array, n: number, row: number, filled: number): number {
    const { rowStart, columns, values } = this;
    for (let i = 0; i < n; i++) {
      for (let j = 0; j < n; j++) {
        const value = A[i * n + j]!;
        if (value === 0) continue;
        columns[filled] = j;
        values[filled++] = value;
      }
      rowStart[row + i + 1] = filled;
    }
    return filled;
  }

  /** p ← A·z for matrix m of n rows. */
  multiply(m: number, n: number, z: Float64Array, p: Float64Array): void {
    const { rowStart, columns, values } = this;
    const first = this.firstRow[m]!;
    let k = rowStart[first]!;
    for (let i = 0; i < n; i++) {
      const end = rowStart[first + i + 1]!;
      let sum = 0;
      for (; k < end; k++) sum += values[k]! * z[columns[k]!]!;
      p[i] = sum;
    }
  }
}

function addFreedoms(
  freedoms: readonly number[],
  K: Float64Array,
  u: Float64Array,
  forces: Float64Array,
): void {
  const n = freedoms.length;
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) forces[freedoms[i]!]! += K[n * i + j]! * u[freedoms[j]!]!;
}
