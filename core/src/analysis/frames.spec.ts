import type { Load, Support } from '../model/types.js';
import { displacementAt, forceAt, forceExtremes, stateEquilibrium } from '../results/index.js';
import {
  clamp,
  EA,
  EIy,
  EIz,
  expectClose,
  GJ,
  modelOf,
  one,
  plainSection,
  solved,
} from '../testing/models.js';

const pin = (node: string): Support => ({ node, ux: 'fixed', uz: 'fixed' });

/** Stiff in axial force, so that formulas that neglect it hold to 1e-6. */
const inextensible = { ...plainSection, properties: { ...plainSection.properties, A: 1e4 } };

function portal(supports: Support[], loads: Load[]) {
  const model = modelOf(
    'plane',
    { a: [0, 0], b: [0, 4], c: [8, 4], d: [8, 0] },
    [
      { id: 'left', start: 'a', end: 'b' },
      { id: 'beam', start: 'b', end: 'c' },
      { id: 'right', start: 'd', end: 'c' },
    ],
    supports,
    loads,
  );
  model.sections = [inextensible];
  return model;
}

describe('plane frames against Kleinlogel, Rahmenformeln (frame shapes 37 and 41)', () => {
  const w = 1e4;
  const k = 4 / 8; // (I beam / I column) · h / L with equal second moments
  const load: Load = { kind: 'distributed', member: 'beam', direction: 'z', q: [-w, -w] };

  it('pinned portal, uniform load: eaves moment −wL²/(4(2k + 3))', () => {
    const { state } = solved(portal([pin('a'), pin('d')], [load]));
    const beam = state.field(1);
    expectClose(forceAt(beam, 'My', 0), (-w * 64) / (4 * (2 * k + 3)), 1e-6);
    // Both feet are pushed inwards
    expectClose(state.reactions[0]!, (w * 64) / (4 * (2 * k + 3)) / 4, 1e-6);
  });

  it('fixed portal, uniform load: eaves −wL²/(6(k + 2)), base wL²/(12(k + 2))', () => {
    const { state } = solved(portal([clamp('a'), clamp('d')], [load]));
    expectClose(forceAt(state.field(1), 'My', 0), (-w * 64) / (6 * (k + 2)), 1e-6);
    expectClose(Math.abs(forceAt(state.field(0), 'My', 0)), (w * 64) / (12 * (k + 2)), 1e-6);
  });

  it('pinned portal, sway force at the eaves: moments ±Fh/2', () => {
    const F = 2e4;
    const { state } = solved(portal([pin('a'), pin('d')], [{ kind: 'node', node: 'b', F: [F, 0, 0] }]));
    expectClose(Math.abs(forceAt(state.field(1), 'My', 0)), (F * 4) / 2, 1e-6);
    // Sway Fh³(2 + 1/k)/(12 EI): slope-deflection with pinned feet and k = (I/L)beam-to-column ratio of lengths
    const sway = ((F * 4 ** 3) / (12 * EIy)) * (2 + 8 / 4);
    expectClose(state.displacements[6]!, sway, 1e-6);
  });

  it('three-hinged portal is statically determinate: H = wL²/8h, zero moment in the crown hinge', () => {
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [0, 4], c: [4, 5], d: [8, 4], e: [8, 0] },
      [
        { id: 'left', start: 'a', end: 'b' },
        { id: 'rafterL', start: 'b', end: 'c', hinges: { end: { My: 'free' } } },
        { id: 'rafterR', start: 'c', end: 'd' },
        { id: 'right', start: 'e', end: 'd' },
      ],
      [pin('a'), pin('e')],
      ['rafterL', 'rafterR'].map((member) => ({
        kind: 'distributed',
        member,
        direction: 'z',
        q: [-w, -w],
        per: 'projected',
      })),
    );
    const { frame, state } = solved(model);
    expectClose(state.reactions[0]!, (w * 64) / (8 * 5));
    expectClose(state.reactions[2]!, (w * 8) / 2);
    expectClose(forceAt(state.field(1), 'My', Math.hypot(4, 1)), 0, 1e-1);
    const balance = stateEquilibrium(frame, state, one);
    expect(balance.residual).toBeLessThan(1e-12);
  });

  it('an inclined roller reacts square to its plane', () => {
    const s = Math.SQRT1_2;
    const model = modelOf(
      'plane',
      { a: [0, 0], b: [6, 0] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [pin('a'), { node: 'b', uz: 'fixed', axes: { x: [s, 0, s], y: [0, 1, 0] } }],
      [{ kind: 'point', member: 'm', at: 0.5, F: [0, 0, -1e4] }],
    );
    const { state } = solved(model);
    expectClose(state.reactions[6 + 2]!, 5e3);
    expectClose(state.reactions[6]!, -5e3);
  });
});

