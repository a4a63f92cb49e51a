import type { ReusedArrays } from '../../base/reused-arrays.js';
import { invertInto } from '../first-order/dense.js';
import { negativePivotsOf } from '../frame/inertia.js';

/** Most unknowns of one member: 12 at its ends, 12 behind hinges, and shapes. */
export const widest = 80;

/** What one member brings to K − σ·B: ends (12, local) first, then its inner unknowns. */
export interface MemberPencil {
  readonly inner: number;
  /** 12 × 12, local, inner unknowns condensed. */
  readonly K: Float64Array;
  readonly Kinner: Float64Array;
  /** (12 + inner)², undefined where the member brings nothing. */
  readonly B: Float64Array | undefined;
}

/** What eliminating a member's inner unknowns brings, apart from its own K. */
export interface InnerElimination {
  readonly negatives: number;
  /** A_ii⁻¹. */
  readonly inverse: Float64Array;
  /** A_oi·A_ii⁻¹, 12 × inner; undefined where the inner unknowns are apart. */
  readonly carry: Float64Array | undefined;
  /** What is taken off the ends' K, 12 × 12; undefined where nothing is. */
  readonly off: Float64Array | undefined;
}

/** What eliminating the inner unknowns of a member brings; members that share their B share it. */
export function condenseMember(
  { Kinner, B, inner }: MemberPencil,
  eliminator: InnerEliminator,
  known: Map<Float64Array, InnerElimination>,
): InnerElimination {
  if (!B) return { negatives: 0, inverse: Kinner, carry: undefined, off: undefined };
  let elimination = known.get(B);
  if (!elimination) known.set(B, (elimination = eliminator.eliminate(Kinner, B, inner)));
  return elimination;
}

/** Eliminates members' inner unknowns from K − σ·B, one after the other. */
export class InnerEliminator {
  private readonly work = new Float64Array(widest * widest);

  /** @param arrays for what the eliminations hold */
  constructor(
    private readonly sigma: number,
    private readonly arrays: ReusedArrays,
  ) {}

  eliminate(Kinner: Float64Array, B: Float64Array, inner: number): InnerElimination {
    const { sigma } = this;
    const inverse = this.arrays.take(inner * inner);
    invertInto(this.shifted(Kinner, B, inner), inner, inverse);
    if (sigma === 0) return { negatives: 0, inverse, carry: undefined, off: undefined };
    const n = 12 + inner;
    const carry = this.arrays.take(12 * inner);
    for (let i = 0; i < 12; i++)
      for (let k = 0; k < inner; k++) {
        let sum = 0;
        for (let j = 0; j < inner; j++) sum -= sigma * B[i * n + 12 + j]! * inverse[j * inner + k]!;
        carry[i * inner + k] = sum;
      }
    const off = this.arrays.take(144);
    for (let i = 0; i < 12; i++)
      for (let j = i; j < 12; j++) {
        let sum = sigma * B[i * n + j]!;
        for (let k = 0; k < inner; k++) sum -= carry[i * inner + k]! * sigma * B[j * n + 12 + k]!;
        off[12 * i + j] = off[12 * j + i] = sum;
      }
    return { negatives: negativePivotsOf(this.shifted(Kinner, B, inner), inner), inverse, carry, off };
  }

  /** K − σ·B of the inner unknowns, in memory that is used again. */
  private shifted(Kinner: Float64Array, B: Float64Array, inner: number): Float64Array {
    const { sigma, work } = this;
    const n = 12 + inner;
    for (let i = 0; i < inner; i++)
      for (let j = 0; j < inner; j++)
        work[i * inner + j] = Kinner[i * inner + j]! - sigma * B[(12 + i) * n + 12 + j]!;
    return work;
  }
}
