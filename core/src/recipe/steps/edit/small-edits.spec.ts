import { at, built, designWith, problemsOf } from '../../../testing/designs.js';
import type { Step } from '../../types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const of = (...steps: Step[]) => built(designWith([portal, ...steps]));

describe('move', () => {
  it('moves nodes by a vector or to a height', () => {
    const up: Step = { id: 'm', edit: 'move', nodes: 'place == "apex"', by: ['0 m', '0 m', '0.5 m'] };
    const apex = 5 + 6 * Math.tan(Math.PI / 18);
    expect(at(of(up), 'p.apex.1')[2]).toBeCloseTo(apex + 0.5, 12);
    const to: Step = { id: 'm', edit: 'move', nodes: 'place == "base"', z: '-1 m + x / 12' };
    expect(at(of(to), 'p.base.1')[2]).toBeCloseTo(-1, 12);
    expect(at(of(to), 'p.base.2')[2]).toBeCloseTo(0, 12);
  });
});

describe('remove', () => {
  it('takes members away with the nodes that only they had', () => {
    const frame = of({ id: 'r', edit: 'remove', members: 'role == "column" and side == "right"' });
    expect(frame.model.members.length).toBe(3);
    expect(frame.model.nodes.some(({ id }) => id === 'p.base.2')).toBeFalse();
  });

  it('with nothing left is said', () => {
    expect(
      problemsOf(designWith([portal, { id: 'r', edit: 'remove', members: 'true' }])).length,
    ).toBeGreaterThan(0);
  });
});

describe('connect', () => {
  it('joins each node to the nearest of the others', () => {
    const frame = of({
      id: 'k',
      edit: 'connect',
      nodes: 'place == "base"',
      to: 'place == "apex"',
      role: 'strut',
    });
    const struts = [...frame.geometry.members.values()].filter(({ tags }) => tags['role'] === 'strut');
    expect(struts.length).toBe(2);
    for (const { start, end } of struts) expect([start, end]).toContain('p.apex.1');
  });
});

describe('join', () => {
  it('joins members where they cross', () => {
    const crossed: Step = {
      id: 'x',
      make: 'line',
      points: [
        ['0 m', '0 m', '2 m'],
        ['12 m', '0 m', '4 m'],
      ],
    };
    const other: Step = {
      id: 'y',
      make: 'line',
      points: [
        ['0 m', '0 m', '4 m'],
        ['12 m', '0 m', '2 m'],
      ],
    };
    const join: Step = { id: 'j', edit: 'join', members: 'step == "x" or step == "y"', crossings: true };
    const frame = of(crossed, other, join);
    const middle = frame.model.nodes.find(({ x, z }) => Math.abs(x - 6) < 1e-9 && Math.abs(z - 3) < 1e-9)!;
    expect(frame.model.members.filter(({ start, end }) => [start, end].includes(middle.id)).length).toBe(4);
  });
});

describe('taper', () => {
  it('runs from one depth to the section’s over the whole member', () => {
    const frame = of({ id: 't', edit: 'taper', members: 'role == "column"', end: 'end', depth: '600 mm' });
    expect(frame.model.members.filter(({ endSection }) => endSection !== undefined).length).toBe(2);
    const section: Step = {
      id: 't',
      edit: 'taper',
      members: 'role == "column"',
      end: 'end',
      section: 'IPE 600',
    };
    expect(of(section).model.members.filter(({ endSection }) => endSection !== undefined).length).toBe(2);
  });
});

describe('floor', () => {
  it('makes one rigid floor a storey', () => {
    const tower: Step = { id: 's', make: 'storey-frame', baysX: ['6 m'], baysY: ['4 m'], storeys: '3 * 3 m' };
    const floor: Step = { id: 'f', edit: 'floor', nodes: 'place == "joint"', kind: 'rigid' };
    const { model } = built(designWith([tower, floor]));
    expect(model.rigidGroups!.map(({ kind, nodes }) => [kind, nodes.length])).toEqual([
      ['body', 4],
      ['body', 4],
      ['body', 4],
    ]);
  });
});

describe('trim and set-out', () => {
  it('trim keeps the axes of the analysis, set-out moves members off their line', () => {
    const setOut: Step = { id: 'o', edit: 'set-out', members: 'role == "column"', point: 'top centre' };
    const trim: Step = {
      id: 'c',
      edit: 'trim',
      members: 'role == "rafter"',
      by: 'role == "column"',
      corner: 'mitre',
    };
    const trimmed = of(trim);
    expect(trimmed.model).toEqual(of().model);
    const moved = of(setOut).model;
    expect(moved.nodes).toEqual(of().model.nodes);
    expect(moved.members).not.toEqual(of().model.members);
  });
});
