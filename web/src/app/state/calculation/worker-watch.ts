/** A worker that owes something and says nothing for so long is given up, ms. */
export const longestSilence = 10_000;
/** How often it is looked, ms. */
export const lookEvery = 1000;

/** What workers owe, and how long they have said nothing. */
export class WorkerWatch {
  private readonly workers = new Map<number, { owed: Set<string>; silent: number }>();

  /** A worker was asked for something. */
  owes(worker: number, what: string): void {
    const known = this.workers.get(worker);
    if (known) known.owed.add(what);
    else this.workers.set(worker, { owed: new Set([what]), silent: 0 });
  }

  /** A worker has said something. */
  heard(worker: number): void {
    const known = this.workers.get(worker);
    if (known) known.silent = 0;
  }

  /** A worker has given what it owed. */
  given(worker: number, what: string): void {
    const known = this.workers.get(worker);
    known?.owed.delete(what);
    if (known?.owed.size === 0) this.workers.delete(worker);
  }

  /** A worker is gone. */
  forget(worker: number): void {
    this.workers.delete(worker);
  }

  /**
   * Time has passed since it was last looked; returns the workers that are to be given up. A page that was asleep meanwhile counts one
   * look, for its workers slept too.
   */
  look(passed: number): number[] {
    const counted = Math.min(passed, 2 * lookEvery);
    const found: number[] = [];
    for (const [worker, one] of this.workers) {
      one.silent += counted;
      if (one.silent > longestSilence) found.push(worker);
    }
    return found;
  }
}
