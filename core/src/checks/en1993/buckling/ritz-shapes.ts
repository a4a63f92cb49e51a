import { gaussPoints } from '../../../base/quadrature.js';
import type { Span, Stretch } from '../../members/lengths.js';

/** Shapes that a stretch buckles in, of one kind. */
export const terms = 8;
const panels = 8;
const gauss = gaussPoints(4);

/** Places of the quadrature along a span and their weights, m. */
export function quadrature({ from, to }: Span): { x: number; weight: number }[] {
  const h = (to - from) / panels;
  return Array.from({ length: panels }, (_, i) => from + i * h).flatMap((start) =>
    gauss.map(([place, weight]) => ({ x: start + place * h, weight: weight * h })),
  );
}

/** Adds factor · a·bᵀ to the square of a matrix of n rows that begins at a row and a column; on the diagonal its lower half alone. */
export function addProduct(
  { matrix, n, row, column }: { matrix: Float64Array; n: number; row: number; column: number },
  a: Float64Array,
  b: Float64Array,
  factor: number,
): void {
  for (let i = 0; i < terms; i++) {
    const start = n * (row + i) + column;
    const ai = factor * a[i]!;
    const last = row === column ? i : terms - 1;
    for (let j = 0; j <= last; j++) matrix[start + j]! += ai * b[j]!;
  }
}

/** Shapes along a stretch, filled at one place after the other: sine half-waves between its ends, powers from the root of a cantilever. */
export class Shapes {
  /** The shapes themselves, their first and second derivative at a place. */
  readonly value = new Float64Array(terms);
  readonly first = new Float64Array(terms);
  readonly second = new Float64Array(terms);

  /** @param least power of the root's distance: 2 where it does not turn, 1 where it does */
  constructor(
    private readonly stretch: Span & Pick<Stretch, 'free'>,
    private readonly least: 1 | 2,
  ) {}

  at(x: number): void {
    const { from, to, free } = this.stretch;
    const L = to - from;
    if (free) this.powers(free === 'end' ? x - from : to - x, L, free === 'end' ? 1 : -1);
    else this.halfWaves(x - from, L);
  }

  private halfWaves(t: number, L: number): void {
    for (let i = 0; i < terms; i++) {
      const k = ((i + 1) * Math.PI) / L;
      const sine = Math.sin(k * t);
      this.value[i] = sine;
      this.first[i] = k * Math.cos(k * t);
      this.second[i] = -k * k * sine;
    }
  }

  private powers(t: number, L: number, sense: number): void {
    for (let i = 0; i < terms; i++) {
      const n = this.least + i;
      const share = t / L;
      this.value[i] = share ** n;
      this.first[i] = (sense * n * share ** (n - 1)) / L;
      this.second[i] = n < 2 ? 0 : (n * (n - 1) * share ** (n - 2)) / L ** 2;
    }
  }
}
