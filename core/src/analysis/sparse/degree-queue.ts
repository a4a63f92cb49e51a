const none = -1;

/** Vertices by their degree, to find one of the lowest; each is in the queue once. */
export class DegreeQueue {
  private readonly first: Int32Array;
  private readonly after: Int32Array;
  private readonly before: Int32Array;
  private readonly degreeOf: Int32Array;
  private lowest: number;

  /** @param most greatest degree that will be asked for */
  constructor(vertices: number, most: number) {
    this.first = new Int32Array(most + 1).fill(none);
    this.after = new Int32Array(vertices).fill(none);
    this.before = new Int32Array(vertices).fill(none);
    this.degreeOf = new Int32Array(vertices);
    this.lowest = most + 1;
  }

  add(vertex: number, degree: number): void {
    const second = this.first[degree]!;
    this.first[degree] = vertex;
    this.after[vertex] = second;
    this.before[vertex] = none;
    this.degreeOf[vertex] = degree;
    if (second !== none) this.before[second] = vertex;
    if (degree < this.lowest) this.lowest = degree;
  }

  remove(vertex: number): void {
    const before = this.before[vertex]!;
    const after = this.after[vertex]!;
    if (before === none) this.first[this.degreeOf[vertex]!] = after;
    else this.after[before] = after;
    if (after !== none) this.before[after] = before;
  }

  /** Takes a vertex of the lowest degree; the queue must hold one. */
  take(): number {
    while (this.first[this.lowest] === none) this.lowest++;
    const vertex = this.first[this.lowest]!;
    this.remove(vertex);
    return vertex;
  }
}
