import type { Load } from '../../../model/types.js';
import {
  checkBar,
  itemOf,
  near as close,
  profileBar,
  stepOf,
  uniform,
  type CheckedBar,
} from '../../../testing/checks.js';

const inch = 0.0254;
const kipInch = 4448.2216 * inch;

const bar = (profile: string, L: number, q: number, design: NonNullable<CheckedBar['design']> = { C1: 1 }) =>
  profileBar(profile, 'A992', L, [uniform(q)], { design, options: { code: 'AISC360' } });

/** Section properties of AISC Manual Table 1-1 and 1-8, in inches; the formulas by hand. */
describe('ANSI/AISC 360-22 F2, lengths on both sides of Lp and Lr', () => {
  // W18X50: Zx = 101, Sx = 88.9, ry = 1.65, rts = 1.98, J = 1.24, ho = 17.4; Table 3-2: Lp = 5.83 ft, Lr = 16.9 ft
  const [Mp, Mr] = [50 * 101, 0.7 * 50 * 88.9];
  const [Lp, Lr] = [5.83 * 12, 16.9 * 12];
  const strength = (L: number) => itemOf(bar('W18X50', L * inch, 5e3), 'F2').capacity!;

  it('Lp and Lr of Table 3-2', () => {
    const item = itemOf(bar('W18X50', 5, 5e3), 'F2');
    close(stepOf(item, 'Lp'), Lp * inch, 0.005);
    close(stepOf(item, 'Lr'), Lr * inch, 0.005);
  });

  it('up to Lp the plastic moment', () => close(strength(60), 0.9 * Mp * kipInch, 0.005));

  it('between them a straight line', () =>
    close(strength(150), 0.9 * (Mp - ((Mp - Mr) * (150 - Lp)) / (Lr - Lp)) * kipInch, 0.006));

  it('beyond Lr elastic buckling', () => {
    const slender = 300 / 1.98;
    const Fcr =
      ((Math.PI ** 2 * 29000) / slender ** 2) *
      Math.sqrt(1 + ((0.078 * 1.24) / (88.9 * 17.4)) * slender ** 2);
    close(strength(300), 0.9 * Fcr * 88.9 * kipInch, 0.01);
  });
});

describe('ANSI/AISC 360-22 F9, tees', () => {
  // WT7X45: d = 7.01, tw = 0.440, bf = 14.5, tf = 0.710, Ix = 36.5, Sx = 6.16, Zx = 11.5, Iy = 181, ry = 3.70, J = 2.03
  const [My, Zx, d, Sx, Iy, J] = [50 * 6.16, 11.5, 7.01, 6.16, 181, 2.03];

  it('the stem in tension: 1.6·My bounds Mp, and the flange is noncompact', () => {
    const item = itemOf(bar('WT7X45', 60 * inch, 5e3, { LLT: 0 }), 'F9');
    const Mp = Math.min(50 * Zx, 1.6 * My);
    close(stepOf(item, 'Mp'), Mp * kipInch, 0.01);
    // bf/2tf = 10.2 between 0.38·√(E/Fy) = 9.15 and 24.1; Sxc = Ix/y = 36.5/1.09
    const Sxc = 36.5 / 1.09;
    const local = Math.min(1.6 * My, Mp - ((Mp - 0.7 * 50 * Sxc) * (10.2 - 9.15)) / (24.08 - 9.15));
    close(item.capacity, 0.9 * Math.min(Mp, local) * kipInch, 0.015);
  });

  it('the stem in compression: Mcr with a negative B, and no more than My', () => {
    const Lb = 480;
    const B = -2.3 * (d / Lb) * Math.sqrt(Iy / J);
    const Mcr = ((1.95 * 29000) / Lb) * Math.sqrt(Iy * J) * (B + Math.sqrt(1 + B * B));
    const item = itemOf(bar('WT7X45', Lb * inch, -5e3), 'F9');
    close(stepOf(item, 'Mcr'), Mcr * kipInch, 0.02);
    // d/tw = 15.9 is compact (0.84·√(E/Fy) = 20.2): the stem gives My
    close(item.capacity, 0.9 * Math.min(My, Mcr) * kipInch, 0.02);
  });

  it('the stem in tension beyond Lr: Mcr with a positive B', () => {
    const Lb = 5000;
    const B = 2.3 * (d / Lb) * Math.sqrt(Iy / J);
    const Mcr = ((1.95 * 29000) / Lb) * Math.sqrt(Iy * J) * (B + Math.sqrt(1 + B * B));
    const item = itemOf(bar('WT7X45', Lb * inch, 5e2), 'F9');
    const Lr = 1.95 * 580 * (Math.sqrt(Iy * J) / Sx) * Math.sqrt((2.36 * (1 / 580) * d * Sx) / J + 1);
    close(stepOf(item, 'Lr'), Lr * inch, 0.02);
    expect(Lb).toBeGreaterThan(Lr);
    close(item.capacity, 0.9 * Mcr * kipInch, 0.02);
  });

  // WT12X31: d = 11.9, tw = 0.430: d/tw = 27.6 between 0.84 and 1.52·√(E/Fy) = 20.2 and 36.6; Sx = 15.6
  it('a noncompact stem in compression, eq. F9-18', () => {
    const item = itemOf(bar('WT12X31', 1, -5e3, { LLT: 0 }), 'F9');
    close(item.capacity, 0.9 * (1.43 - 0.515 * (27.6 / 24.08)) * 50 * 15.6 * kipInch, 0.015);
  });
});

