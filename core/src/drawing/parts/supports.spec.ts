import { prepareFrame } from '../../analysis/index.js';
import type { Support } from '../../model/types.js';
import { built, designWith } from '../../testing/designs.js';
import { strokesOn } from '../../testing/strokes.js';
import { Draughtsman } from '../drawing.js';
import { drawSupports } from './supports.js';

/** How many strokes a sign at a base has. */
function strokes(support: Omit<Support, 'node'>, space: 'plane' | 'solid' = 'plane'): number {
  return drawn(support, space).length;
}

function drawn(support: Omit<Support, 'node'>, space: 'plane' | 'solid' = 'plane') {
  const points =
    space === 'plane'
      ? [
          ['0 m', '0 m'],
          ['0 m', '3 m'],
        ]
      : [
          ['0 m', '0 m', '0 m'],
          ['0 m', '0 m', '3 m'],
        ];
  const { model } = built(
    designWith([{ id: 'post', make: 'line', points, role: 'column' }], {
      space,
      rules: [{ id: 'base', nodes: 'z == 0 m', support: 'fixed' }],
    }),
  );
  const node = model.supports![0]!.node;
  const pen = new Draughtsman();
  const held = { ...model, supports: [{ node, ...support }] };
  drawSupports(pen, prepareFrame(held), held);
  return strokesOn(pen.finish(), 'supports');
}

describe('signs of supports', () => {
  const bar = 1 + 1 + 3;

  it('know clamp, pin and roller: ground of six strokes below a bar, and below a triangle, and a line below one', () => {
    expect(strokes({ ux: 'fixed', uz: 'fixed', ry: 'fixed' })).toBe(1 + 6);
    expect(strokes({ ux: 'fixed', uz: 'fixed' })).toBe(3 + 6);
    expect(strokes({ uz: 'fixed' })).toBe(3 + 1);
    expect(strokes({ ux: 'fixed', uy: 'fixed', uz: 'fixed' }, 'solid')).toBe(3 + 6);
    expect(strokes({ ux: 'fixed', uy: 'fixed', uz: 'fixed', rz: 'fixed' }, 'solid')).toBe(3 + 6);
  });

  it('show what other supports hold, direction by direction: a bar to the ground, and a square against turning', () => {
    expect(strokes({ ux: 'fixed' })).toBe(bar);
    expect(strokes({ uz: 'fixed', ry: 'fixed' })).toBe(bar + 4);
    expect(strokes({ ux: 'fixed', uz: 'fixed', uy: undefined } as never, 'solid')).toBe(2 * bar);
  });

  it('draw springs along as zigzags, and against turning as a coil of 24', () => {
    const zigzag = 6 + 1 + 3;
    expect(strokes({ ux: 1e6, uz: 2e6 })).toBe(2 * zigzag);
    expect(strokes({ ux: 'fixed', uz: 'fixed', ry: 1e6 })).toBe(9 + 24);
    const six = { ux: 1e6, uy: 1e6, uz: 1e6, rx: 1e6, ry: 1e6, rz: 1e6 };
    expect(strokes(six, 'solid')).toBe(3 * zigzag + 24);
  });

  it('stand along the axes of an inclined support', () => {
    const s = Math.SQRT1_2;
    const axes = { x: [s, 0, s], y: [0, 1, 0] } as Support['axes'];
    // The bar against movement along x goes back from the node against that axis
    const [first] = drawn({ ux: 'fixed', ...(axes ? { axes } : {}) });
    expect(first!.b[0]! - first!.a[0]!).toBeCloseTo(-s, 6);
    expect(first!.b[2]! - first!.a[2]!).toBeCloseTo(-s, 6);
  });
});
