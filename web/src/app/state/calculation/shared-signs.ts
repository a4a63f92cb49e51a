/** Workers wait no longer than this for the page, ms: it may be in the background, where nothing is painted. */
const longestWait = 200;

/** Places in the shared memory: the version of the newest design; 1 while workers give way to the page. */
const newest = 0;
const busy = 1;

/** What the page tells its workers in the middle of their work, through memory that it shares with them. */
export class SharedSigns {
  /** @param memory two numbers, shared with the workers */
  constructor(readonly memory: Int32Array) {}

  /** Signs that the page sets; undefined where it may not share memory because it is not apart from other pages. */
  static ofPage(): SharedSigns | undefined {
    return globalThis.crossOriginIsolated
      ? new SharedSigns(new Int32Array(new SharedArrayBuffer(2 * Int32Array.BYTES_PER_ELEMENT)))
      : undefined;
  }

  setNewest(version: number): void {
    Atomics.store(this.memory, newest, version);
  }

  /** Whether the page has sent a newer design than this. */
  isOvertaken(version: number): boolean {
    return Atomics.load(this.memory, newest) > version;
  }

  /** The page has something to paint: workers that share its threads give way. */
  hold(): void {
    Atomics.store(this.memory, busy, 1);
  }

  release(): void {
    Atomics.store(this.memory, busy, 0);
    Atomics.notify(this.memory, busy);
  }

  /** Waits in a worker while the page is at work. */
  waitForPage(): void {
    if (Atomics.load(this.memory, busy) === 1) Atomics.wait(this.memory, busy, 1, longestWait);
  }
}
