import { generator } from '../../testing/random.js';
import type { AssessedSet } from './assessed-set.js';
import { inOrderOfMass, search, type Choice, type SearchGroup } from './search.js';

const passing: AssessedSet = { passes: true };
const failing: AssessedSet = { passes: false, ratio: 2, members: ['m'], over: [] };
const groupOf = (masses: readonly number[]): SearchGroup => ({ masses, isWeaker: (a, b) => a <= b });
const massOf = (groups: readonly SearchGroup[], choice: Choice) =>
  groups.reduce((sum, { masses }, g) => sum + masses[choice[g]!]!, 0);
const all = (groups: readonly SearchGroup[]): Choice[] =>
  groups.reduce<number[][]>(
    (lists, { masses }) => lists.flatMap((list) => masses.map((_, i) => [...list, i])),
    [[]],
  );

function run(
  groups: readonly SearchGroup[],
  passes: (choice: Choice) => boolean,
  exactUpTo = 2000,
  most = 1e6,
) {
  const parts = search(groups, (choice) => (passes(choice) ? passing : failing), { most, exactUpTo });
  for (;;) {
    const { done, value } = parts.next();
    if (done) return value;
  }
}

describe('search for the lightest set', () => {
  it('takes sets in order of mass, each once', () => {
    const random = generator(3);
    const rising = (count: number) => {
      let mass = 0;
      return groupOf(Array.from({ length: count }, () => (mass += 1 + 10 * random())));
    };
    const groups = [rising(5), rising(4), rising(3)];
    const order = [...inOrderOfMass(groups)];
    expect(new Set(order.map(String)).size).toBe(60);
    const masses = order.map((choice) => massOf(groups, choice));
    expect(masses).toEqual([...masses].sort((a, b) => a - b));
  });

  it('finds what trying all finds, whatever passes', () => {
    const random = generator(11);
    for (let round = 0; round < 40; round++) {
      let [a, b] = [0, 0];
      const groups = [
        groupOf(Array.from({ length: 6 }, () => (a += 1 + random()))),
        groupOf(Array.from({ length: 7 }, () => (b += 1 + random()))),
      ];
      const good = new Set(
        all(groups)
          .filter(() => random() < 0.2)
          .map(String),
      );
      const best = all(groups)
        .filter((choice) => good.has(String(choice)))
        .sort((p, q) => massOf(groups, p) - massOf(groups, q))[0];
      const found = run(groups, (choice) => good.has(String(choice)));
      expect(found.found).toEqual(best);
      expect(found.exact).toBeTrue();
      expect(found.sets).toBe(42);
    }
  });

  it('of equal masses takes the one whose first group is lighter', () => {
    const groups = [groupOf([1, 2]), groupOf([1, 2])];
    expect(run(groups, ([a = 0, b = 0]) => a + b === 1).found).toEqual([0, 1]);
  });

  it('beyond the exact sets needs fewer analyses where stronger sections never harm', () => {
    const groups = [0, 1, 2].map(() => groupOf(Array.from({ length: 20 }, (_, i) => i + 1)));
    const needs = (choice: Choice) => choice[0]! >= 7 && choice[1]! >= 4 && choice[0]! + choice[2]! >= 18;
    const exact = run(groups, needs, 8000);
    const quick = run(groups, needs, 2000);
    expect(massOf(groups, quick.found!)).toBe(massOf(groups, exact.found!));
    expect(quick.exact).toBeFalse();
    expect(quick.analyses).toBeLessThan(exact.analyses / 5);
  });

  it('stops at the most analyses, and says that nothing passes', () => {
    const groups = [groupOf([1, 2, 3])];
    expect(run(groups, () => false, 2000, 2)).toEqual(
      jasmine.objectContaining({ stopped: true, analyses: 2 }),
    );
    const none = run(groups, () => false);
    expect([none.found, none.stopped, none.analyses]).toEqual([undefined, false, 3]);
  });
});
