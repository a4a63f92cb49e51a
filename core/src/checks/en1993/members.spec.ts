import {
  axial,
  endMoments,
  itemOf,
  stepOf,
  uniform,
  near as close,
  profileBar as bar,
} from '../../testing/checks.js';
import type { Load } from '../../model/types.js';

describe('EN 1993-1-1 6.3.1, buckling in compression', () => {
  // Ncr,z = π²·210000·603.8e4/3000² = 1390.5 kN, λ̄ = √(5381·235/1390.5e3) = 0.9536, curve b: Φ = 1.0828, χ = 0.6267
  it('IPE 300 S235 3 m: Nb,z,Rd = 792.5 kN, on both sides of 1', () => {
    const z = itemOf(bar('IPE 300', 'S235', 3, [axial(-500e3)]), '6.3.1.1(1)', 'z');
    close(z.capacity, 792.5e3, 1e-3);
    expect(z.status).toBe('pass');
    expect(stepOf(z, 'λ̄z')).toBeCloseTo(0.9536, 3);
    expect(itemOf(bar('IPE 300', 'S235', 3, [axial(-800e3)]), '6.3.1.1(1)', 'z').status).toBe('fail');
  });

  // Designers' guide to EN 1993-1-1 (Gardner, Nethercot), example 6.7: hot-finished CHS 244.5 × 10 S275, 4 m: 1836.5 kN
  it('CHS 244.5x10 S275 4 m: Nb,Rd = 1836.5 kN', () => {
    close(
      itemOf(bar('CHS 244.5x10', 'S275', 4, [axial(-1630e3)]), '6.3.1.1(1)', 'y').capacity,
      1836.5e3,
      2e-3,
    );
  });

  it('cold-formed hollow sections go by curve c, S460 hot-finished by a0', () => {
    const alpha = (profile: string, grade: string) =>
      stepOf(itemOf(bar(profile, grade, 3, [axial(-10e3)]), '6.3.1.1(1)', 'y'), 'α');
    expect(alpha('CF SHS 100x100x5', 'S355')).toBe(0.49);
    expect(alpha('SHS 100x100x5', 'S355')).toBe(0.21);
    expect(alpha('SHS 100x100x5', 'S460')).toBe(0.13);
  });

  it('buckling lengths as given; 0 is held throughout', () => {
    const checked = bar('IPE 300', 'S235', 6, [axial(-500e3)], { design: { Lcz: 3, Lcy: 0 } });
    close(itemOf(checked, '6.3.1.1(1)', 'z').capacity, 792.5e3, 1e-3);
    close(itemOf(checked, '6.3.1.1(1)', 'y').capacity, 1264.5e3, 1e-3);
  });

  // Ncr,T = (81000·20.12e4 + π²·210000·125.9e9/3000²)/(12.46² + 3.35²)e2 = 2719 kN with L = 3 m
  it('torsional buckling of a doubly symmetric I', () => {
    const item = itemOf(bar('IPE 300', 'S235', 3, [axial(-500e3)]), '6.3.1.1(1)', 'T');
    const i0 = 0.1246 ** 2 + 0.0335 ** 2;
    close(stepOf(item, 'Ncr,T'), (8.1e10 * 20.12e-8 + (Math.PI ** 2 * 2.1e11 * 125.9e-9) / 9) / i0, 5e-3);
  });

  // Channel: coupled root of bending about y (the axis of symmetry) with torsion
  it('torsional-flexural buckling of a channel by the closed form for one axis of symmetry', () => {
    const item = itemOf(bar('UPE 200', 'S235', 3, [axial(-100e3)]), '6.3.1.1(1)', 'TF');
    const Ny = (Math.PI ** 2 * 2.1e11 * 1910e-8) / 9;
    const NT = stepOf(item, 'Ncr,T');
    const i0 = stepOf(item, 'i0');
    const y0 = 5.41e-2;
    const beta = 1 - (y0 / i0) ** 2;
    const Ncr =
      (Ny / (2 * beta)) * (1 + NT / Ny - Math.sqrt((1 - NT / Ny) ** 2 + (4 * (y0 / i0) ** 2 * NT) / Ny));
    close(stepOf(item, 'Ncr,TF'), Ncr, 0.01);
  });

  // L 100 × 100 × 10, iv = 1.95 cm: λ̄v = 300/1.95/93.9 = 1.638; through one leg 0.35 + 0.7·1.638 = 1.497
  it('angles about v, or through one leg with two bolts by BB.1.2', () => {
    const loads = [axial(-50e3)];
    const centric = bar('L 100x100x10', 'S235', 3, loads, { space: 'solid' });
    expect(stepOf(itemOf(centric, '6.3.1.1(1)', 'v'), 'λ̄v')).toBeCloseTo(1.638, 2);
    const leg = bar('L 100x100x10', 'S235', 3, loads, { space: 'solid', design: { connection: 'oneLeg' } });
    expect(stepOf(itemOf(leg, '6.3.1.1(1)', 'v'), 'λ̄eff,v')).toBeCloseTo(1.497, 2);
    const single = bar('L 100x100x10', 'S235', 3, loads, {
      space: 'solid',
      design: { connection: 'oneLeg', bolts: 1 },
    });
    expect(single.status).toBe('not covered');
    expect(single.reasons![0]).toContain('BB.1.2(3)');
  });

  it('no item for a member in tension', () => {
    const clauses = bar('IPE 300', 'S235', 3, [axial(500e3)]).items.map(({ clause }) => clause);
    expect(clauses).toEqual(['6.2.3(1) eq. 6.5']);
  });
});

