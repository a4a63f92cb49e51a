import type { FrameModel, Load } from '../src/model/types.js';

/** A frame tower of nx × ny bays and `storeys`, twisted by `twist` rad a storey, with five load cases. */
export function tower(nx: number, ny: number, storeys: number, twist = 0): FrameModel {
  const id = (x: number, y: number, z: number) => `${x}.${y}.${z}`;
  const nodes: FrameModel['nodes'] = [];
  const members: FrameModel['members'] = [];
  const beams: string[] = [];
  const windward: string[] = [];
  for (let z = 0; z <= storeys; z++)
    for (let y = 0; y <= ny; y++)
      for (let x = 0; x <= nx; x++) {
        const [px, py] = [6 * (x - nx / 2), 6 * (y - ny / 2)];
        const [c, s] = [Math.cos(twist * z), Math.sin(twist * z)];
        nodes.push({ id: id(x, y, z), x: c * px - s * py, y: s * px + c * py, z: 3.5 * z });
        const add = (name: string, to: string, section: string) => {
          const member = `${name}${id(x, y, z)}`;
          members.push({ id: member, start: id(x, y, z), end: to, section });
          return member;
        };
        if (z < storeys) {
          const column = add('c', id(x, y, z + 1), 'column');
          if (x === 0) windward.push(column);
        }
        if (z > 0 && x < nx) beams.push(add('bx', id(x + 1, y, z), 'beam'));
        if (z > 0 && y < ny) beams.push(add('by', id(x, y + 1, z), 'beam'));
      }
  const line = (list: readonly string[], direction: 'x' | 'y' | 'z', q: number): Load[] =>
    list.map((member) => ({ kind: 'distributed', member, direction, q: [q, q] }));
  return {
    format: 'hashira-frame',
    version: 1,
    space: 'solid',
    materials: [{ id: 'steel', E: 2.1e11, G: 8.1e10, density: 7850, expansion: 1.2e-5 }],
    sections: [
      {
        id: 'column',
        material: 'steel',
        properties: { A: 1.5e-2, Iy: 2.5e-4, Iz: 9e-5, J: 1.9e-6, Avy: 1.1e-2, Avz: 4e-3 },
      },
      {
        id: 'beam',
        material: 'steel',
        properties: { A: 8.5e-3, Iy: 2.3e-4, Iz: 1.3e-5, J: 5e-7, Avy: 5e-3, Avz: 4e-3 },
      },
    ],
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
    loadCases: [
      { id: 'G', selfWeight: 1, loads: line(beams, 'z', -8e3) },
      { id: 'Q', loads: line(beams, 'z', -5e3) },
      { id: 'WX', loads: line(windward, 'x', 2e3) },
      { id: 'WY', loads: line(windward, 'y', 2e3) },
      {
        id: 'T',
        loads: beams.slice(-40).map((member) => ({ kind: 'temperature', member, uniform: 30 })),
      },
    ],
    combinations: [{ id: 'U', state: 'strength', factors: { G: 1.35, Q: 1.5, WX: 0.9 } }],
  };
}

/** A plane frame of bays × storeys. */
export function wall(bays: number, storeys: number): FrameModel {
  const space = tower(bays, 0, storeys);
  return {
    ...space,
    space: 'plane',
    nodes: space.nodes.map(({ id, x, z }) => ({ id, x, z })),
    loadCases: (space.loadCases ?? []).filter(({ id }) => id !== 'WY'),
    combinations: [],
  };
}

/** A free machine frame of 60 members: a box of 3 × 1 × 1 cells with braced sides and masses. */
export function machineFrame(): FrameModel {
  const id = (x: number, y: number, z: number) => `${x}${y}${z}`;
  const nodes: FrameModel['nodes'] = [];
  const members: FrameModel['members'] = [];
  for (let x = 0; x < 4; x++)
    for (let y = 0; y < 2; y++)
      for (let z = 0; z < 3; z++) {
        nodes.push({ id: id(x, y, z), x: 0.6 * x, y: 0.5 * y, z: 0.45 * z });
        const link = (to: string) =>
          members.push({ id: `${id(x, y, z)}-${to}`, start: id(x, y, z), end: to, section: 'tube' });
        if (x < 3) link(id(x + 1, y, z));
        if (y < 1) link(id(x, y + 1, z));
        if (z < 2) link(id(x, y, z + 1));
        if (x < 3 && z < 2 && y === 0) link(id(x + 1, y, z + 1));
        if (x < 3 && z === 0 && y === 1) link(id(x + 1, y, z + 1));
      }
  return {
    format: 'hashira-frame',
    version: 1,
    space: 'solid',
    materials: [{ id: 'S235' }],
    sections: [
      { id: 'tube', material: 'S235', shape: { type: 'rectangular-hollow', h: 0.06, b: 0.06, t: 0.004 } },
    ],
    nodes,
    members: members.slice(0, 60),
    masses: [{ node: '102', m: 40 }],
  };
}
