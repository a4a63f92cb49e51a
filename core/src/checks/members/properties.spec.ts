import { catalogue } from '../../sections/catalogue/index.js';
import { axial, barModel, checkFile, type CheckedBar } from '../../testing/checks.js';
import { generator } from '../../testing/random.js';
import type { CodeName, Load, MemberDesign } from '../../model/types.js';
import { MemberChecker } from '../check-members.js';
import { analyse, prepareFrame } from '../../analysis/index.js';
import { unwrapped } from '../../base/problem.js';
import { resultSelections } from '../../results/index.js';

const steel = catalogue.filter(({ material }) => (material ?? 'steel') === 'steel');
const codes: readonly CodeName[] = ['EN1993', 'AISC360'];

/** A bar of a random profile under random loads of all kinds; `size` scales the loads. */
function randomBar(random: () => number, size = 1): CheckedBar & { profile: string } {
  const entry = steel[Math.floor(random() * steel.length)]!;
  const L = 1 + 7 * random();
  const signed = (value: number) => value * (2 * random() - 1) * size;
  const loads: Load[] = [
    axial(signed(4e5)),
    { kind: 'distributed', member: 'm', direction: 'z', q: [signed(1e4), signed(1e4)] },
    { kind: 'distributed', member: 'm', direction: 'y', q: [signed(3e3), signed(3e3)] },
    { kind: 'point', member: 'm', at: random(), F: [0, signed(3e3), signed(1e4)], M: [signed(500), 0, 0] },
    { kind: 'node', node: 'a', M: [0, signed(5e3), signed(2e3)] },
  ];
  const design: MemberDesign = {
    ...(random() < 0.3 ? { Lcz: L * random() } : {}),
    ...(random() < 0.2 ? { Lcy: 0, Lcz: 0 } : {}),
    ...(random() < 0.3 ? { LLT: random() < 0.5 ? 0 : L * random() } : {}),
    ...(random() < 0.2 ? { zg: 0.1 * random() } : {}),
    ...(random() < 0.2 ? { sway: true } : {}),
    ...(random() < 0.3 ? { connection: 'oneLeg' as const } : {}),
    deflection: { limit: 0.004 },
  };
  return { profile: entry.name, section: { profile: entry.name }, L, loads, design, space: 'solid' };
}

describe('every check over random bars', () => {
  for (const code of codes)
    it(`${code}: each item has finite numbers or a reason, and the summary follows from the items`, () => {
      const random = generator(code.length * 17);
      for (let i = 0; i < 150; i++) {
        const bar = randomBar(random);
        const { members, summary } = checkFile(barModel(bar), { code });
        const checked = members['m']!;
        // Thicker than any strength is given for
        if (checked.items.length === 0)
          expect(checked.reasons!.join()).withContext(bar.profile).toContain('no yield strength');
        for (const item of checked.items) {
          if (item.status === 'not covered') expect(item.reason).withContext(bar.profile).toBeTruthy();
          else {
            expect(Number.isFinite(item.utilisation)).withContext(`${bar.profile} ${item.clause}`).toBeTrue();
            expect(item.utilisation!).withContext(`${bar.profile} ${item.clause}`).toBeGreaterThanOrEqual(0);
            expect(item.x >= -1e-9 && item.x <= bar.L + 1e-9)
              .withContext(`${bar.profile} ${item.clause} x`)
              .toBeTrue();
            expect(item.steps!.length).withContext(item.clause).toBeGreaterThan(1);
          }
        }
        const most = Math.max(0, ...checked.items.map(({ utilisation }) => utilisation ?? 0));
        expect(checked.utilisation ?? 0)
          .withContext(bar.profile)
          .toBe(most);
        expect(summary.over.length > 0).toBe(most > 1 + 1e-9);
        expect(checked.status === 'pass').toBe(most <= 1 + 1e-9 && !checked.reasons);
      }
    });

  for (const code of codes)
    it(`${code}: utilisation grows with the load`, () => {
      for (let i = 0; i < 60; i++) {
        const low = checkFile(barModel(randomBar(generator(1000 + i), 0.8)), { code });
        const high = checkFile(barModel(randomBar(generator(1000 + i), 1)), { code });
        const [a, b] = [low.members['m']!.utilisation, high.members['m']!.utilisation];
        if (a === undefined || b === undefined) continue;
        expect(b)
          .withContext(`bar ${1000 + i}`)
          .toBeGreaterThanOrEqual(a * (1 - 1e-9));
      }
    });

  for (const code of codes)
    it(`${code}: stronger steel never gives more`, () => {
      for (let i = 0; i < 60; i++) {
        const bar = randomBar(generator(2000 + i));
        const [weak, strong] = ['S235', 'S355'].map(
          (id) => checkFile(barModel({ ...bar, material: { id } }), { code }).members['m']!,
        );
        if (weak!.utilisation === undefined || strong!.utilisation === undefined) continue;
        // Another class means other formulas
        if (weak!.class !== strong!.class) continue;
        // Deflection and the critical force do not go by the steel
        const most = (items: typeof weak) =>
          Math.max(
            0,
            ...items!.items
              .filter(({ clause }) => clause !== 'deflection')
              .map(({ utilisation }) => utilisation ?? 0),
          );
        expect(most(strong))
          .withContext(bar.profile)
          .toBeLessThanOrEqual(most(weak) * (1 + 1e-9));
      }
    });

  it('turning a member about its axis with its loads changes nothing', () => {
    for (let i = 0; i < 20; i++) {
      const bar = randomBar(generator(3000 + i));
      const loads = bar.loads.filter(({ kind }) => kind === 'distributed') as Extract<
        Load,
        { kind: 'distributed' }
      >[];
      const straight = checkFile(barModel({ ...bar, loads })).members['m']!;
      // A quarter turn takes local z to −Y and local y to Z
      const turned = loads.map((load) =>
        load.direction === 'z'
          ? { ...load, direction: 'y' as const, q: load.q.map((q) => -q) as [number, number] }
          : { ...load, direction: 'z' as const },
      );
      const rolled = checkFile(barModel({ ...bar, loads: turned, roll: Math.PI / 2 })).members['m']!;
      expect(rolled.utilisation ?? -1)
        .withContext(bar.profile)
        .toBeCloseTo(straight.utilisation ?? -1, 6);
    }
  });

  it('leaving out combinations that cannot govern changes no result', () => {
    for (let i = 0; i < 40; i++) {
      const bar = randomBar(generator(4000 + i));
      const model = barModel(bar);
      model.combinations = Array.from({ length: 6 }, (_, k) => ({
        id: `U${k}`,
        state: 'strength' as const,
        factors: { L: [0.9, -1, 0.5, 1, -0.6, 0.99][k]! },
      }));
      const frame = prepareFrame(model);
      const selections = resultSelections(model);
      const { states } = unwrapped(analyse(frame, selections));
      const checker = new MemberChecker(model, frame, selections, ({ id }, m) => states.get(id)!.field(m));
      const quick = checker.check(0);
      const all = checker.check(0, { all: true });
      for (const item of quick.items) {
        const same = all.items.filter(
          ({ clause, axis, utilisation }) =>
            clause === item.clause && axis === item.axis && utilisation !== undefined,
        );
        if (item.utilisation === undefined) continue;
        const most = Math.max(...same.map(({ utilisation }) => utilisation!));
        expect(Math.abs(item.utilisation / most - 1))
          .withContext(`${bar.profile} ${item.clause} ${item.axis ?? ''}`)
          .toBeLessThan(1e-3);
      }
    }
  });
});
