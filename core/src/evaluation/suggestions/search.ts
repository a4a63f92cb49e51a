import type { AssessedSet } from './assessed-set.js';

/** Sections of a group in order of their mass: the mass that each brings, kg, and whether one is in nothing stronger than another. */
export interface SearchGroup {
  readonly masses: readonly number[];
  isWeaker(a: number, b: number): boolean;
}

/** Sections by their numbers, one a group. */
export type Choice = readonly number[];

export interface SearchOptions {
  /** Analyses at the most. */
  readonly most: number;
  /** Sets up to which all lighter ones are tried, so that the answer is exact. */
  readonly exactUpTo: number;
  /** Mass of a set where it is not the sum over the groups. */
  readonly massOf?: (choice: Choice) => number;
}

/** How far a search has come. */
export interface SearchState {
  readonly sets: number;
  readonly analyses: number;
  readonly exact: boolean;
  readonly found?: Choice;
  /** Analyses are used up before the answer is certain. */
  readonly stopped: boolean;
  /** Sets that were analysed, in order. */
  readonly tried: readonly { readonly choice: Choice; readonly result: AssessedSet }[];
}

/** Masses nearer than this to one another are equal. */
const alike = 1e-9;

/**
 * Looks for the lightest choice that passes: in order of mass, so that the first that passes is the answer. Beyond `exactUpTo` sets, a
 * choice that is in no group stronger than one that failed is taken to fail too, and before it goes on it looks how light each group can
 * be while all others are at their heaviest.
 *
 * @param assess looks whether a choice passes
 * @returns after each analysis how far it has come
 */
export function* search(
  groups: readonly SearchGroup[],
  assess: (choice: Choice) => AssessedSet,
  { most, exactUpTo, massOf }: SearchOptions,
): Generator<SearchState, SearchState> {
  const sets = groups.reduce((product, { masses }) => product * masses.length, 1);
  const exact = sets <= exactUpTo;
  const tried: { choice: Choice; result: AssessedSet }[] = [];
  const state = (more: Partial<SearchState> = {}): SearchState => ({
    sets,
    analyses: tried.length,
    exact,
    stopped: false,
    tried,
    ...more,
  });
  const look = (choice: Choice): AssessedSet => {
    const result = assess(choice);
    tried.push({ choice, result });
    return result;
  };
  const failed = new Failed(groups);
  if (!exact)
    for (const g of groups.keys()) {
      // How light the group can be while all others are at their heaviest
      const beside = (index: number) => groups.map(({ masses }, k) => (k === g ? index : masses.length - 1));
      let [low, high] = [-1, groups[g]!.masses.length - 1];
      while (high - low > 1) {
        if (tried.length >= most) return state({ stopped: true });
        const middle = (low + high) >> 1;
        if (look(beside(middle)).passes) high = middle;
        else failed.add(beside((low = middle)));
        yield state();
      }
    }
  const ordered = massOf && exact ? byMass(groups, massOf) : inOrderOfMass(groups);
  for (const choice of ordered) {
    if (!exact && failed.covers(choice)) continue;
    if (tried.length >= most) return state({ stopped: true });
    if (look(choice).passes) return state({ found: choice });
    if (!exact) failed.add(choice);
    yield state();
  }
  return state();
}

/** Choices that failed, and with them all that are in no group stronger. */
class Failed {
  private readonly list: Choice[] = [];

  constructor(private readonly groups: readonly SearchGroup[]) {}

  covers(choice: Choice): boolean {
    return this.list.some((failed) => this.isWeaker(choice, failed));
  }

  add(choice: Choice): void {
    for (let k = this.list.length - 1; k >= 0; k--)
      if (this.isWeaker(this.list[k]!, choice)) this.list.splice(k, 1);
    this.list.push(choice);
  }

  private isWeaker(a: Choice, b: Choice): boolean {
    return this.groups.every((group, k) => group.isWeaker(a[k]!, b[k]!));
  }
}

/** All choices by a mass that is no sum over the groups. */
function byMass(groups: readonly SearchGroup[], massOf: (choice: Choice) => number): Choice[] {
  return [...inOrderOfMass(groups)]
    .map((choice) => ({ choice, mass: massOf(choice) }))
    .sort(byMassThenGroups)
    .map(({ choice }) => choice);
}

interface Weighed {
  readonly choice: Choice;
  readonly mass: number;
}

/** By mass; of equal masses the one whose first group has the lighter section, then the second. */
function byMassThenGroups(a: Weighed, b: Weighed): number {
  if (Math.abs(a.mass - b.mass) > alike * Math.max(a.mass, b.mass)) return a.mass - b.mass;
  const k = a.choice.findIndex((value, g) => value !== b.choice[g]);
  return k < 0 ? 0 : a.choice[k]! - b.choice[k]!;
}

/** Choices by the sum of their masses, one after the other, from a heap of those that come next. */
export function* inOrderOfMass(groups: readonly SearchGroup[]): Generator<Choice> {
  const weigh = (choice: Choice): Weighed => ({
    choice,
    mass: groups.reduce((sum, { masses }, g) => sum + masses[choice[g]!]!, 0),
  });
  const heap = new Heap([weigh(groups.map(() => 0))]);
  for (let next = heap.take(); next; next = heap.take()) {
    const { choice } = next;
    yield choice;
    // Each choice is made from one other only: the one that is less in its last group above the lightest
    const last = choice.findLastIndex((value) => value > 0);
    for (let g = Math.max(0, last); g < groups.length; g++)
      if (choice[g]! + 1 < groups[g]!.masses.length)
        heap.add(weigh(choice.map((value, k) => (k === g ? value + 1 : value))));
  }
}

/** Weighed choices of which the lightest is taken first. */
class Heap {
  constructor(private readonly list: Weighed[]) {}

  add(one: Weighed): void {
    const { list } = this;
    let k = list.push(one) - 1;
    while (k > 0) {
      const up = (k - 1) >> 1;
      if (byMassThenGroups(list[up]!, list[k]!) <= 0) break;
      this.swap(up, k);
      k = up;
    }
  }

  take(): Weighed | undefined {
    const { list } = this;
    const first = list[0];
    const last = list.pop();
    if (!first || list.length === 0) return first;
    list[0] = last!;
    for (let k = 0; ;) {
      let least = k;
      for (const child of [2 * k + 1, 2 * k + 2])
        if (child < list.length && byMassThenGroups(list[child]!, list[least]!) < 0) least = child;
      if (least === k) return first;
      this.swap(least, k);
      k = least;
    }
  }

  private swap(a: number, b: number): void {
    [this.list[a], this.list[b]] = [this.list[b]!, this.list[a]!];
  }
}
