import { distance, type Point } from '../vector.js';

/** Points by cells of space, to find those near a place without looking at all of them. */
export class PointGrid {
  /** By a number that mixes the three of a cell: other cells may share it, and distances decide. */
  private readonly cells = new Map<number, { id: string; at: Point }[]>();

  /** @param reach greatest distance that will be asked for, m */
  constructor(private readonly reach: number) {}

  private cell(v: number): number {
    return Math.floor(v / (2 * this.reach));
  }

  add(id: string, at: Point): void {
    const key = mixed(this.cell(at[0]), this.cell(at[1]), this.cell(at[2]));
    const list = this.cells.get(key);
    if (list) list.push({ id, at });
    else this.cells.set(key, [{ id, at }]);
  }

  /** The first point added within reach of a place, or undefined. */
  firstAt(at: Point): string | undefined {
    let found: string | undefined;
    let order = Infinity;
    const { reach } = this;
    const range = (v: number) => [this.cell(v - reach), this.cell(v + reach)] as const;
    const [x0, x1] = range(at[0]);
    const [y0, y1] = range(at[1]);
    const [z0, z1] = range(at[2]);
    for (let x = x0; x <= x1; x++)
      for (let y = y0; y <= y1; y++)
        for (let z = z0; z <= z1; z++) {
          const list = this.cells.get(mixed(x, y, z));
          if (!list) continue;
          for (const point of list) {
            const d = distance(point.at, at);
            if (d < reach && d < order) {
              order = d;
              found = point.id;
            }
          }
        }
    return found;
  }
}

/** One number of three, spread by odd primes. */
const mixed = (x: number, y: number, z: number): number =>
  Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791);

/** Points sorted along each axis, to find those in the box around a line. */
export class PointOrder {
  private readonly sorted: readonly { values: Float64Array; points: readonly { id: string; at: Point }[] }[];

  constructor(points: readonly { id: string; at: Point }[]) {
    this.sorted = [0, 1, 2].map((k) => {
      const order = [...points].sort((a, b) => a.at[k]! - b.at[k]!);
      return { values: Float64Array.from(order, (p) => p.at[k]!), points: order };
    });
  }

  /** Points in the box between a and b, widened by `slack`. */
  within(a: Point, b: Point, slack: number): { id: string; at: Point }[] {
    const ranges = this.sorted.map(({ values }, k) => {
      const low = Math.min(a[k]!, b[k]!) - slack;
      const high = Math.max(a[k]!, b[k]!) + slack;
      return [lowerBound(values, low), lowerBound(values, high)] as const;
    });
    let best = 0;
    for (const k of [1, 2]) if (ranges[k]![1] - ranges[k]![0] < ranges[best]![1] - ranges[best]![0]) best = k;
    const out: { id: string; at: Point }[] = [];
    const { points } = this.sorted[best]!;
    for (let i = ranges[best]![0]; i < ranges[best]![1]; i++) {
      const point = points[i]!;
      const inside = [0, 1, 2].every(
        (k) =>
          point.at[k]! >= Math.min(a[k]!, b[k]!) - slack && point.at[k]! <= Math.max(a[k]!, b[k]!) + slack,
      );
      if (inside) out.push(point);
    }
    return out;
  }
}

/** Index of the first value that is not below `wanted`. */
function lowerBound(values: Float64Array, wanted: number): number {
  let [low, high] = [0, values.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (values[middle]! < wanted) low = middle + 1;
    else high = middle;
  }
  return low;
}
