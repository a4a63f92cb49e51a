/** Undo and redo over immutable states. Changes of one gesture count as one. */
export class History<T> {
  private past: T[] = [];
  private future: T[] = [];
  private gesture: string | undefined;

  constructor(private now: T) {}

  get current(): T {
    return this.now;
  }

  get canUndo(): boolean {
    return this.past.length > 0;
  }

  /** The state to which undo goes back. */
  get previous(): T | undefined {
    return this.past.at(-1);
  }

  get canRedo(): boolean {
    return this.future.length > 0;
  }

  /** Makes `next` the current state; with the same `gesture` as before the earlier states of the gesture are dropped. */
  push(next: T, gesture?: string): void {
    if (next === this.now) return;
    if (gesture === undefined || gesture !== this.gesture) this.past.push(this.now);
    this.gesture = gesture;
    this.now = next;
    this.future = [];
  }

  /** The next change begins a new step even if it names the same gesture. */
  endGesture(): void {
    this.gesture = undefined;
  }

  undo(): void {
    const last = this.past.pop();
    if (last === undefined) return;
    this.future.push(this.now);
    this.now = last;
    this.gesture = undefined;
  }

  redo(): void {
    const next = this.future.pop();
    if (next === undefined) return;
    this.past.push(this.now);
    this.now = next;
    this.gesture = undefined;
  }
}
