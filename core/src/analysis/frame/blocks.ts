/** Numbers unknowns, those of one place as a block. */
export class Blocks {
  readonly weights: number[] = [];
  readonly blockOf: number[] = [];
  readonly slotOf: number[] = [];
  readonly positions: number[] = [];
  private place: (() => readonly number[]) | undefined;

  /** The next unknowns belong to a block there; without any there is none. */
  begin(place: () => readonly number[]): void {
    this.place = place;
  }

  /** @returns the number of one more unknown */
  next(): number {
    if (this.place) {
      this.weights.push(0);
      this.positions.push(...this.place());
      this.place = undefined;
    }
    const b = this.weights.length - 1;
    this.blockOf.push(b);
    this.slotOf.push(this.weights[b]!++);
    return this.blockOf.length - 1;
  }
}
