import type { IShape, Load } from '../../model/types.js';
import {
  axial,
  checkBar,
  heldAgainstTwist,
  itemOf,
  near as close,
  profileBar,
  stepOf,
  twist,
  uniform,
  type CheckedBar,
} from '../../testing/checks.js';

const ksi = 6.894757e6;
const inch = 0.0254;
const kip = 4448.2216;
const ft = 0.3048;
const q50 = Math.sqrt(29000 / 50);

const bar = (
  profile: string,
  grade: string,
  L: number,
  loads: readonly Load[],
  more: Partial<CheckedBar> = {},
) => profileBar(profile, grade, L, loads, { ...more, options: { code: 'AISC360' } });

describe('ANSI/AISC 360-22 chapter E by hand, values of Manual Table 1-1', () => {
  // W21X44: A = 13.0, h/tw = 53.6, tw = 0.350, ry = 1.26
  it('E7: the slender web of a W21X44 loses part of its depth', () => {
    const Fe = (Math.PI ** 2 * 29000) / (48 / 1.26) ** 2;
    const Fn = 50 * 0.658 ** (50 / Fe);
    const limit = 1.49 * q50;
    expect(53.6).toBeGreaterThan(limit * Math.sqrt(50 / Fn));
    const ratio = Math.sqrt((((1.31 * limit) / 53.6) ** 2 * 50) / Fn);
    const lost = (1 - (1 - 0.18 * ratio) * ratio) * 53.6 * 0.35 * 0.35;
    const item = itemOf(bar('W21X44', 'A992', 4 * ft, [axial(-100e3)]), 'E7', 'z');
    close(item.capacity, 0.9 * Fn * (13.0 - lost) * kip, 0.008);
  });

  it('E7: at a low stress the same web is not slender', () => {
    // 20 ft: Fe = 7.9 ksi, Fn = 6.9: the limit grows to 1.49·√(E/Fn) = 96
    const Fn = (0.877 * Math.PI ** 2 * 29000) / (240 / 1.26) ** 2;
    const item = itemOf(bar('W21X44', 'A992', 20 * ft, [axial(-10e3)]), 'E7', 'z');
    close(item.capacity, 0.9 * Fn * 13.0 * kip, 0.01);
  });

  // L4X4X1/4: b/t = 16 above 0.45·√(E/Fy) = 12.8 of A36: Fel = (1.49·12.77/16)²·36
  it('E7: the slender legs of an angle', () => {
    const [A, rz] = [1.93, 0.783];
    const Fe = (Math.PI ** 2 * 29000) / (36 / rz) ** 2;
    const Fn = 36 * 0.658 ** (36 / Fe);
    const limit = 0.45 * Math.sqrt(29000 / 36);
    const ratio = Math.sqrt((((1.49 * limit) / 16) ** 2 * 36) / Fn);
    const be = 16 > limit * Math.sqrt(36 / Fn) ? (1 - 0.22 * ratio) * ratio : 1;
    const item = itemOf(bar('L4X4X1/4', 'A36', 36 * inch, [axial(-20e3)]), 'E7', 'v');
    close(item.capacity, 0.9 * Fn * (A - 2 * (1 - be) * 4 * 0.25) * kip, 0.02);
  });
});

describe('ANSI/AISC 360-22 F5, G2 and G3 by hand', () => {
  // Welded girder 1200 × 300 × 6 × 20 (slender web); narrow flanges 400 × 10 for local buckling
  const girder = (shape: IShape, L: number, design: CheckedBar['design']) =>
    checkBar(
      {
        section: { shape },
        material: { id: 'm', kind: 'steel', fy: 345e6, fu: 450e6, E: 2e11, G: 77e9, density: 7850 },
        L,
        loads: [uniform(20e3)],
        ...(design ? { design } : {}),
      },
      { code: 'AISC360' },
    );
  const q = Math.sqrt(2e11 / 345e6);
  const shape: IShape = { type: 'i', h: 1.2, b: 0.3, tw: 0.006, tf: 0.02 };
  const I = (0.3 * 1.2 ** 3 - 0.294 * 1.16 ** 3) / 12;
  const aw = (1.16 * 0.006) / (0.3 * 0.02);
  const Rpg = 1 - (aw / (1200 + 300 * aw)) * (1.16 / 0.006 - 5.7 * q);
  const rt = 0.3 / Math.sqrt(12 * (1 + aw / 6));

  it('F5.2: between Lp and Lr, and beyond Lr', () => {
    const [Lp, Lr] = [1.1 * rt * q, Math.PI * rt * Math.sqrt(2e11 / (0.7 * 345e6))];
    const inelastic = itemOf(girder(shape, 5, { C1: 1 }), 'F5');
    expect(5 > Lp && 5 < Lr).toBeTrue();
    const Fcr = 345e6 - (0.3 * 345e6 * (5 - Lp)) / (Lr - Lp);
    close(inelastic.capacity, 0.9 * Rpg * Fcr * (I / 0.6), 2e-3);
    const elastic = itemOf(girder(shape, 14, { C1: 1 }), 'F5');
    expect(14).toBeGreaterThan(Lr);
    close(elastic.capacity, (0.9 * Rpg * (Math.PI ** 2 * 2e11) * (I / 0.6)) / (14 / rt) ** 2, 2e-3);
  });

  it('F5.3: a slender flange by 0.9·E·kc/λ²', () => {
    const thin: IShape = { type: 'i', h: 1.2, b: 0.5, tw: 0.006, tf: 0.01 };
    const J = (0.5 * 1.2 ** 3 - 0.494 * 1.18 ** 3) / 12;
    const share = (1.18 * 0.006) / (0.5 * 0.01);
    const shed = 1 - (share / (1200 + 300 * share)) * (1.18 / 0.006 - 5.7 * q);
    const kc = Math.max(0.35, 4 / Math.sqrt(1.18 / 0.006));
    const item = itemOf(girder(thin, 5, { LLT: 0 }), 'F5');
    close(item.capacity, 0.9 * shed * ((0.9 * 2e11 * kc) / 25 ** 2) * (J / 0.6), 2e-3);
  });

  it('G2.1: Cv1 = 1.10·√(5.34·E/Fy)/(h/tw) of a slender web', () => {
    const item = itemOf(girder(shape, 10, { LLT: 0 }), 'G2.1', 'z');
    const Cv = (1.1 * Math.sqrt(5.34) * q) / (1.16 / 0.006);
    close(item.capacity, 0.9 * 0.6 * 345e6 * 1.2 * 0.006 * Cv, 2e-3);
  });

  // WT12X31: d = 11.9, tw = 0.430, d/tw = 27.6 above 1.10·√(1.2·580) = 29.0? No: below, Cv2 = 1
  it('G3: the stem of a tee', () => {
    const item = itemOf(bar('WT12X31', 'A992', 2, [uniform(5e3)], { design: { LLT: 0 } }), 'G3', 'z');
    expect(27.6).toBeLessThan(1.1 * Math.sqrt(1.2) * q50);
    close(item.capacity, 0.9 * 0.6 * 50 * 11.9 * 0.43 * kip, 0.005);
  });
});

