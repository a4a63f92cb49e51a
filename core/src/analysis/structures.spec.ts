import type { Load, Support } from '../model/types.js';
import { forceAt, forceExtremes } from '../results/index.js';
import { clamp, EA, EIy, expectClose, GJ, modelOf, plainSection, solved } from '../testing/models.js';

const pin = (node: string): Support => ({ node, ux: 'fixed', uz: 'fixed' });
const roller = (node: string): Support => ({ node, uz: 'fixed' });
const line = (member: string, w: number): Load => ({
  kind: 'distributed',
  member,
  direction: 'z',
  q: [-w, -w],
});

describe('continuous beams by the three-moment equation (Clapeyron)', () => {
  const spans = (count: number, L = 5) =>
    modelOf(
      'plane',
      Object.fromEntries(Array.from({ length: count + 1 }, (_, i) => [`n${i}`, [i * L, 0]])),
      Array.from({ length: count }, (_, i) => ({ id: `m${i}`, start: `n${i}`, end: `n${i + 1}` })),
      Array.from({ length: count + 1 }, (_, i) => (i === 0 ? pin('n0') : roller(`n${i}`))),
      Array.from({ length: count }, (_, i) => line(`m${i}`, 1e4)),
    );
  const supportMoments = (count: number) => {
    const { state } = solved(spans(count));
    return Array.from({ length: count - 1 }, (_, i) => forceAt(state.field(i), 'My', 5) / (1e4 * 25));
  };

  it('two spans: −wL²/8', () => supportMoments(2).forEach((m) => expectClose(m, -1 / 8)));
  it('three spans: −wL²/10', () => supportMoments(3).forEach((m) => expectClose(m, -1 / 10)));
  it('four spans: −3/28, −2/28, −3/28 wL²', () => {
    supportMoments(4).forEach((m, i) => expectClose(m, [-3 / 28, -2 / 28, -3 / 28][i]!));
  });
  it('five spans: −4/38, −3/38 wL²', () => {
    supportMoments(5).forEach((m, i) => expectClose(m, [-4 / 38, -3 / 38, -3 / 38, -4 / 38][i]!));
  });

  it('the middle support of two spans sinks by δ: M = 3EIδ/L²', () => {
    const model = spans(2);
    model.loadCases = [{ id: 'L', loads: [{ kind: 'settlement', node: 'n1', uz: -0.02 }] }];
    const { state } = solved(model);
    expectClose(forceAt(state.field(0), 'My', 5), (3 * EIy * 0.02) / 25);
  });
});

describe('trusses by the method of joints', () => {
  // Pratt girder of four 3 m panels, 4 m deep, F at the lower middle node
  const F = 12e3;
  const nodes = { a: [0, 0], b: [3, 0], c: [6, 0], d: [9, 0], e: [12, 0], f: [3, 4], g: [6, 4], h: [9, 4] };
  const bars = ['ab', 'bc', 'cd', 'de', 'fg', 'gh', 'bf', 'cg', 'dh', 'af', 'fc', 'ch', 'he'];
  const model = modelOf(
    'plane',
    nodes,
    bars.map((id) => ({ id, start: id[0]!, end: id[1]!, action: 'axial' as const })),
    [pin('a'), roller('e')],
    [{ kind: 'node', node: 'c', F: [0, 0, -F] }],
  );
  const { frame, state } = solved(model);
  const N = (id: string) => forceAt(state.field(frame.memberIndex.get(id)!), 'N', 1);

  it('end diagonal −F/2·5/4, bottom chord F/2·3/4, top chord −F/2·6/4', () => {
    expectClose(N('af'), (-F / 2) * (5 / 4));
    expectClose(N('ab'), (F / 2) * (3 / 4));
    expectClose(N('fg'), (-F / 2) * (6 / 4));
    expectClose(N('fc'), (F / 2) * (5 / 4));
  });
  it('zero bars are zero', () => {
    expect(Math.abs(N('bf'))).toBeLessThan(1e-6);
    expect(Math.abs(N('cg'))).toBeLessThan(1e-6);
  });
  it('the middle sinks by Σ N·n·L/EA (virtual work)', () => {
    const length = (id: string) => frame.length[frame.memberIndex.get(id)!]!;
    const work = bars.reduce((sum, id) => sum + (N(id) * (N(id) / F) * length(id)) / EA, 0);
    expectClose(state.displacements[6 * frame.nodeIndex.get('c')! + 2]!, -work);
  });
});

