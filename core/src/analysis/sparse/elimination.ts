import { blockColumns, blockWork, type Arena } from './kernels-types.js';
import type { Layout, Scratch } from './layout.js';

/** The structure of a factor, as far as the elimination needs it; see Symbolic. */
export interface PanelStructure {
  readonly unknowns: number;
  readonly superStart: Int32Array;
  readonly rowStart: Int32Array;
  readonly rows: Int32Array;
  readonly valueStart: Float64Array;
}

/** A pivot this small against its own diagonal is looked at as a possible mechanism. */
const suspicious = 1e-8;

/** A share of the rows of every panel, and what waits for the threads that have the others. */
export interface Team {
  /** Which share, of how many. */
  readonly part: number;
  readonly parts: number;
  /** Work of the leader that `factorBlock` fills and all read. */
  readonly leaderWork: number;
  /** Returns when all have come here. */
  meet(): void;
}

/**
 * Elimination of the panels by one thread, left-looking: each takes the updates of those factored before it that have rows in its
 * columns, kept in linked lists, and is factored by blocks of columns.
 */
export class Elimination {
  /** Suspicious pivots written to the scratch's list. */
  found = 0;
  /** Panels whose next rows to update belong to each panel, as linked lists; the next row within the panel. */
  private readonly head: Int32Array;
  private readonly link: Int32Array;
  private readonly nextRow: Int32Array;
  private readonly panelOf: Int32Array;
  private readonly local: Int32Array;

  constructor(
    private readonly structure: PanelStructure,
    private readonly arena: Arena,
    private readonly layout: Layout,
    private readonly scratch: Scratch,
  ) {
    const { unknowns, superStart } = structure;
    const panels = superStart.length - 1;
    this.head = new Int32Array(panels).fill(-1);
    this.link = new Int32Array(panels).fill(-1);
    this.nextRow = new Int32Array(panels);
    this.panelOf = new Int32Array(unknowns);
    for (let s = 0; s < panels; s++) this.panelOf.fill(s, superStart[s], superStart[s + 1]);
    this.local = new Int32Array(unknowns);
  }

  /** Hangs a panel that is factored to the next one that has some of its rows as columns, `beyond` the rows already used. */
  hang(s: number, beyond: number): void {
    const { rowStart, rows } = this.structure;
    if (rowStart[s]! + beyond >= rowStart[s + 1]!) return;
    this.nextRow[s] = beyond;
    const into = this.panelOf[rows[rowStart[s]! + beyond]!]!;
    this.link[s] = this.head[into]!;
    this.head[into] = s;
  }

  /** Forgets what hangs on panels. */
  clear(panels: Int32Array): void {
    for (const s of panels) this.head[s] = -1;
  }

  /** Factors a panel, alone or with a team each of which has a share of the rows. Returns the operations. */
  panel(s: number, team?: Team): number {
    const { superStart, rowStart, rows } = this.structure;
    const { ownRows } = this.scratch;
    const { integers } = this.arena;
    const first = superStart[s]!;
    const width = superStart[s + 1]! - first;
    const count = rowStart[s + 1]! - rowStart[s]!;
    for (let i = 0; i < count; i++) {
      this.local[rows[rowStart[s]! + i]!] = i * width;
      integers[ownRows + i] = i * width;
    }
    const [from, to] = team ? share(team, width, count) : [0, count];
    let done = 0;
    for (let d = this.head[s]!; d !== -1;) {
      const following = this.link[d]!;
      done += this.updateFrom(d, s, from, to);
      d = following;
    }
    team?.meet();
    done += this.factorColumns(s, width, count, team);
    this.hang(s, width);
    return done;
  }