describe('EN 1993-1-1 6.3.2, lateral-torsional buckling', () => {
  // Worked example SX001 of the Access Steel collection: IPE 330 S235, 5.7 m, load on the top flange: Mcr = 113.9 kN·m, λ̄LT = 1.288
  it('IPE 330 S235 5.7 m with C1 = 1.127, C2 = 0.454 and zg = h/2: Mcr = 113.9 kN·m', () => {
    const checked = bar('IPE 330', 'S235', 5.7, [uniform(10e3)], {
      design: { C1: 1.127, C2: 0.454, zg: 0.165 },
    });
    const item = itemOf(checked, '6.3.2.1(1)');
    close(stepOf(item, 'Mcr'), 113.9e3, 5e-3);
    expect(stepOf(item, 'λ̄LT')).toBeCloseTo(1.288, 2);
    close(stepOf(item, 'χLT'), 0.48, 5e-3);
  });

  it('C1 of the true diagram: 1.13 under uniform load, 1.35 under a load in the middle, 1 under a uniform moment', () => {
    const C1 = (loads: Load[]) => stepOf(itemOf(bar('IPE 300', 'S235', 6, loads), '6.3.2.1(1)'), 'C1');
    // ENV 1993-1-1 Table F.1.2: 1.132, 1.365; SN003: 1.127, 1.348
    close(C1([uniform(5e3)]), 1.13, 5e-3);
    close(C1([{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -10e3] }]), 1.355, 1e-2);
    close(C1(endMoments(20e3, 20e3)), 1, 1e-9);
  });

  it('C1 of end moments: 1.77 to 1.88 at ψ = 0, 2.55 to 2.75 at ψ = −1 (ENV 1993-1-1 Table F.1.1, SN003)', () => {
    const C1 = (loads: Load[]) => stepOf(itemOf(bar('IPE 300', 'S235', 6, loads), '6.3.2.1(1)'), 'C1');
    const half = C1(endMoments(20e3, 0));
    expect(half).toBeGreaterThan(1.77 * 0.99);
    expect(half).toBeLessThan(1.88);
    const reversed = C1(endMoments(20e3, -20e3));
    expect(reversed).toBeGreaterThan(2.55 * 0.99);
    expect(reversed).toBeLessThan(2.76);
  });

  it('C2 of the true loads: 0.45 to 0.46 of a uniform load, 0.55 to 0.63 of a load in the middle', () => {
    const C2 = (loads: Load[]) =>
      stepOf(itemOf(bar('IPE 300', 'S235', 6, loads, { design: { zg: 0.15 } }), '6.3.2.1(1)'), 'C2');
    expect(C2([uniform(5e3)])).toBeGreaterThan(0.44);
    expect(C2([uniform(5e3)])).toBeLessThan(0.47);
    const point = C2([{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -10e3] }]);
    expect(point).toBeGreaterThan(0.54);
    expect(point).toBeLessThan(0.64);
  });

  it('the general method 6.3.2.2 when the code asks for it, without f', () => {
    const checked = bar('IPE 330', 'S235', 5.7, [uniform(10e3)], {
      design: { C1: 1.127 },
      code: { lateralTorsional: 'general' },
    });
    const item = itemOf(checked, '6.3.2.1(1)');
    // h/b = 2.06: curve b of Table 6.4
    expect(stepOf(item, 'αLT')).toBe(0.34);
    const l = stepOf(item, 'λ̄LT');
    const phi = 0.5 * (1 + 0.34 * (l - 0.2) + l * l);
    close(item.capacity, (804.3e-6 * 235e6) / (phi + Math.sqrt(phi * phi - l * l)), 1e-3);
  });

  it('restraints divide the member, LLT 0 holds it, hollow sections do not buckle sideways', () => {
    const free = itemOf(bar('IPE 300', 'S235', 6, [uniform(5e3)]), '6.3.2.1(1)');
    const divided = itemOf(bar('IPE 300', 'S235', 6, [uniform(5e3)], { design: { LLT: 2 } }), '6.3.2.1(1)');
    expect(divided.capacity!).toBeGreaterThan(free.capacity!);
    expect(stepOf(divided, 'L')).toBe(2);
    for (const [profile, design] of [
      ['IPE 300', { LLT: 0 }],
      ['SHS 100x100x5', {}],
    ] as const)
      expect(
        bar(profile, 'S235', 6, [uniform(1e3)], { design }).items.some(({ clause }) =>
          clause.startsWith('6.3.2'),
        ),
      ).toBeFalse();
  });
});

