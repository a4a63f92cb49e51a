import type { Constraints } from '../constraints.js';
import { invert } from '../dense.js';
import type { Frame } from '../frame.js';
import { negativePivots } from '../inertia.js';
import type { Plan } from '../plan.js';
import { Factor } from '../sparse/factor.js';
import type { FreedomMatrix } from '../second-order/linkage.js';
import type { Prepared } from '../static.js';
import {
  assembleFreedoms,
  assembleMembers,
  assembleSprings,
  expand,
  reduce,
  springMatrix,
} from '../system.js';
import { addToNodes, toMember } from '../transform.js';

/** Work on so many members takes about a thousandth of a second: a pause may come between. */
export const fewMembers = 64;

/** Most unknowns of one member: 12 at its ends, 12 behind hinges, and shapes. */
const widest = 80;

/** What one member brings to K − σ·B: ends (12, local) first, then its inner unknowns. */
export interface MemberPencil {
  readonly inner: number;
  /** 12 × 12, local, inner unknowns condensed. */
  readonly K: Float64Array;
  readonly Kinner: Float64Array;
  /** (12 + inner)², undefined where the member brings nothing. */
  readonly B: Float64Array | undefined;
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
  private readonly innerStart: Int32Array;
  private readonly nothing: Float64Array;
  private readonly springs: readonly FreedomMatrix[];
  private readonly sparseB: SmallMatrices;
  private readonly sparseK: SmallMatrices;