  /** Subtracts what an earlier panel brings to the rows from … to of panel `s`; then it is hung to the next. */
  private updateFrom(d: number, s: number, from: number, to: number): number {
    const { superStart, rowStart, rows, valueStart } = this.structure;
    const { integers, kernels } = this.arena;
    const { rowOffsets, columnOffsets } = this.scratch;
    const first = superStart[s]!;
    const beyond = superStart[s + 1]!;
    const start = rowStart[d]! + this.nextRow[d]!;
    const end = rowStart[d + 1]!;
    let columns = start;
    while (columns < end && rows[columns]! < beyond) columns++;
    const depth = superStart[d + 1]! - superStart[d]!;
    // Of its rows those that are in the share; `row` is the first that comes after a place of panel s
    const row = (i: number) =>
      rowStart[s]! + i < rowStart[s + 1]! ? lowerBound(rows, start, end, rows[rowStart[s]! + i]!) : end;
    const low = from === 0 ? start : row(from);
    const high = row(to);
    // Columns right of the diagonal are not wanted
    const width = Math.min(columns, high) - start;
    if (high > low && width > 0) {
      for (let i = low; i < high; i++) integers[rowOffsets + i - low] = this.local[rows[i]!]!;
      for (let j = 0; j < width; j++) integers[columnOffsets + j] = rows[start + j]! - first;
      const a = valueStart[d]! + (start - rowStart[d]!) * depth;
      const b = this.signedRows(a, depth, width, depth, superStart[d]!);
      kernels.update(
        high - low,
        width,
        depth,
        a + (low - start) * depth,
        depth,
        b,
        depth,
        valueStart[s]!,
        rowOffsets,
        columnOffsets,
        low === start ? 1 : 0,
      );
    }
    this.hang(d, columns - rowStart[d]!);
    return 2 * (high - low) * width * depth;
  }

  /** Rows of `depth` numbers as they are, or where pivots from `column` on are negative a copy with their signs. */
  private signedRows(a: number, stride: number, count: number, depth: number, column: number): number {
    const { numbers } = this.arena;
    const signs = this.layout.signs + column;
    let negative = false;
    for (let k = 0; k < depth && !negative; k++) negative = numbers[signs + k]! < 0;
    if (!negative) return a;
    const b = this.scratch.work + blockWork;
    for (let j = 0; j < count; j++)
      for (let k = 0; k < depth; k++)
        numbers[b + j * stride + k] = numbers[a + j * stride + k]! * numbers[signs + k]!;
    return b;
  }

  private factorColumns(s: number, width: number, count: number, team?: Team): number {
    const { superStart, valueStart } = this.structure;
    const { integers, kernels } = this.arena;
    const { ownRows, suspects } = this.scratch;
    const column = superStart[s]!;
    const panel = valueStart[s]!;
    const signs = this.layout.signs + column;
    const work = team?.leaderWork ?? this.scratch.work;
    for (let first = 0; first < width; first += blockColumns) {
      const block = Math.min(blockColumns, width - first);
      if (first > 0) {
        const top = panel + first * width;
        const b = this.signedRows(top, width, block, first, column);
        for (let j = 0; j < block; j++) integers[ownRows + count + j] = first + j;
        const [from, to] = team ? part(team, first, count) : [first, count];
        kernels.update(
          to - from,
          block,
          first,
          panel + from * width,
          width,
          b,
          width,
          panel,
          ownRows + from,
          ownRows + count,
          from === first ? 1 : 0,
        );
        team?.meet();
      }
      if (!team || team.part === 0) {
        const list = suspects + this.found;
        const found = kernels.factorBlock(
          width,
          first,
          block,
          panel,
          signs,
          this.layout.diagonal + column,
          work,
          list,
          suspicious,
        );
        for (let k = 0; k < found; k++) integers[list + k]! += column;
        this.found += found;
      }
      team?.meet();
      const [from, to] = team ? part(team, first + block, count) : [first + block, count];
      kernels.solveRows(width, first, block, panel, signs, from, to, work);
      team?.meet();
    }
    return (width * width * count) / (team?.parts ?? 1);
  }
}

/** First place from … to whose entry is not below a value. */
function lowerBound(list: Int32Array, from: number, to: number, value: number): number {
  let [low, high] = [from, to];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Equal shares of the rows from … to. */
function part({ part: p, parts }: Team, from: number, to: number): [number, number] {
  const cut = (k: number) => from + Math.floor(((to - from) * k) / parts);
  return [cut(p), cut(p + 1)];
}

/** Shares of a panel's rows with equal work: the top square is a triangle, the rows below are full. */
function share({ part: p, parts }: Team, width: number, count: number): [number, number] {
  const all = (width * width) / 2 + (count - width) * width;
  const cut = (k: number): number => {
    if (k === parts) return count;
    const work = (all * k) / parts;
    const row = work <= (width * width) / 2 ? Math.sqrt(2 * work) : width + work / width - width / 2;
    return Math.min(count, Math.floor(row));
  };
  return [cut(p), cut(p + 1)];
}
