import type { FrameModel, Load } from '../../model/types.js';
import { expectClose } from '../../testing/models.js';
import { plasticCollapse } from '../index.js';
import { kinks, reducedMoment } from './reduced-moment.js';
import { prepareFrame } from '../frame/frame.js';

const material = { id: 'm', kind: 'steel', E: 2.1e11, G: 8.1e10, density: 7850, fy: 2.5e8 };
const shape = { type: 'i', h: 0.3, b: 0.15, tw: 0.007, tf: 0.01 } as const;

function beam(loads: Load[], changes: Partial<FrameModel> = {}): FrameModel {
  return {
    format: 'hashira-frame',
    version: 1,
    space: 'plane',
    materials: [material],
    sections: [{ id: 's', material: 'm', shape }],
    nodes: [
      { id: 'a', x: 0, z: 0 },
      { id: 'b', x: 6, z: 0 },
    ],
    members: [{ id: 'm', start: 'a', end: 'b', section: 's' }],
    supports: [
      { node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' },
      { node: 'b', uz: 'fixed', ry: 'fixed' },
    ],
    loadCases: [{ id: 'L', loads }],
    ...changes,
  };
}
const middle: Load = { kind: 'point', member: 'm', at: 0.5, F: [0, 0, -1] };
const run = (model: FrameModel) => plasticCollapse(model, Float64Array.of(1));
/** b·tf·(h − tf) + tw·(h − 2tf)²/4. */
const Wpl = 0.15 * 0.01 * 0.29 + (0.007 * 0.28 ** 2) / 4;
const Mpl = Wpl * 2.5e8;

describe('plastic collapse', () => {
  it('of a fixed beam under a force: 8Mpl/L, three hinges, a mechanism that goes down in the middle', () => {
    const outcome = run(beam([middle]));
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
    const { factor, events, mechanism } = outcome.value;
    expectClose(factor, (8 * Mpl) / 6, 1e-9);
    expect(events.map(({ kind, x }) => [kind, x])).toEqual(
      jasmine.arrayWithExactContents([
        ['hinge', 0],
        ['hinge', 3],
        ['hinge', 6],
      ]),
    );
    for (const { moment } of events) expectClose(Math.abs(moment), Mpl, 1e-9);
    expect(Math.abs(mechanism!['m@3']![2]!)).toBeCloseTo(1, 9);
  });

  it('says what it cannot do, and where', () => {
    const code = (model: FrameModel) => {
      const outcome = run(model);
      return outcome.ok ? 'ok' : [outcome.problems[0]!.code, outcome.problems[0]!.where['path']];
    };
    expect(code(beam([middle], { space: 'solid' }))).toEqual(['not-supported', '/space']);
    const tapered = beam([middle], {
      sections: [
        { id: 's', material: 'm', shape },
        { id: 't', material: 'm', shape: { ...shape, h: 0.5 } },
      ],
    });
    tapered.members[0]!.endSection = 't';
    expect(code(tapered)).toEqual(['not-supported', '/members/0/endSection']);
    const raw = [{ id: 's', material: 'm', properties: { A: 1e-2, Iy: 1e-4 } }];
    expect(code(beam([middle], { sections: raw }))).toEqual(['invalid-model', '/members/0/section']);
    expect(code(beam([]))).toEqual(['no-collapse', undefined]);
  });
});

describe('plastic moment under axial force (EN 1993-1-1 6.2.9.1)', () => {
  const sectionOf = (given: FrameModel['sections'][0]) =>
    prepareFrame(beam([], { sections: [given] })).sections[0]!;

  it('I sections keep it up to n = a/2 and lose it at n = 1 (eq. 6.36)', () => {
    const section = sectionOf({ id: 's', material: 'm', shape });
    const A = 2 * 0.15 * 0.01 + 0.28 * 0.007;
    const a = (A - 2 * 0.15 * 0.01) / A;
    expect(reducedMoment(section, a / 2 - 1e-9)).toEqual({ share: 1, slope: 0 });
    expectClose(reducedMoment(section, 0.6).share, 0.4 / (1 - 0.5 * a));
    expect(reducedMoment(section, 1).share).toBe(0);
    expectClose(kinks(section)[0]!, a / 2);
  });

  it('plates lose it with n² (eq. 6.32), tubes with n^1.7, others in proportion', () => {
    const plate = sectionOf({ id: 's', material: 'm', shape: { type: 'rectangle', h: 0.2, b: 0.05 } });
    expectClose(reducedMoment(plate, 0.5).share, 0.75);
    const tube = sectionOf({ id: 's', material: 'm', shape: { type: 'circular-hollow', d: 0.2, t: 0.01 } });
    expectClose(reducedMoment(tube, 0.5).share, 1 - 0.5 ** 1.7);
    const raw = sectionOf({ id: 's', material: 'm', properties: { A: 1e-2, Iy: 1e-4, Wply: 1e-3 } });
    expectClose(reducedMoment(raw, 0.3).share, 0.7);
  });

  it('slopes are those of the shares', () => {
    for (const form of [
      shape,
      { type: 'rectangular-hollow', h: 0.2, b: 0.1, t: 0.008 } as const,
      { type: 'rectangle', h: 0.2, b: 0.05 } as const,
      { type: 'circular-hollow', d: 0.2, t: 0.01 } as const,
    ]) {
      const section = sectionOf({ id: 's', material: 'm', shape: form });
      const d = 1e-6;
      const numeric =
        (reducedMoment(section, 0.7 + d).share - reducedMoment(section, 0.7 - d).share) / (2 * d);
      expectClose(reducedMoment(section, 0.7).slope, numeric, 1e-6);
    }
  });
});
