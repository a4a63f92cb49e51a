import type { Shape } from '../../model/types.js';
import { axial, checkBar, endMoments, itemOf, near as close, stepOf, uniform } from '../../testing/checks.js';
import type { CheckedBar } from '../../testing/checks.js';

const fy = 355e6;
const epsilon = Math.sqrt(235 / 355);

const bar = (shape: Shape, L: number, loads: CheckedBar['loads'], more: Partial<CheckedBar> = {}) =>
  checkBar({ section: { shape }, L, loads, ...more });

/** EN 1993-1-5 4.4: ρ of internal and outstand parts. */
const internal = (c: number, t: number, psi: number, k: number): number => {
  const lambda = c / t / (28.4 * epsilon * Math.sqrt(k));
  return lambda <= 0.673 ? 1 : Math.min(1, (lambda - 0.055 * (3 + psi)) / lambda ** 2);
};
const outstand = (c: number, t: number, k: number): number => {
  const lambda = c / t / (28.4 * epsilon * Math.sqrt(k));
  return lambda <= 0.748 ? 1 : Math.min(1, (lambda - 0.188) / lambda ** 2);
};

describe('EN 1993-1-1 class 4 by hand (EN 1993-1-5 4.4)', () => {
  const box: Shape = { type: 'plate-box', h: 0.6, b: 0.6, tw: 0.008, tf: 0.008 };

  it('a box of plates in compression: four walls with kσ = 4', () => {
    const item = itemOf(bar(box, 3, [axial(-1e6)]), '6.2.4(1)');
    const rho = internal(0.584, 0.008, 1, 4);
    const A = 0.6 ** 2 - 0.584 ** 2 - 4 * (1 - rho) * 0.584 * 0.008;
    close(item.capacity, A * fy, 2e-3);
    expect(itemOf(bar(box, 3, [axial(-1.2 * A * fy)]), '6.2.4(1)').status).toBe('fail');
  });

  it('its buckling with Aeff in λ̄ as well as in Nb,Rd (eq. 6.48, 6.51)', () => {
    const rho = internal(0.584, 0.008, 1, 4);
    const A = 0.6 ** 2 - 0.584 ** 2 - 4 * (1 - rho) * 0.584 * 0.008;
    const I = (0.6 ** 4 - 0.584 ** 4) / 12;
    const lambda = Math.sqrt((A * fy) / ((Math.PI ** 2 * 2.1e11 * I) / 144));
    // Welded box: curve b
    const phi = 0.5 * (1 + 0.34 * (lambda - 0.2) + lambda ** 2);
    const chi = 1 / (phi + Math.sqrt(phi ** 2 - lambda ** 2));
    close(itemOf(bar(box, 12, [axial(-1e6)]), '6.3.1.1(1)', 'y').capacity, chi * A * fy, 3e-3);
  });

  it('an I with slender flanges in compression: kσ = 0.43, the web with 4', () => {
    const shape: Shape = { type: 'i', h: 0.5, b: 0.4, tw: 0.012, tf: 0.01 };
    const item = itemOf(bar(shape, 3, [axial(-1e6)]), '6.2.4(1)');
    const flange = outstand(0.194, 0.01, 0.43);
    const web = internal(0.48, 0.012, 1, 4);
    const A = 2 * 0.4 * 0.01 + 0.48 * 0.012 - 4 * (1 - flange) * 0.194 * 0.01 - (1 - web) * 0.48 * 0.012;
    close(item.capacity, A * fy, 2e-3);
  });

  // The compressed flange loses its outer strips; what is left has another axis and a smaller modulus on that side
  it('the same I in bending: the effective modulus by eq. 6.15', () => {
    const shape: Shape = { type: 'i', h: 0.3, b: 0.4, tw: 0.012, tf: 0.01 };
    const item = itemOf(bar(shape, 6, [uniform(10e3)], { design: { LLT: 0 } }), '6.2.5(1)', 'y');
    const rho = outstand(0.194, 0.01, 0.43);
    const width = 0.4 - 2 * (1 - rho) * 0.194;
    const parts = [
      { A: width * 0.01, z: 0.295, own: (width * 0.01 ** 3) / 12 },
      { A: 0.4 * 0.01, z: 0.005, own: (0.4 * 0.01 ** 3) / 12 },
      { A: 0.28 * 0.012, z: 0.15, own: (0.012 * 0.28 ** 3) / 12 },
    ];
    const A = parts.reduce((sum, p) => sum + p.A, 0);
    const z = parts.reduce((sum, p) => sum + p.A * p.z, 0) / A;
    const I = parts.reduce((sum, p) => sum + p.own + p.A * (p.z - z) ** 2, 0);
    close(item.capacity, (I / Math.max(0.3 - z, z)) * fy, 2e-3);
  });

  // 6.2.9.3: N/Aeff + (My + N·eN)/Weff; a tee loses only at its stem, so that its centroid moves
  it('a tee in compression: the shift of the centroid brings a moment of its own', () => {
    const shape: Shape = { type: 'tee', h: 0.3, b: 0.2, tw: 0.008, tf: 0.02 };
    const checked = bar(shape, 1, [axial(-200e3), ...endMoments(-2e3, -2e3)]);
    const rho = outstand(0.28, 0.008, 0.43);
    const stem = rho * 0.28;
    const gross = 0.2 * 0.02 + 0.28 * 0.008;
    const zGross = (0.2 * 0.02 * 0.29 + 0.28 * 0.008 * 0.14) / gross;
    const left = 0.2 * 0.02 + stem * 0.008;
    const zLeft = (0.2 * 0.02 * 0.29 + stem * 0.008 * (0.28 - stem / 2)) / left;
    close(itemOf(checked, '6.2.4(1)').capacity, left * fy, 3e-3);
    const sum = itemOf(checked, '6.2.9.3');
    close(stepOf(sum, 'eNy'), Math.abs(zLeft - zGross), 5e-3);
    const M = 2e3 + 200e3 * Math.abs(zLeft - zGross);
    close(sum.demand, 200e3 / (left * fy) + M / (stepOf(sum, 'Weff,y') * fy), 5e-3);
  });
});