  /** @param pause called in long work now and then; may throw to stop it */
  constructor(
    prepared: Prepared,
    members: readonly MemberPencil[],
    extraB: readonly FreedomMatrix[],
    private readonly pause: () => void = () => undefined,
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
    const springs: FreedomMatrix[] = [];
    this.frame.nodeIds.forEach((_, n) => {
      const K = springMatrix(this.frame, n);
      if (K) springs.push({ freedoms: [0, 1, 2, 3, 4, 5].map((k) => 6 * n + k), K });
    });
    this.springs = springs;
    this.sparseB = new SmallMatrices(members.map(({ B }) => B));
    this.sparseK = new SmallMatrices(members.map(({ K }) => K));
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

  /** A member's unknowns in a vector: ends (local), then inner ones. */
  memberVector(m: number, u: Float64Array, x: Float64Array): Float64Array {
    const member = this.members[m]!;
    const count = this.innerStart[m + 1]! - this.innerStart[m]!;
    const z = new Float64Array(12 + member.inner);
    toMember(this.frame, m, u, z);
    const first = this.plan.size + this.innerStart[m]!;
    for (let k = 0; k < count; k++) z[12 + k] = x[first + k]!;
    return z;
  }

  /** B·x. */
  timesB(x: Float64Array): Float64Array {
    this.pause();
    const u = this.nodes(x);
    const forces = new Float64Array(u.length);
    const out = new Float64Array(this.size);
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
    out.set(reduce(this.constraints, this.plan, forces));
    return out;
  }

  /** K·x. */
  timesK(x: Float64Array): Float64Array {
    this.pause();
    const u = this.nodes(x);
    const forces = new Float64Array(u.length);
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
    out.set(reduce(this.constraints, this.plan, forces));
    return out;
  }

  /** K − σ·B, factored. */
  shifted(sigma: number): ShiftedPencil {
    const factor = new Factor(this.plan.symbolic);
    let negatives = 0;
    // Members that share their matrices share the inner unknowns' elimination
    const known = new Map<Float64Array, InnerElimination>();
    const condensed = this.members.map((member, m) => {
      if (m % fewMembers === 0) this.pause();
      const one = condenseMember(member, sigma, known);
      negatives += one.negatives;
      return one;
    });
    assembleMembers(this.frame, this.constraints, this.plan, (m) => condensed[m]!.K, factor.values);
    assembleSprings(this.frame, this.constraints, this.plan, factor.values);
    if (sigma !== 0)
      for (const { freedoms, K } of this.extraB)
        assembleFreedoms(
          this.constraints,
          this.plan,
          freedoms,
          K.map((value) => -sigma * value),
          factor.values,
        );
    factor.factorize();
    return {
      factor,
      /** Eigenvalues of K·x = λ·B·x that lie between 0 and σ (Sylvester), for positive definite K or B. */
      negatives: negatives + factor.negatives,
      solve: (list) => this.solveShifted(factor, condensed, list),
    };
  }

  private solveShifted(
    factor: Factor,
    condensed: readonly CondensedMember[],
    list: readonly Float64Array[],
  ): Float64Array[] {
    const { frame, constraints, plan } = this;
    const inner = list.map((f) => {
      // Inner forces go to the ends: f_o − A_oi·A_ii⁻¹·f_i
      const forces = new Float64Array(this.nothing.length);
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
      const out = new Float64Array(this.size);
      out.set(inner[r]!);
      const u = this.nodes(out);
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
}

/** Small matrices without their zeros, one after the other: most of a member's freedoms do not meet. */
class SmallMatrices {
  private readonly rowStart: Int32Array;
  private readonly firstRow: Int32Array;
  private readonly columns: Uint8Array;
  private readonly values: Float64Array;

  constructor(matrices: readonly (Float64Array | undefined)[]) {
    const sizes = matrices.map((A) => (A ? Math.round(Math.sqrt(A.length)) : 0));
    this.firstRow = new Int32Array(matrices.length + 1);
    sizes.forEach((n, m) => (this.firstRow[m + 1] = this.firstRow[m]! + n));
    this.rowStart = new Int32Array(this.firstRow[matrices.length]! + 1);
    let count = 0;
    for (const A of matrices) if (A) for (const value of A) if (value !== 0) count++;
    this.columns = new Uint8Array(count);
    this.values = new Float64Array(count);
    let filled = 0;
    matrices.forEach((A, m) => {
      const n = sizes[m]!;
      for (let i = 0; i < n; i++) {
        for (let j = 0; j < n; j++) {
          const value = A![i * n + j]!;
          if (value === 0) continue;
          this.columns[filled] = j;
          this.values[filled++] = value;
        }
        this.rowStart[this.firstRow[m]! + i + 1] = filled;
      }
    });
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

interface CondensedMember {
  /** Ends' matrix with the inner unknowns condensed. */
  readonly K: Float64Array;
  readonly negatives: number;
  /** A_ii⁻¹. */
  readonly inverse: Float64Array;
  /** A_oi·A_ii⁻¹, 12 × inner; undefined where the inner unknowns are apart. */
  readonly carry: Float64Array | undefined;
}

/** What eliminating a member's inner unknowns brings, apart from its own K. */
interface InnerElimination {
  readonly negatives: number;
  readonly inverse: Float64Array;
  readonly carry: Float64Array | undefined;
  /** What is taken off the ends' K, 12 × 12. */
  readonly off: Float64Array | undefined;
}

function condenseMember(
  { K, Kinner, B, inner }: MemberPencil,
  sigma: number,
  known: Map<Float64Array, InnerElimination>,
): CondensedMember {
  if (!B) return { K, negatives: 0, inverse: Kinner, carry: undefined };
  let elimination = known.get(B);
  if (!elimination) known.set(B, (elimination = eliminateInner(Kinner, B, inner, sigma)));
  const { negatives, inverse, carry, off } = elimination;
  return { K: off ? K.map((value, i) => value - off[i]!) : K, negatives, inverse, carry };
}

function eliminateInner(
  Kinner: Float64Array,
  B: Float64Array,
  inner: number,
  sigma: number,
): InnerElimination {
  const n = 12 + inner;
  const A = Kinner.slice();
  if (sigma !== 0)
    for (let i = 0; i < inner; i++)
      for (let j = 0; j < inner; j++) A[i * inner + j]! -= sigma * B[(12 + i) * n + 12 + j]!;
  const inverse = inner > 0 ? invert(A, inner) : A;
  if (sigma === 0) return { negatives: 0, inverse, carry: undefined, off: undefined };
  const carry = new Float64Array(12 * inner);
  for (let i = 0; i < 12; i++)
    for (let k = 0; k < inner; k++) {
      let sum = 0;
      for (let j = 0; j < inner; j++) sum -= sigma * B[i * n + 12 + j]! * inverse[j * inner + k]!;
      carry[i * inner + k] = sum;
    }
  const off = new Float64Array(144);
  for (let i = 0; i < 12; i++)
    for (let j = i; j < 12; j++) {
      let sum = sigma * B[i * n + j]!;
      for (let k = 0; k < inner; k++) sum -= carry[i * inner + k]! * sigma * B[j * n + 12 + k]!;
      off[12 * i + j] = off[12 * j + i] = sum;
    }
  return { negatives: negativePivots(A, inner), inverse, carry, off };
}
