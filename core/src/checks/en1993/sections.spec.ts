import {
  axial,
  checkBar,
  endMoments,
  itemOf,
  stepOf,
  uniform,
  near as close,
  profileBar as bar,
} from '../../testing/checks.js';
import type { Load } from '../../model/types.js';

const held = { Lcy: 0, Lcz: 0, LLT: 0 };

describe('EN 1993-1-1 6.2, cross-sections, by hand with published section properties', () => {
  it('tension 6.2.3: IPE 300 S235, 53.81 cm² · 235 = 1264.5 kN, on both sides of 1', () => {
    const low = itemOf(bar('IPE 300', 'S235', 3, [axial(1200e3)]), '6.2.3(1)');
    close(low.capacity, 1264.5e3, 1e-3);
    expect(low.status).toBe('pass');
    const high = itemOf(bar('IPE 300', 'S235', 3, [axial(1300e3)]), '6.2.3(1)');
    expect(high.status).toBe('fail');
    close(high.utilisation, 1300 / 1264.5, 1e-3);
  });

  it('compression 6.2.4: UC 254x254x73 S355, 93.1 cm² · 355 = 3305 kN', () => {
    const checked = bar('UC 254x254x73', 'S355', 3, [axial(-3000e3)], { design: held });
    close(itemOf(checked, '6.2.4(1)').capacity, 3305e3, 2e-3);
    expect(checked.class).toBe(2);
  });

  // Web c/t = 426/10.2 = 41.8 > 42ε = 34.2: λ̄p = 41.8/(28.4·0.8136·2) = 0.904, ρ = (0.904 − 0.22)/0.904² = 0.837,
  // Aeff = 115.5 − (1 − 0.837)·42.6·1.02 = 108.4 cm²
  it('class 4 in compression: IPE 500 S355 with Aeff = 108.4 cm²', () => {
    const checked = bar('IPE 500', 'S355', 3, [axial(-1000e3)], { design: held });
    close(itemOf(checked, '6.2.4(1)').capacity, 108.4e-4 * 355e6, 2e-3);
    expect(checked.class).toBe(4);
  });

  it('bending 6.2.5: IPE 300 S235 Mpl,y = 628.4 · 235 = 147.7 kN·m, Mpl,z = 125.2 · 235 = 29.4 kN·m', () => {
    close(
      itemOf(bar('IPE 300', 'S235', 6, [uniform(20e3)], { design: held }), '6.2.5(1)', 'y').capacity,
      147.7e3,
      1e-3,
    );
    const side = bar('IPE 300', 'S235', 3, [uniform(20e3)], { design: held, roll: Math.PI / 2 });
    close(itemOf(side, '6.2.5(1)', 'z').capacity, 29.42e3, 1e-3);
  });

  // Welded I 800 × 300, tf 20 (c/t = 7.35 < 10ε = 8.1 and > 9ε), tw 8: c/t = 760/8 = 95 between 83ε = 67.5 and 124ε = 100.9
  it('class 3 web: welded I S355 by Wel,y = Iy/(h/2)', () => {
    const shape = { type: 'i', h: 0.8, b: 0.3, tw: 0.008, tf: 0.02 } as const;
    const Iy = (0.3 * 0.8 ** 3 - 0.292 * 0.76 ** 3) / 12;
    const checked = checkBar({ section: { shape }, L: 6, loads: [uniform(50e3)], design: held });
    close(itemOf(checked, '6.2.5(1)', 'y').capacity, (Iy / 0.4) * 355e6, 1e-6);
    expect(checked.class).toBe(3);
  });

  // EN 1993-1-5 4.4 by hand, web 1160 × 6 in bending (ψ = −1, flanges full): kσ = 23.9,
  // λ̄p = (1160/6)/(28.4·0.8136·√23.9) = 1.711, ρ = (1.711 − 0.055·2)/1.711² = 0.547; beff = 0.547·580 = 317, be1 = 127, be2 = 190:
  // lost 263 mm from 127 below the flange; A = 18960 − 1578 mm², shift 0.0294 m, Ieff → Weff on the compression side
  it('class 4 web in bending: welded I 1200 × 300 × 6 × 20 S355', () => {
    const shape = { type: 'i', h: 1.2, b: 0.3, tw: 0.006, tf: 0.02 } as const;
    const checked = checkBar({ section: { shape }, L: 10, loads: [uniform(50e3)], design: held });
    const item = itemOf(checked, '6.2.5(1)', 'y');
    close(stepOf(item, 'ρ web'), 0.547, 3e-3);
    const lost = 0.58 - 0.547 * 0.58;
    const centre = 0.58 - 0.4 * 0.547 * 0.58 - lost / 2;
    const A = 2 * 0.3 * 0.02 + 1.16 * 0.006;
    const I = (0.3 * 1.2 ** 3 - 0.294 * 1.16 ** 3) / 12;
    const a = lost * 0.006;
    const shift = (a * centre) / (A - a);
    const Ieff = I - a * centre ** 2 - (0.006 * lost ** 3) / 12 - (A - a) * shift ** 2;
    close(item.capacity, (Ieff / (0.6 + shift)) * 355e6, 2e-3);
    expect(checked.class).toBe(4);
  });

  it('shear 6.2.6: IPE 300 S235, Av = 25.68 cm², 348.4 kN; SHS, CHS, channel and tee by 6.2.6(3)', () => {
    const V = (profile: string, kN = 10e3) =>
      itemOf(bar(profile, 'S235', 2, [uniform(kN)], { design: held }), '6.2.6(1)', 'z').capacity!;
    const fv = 235e6 / Math.sqrt(3);
    close(V('IPE 300'), 25.68e-4 * fv, 1e-3);
    close(V('SHS 100x100x5'), (18.7e-4 / 2) * fv, 2e-3);
    close(V('CHS 114.3x5'), ((2 * 17.2e-4) / Math.PI) * fv, 2e-3);
    // UPE 200: 29.0 − 2·8.0·1.1 + (0.6 + 1.3)·1.1 = 13.5 cm²
    close(V('UPE 200'), 13.49e-4 * fv, 3e-3);
  });

  it('elastic shear of bars without a shear area: rectangle 1.5·V/A, round 4/3·V/A (6.2.6(4))', () => {
    // 50 mm thick: 215 MPa (Table 3.1)
    const fv = 235e6 / Math.sqrt(3);
    close(
      itemOf(bar('FL 100x10', 'S235', 1, [uniform(1e3)], { design: held }), '6.2.6(1)', 'z').capacity,
      (10e-4 * fv) / 1.5,
      1e-6,
    );
    close(
      itemOf(bar('RD 50', 'S235', 1, [uniform(1e3)]), '6.2.6(1)', 'z').capacity,
      ((Math.PI / 4) * 0.05 ** 2 * (215 / 235) * fv * 3) / 4,
      1e-6,
    );
  });

  // hw/tw = 1160/6 = 193 > 72ε = 58.6; λ̄w = 193.3/(86.4·0.8136) = 2.750, χw = 0.83/2.75 = 0.3018,
  // Vbw = 0.3018·355·1160·6/√3 = 430.5 kN
  it('shear buckling 6.2.6(6), EN 1993-1-5 section 5', () => {
    const shape = { type: 'i', h: 1.2, b: 0.3, tw: 0.006, tf: 0.02 } as const;
    const checked = checkBar({ section: { shape }, L: 10, loads: [uniform(50e3)], design: held });
    close(itemOf(checked, '6.2.6(6)').capacity, 430.5e3, 2e-3);
  });

  // Vpl = 348.4 kN; V = 261.3 kN (0.75): ρ = 0.25; Aw = 278.6·7.1 = 1978 mm²; MV = (628.4e3 − 0.25·1978²/(4·7.1))·235 = 139.6 kN·m
  it('bending with shear 6.2.8(5): IPE 300, V = 0.75·Vpl', () => {
    const L = 1;
    const checked = bar('IPE 300', 'S235', L, [
      { kind: 'point', member: 'm', at: 0.5, F: [0, 0, -2 * 261.3e3] },
    ], { design: held }); // oxfmt-ignore
    const item = itemOf(checked, '6.2.8(5)', 'y');
    close(item.capacity, 139.6e3, 3e-3);
    close(item.demand, 130.65e3, 1e-6);
  });

  // Designers' guide to EN 1993-1-1 (Gardner, Nethercot), example 6.6: UB 457×191×98 S235, N = 1400 kN: MN,y,Rd = 342 kN·m
  it('bending with axial force 6.2.9.1: UB 457x191x98 S235, 1400 kN: MN,y,Rd = 342 kN·m', () => {
    const checked = bar('UB 457x191x98', 'S235', 5, [uniform(50e3), axial(-1400e3)], { design: held });
    close(itemOf(checked, '6.2.9.1(2)', 'y').capacity, 342.2e3, 5e-3);
  });

  it('small axial forces leave Mpl,y (6.2.9.1(4)); a tube’s 1 − n^1.7', () => {
    const small = bar('IPE 300', 'S235', 5, [uniform(5e3), axial(-200e3)], { design: held });
    close(itemOf(small, '6.2.9.1(2)', 'y').capacity, 147.7e3, 1e-3);
    // CHS 168.3 × 6.3: Npl = 32.1·23.5 = 754 kN, n = 0.5; Mpl = 165·235 = 38.8 kN·m
    const tube = bar('CHS 168.3x6.3', 'S235', 5, [uniform(1e3), axial(377e3)], { design: held });
    close(itemOf(tube, '6.2.9.1(2)', 'y').capacity, 38.8e3 * (1 - 0.5 ** 1.7), 5e-3);
  });

  // HEA 240 S235: Mpl,y = 175.0, Mpl,z = 82.65 kN·m; My = 90, Mz = 20: (90/175)² + 20/82.65 = 0.5065
  it('biaxial bending 6.2.9.1(6): HEA 240 S235 without N, left side of eq. 6.41', () => {
    const L = 6;
    const checked = bar(
      'HEA 240',
      'S235',
      L,
      [uniform((8 * 90e3) / L ** 2), uniform((8 * 20e3) / L ** 2, 'y')],
      { space: 'solid', design: held },
    );
    close(itemOf(checked, '6.2.9.1(6)').demand, (90 / 174.98) ** 2 + 20 / 82.65, 2e-3);
  });

  // SHS 100 × 5 S355, N = 200 kN: n = 200/663.9 = 0.301, exponents 1.66/(1 − 1.13n²) = 1.85
  it('biaxial bending of a square hollow section with N', () => {
    const L = 3;
    const checked = bar(
      'SHS 100x100x5',
      'S355',
      L,
      [uniform((8 * 8e3) / L ** 2), uniform((8 * 4e3) / L ** 2, 'y'), axial(200e3)],
      { space: 'solid', design: held },
    );
    const n = 200 / (18.7 * 35.5);
    const MN = 66.4e-6 * 355e6 * Math.min(1, (1 - n) / (1 - 0.5 * ((18.7 - 10) / 18.7)));
    const e = 1.66 / (1 - 1.13 * n * n);
    close(itemOf(checked, '6.2.9.1(6)').demand, (8e3 / MN) ** e + (4e3 / MN) ** e, 1e-2);
  });

  it('a channel with N and M: the sum of utilisations, conservative (6.2.1(7))', () => {
    const checked = bar('UPE 200', 'S235', 3, [uniform(5e3), axial(100e3)], { design: held });
    close(itemOf(checked, '6.2.1(7)').demand, 100e3 / (29.0e-4 * 235e6) + 5625 / (220e-6 * 235e6), 5e-3);
  });

  it('an angle bends about its principal axes: elastic stress at its corners (6.2.9.2)', () => {
    // L 100 × 100 × 10 bent about y (parallel to a leg), free to move sideways: Iu = 280, Iv = 73.0 cm⁴, heel 28.2 mm from both edges
    const M = 1000;
    const checked = bar('L 100x100x10', 'S235', 2, [uniform((8 * M) / 4)], { design: held, space: 'solid' });
    const k = M / Math.SQRT2;
    // Stress at the toe of the standing leg, coordinates from the centroid in mm: (−28.2, 71.8) → u, v
    const toe = (y: number, z: number) => {
      const u = (y - z) / Math.SQRT2 / 1e3;
      const v = (y + z) / Math.SQRT2 / 1e3;
      return Math.abs((k * v) / 73.0e-8) + Math.abs((k * u) / 280e-8);
    };
    // At (−28.2, 71.8) both add; at (−18.2, 71.8) as well
    const worst = Math.max(toe(-28.2, 71.8), toe(-18.2, 71.8));
    close(itemOf(checked, '6.2.9.2(1)').demand, worst / 235e6, 0.02);
  });

  it('torsion 6.2.7: a round tube, 2·Wel·fy/√3, and what it leaves for shear (6.2.7(9))', () => {
    const T = 10e3;
    const loads: Load[] = [{ kind: 'point', member: 'm', at: 0.5, M: [T, 0, 0] }, uniform(10e3)];
    const fixed = { ux: 'fixed', uy: 'fixed', uz: 'fixed', rx: 'fixed' } as const;
    const checked = bar('CHS 168.3x6.3', 'S235', 4, loads, {
      space: 'solid',
      supports: [{ node: 'a', ...fixed }, { node: 'b', ...fixed }],
      design: held,
    }); // oxfmt-ignore
    const fv = 235e6 / Math.sqrt(3);
    close(itemOf(checked, '6.2.7(1)').capacity, 250e-6 * fv, 5e-3);
    close(itemOf(checked, '6.2.7(1)').demand, T / 2, 1e-6);
    const Vpl = ((2 * 32.1e-4) / Math.PI) * fv;
    close(itemOf(checked, '6.2.7(9)', 'z').capacity, (1 - T / 2 / 250e-6 / fv) * Vpl, 5e-3);
  });

  it('bending, shear and axial force 6.2.10 where V is more than half', () => {
    const checked = bar('IPE 300', 'S235', 1, [
      { kind: 'point', member: 'm', at: 0.5, F: [0, 0, -2 * 261.3e3] },
      axial(-600e3),
    ], { design: held }); // oxfmt-ignore
    const item = itemOf(checked, '6.2.10(3)', 'y');
    expect(item.capacity!).toBeLessThan(itemOf(checked, '6.2.8(5)', 'y').capacity!);
    expect(item.capacity!).toBeLessThan(itemOf(checked, '6.2.9.1(2)', 'y').capacity!);
    // ρ = 0.25: A − ρAv = 53.81 − 6.42 = 47.39; n = 600/1113.7 = 0.5388; a = (47.39 − 32.1)/47.39 = 0.3227; 139.6·0.4612/0.8387
    close(item.capacity, 76.8e3, 5e-3);
  });

  it('end moments of both signs are found at the ends', () => {
    const checked = bar('IPE 300', 'S235', 4, endMoments(60e3, -100e3), { design: held });
    const item = itemOf(checked, '6.2.5(1)', 'y');
    close(item.demand, 100e3, 1e-9);
    expect(item.x).toBeCloseTo(4, 9);
  });
});
