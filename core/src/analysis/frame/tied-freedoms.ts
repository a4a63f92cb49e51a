import { dependent, type Constraints } from './constraints.js';
import type { Frame } from './frame.js';
import { entryPlace, type Plan } from '../first-order/plan.js';

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

/** @param freedoms 6 × node + freedom */
function tiedFreedoms(constraints: Constraints, plan: Plan, freedoms: readonly number[]): TiedFreedoms {
  const unknowns: number[] = [];
  const rows: number[][] = [];
  const factors: number[][] = [];
  const follow = (row: number, unknown: number, factor: number): void => {
    if (factor === 0) return;
    let p = unknowns.indexOf(unknown);
    if (p < 0) {
      p = unknowns.push(unknown) - 1;
      rows.push([]);
      factors.push([]);
    }
    rows[p]!.push(row);
    factors[p]!.push(factor);
  };
  for (const [row, i] of freedoms.entries()) {
    const u = constraints.unknown[i]!;
    if (u >= 0) follow(row, u, 1);
    else if (u === dependent) {
      const tie = constraints.dependents.get(i)!;
      for (let t = 0; t < tie.unknowns.length; t++) follow(row, tie.unknowns[t]!, tie.factors[t]!);
    }
  }
  return {
    rowCount: freedoms.length,
    ...columnsOf(rows, factors),
    places: placesOf(constraints, plan, unknowns),
  };
}

function columnsOf(
  rows: readonly (readonly number[])[],
  factors: readonly (readonly number[])[],
): Pick<TiedFreedoms, 'start' | 'rows' | 'factors'> {
  const start = new Int32Array(rows.length + 1);
  for (let p = 0; p < rows.length; p++) start[p + 1] = start[p]! + rows[p]!.length;
  const flat = { start, rows: new Int32Array(start.at(-1)!), factors: new Float64Array(start.at(-1)!) };
  for (let p = 0; p < rows.length; p++) {
    flat.rows.set(rows[p]!, start[p]);
    flat.factors.set(factors[p]!, start[p]);
  }
  return flat;
}

/** Places of the upper triangle's entries of unknowns, row by row. */
function placesOf(constraints: Constraints, plan: Plan, unknowns: readonly number[]): Float64Array {
  const count = unknowns.length;
  const places = new Float64Array((count * (count + 1)) / 2);
  let k = 0;
  for (let p = 0; p < count; p++)
    for (let q = p; q < count; q++) {
      const [u, v] = [unknowns[p]!, unknowns[q]!];
      // Only the lower half of a block is read
      places[k++] =
        plan.equation[u]! >= plan.equation[v]!
          ? entryPlace(plan, constraints, u, v)
          : entryPlace(plan, constraints, v, u);
    }
  return places;
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

/** The ties of members and of other lists of freedoms at nodes that supports or rigid groups tie, each found once for a frame's constraints. */
export class Ties {
  private static readonly kept = new WeakMap<Constraints, Ties>();
  private readonly members: (TiedFreedoms | undefined)[] = [];
  private readonly lists = new WeakMap<readonly number[], TiedFreedoms>();

  private constructor(
    private readonly constraints: Constraints,
    private readonly plan: Plan,
  ) {}

  static of(constraints: Constraints, plan: Plan): Ties {
    const known = Ties.kept.get(constraints);
    if (known?.plan === plan) return known;
    const made = new Ties(constraints, plan);
    Ties.kept.set(constraints, made);
    return made;
  }

  member(frame: Frame, m: number): TiedFreedoms {
    return (this.members[m] ??= tiedFreedoms(
      this.constraints,
      this.plan,
      Array.from({ length: 12 }, (_, k) => 6 * (k < 6 ? frame.start[m]! : frame.end[m]!) + (k % 6)),
    ));
  }

  /** @param freedoms a list that is used again and again */
  list(freedoms: readonly number[]): TiedFreedoms {
    const known = this.lists.get(freedoms);
    if (known) return known;
    const made = tiedFreedoms(this.constraints, this.plan, freedoms);
    this.lists.set(freedoms, made);
    return made;
  }
}
