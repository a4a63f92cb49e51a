import { barModel, checkBar, checkFile, itemOf, near, uniform } from '../../testing/checks.js';
import type { MemberDesign } from '../../model/types.js';

const bar = (design: MemberDesign, load: number, code?: { name: 'EN1993' | 'AISC360' }) =>
  checkBar({
    section: { profile: 'IPE 300' },
    material: { id: 'S235' },
    L: 6,
    loads: [uniform(load)],
    design,
    ...(code ? { code } : {}),
  });
const lateral = (checked: ReturnType<typeof bar>) =>
  checked.items.filter(({ clause }) => clause.startsWith('6.3.2')).map(({ capacity }) => capacity!);

describe('lateral restraint by flange', () => {
  const byTop: MemberDesign = { LLT: { top: 0, bottom: 6 } };

  it('a compressed flange that is held throughout does not buckle: there is no check but the section', () => {
    near(itemOf(bar(byTop, 10e3), '6.2.5').capacity, 628.4e-6 * 235e6, 1e-3);
    expect(lateral(bar(byTop, 10e3))).toEqual([]);
  });

  it('turned loads compress the other flange, which is as free as without purlins', () => {
    const [held, free] = [lateral(bar(byTop, -10e3)), lateral(bar({ LLT: 6 }, -10e3))];
    expect(held.length).toBe(1);
    near(held[0], free[0]!, 1e-3);
    expect(held[0]!).toBeLessThan(0.7 * 628.4e-6 * 235e6);
  });

  it('is the same by AISC: Mp where it is held (F2.1), as without purlins where it is free (F2.2)', () => {
    const code = { name: 'AISC360' } as const;
    const F2 = (design: MemberDesign, load: number) => itemOf(bar(design, load, code), 'F2');
    near(F2(byTop, 10e3).demand, (10e3 * 6 ** 2) / 8, 1e-6);
    near(F2(byTop, 10e3).capacity, 0.9 * 628.4e-6 * 235e6, 1e-3);
    near(F2(byTop, -10e3).capacity, F2({ LLT: 6 }, -10e3).capacity!, 1e-6);
  });
});

describe('a cantilever without restraint', () => {
  it('has Mcr of a free tip: a load at the shear centre, Mcr·L/√(EIz·GIt) = 4.013 of a narrow rectangle (Timoshenko)', () => {
    // Narrow rectangle: no warping; P at the tip, Pcr = 4.013·√(EIz·GIt)/L²
    const [b, h, L] = [0.02, 0.3, 16];
    const model = barModel({
      section: { shape: { type: 'rectangle', b, h } },
      L,
      loads: [{ kind: 'node', node: 'b', F: [0, 0, -1e3] }],
      supports: [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
    });
    const member = checkFile(model).members['m']!;
    const item = member.items.find(({ clause }) => clause.startsWith('6.3.2'))!;
    const Mcr = (item.steps ?? []).find(({ symbol }) => symbol === 'Mcr')!.value;
    const [E, G] = [210e9, 81e9];
    // St. Venant's constant of a rectangle, Roark: ab³(16/3 − 3.36 b/a (1 − b⁴/12a⁴)) of half sides
    const [a2, b2] = [h / 2, b / 2];
    const It = a2 * b2 ** 3 * (16 / 3 - 3.36 * (b2 / a2) * (1 - b2 ** 4 / (12 * a2 ** 4)));
    near(Mcr, (4.013 * Math.sqrt(((E * h * b ** 3) / 12) * G * It)) / L, 0.01);
  });
});