describe('EN 1993-1-1 sections that are not alike on both sides', () => {
  // Top flange 300 × 20, bottom 150 × 20, web 460 × 10
  const shape: Shape = {
    type: 'i',
    h: 0.5,
    bTop: 0.3,
    tfTop: 0.02,
    bBottom: 0.15,
    tfBottom: 0.02,
    tw: 0.01,
  };
  const [It, Ib] = [(0.02 * 0.3 ** 3) / 12, (0.02 * 0.15 ** 3) / 12];
  const Iz = It + Ib + (0.46 * 0.01 ** 3) / 12;
  const A = 0.3 * 0.02 + 0.15 * 0.02 + 0.46 * 0.01;
  const zc = (0.3 * 0.02 * 0.49 + 0.15 * 0.02 * 0.01 + 0.46 * 0.01 * 0.25) / A;
  const Iy =
    (0.3 * 0.02 ** 3 + 0.15 * 0.02 ** 3 + 0.01 * 0.46 ** 3) / 12 +
    0.3 * 0.02 * (0.49 - zc) ** 2 +
    0.15 * 0.02 * (zc - 0.01) ** 2 +
    0.46 * 0.01 * (0.25 - zc) ** 2;

  // Vlasov: shear centre of the two flanges, Iw = h0²·It·Ib/(It + Ib); Wagner: β = ∫z·(y² + z²)dA/Iy − 2·zs
  it('lateral-torsional buckling with either flange in compression', () => {
    const h0 = 0.48;
    const zs = 0.01 + (h0 * It) / (It + Ib) - zc;
    const Iw = (h0 ** 2 * It * Ib) / (It + Ib);
    const J = (0.3 * 0.02 ** 3 + 0.15 * 0.02 ** 3 + 0.46 * 0.01 ** 3) / 3;
    const plate = (b: number, z0: number, z1: number) =>
      (b * (z1 ** 4 - z0 ** 4)) / 4 + ((b ** 3 / 12) * (z1 ** 2 - z0 ** 2)) / 2;
    const third =
      plate(0.3, 0.48 - zc, 0.5 - zc) + plate(0.01, 0.02 - zc, 0.48 - zc) + plate(0.15, -zc, 0.02 - zc);
    const beta = third / Iy - 2 * zs;
    const [E, G, L] = [2.1e11, 8.1e10, 8];
    const X = (Math.PI ** 2 * E * Iz) / L ** 2;
    // M > 0 compresses the top: G·J loses M·β
    const Mcr = (sign: number) =>
      X * (Math.sqrt((beta / 2) ** 2 + Iw / Iz + (G * J) / X) - (sign * beta) / 2);
    const found = (M: number) =>
      stepOf(itemOf(bar(shape, L, endMoments(M, M), { design: { C1: 1 } }), '6.3.2.1(1)', 'y'), 'Mcr');
    close(found(50e3), Mcr(1), 0.02);
    close(found(-50e3), Mcr(-1), 0.02);
    expect(Mcr(1)).toBeGreaterThan(1.5 * Mcr(-1));
  });

  it('6.2.8: a box whose webs carry more than half of Vpl', () => {
    const rect: Shape = { type: 'rectangular-hollow', h: 0.3, b: 0.2, t: 0.01 };
    const Vpl = stepOf(itemOf(bar(rect, 1, [uniform(100e3)]), '6.2.6(1)', 'z'), 'Vpl,z,Rd');
    // Both ends of a short beam: V = q·L/2 = 0.8·Vpl
    const q = (2 * 0.8 * Vpl) / 0.8;
    const checked = bar(rect, 0.8, [uniform(q), ...endMoments(60e3, 60e3)]);
    const item = itemOf(checked, '6.2.8(3)', 'y');
    const rho = stepOf(item, 'ρ');
    const V = Math.abs(q * 0.8 * (0.5 - item.x / 0.8));
    close(rho, (2 * (V / Vpl) - 1) ** 2, 5e-3);
    // EN 10210-2, 300 × 200 × 10: A = 94.9 cm², Wpl,y = 956 cm³; Av = A·h/(b + h), two webs: ΔW = Av²/(8·t)
    const Av = (94.9e-4 * 0.3) / 0.5;
    close(item.capacity, (956e-6 - (rho * Av ** 2) / (8 * 0.01)) * fy, 5e-3);
  });
});