describe('ANSI/AISC 360-22 F8 and chapter H by hand', () => {
  it('F8: a noncompact round section, (0.021·E/(D/t) + Fy)·S', () => {
    // Design wall 0.93·0.250 = 0.2325: D/t = 68.8 between 0.07 and 0.31·E/Fy = 44 and 195 (Fy = 46)
    const [D, t] = [16, 0.2325];
    const S = (Math.PI * (D ** 4 - (D - 2 * t) ** 4)) / (32 * D);
    const item = itemOf(bar('HSS16.000X0.250', 'A500 Gr C', 4, [uniform(5e3)]), 'F8', 'y');
    const Fy = stepOf(item, 'Fy') / ksi;
    const Z = (D ** 3 - (D - 2 * t) ** 3) / 6;
    expect(D / t).toBeGreaterThan((0.07 * 29000) / Fy);
    const Mn = Math.min(Fy * Z, ((0.021 * 29000) / (D / t) + Fy) * S);
    close(item.capacity, 0.9 * Mn * kip * inch, 0.004);
  });

  // W8X31: A = 9.13, Zx = 30.4; 0.90·50·9.13 = 411 kips, 0.90·50·30.4/12 = 114 kip-ft
  it('H1.2: tension with bending, on both sides of Pr/Pc = 0.2', () => {
    const ratio = (T: number, q: number) => {
      const item = itemOf(
        bar('W8X31', 'A992', 10 * ft, [axial(T * kip), uniform((q * kip) / ft)], { design: { LLT: 0 } }),
        'H1.2',
      );
      return item.utilisation!;
    };
    const M = (2 * 10 ** 2) / 8;
    close(ratio(200, 2), 200 / 411 + ((8 / 9) * M) / 114, 0.006);
    close(ratio(40, 2), 40 / 411 / 2 + M / 114, 0.006);
  });

  it('H2: an angle by the sum about its principal axes', () => {
    const checked = bar('L4X4X1/2', 'A36', 4 * ft, [axial(-20 * kip), uniform((0.2 * kip) / ft)], {
      space: 'solid',
    });
    const H2 = itemOf(checked, 'H2');
    const [u, v] = [itemOf(checked, 'F10', 'u'), itemOf(checked, 'F10', 'v')];
    const least = Math.min(
      ...checked.items.filter(({ clause }) => /^E[347]/.test(clause)).map((item) => item.capacity!),
    );
    // M = 0.2·16/8 = 0.4 kip-ft, of which cos 45° about each axis
    close(u.demand, 0.4 * kip * ft * Math.SQRT1_2, 1e-4);
    close(v.demand, 0.4 * kip * ft * Math.SQRT1_2, 1e-4);
    close(H2.demand, (20 * kip) / least + u.demand! / u.capacity! + v.demand! / v.capacity!, 1e-6);
  });

  it('H3.2: torsion of more than a fifth takes part, less does not', () => {
    const twisted = (T: number) =>
      bar('HSS6X6X1/4', 'A500 Gr C', 3, [twist(2 * T), uniform(5e3)], {
        space: 'solid',
        supports: heldAgainstTwist!,
      });
    const Tc = 0.9 * 0.6 * 50 * 15.4 * kip * inch;
    expect(twisted(0.15 * Tc).items.some(({ clause }) => clause.startsWith('H3.2'))).toBeFalse();
    const item = itemOf(twisted(0.5 * Tc), 'H3.2');
    // At the end: V = 7.5 kN; in the middle M = 5·9/8 kN·m: (M/Mc) + (V/Vc + T/Tc)² at its worst place
    const Mc = 0.9 * 50 * 11.2 * kip * inch;
    const Vc = 0.9 * 0.6 * 50 * 2 * (6 - 3 * 0.2325) * 0.2325 * kip;
    const at = (x: number) => (5e3 * (3 * x - x * x)) / 2 / Mc + (Math.abs(5e3 * (1.5 - x)) / Vc + 0.5) ** 2;
    const worst = Math.max(...Array.from({ length: 301 }, (_, i) => at((1.5 * i) / 300)));
    close(item.demand, worst, 0.006);
  });
});
