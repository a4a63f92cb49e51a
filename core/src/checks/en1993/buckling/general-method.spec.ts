import {
  type CheckedBar,
  axial,
  barModel,
  checkFile,
  endMoments,
  heldAgainstTwist,
  itemOf,
  stepOf,
  uniform,
  near as close,
} from '../../../testing/checks.js';
import type { Load, MemberDesign } from '../../../model/types.js';

/** A welded I, S355, that tapers from one depth to another over 6 m. */
function tapered(
  h0: number,
  h1: number,
  loads: Load[],
  design: MemberDesign = {},
  more: Pick<CheckedBar, 'supports' | 'space'> = {},
) {
  const shape = (h: number) => ({ type: 'i', h, b: 0.2, tw: 0.01, tf: 0.015 }) as const;
  const model = barModel({
    section: { shape: shape(h0), shearDeformation: false },
    L: 6,
    loads,
    design,
    ...more,
  });
  model.sections.push({ id: 'end', material: 'S355', shape: shape(h1), shearDeformation: false });
  model.members[0]!.endSection = 'end';
  return checkFile(model).members['m']!;
}

const E = 2.1e11;
const flange = (0.015 * 0.2 ** 3) / 12;
/** What two flanges and the web have about z, and the flanges alone. */
const Iz = 2 * flange;
const J = (2 * 0.2 * 0.015 ** 3 + 0.37 * 0.01 ** 3) / 3;

describe('EN 1993-1-1 6.3.4, the general method for tapers', () => {
  it('a taper that does not taper buckles by Euler’s force of its flanges', () => {
    const item = itemOf(tapered(0.4, 0.4, [axial(-100e3)]), '6.3.4(2)');
    close(stepOf(item, 'αcr,op'), (Math.PI ** 2 * E * Iz) / 36 / 100e3, 2e-3);
    const Iy = (0.2 * 0.4 ** 3 - 0.19 * 0.37 ** 3) / 12;
    close(stepOf(item, 'αcr,y'), (Math.PI ** 2 * E * Iy) / 36 / 100e3, 1e-3);
  });

  it('under a uniform moment by π/L·√(EIz·(GIt + π²EIw/L²)) (Timoshenko and Gere, art. 6.2)', () => {
    const M = 50e3;
    const item = itemOf(tapered(0.4, 0.4, endMoments(M, M)), '6.3.4(2)');
    const Iw = (Iz * 0.385 ** 2) / 4;
    const Mcr = (Math.PI / 6) * Math.sqrt(E * Iz * (8.1e10 * J + (Math.PI ** 2 * E * Iw) / 36));
    // The torsion constant counts the free ends of the flanges
    close(stepOf(item, 'αcr,op'), Mcr / M, 0.02);
  });

  it('with a free tip by Euler’s force of a mast, π²EIz/(2L)²', () => {
    const root = { ...heldAgainstTwist![0]!, ry: 'fixed', rz: 'fixed' } as const;
    const mast = tapered(0.4, 0.4, [axial(-100e3)], {}, { supports: [root], space: 'solid' });
    close(stepOf(itemOf(mast, '6.3.4(2)'), 'αcr,op'), (Math.PI ** 2 * E * Iz) / (4 * 36) / 100e3, 2e-3);
  });

  it('a true taper lies between its ends', () => {
    const factor = (h0: number, h1: number) =>
      stepOf(itemOf(tapered(h0, h1, [axial(-100e3)]), '6.3.4(2)'), 'αcr,y');
    const [thin, mixed, thick] = [factor(0.3, 0.3), factor(0.3, 0.6), factor(0.6, 0.6)];
    expect(mixed).toBeGreaterThan(1.5 * thin);
    expect(mixed).toBeLessThan(0.7 * thick);
    close(factor(0.3, 0.6), factor(0.6, 0.3), 1e-6);
  });

  it('passes and fails on both sides of 1; lateral restraints help', () => {
    const low = itemOf(tapered(0.3, 0.6, [uniform(10e3), axial(-100e3)]), '6.3.4(2)');
    expect(low.status).toBe('pass');
    const high = itemOf(tapered(0.3, 0.6, [uniform(60e3), axial(-600e3)]), '6.3.4(2)');
    expect(high.status).toBe('fail');
    const held = itemOf(tapered(0.3, 0.6, [uniform(60e3), axial(-600e3)], { LLT: 2 }), '6.3.4(2)');
    expect(held.utilisation!).toBeLessThan(high.utilisation!);
  });

  it('held sideways throughout only the sections and the plane count: α·(N/NRk + M/MRk) = 1', () => {
    const M = 100e3;
    const checked = tapered(0.4, 0.4, [...endMoments(M, M), axial(-200e3)], { LLT: 0, Lcy: 0, Lcz: 0 });
    const A = 2 * 0.2 * 0.015 + 0.37 * 0.01;
    const Wpl = 0.2 * 0.015 * 0.385 + (0.01 * 0.37 ** 2) / 4;
    close(itemOf(checked, '6.3.4(2)').demand, 200e3 / (A * 355e6) + M / (Wpl * 355e6), 1e-3);
  });
});
