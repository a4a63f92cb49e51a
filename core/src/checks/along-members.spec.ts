import { axial, barModel, checkFile, near, uniform } from '../testing/checks.js';
import type { FrameModel, MemberDesign } from '../model/types.js';

const tube = { shape: { type: 'circular-hollow', d: 0.1016, t: 0.005 } } as const;

describe('a bar that carries axial forces only', () => {
  it('bends under loads along it, and is checked as a member with hinges at both ends is', () => {
    const model = barModel({ section: tube, L: 7.5, loads: [axial(-40e3), uniform(116.8)] });
    const hinged: FrameModel = structuredClone(model);
    hinged.members[0]!.hinges = { start: { My: 'free' }, end: { My: 'free' } };
    model.members[0]!.action = 'axial';
    const [bar, beam] = [model, hinged].map((one) => checkFile(one).members['m']!);
    expect(bar!.governs!.clause).toContain('6.3.3');
    near(bar!.utilisation, beam!.utilisation!, 5e-3);
    // A = 15.17 cm², 116.8 N/m of own weight: My = 821 N·m; eq. 6.61 by Annex B with Cmy = 0.95, by hand
    near(bar!.utilisation, 0.7305, 0.012);
  });
});

describe('a buckling length of 0', () => {
  it('is that of a very short one: held throughout', () => {
    const utilisation = (Lcy: number) =>
      checkFile(barModel({ section: { profile: 'UPE 200' }, L: 3.5, loads: [axial(-90e3)], design: { Lcy } }))
        .members['m']!.utilisation!;
    near(utilisation(0), utilisation(0.02), 1e-3);
    expect(utilisation(0)).toBeGreaterThan(0);
  });
});

describe('a column through storeys in one group', () => {
  /** Four storeys of 3 m, held at each floor, with a couple on the lowest. */
  function column(design: MemberDesign): FrameModel {
    const model = barModel({
      section: { shape: { type: 'rectangular-hollow', h: 0.16, b: 0.16, t: 0.0063 } },
      L: 3,
      loads: [],
    });
    const floors = [0, 1, 2, 3, 4];
    return {
      ...model,
      nodes: floors.map((i) => ({ id: `n${i}`, x: 0, z: 3 * i })),
      members: floors.slice(1).map((i) => ({
        id: `c${i}`,
        start: `n${i - 1}`,
        end: `n${i}`,
        section: 's',
        design: { Lcy: 3, Lcz: 3, LLT: 3, ...design },
      })),
      supports: floors.map((i) => ({ node: `n${i}`, ux: 'fixed', ...(i === 0 ? { uz: 'fixed' } : {}) })),
      loadCases: [
        {
          id: 'L',
          loads: [
            { kind: 'node', node: 'n4', F: [0, 0, -750e3] },
            { kind: 'node', node: 'n0', M: [0, 40e3, 0] },
            { kind: 'node', node: 'n1', M: [0, -40e3, 0] },
          ],
        },
      ],
    };
  }

  it('is no better than its worst storey: the moments that count are those of the buckling length', () => {
    const storeys = Object.values(checkFile(column({})).members);
    const worst = Math.max(...storeys.map(({ utilisation }) => utilisation!));
    const group = checkFile(column({ group: 'col' })).members['col']!;
    near(group.utilisation, worst, 5e-3);
  });
});

describe('the summary', () => {
  it('lists what no check here speaks of, beside a pass too', () => {
    const { summary } = checkFile(
      barModel({ section: { profile: 'IPE 300' }, L: 3, loads: [uniform(5e3)], design: { LLT: 0 } }),
    );
    expect(summary.status).toBe('pass');
    const all = summary.notChecked.join('; ');
    for (const word of ['webs', 'connections', 'net sections', 'warping', 'fatigue', 'fire'])
      expect(all).toContain(word);
  });
});