describe('ANSI/AISC 360-22 F4, an I with unequal flanges', () => {
  // Top 300 × 20, bottom 200 × 20, web 760 × 10, S355: the hand calculation with its plates
  const shape = {
    type: 'i',
    h: 0.8,
    bTop: 0.3,
    tfTop: 0.02,
    bBottom: 0.2,
    tfBottom: 0.02,
    tw: 0.01,
  } as const;
  const [fy, E] = [345e6, 2e11];
  const [At, Ab, Aw] = [0.3 * 0.02, 0.2 * 0.02, 0.76 * 0.01];
  const A = At + Ab + Aw;
  // From the bottom
  const zc = (At * 0.79 + Ab * 0.01 + Aw * 0.4) / A;
  const I =
    (0.3 * 0.02 ** 3 + 0.2 * 0.02 ** 3 + 0.01 * 0.76 ** 3) / 12 +
    At * (0.79 - zc) ** 2 +
    Ab * (zc - 0.01) ** 2 +
    Aw * (0.4 - zc) ** 2;
  const [Stop, Sbottom] = [I / (0.8 - zc), I / zc];
  // The plastic axis halves the area: above it the top flange and part of the web
  const up = (A / 2 - At) / 0.01;
  const zp = 0.78 - up;
  const Z = At * (0.79 - zp) + (0.01 * up ** 2) / 2 + (0.01 * (zp - 0.02) ** 2) / 2 + Ab * (zp - 0.01);
  const q = Math.sqrt(E / fy);

  const item = (load: readonly Load[], design: CheckedBar['design'], L = 8) =>
    itemOf(
      checkBar(
        {
          section: { shape },
          material: { id: 'm', kind: 'steel', fy, fu: 450e6, E, G: 77e9, density: 7850 },
          L,
          loads: load,
          ...(design ? { design } : {}),
        },
        { code: 'AISC360' },
      ),
      'F4',
    );
  /** Rpc of a flange in compression: Iyc/Iy, hc, hp and the web's limits of Table B4.1b case 16. */
  const factor = (top: boolean, S: number): number => {
    const hc = 2 * (top ? 0.78 - zc : zc - 0.02);
    const hp = 2 * (top ? 0.78 - zp : zp - 0.02);
    const Mp = Math.min(fy * Z, 1.6 * fy * Math.min(Stop, Sbottom));
    const My = fy * Math.min(Stop, Sbottom);
    const lambda = hc / 0.01;
    const compact = Math.min(5.7 * q, ((hc / hp) * q) / (0.54 * ((fy * Z) / My) - 0.09) ** 2);
    const most = Mp / (fy * S);
    return lambda <= compact
      ? most
      : Math.min(most, most - ((most - 1) * (lambda - compact)) / (5.7 * q - compact));
  };

  it('held: Rpc·Fy·Sxc of the top flange, or Rpt·Fy·Sxt of the weaker bottom one', () => {
    const found = item([uniform(30e3)], { LLT: 0 });
    close(stepOf(found, 'Sxc'), Stop, 1e-3);
    close(stepOf(found, 'Rpc'), factor(true, Stop), 2e-3);
    const Mn = Math.min(factor(true, Stop) * fy * Stop, factor(true, Sbottom) * fy * Sbottom);
    close(found.capacity, 0.9 * Mn, 3e-3);
  });

  it('upwards load: the narrow flange is in compression', () => {
    const found = item([uniform(-30e3)], { LLT: 0 });
    close(stepOf(found, 'Sxc'), Sbottom, 1e-3);
    expect(found.capacity!).toBeLessThan(item([uniform(30e3)], { LLT: 0 }).capacity! * 1.001);
  });

  it('free to buckle: rt and Lp of F4.2, less over a longer length', () => {
    const found = item([uniform(5e3)], { C1: 1 });
    const hc = 2 * (0.78 - zc);
    const aw = (hc * 0.01) / (0.3 * 0.02);
    const rt = 0.3 / Math.sqrt(12 * (1 + aw / 6));
    close(stepOf(found, 'rt'), rt, 2e-3);
    close(stepOf(found, 'Lp'), 1.1 * rt * q, 2e-3);
    expect(item([uniform(5e3)], { C1: 1 }, 16).capacity!).toBeLessThan(0.6 * found.capacity!);
  });
});
