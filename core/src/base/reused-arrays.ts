/** Numbers of a block: a longer array has one of its own. */
const blockSize = 32_768;

/**
 * Hands out arrays of zeros as views of blocks that it keeps: what is worked out again and again, such as one combination
 * after the other, goes into the same memory. Making memory anew costs a good part of what is worked out in it.
 */
export class ReusedArrays {
  private readonly blocks: Float64Array[] = [];
  /** The block that is being handed out, and how much of it is. */
  private current = -1;
  private taken = 0;

  /** @returns `length` zeros that no one else has until `rewind` */
  take(length: number): Float64Array {
    if (this.current < 0 || this.taken + length > this.blocks[this.current]!.length) this.nextBlock(length);
    const from = this.taken;
    this.taken += length;
    return this.blocks[this.current]!.subarray(from, this.taken).fill(0);
  }

  /** Takes everything back: arrays that were handed out are handed out again and must not be used any more. */
  rewind(): void {
    this.current = -1;
    this.taken = 0;
  }

  /** Goes on to the next block that is large enough. */
  private nextBlock(length: number): void {
    this.taken = 0;
    do this.current++;
    while (this.current < this.blocks.length && this.blocks[this.current]!.length < length);
    if (this.current === this.blocks.length) this.blocks.push(new Float64Array(Math.max(blockSize, length)));
  }
}
