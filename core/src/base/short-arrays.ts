/** Numbers of the first block and of the largest: each is four times the one before. A longer run has a block of its own. */
const [first, largest] = [64, 4096];

/**
 * Hands out short arrays of zeros as views of long ones: an array of its own for each of thousands costs more than what
 * is worked out in it. A block lives as long as any of its views.
 */
export class ShortArrays {
  private block = new Float64Array(0);
  private taken = 0;

  /** @returns `length` zeros that no one else has */
  take(length: number): Float64Array {
    if (this.taken + length > this.block.length) {
      const size = Math.min(largest, Math.max(first, 4 * this.block.length));
      this.block = new Float64Array(Math.max(size, length));
      this.taken = 0;
    }
    return this.block.subarray(this.taken, (this.taken += length));
  }
}
