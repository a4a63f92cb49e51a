import type { Load } from '../../../model/types.js';
import { axial, endMoments, itemOf, near as close, profileBar, stepOf } from '../../../testing/checks.js';

/** Uniform moment about z of a bar along X. */
const sideways = (M: number): Load[] => [
  { kind: 'node', node: 'a', M: [0, 0, M] },
  { kind: 'node', node: 'b', M: [0, 0, -M] },
];

/**
 * IPE 300 S235 (EN 10365), fork supports 4 m apart, under uniform moments: the formulas of Tables A.1 and A.2 by hand with the
 * table's values. h/b = 2: curves a and b for flexure (Table 6.2), b for lateral-torsional buckling (Table 6.5), kc = 1.
 */
describe('EN 1993-1-1 Annex A with lateral-torsional buckling', () => {
  const [A, Iy, Iz, It, Iw] = [53.81e-4, 8356e-8, 603.8e-8, 20.12e-8, 125.9e-9];
  const [Wply, Wely, Wplz, Welz] = [628.4e-6, 557.1e-6, 125.2e-6, 80.5e-6];
  const [E, G, fy, L] = [2.1e11, 8.1e10, 235e6, 4];
  const euler = (I: number) => (Math.PI ** 2 * E * I) / L ** 2;
  const [Ncry, Ncrz] = [euler(Iy), euler(Iz)];
  const NcrT = (G * It + (Math.PI ** 2 * E * Iw) / L ** 2) / ((Iy + Iz) / A);
  const Mcr = Ncrz * Math.sqrt(Iw / Iz + (L ** 2 * G * It) / (Math.PI ** 2 * E * Iz));
  const chiOf = (lambda: number, alpha: number, start: number, beta: number): number => {
    const phi = 0.5 * (1 + alpha * (lambda - start) + beta * lambda ** 2);
    return Math.min(1, 1 / lambda ** 2, 1 / (phi + Math.sqrt(phi ** 2 - beta * lambda ** 2)));
  };
  const [ly, lz, lLT] = [
    Math.sqrt((A * fy) / Ncry),
    Math.sqrt((A * fy) / Ncrz),
    Math.sqrt((Wply * fy) / Mcr),
  ];
  const [chiY, chiZ, chiLT] = [chiOf(ly, 0.21, 0.2, 1), chiOf(lz, 0.34, 0.2, 1), chiOf(lLT, 0.34, 0.4, 0.75)];

  /** Left sides of eq. 6.61 and 6.62. */
  function byHand(N: number, My: number, Mz: number): [number, number] {
    const [ny, nz, nT] = [N / Ncry, N / Ncrz, N / NcrT];
    const [muy, muz] = [(1 - ny) / (1 - chiY * ny), (1 - nz) / (1 - chiZ * nz)];
    const [wy, wz] = [Math.min(1.5, Wply / Wely), Math.min(1.5, Wplz / Welz)];
    const npl = N / (A * fy);
    // Uniform moments: ψ = 1
    const Cmi0 = (n: number) => 0.79 + 0.21 + 0.36 * (1 - 0.33) * n;
    const epsilon = (My / N) * (A / Wely);
    const aLT = 1 - It / Iy;
    // C1 = 1: λ̄0 = λ̄LT, and it is beyond 0.2·((1 − nz)(1 − nT))^0.25
    const share = (Math.sqrt(epsilon) * aLT) / (1 + Math.sqrt(epsilon) * aLT);
    const Cmy = Cmi0(ny) + (1 - Cmi0(ny)) * share;
    const Cmz = Cmi0(nz);
    const CmLT = Math.max(1, (Cmy ** 2 * aLT) / Math.sqrt((1 - nz) * (1 - nT)));
    const [my, mz] = [My / (chiLT * Wply * fy), Mz / (Wplz * fy)];
    const bLT = 0.5 * aLT * lLT ** 2 * my * mz;
    const cLT = ((10 * aLT * lLT ** 2) / (5 + lz ** 4)) * (my / Cmy);
    const dLT = ((2 * aLT * lLT) / (0.1 + lz ** 4)) * (my / Cmy) * (mz / Cmz);
    const eLT = ((1.7 * aLT * lLT) / (0.1 + lz ** 4)) * (my / Cmy);
    const most = Math.max(ly, lz);
    const Cyy = Math.max(
      Wely / Wply,
      1 + (wy - 1) * ((2 - (1.6 / wy) * Cmy ** 2 * most - (1.6 / wy) * Cmy ** 2 * most ** 2) * npl - bLT),
    );
    const Cyz = Math.max(
      0.6 * Math.sqrt(wz / wy) * (Welz / Wplz),
      1 + (wz - 1) * ((2 - 14 * ((Cmz ** 2 * most ** 2) / wz ** 5)) * npl - cLT),
    );
    const Czy = Math.max(
      0.6 * Math.sqrt(wy / wz) * (Wely / Wply),
      1 + (wy - 1) * ((2 - 14 * ((Cmy ** 2 * most ** 2) / wy ** 5)) * npl - dLT),
    );
    const Czz = Math.max(
      Welz / Wplz,
      1 + (wz - 1) * (2 - (1.6 / wz) * Cmz ** 2 * most - (1.6 / wz) * Cmz ** 2 * most ** 2 - eLT) * npl,
    );
    const kyy = ((Cmy * CmLT * muy) / (1 - ny)) * (1 / Cyy);
    const kyz = ((Cmz * muy) / (1 - nz)) * (1 / Cyz) * 0.6 * Math.sqrt(wz / wy);
    const kzy = ((Cmy * CmLT * muz) / (1 - ny)) * (1 / Czy) * 0.6 * Math.sqrt(wy / wz);
    const kzz = ((Cmz * muz) / (1 - nz)) * (1 / Czz);
    return [npl / chiY + kyy * my + kyz * mz, npl / chiZ + kzy * my + kzz * mz];
  }

  const checked = (N: number, My: number, Mz: number) =>
    profileBar('IPE 300', 'S235', L, [axial(-N), ...endMoments(My, My), ...sideways(Mz)], {
      space: 'solid',
      code: { interaction: 'A' },
    });

  it('the slendernesses and reduction factors', () => {
    const item = itemOf(checked(100e3, 30e3, 2e3), '6.3.2.1(1)', 'y');
    close(stepOf(item, 'Mcr'), Mcr, 5e-3);
    close(item.capacity, chiLT * Wply * fy, 5e-3);
    close(itemOf(checked(100e3, 30e3, 2e3), '6.3.1.1(1)', 'z').capacity, chiZ * A * fy, 5e-3);
  });

  for (const [N, My, Mz] of [
    [100e3, 30e3, 2e3],
    [200e3, 20e3, 3e3],
    [50e3, 70e3, 1e3],
    [300e3, 40e3, 6e3],
  ] as const)
    it(`${N / 1e3} kN with ${My / 1e3} and ${Mz / 1e3} kN·m`, () => {
      const [first, second] = byHand(N, My, Mz);
      const result = checked(N, My, Mz);
      close(itemOf(result, '6.3.3(4) eq. 6.61').demand, first, 6e-3);
      close(itemOf(result, '6.3.3(4) eq. 6.62').demand, second, 6e-3);
      expect(itemOf(result, '6.3.3(4) eq. 6.62').status).toBe(second > 1 ? 'fail' : 'pass');
    });
});