describe('space frames', () => {
  it('a cantilever bends about its weak axis under a side load: FL³/3EIz, tension on the −y side', () => {
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [3, 0, 0] },
      [{ id: 'm', start: 'a', end: 'b' }],
      [clamp('a')],
      [{ kind: 'node', node: 'b', F: [0, 1000, 0] }],
    );
    const { state } = solved(model);
    expectClose(state.displacements[6 + 1]!, (1000 * 27) / (3 * EIz));
    expectClose(forceAt(state.field(0), 'Mz', 0), 3000);
  });

  it('roll by 90° swaps the axes: FL³/3EIy', () => {
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [3, 0, 0] },
      [{ id: 'm', start: 'a', end: 'b', roll: Math.PI / 2 }],
      [clamp('a')],
      [{ kind: 'node', node: 'b', F: [0, 1000, 0] }],
    );
    expectClose(solved(model).state.displacements[6 + 1]!, (1000 * 27) / (3 * EIy));
  });

  it('a bent cantilever twists: FL³/3EI of both legs plus F·b²·a/GJ', () => {
    const [a, b, F] = [2, 1.5, 800];
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [a, 0, 0], c: [a, b, 0] },
      [
        { id: 'm', start: 'a', end: 'b' },
        { id: 'n', start: 'b', end: 'c' },
      ],
      [clamp('a')],
      [{ kind: 'node', node: 'c', F: [0, 0, -F] }],
    );
    const { state } = solved(model);
    const expected = (F * a ** 3) / (3 * EIy) + (F * b ** 3) / (3 * EIy) + (F * b * b * a) / GJ;
    expectClose(state.displacements[12 + 2]!, -expected);
    // The torque on the face at +x balances −F at lever arm b: about +x it is −F·b
    expectClose(forceAt(state.field(0), 'T', 1), -F * b);
  });

  it('a column drawn upwards has y = +Y and z = −X', () => {
    const { frame } = solved(
      modelOf('solid', { a: [0, 0, 0], b: [0, 0, 3] }, [{ id: 'm', start: 'a', end: 'b' }], [clamp('a')], []),
    );
    expect([...frame.axes]).toEqual([0, 0, 1, 0, 1, 0, -1, 0, 0]);
  });

  it('rigid arms carry the moment of an eccentric column', () => {
    const e = 0.2;
    const model = modelOf(
      'solid',
      { a: [0, 0, 0], b: [0, 0, 3] },
      [{ id: 'm', start: 'a', end: 'b', offsets: { start: [e, 0, 0], end: [e, 0, 0] } }],
      [clamp('a')],
      [{ kind: 'node', node: 'b', F: [0, 0, -1e5] }],
    );
    const { state } = solved(model);
    const field = state.field(0);
    expectClose(forceAt(field, 'N', 1), -1e5);
    expectClose(Math.abs(forceExtremes(field, 'My').max.value), 1e5 * e);
    expectClose(displacementAt(field, 'u', 3), (-1e5 * 3) / EA);
  });
});
