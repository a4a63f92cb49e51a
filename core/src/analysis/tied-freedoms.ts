import { dependent, type Constraints } from './constraints.js';
import type { Frame } from './frame.js';
import { entryPlace, type Plan } from './plan.js';

/** How a few freedoms follow from the unknowns, u = B·q, and where the entries of Bᵀ·K·B lie in the panels. */
export interface TiedFreedoms {
  /** Rows of B. */
  readonly rowCount: number;
  /** The entries of column p of B are those from start[p] up to start[p + 1]. */
  readonly start: Int32Array;
  readonly rows: Int32Array;
  readonly factors: Float64Array;
  /** Place of the entry of columns p and q ≥ p, row by row of the upper triangle. */
  readonly places: Float64Array;
}

/** The unknowns that a freedom follows, with factors. */
function unknownsOf(
  constraints: Constraints,
  i: number,
): { unknowns: readonly number[]; factors: readonly number[] } {
  const u = constraints.unknown[i]!;
  if (u >= 0) return { unknowns: [u], factors: [1] };
  if (u === dependent) return constraints.dependents.get(i)!;
  return { unknowns: [], factors: [] };
}

/** @param freedoms 6 × node + freedom */
export function tiedFreedoms(
  constraints: Constraints,
  plan: Plan,
  freedoms: readonly number[],
): TiedFreedoms {
  const columns = new Map<number, { rows: number[]; factors: number[] }>();
  freedoms.forEach((i, row) => {
    const { unknowns, factors } = unknownsOf(constraints, i);
    unknowns.forEach((u, t) => {
      if (factors[t] === 0) return;
      let column = columns.get(u);
      if (!column) columns.set(u, (column = { rows: [], factors: [] }));
      column.rows.push(row);
      column.factors.push(factors[t]!);
    });
  });
  const unknowns = [...columns.keys()];
  const list = [...columns.values()];
  const start = new Int32Array(list.length + 1);
  list.forEach(({ rows }, p) => (start[p + 1] = start[p]! + rows.length));
  const places: number[] = [];
  unknowns.forEach((u, p) => {
    for (const v of unknowns.slice(p)) {
      // Only the lower half of a block is read
      const [high, low] = plan.equation[u]! >= plan.equation[v]! ? [u, v] : [v, u];
      places.push(entryPlace(plan, constraints, high, low));
    }
  });
  return {
    rowCount: freedoms.length,
    start,
    rows: Int32Array.from(list.flatMap(({ rows }) => rows)),
    factors: Float64Array.from(list.flatMap(({ factors }) => factors)),
    places: Float64Array.from(places),
  };
}

/** Adds Bᵀ·K·B of a symmetric matrix over the freedoms (row-major) to the panels. */
export function addTied(
  { rowCount: n, start, rows, factors, places }: TiedFreedoms,
  K: Float64Array,
  values: Float64Array,
  work = new Float64Array(n),
): void {
  const columns = start.length - 1;
  let place = 0;
  for (let p = 0; p < columns; p++) {
    // work = K · column p
    work.fill(0, 0, n);
    for (let t = start[p]!; t < start[p + 1]!; t++) {
      const row = n * rows[t]!;
      const factor = factors[t]!;
      for (let i = 0; i < n; i++) work[i]! += factor * K[row + i]!;
    }
    for (let q = p; q < columns; q++) {
      let sum = 0;
      for (let t = start[q]!; t < start[q + 1]!; t++) sum += factors[t]! * work[rows[t]!]!;
      values[places[place++]!]! += sum;
    }
  }
}

/** The ties of members at nodes that supports or rigid groups tie, each found once for a frame's constraints. */
export class TiedMembers {
  private static readonly kept = new WeakMap<Constraints, TiedMembers>();
  private readonly members: (TiedFreedoms | undefined)[] = [];

  private constructor(
    private readonly constraints: Constraints,
    private readonly plan: Plan,
  ) {}

  static of(constraints: Constraints, plan: Plan): TiedMembers {
    const known = TiedMembers.kept.get(constraints);
    if (known?.plan === plan) return known;
    const made = new TiedMembers(constraints, plan);
    TiedMembers.kept.set(constraints, made);
    return made;
  }

  member(frame: Frame, m: number): TiedFreedoms {
    return (this.members[m] ??= tiedFreedoms(
      this.constraints,
      this.plan,
      Array.from({ length: 12 }, (_, k) => 6 * (k < 6 ? frame.start[m]! : frame.end[m]!) + (k % 6)),
    ));
  }
}
