import { analyse, bucklingModes, prepareFrame, vibrationModes, type FrameModel } from '@hashira/core';

/** A frame of 5 × 5 × 8 cells: large enough for the compiled kernels. */
function grid(): FrameModel {
  const id = (x: number, y: number, z: number) => `${x}.${y}.${z}`;
  const nodes: FrameModel['nodes'] = [];
  const members: FrameModel['members'] = [];
  for (let z = 0; z <= 8; z++)
    for (let y = 0; y <= 5; y++)
      for (let x = 0; x <= 5; x++) {
        nodes.push({ id: id(x, y, z), x: 6 * x, y: 6 * y, z: 3.5 * z });
        const link = (end: string) =>
          members.push({ id: `${id(x, y, z)}-${end}`, start: id(x, y, z), end, section: 's' });
        if (z < 8) link(id(x, y, z + 1));
        if (z > 0 && x < 5) link(id(x + 1, y, z));
        if (z > 0 && y < 5) link(id(x, y + 1, z));
      }
  return {
    format: 'hashira-frame',
    version: 1,
    space: 'solid',
    materials: [{ id: 'S355' }],
    sections: [{ id: 's', material: 'S355', profile: 'HEB 300' }],
    nodes,
    members,
    supports: nodes
      .filter(({ z }) => z === 0)
      .map(({ id: node }) => ({
        node,
        ux: 'fixed',
        uy: 'fixed',
        uz: 'fixed',
        rx: 'fixed',
        ry: 'fixed',
        rz: 'fixed',
      })),
    loadCases: [{ id: 'L', selfWeight: 1, loads: [{ kind: 'node', node: id(0, 0, 8), F: [1e5, 0, -1e6] }] }],
  };
}

describe('the analysis in the browser', () => {
  const frame = prepareFrame(grid());
  const selections = [{ id: 'L', kind: 'case' as const, factors: Float64Array.of(1) }];

  it('solves with the compiled kernels, to the residual of any other place', () => {
    const outcome = analyse(frame, selections);
    expect(outcome.ok).toBeTrue();
    if (outcome.ok) expect(outcome.value.states.get('L')!.residual).toBeLessThan(1e-10);
  });

  it('answers second order, buckling and modes', () => {
    const first = analyse(frame, selections);
    const second = analyse(frame, selections, { secondOrder: true });
    if (!first.ok || !second.ok) throw new Error('not analysed');
    const state = first.value.states.get('L')!;
    const sway = (s: typeof state) => Math.abs(s.displacements[6 * frame.nodeIndex.get('0.0.8')!]!);
    expect(sway(second.value.states.get('L')!)).toBeGreaterThan(sway(state));
    const [lowest] = bucklingModes(first.value.prepared, state, 1);
    expect(lowest!.factor).toBeGreaterThan(1);
    expect(vibrationModes(first.value.prepared, 2)[0]!.frequency).toBeGreaterThan(0);
  });
});
