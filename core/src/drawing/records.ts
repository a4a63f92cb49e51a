/** Records of some numbers each, in blocks that stay where they are. */
export class Records {
  /** The block that is being filled. */
  values = new Float32Array(0);
  private readonly full: Float32Array[] = [];
  private taken = 0;
  /** How many there are. */
  count = 0;

  /**
   * @param size numbers of a record
   * @param expected about how many there may be
   */
  constructor(
    private readonly size: number,
    private readonly expected: number,
  ) {}

  /** Makes room for one more. @returns from which index of `values` on its numbers are to be written; they are 0 */
  room(): number {
    if (this.taken + this.size > this.values.length) {
      this.full.push(this.values);
      this.values = new Float32Array(this.size * Math.max(this.count, this.expected, 1));
      this.taken = 0;
    }
    this.count++;
    return (this.taken += this.size) - this.size;
  }

  get length(): number {
    return this.count * this.size;
  }

  /** Writes all numbers from `at` on. */
  copyTo(all: Float32Array, at: number): void {
    for (const block of this.full) {
      all.set(block, at);
      at += block.length;
    }
    all.set(this.values.subarray(0, this.taken), at);
  }
}