describe('EN 1993-1-1 6.3.3, bending with compression', () => {
  // By hand with Tables B.1 to B.3 for HEB 240 S355, 6 m, N = 800 kN, uniform load 20 kN/m (M = 90 kN·m), Cmy = CmLT = 0.95:
  // A = 106.0 cm², Wpl,y = 1053 cm³, Iy = 11260, Iz = 3923 cm⁴
  it('Annex B: HEB 240 S355, held and free to twist', () => {
    const N = 800e3;
    const M = 90e3;
    const NRk = 106.0e-4 * 355e6;
    const MRk = 1053e-6 * 355e6;
    const chi = (I: number, alpha: number) => {
      const l = Math.sqrt(NRk / ((Math.PI ** 2 * 2.1e11 * I) / 36));
      const phi = 0.5 * (1 + alpha * (l - 0.2) + l * l);
      return { l, chi: 1 / (phi + Math.sqrt(phi * phi - l * l)) };
    };
    const y = chi(11260e-8, 0.34);
    const z = chi(3923e-8, 0.49);
    const ny = N / (y.chi * NRk);
    const nz = N / (z.chi * NRk);
    const kyy = 0.95 * Math.min(1 + (y.l - 0.2) * ny, 1 + 0.8 * ny);
    const kzy = Math.max(1 - (0.1 * z.l * nz) / 0.7, 1 - (0.1 * nz) / 0.7);
    const checked = bar('HEB 240', 'S355', 6, [uniform(20e3), axial(-N)]);
    const first = itemOf(checked, '6.3.3(4) eq. 6.61');
    const second = itemOf(checked, '6.3.3(4) eq. 6.62');
    const chiLT = stepOf(first, 'χLT');
    close(first.demand, ny + (kyy * M) / (chiLT * MRk), 3e-3);
    close(second.demand, nz + (kzy * M) / (chiLT * MRk), 3e-3);
    const held = bar('HEB 240', 'S355', 6, [uniform(20e3), axial(-N)], { design: { LLT: 0 } });
    close(itemOf(held, '6.3.3(4) eq. 6.62').demand, nz + (0.6 * kyy * M) / MRk, 3e-3);
  });

  it('Cm by Table B.3: 0.6 + 0.4ψ of end moments, 0.95 and 0.90 of loads, as given, and 0.9 of a sway frame', () => {
    const Cm = (loads: Load[], design = {}) =>
      stepOf(
        itemOf(bar('HEB 240', 'S355', 6, [...loads, axial(-300e3)], { design }), '6.3.3(4) eq. 6.61'),
        'Cmy',
      );
    close(Cm(endMoments(50e3, 25e3)), 0.8, 1e-6);
    close(Cm(endMoments(50e3, -50e3)), 0.4, 1e-6);
    close(Cm([uniform(20e3)]), 0.95, 1e-6);
    close(Cm([{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -50e3] }]), 0.9, 1e-6);
    expect(Cm([uniform(20e3)], { Cmy: 0.7 })).toBe(0.7);
    expect(Cm([uniform(20e3)], { sway: true })).toBe(0.9);
  });

  it('Annex A by hand where nothing twists: SHS 200x200x10 S355, 4 m, uniform moment', () => {
    const N = 1000e3;
    const M = 60e3;
    const A = 74.9e-4;
    const Ncr = (Math.PI ** 2 * 2.1e11 * 4471e-8) / 16;
    const l = Math.sqrt((A * 355e6) / Ncr);
    const phi = 0.5 * (1 + 0.21 * (l - 0.2) + l * l);
    const chi = 1 / (phi + Math.sqrt(phi * phi - l * l));
    const mu = (1 - N / Ncr) / (1 - (chi * N) / Ncr);
    const w = 531 / 447;
    const npl = N / (A * 355e6);
    const Cm = 0.79 + 0.21 + 0.36 * (1 - 0.33) * (N / Ncr);
    const C = Math.max(
      447 / 531,
      1 + (w - 1) * ((2 - (1.6 / w) * Cm ** 2 * l - (1.6 / w) * Cm ** 2 * l * l) * npl),
    );
    const kyy = (Cm * mu) / (1 - N / Ncr) / C;
    const checked = bar('SHS 200x200x10', 'S355', 4, [...endMoments(M, M), axial(-N)], {
      code: { interaction: 'A' },
    });
    close(
      itemOf(checked, '6.3.3(4) eq. 6.61').demand,
      N / (chi * A * 355e6) + (kyy * M) / (531e-6 * 355e6),
      5e-3,
    );
  });

  it('past the critical force fails in words of force, not in a negative factor', () => {
    const item = itemOf(bar('IPE 80', 'S235', 6, [uniform(10), axial(-20e3)]), '6.3.3(4) eq. 6.62');
    expect(item.status).toBe('fail');
    expect(item.utilisation!).toBeGreaterThan(1);
  });
});