describe('grillages', () => {
  it('two equal beams that cross at their middles share the load: each F/2', () => {
    const F = 4e4;
    const ends = { a: [-3, 0, 0], b: [3, 0, 0], c: [0, -3, 0], d: [0, 3, 0], m: [0, 0, 0] };
    const simple = (node: string): Support => ({ node, uz: 'fixed' });
    const model = modelOf(
      'solid',
      ends,
      ['am', 'mb', 'cm', 'md'].map((id) => ({ id, start: id[0]!, end: id[1]! })),
      [
        { node: 'a', ux: 'fixed', uy: 'fixed', uz: 'fixed' },
        { node: 'b', uy: 'fixed', uz: 'fixed' },
        simple('c'),
        simple('d'),
      ],
      [{ kind: 'node', node: 'm', F: [0, 0, -F] }],
    );
    const { state } = solved(model);
    expectClose(forceExtremes(state.field(0), 'My').max.value, ((F / 2) * 6) / 4);
    expectClose(state.displacements[6 * 4 + 2]!, (-(F / 2) * 6 ** 3) / (48 * EIy));
  });

  it('a clamped shaft under a torque in its middle: T/2 on each side, φ = T·L/4GJ', () => {
    const T = 5e3;
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [2, 0, 0], c: [4, 0, 0] },
      ['ab', 'bc'].map((id) => ({ id, start: id[0]!, end: id[1]! })),
      [clamp('a'), clamp('c')],
      [{ kind: 'node', node: 'b', M: [T, 0, 0] }],
    );
    const { state } = solved(model);
    expectClose(forceAt(state.field(0), 'T', 1), T / 2);
    expectClose(forceAt(state.field(1), 'T', 1), -T / 2);
    expectClose(state.displacements[6 + 3]!, (T * 4) / (4 * GJ));
  });
});

describe('frames on other grounds', () => {
  it('a column on a turning spring: F·h²/k more at its head', () => {
    const [F, h, k] = [1e3, 4, 5e6];
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [0, h] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: k }],
      [{ kind: 'node', node: 'b', F: [F, 0, 0] }],
    );
    expectClose(solved(model).state.displacements[6]!, (F * h ** 3) / (3 * EIy) + (F * h * h) / k);
  });

  it('a heated pinned portal pushes its feet: H from the free expansion αΔTL over the sway flexibility', () => {
    // Pinned portal, stiff in N: δ of one foot under H = 2·Hh³/3EI + H·h²·L/EI
    const [h, L, dT] = [4, 8, 40];
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [0, h], c: [L, h], d: [L, 0] },
      [
        { id: 'l', start: 'a', end: 'b' },
        { id: 'g', start: 'b', end: 'c' },
        { id: 'r', start: 'd', end: 'c' },
      ],
      [pin('a'), pin('d')],
      [{ kind: 'temperature', member: 'g', uniform: dT }],
    );
    model.sections = [{ ...plainSection, properties: { ...plainSection.properties, A: 1e4 } }];
    const H = (1e-5 * dT * L) / ((2 * h ** 3) / (3 * EIy) + (h * h * L) / EIy);
    expectClose(solved(model).state.reactions[0]!, H, 1e-6);
  });

  it('a node without members is ignored with a note, unless it is loaded', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [3, 0], z: [9, 9] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [pin('a'), roller('b')],
      [line('m', 1e3)],
    );
    expect(solved(model).notes).toEqual(['No member meets the node "z"; it is ignored.']);
    model.loadCases![0]!.loads!.push({ kind: 'node', node: 'z', F: [0, 0, -1] });
    expect(() => solved(model)).toThrowError(/can move without resistance: node "z"/);
  });
});
