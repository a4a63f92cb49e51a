import { readFileSync } from 'node:fs';
import { buildFrame } from '../build/build.js';
import { unwrapped } from '../base/problem.js';
import { built, designOf, designWith } from '../testing/designs.js';
import { namerOf } from '../build/namer.js';

describe('names in words', () => {
  it('say side, bay, row and storey where there are several', () => {
    const bay = built(
      designWith([
        { id: 'w', make: 'braced-bay', bays: ['4 m', '4 m'], storeys: ['3 m', '3 m'], bracing: 'x' },
      ]),
    );
    const names = namerOf(bay);
    const all = [...bay.geometry.lines.keys()].map((id) => names.member(id));
    expect(new Set(all).size).toBe(all.length);
    expect(all).toContain('left column, bay 1, storey 1');
    expect(all).toContain('right beam, bay 2, storey 1');
    expect(names.node('nobody')).toBe('nobody');
    expect(names.member('nobody')).toBe('nobody');
  });

  it('tell braces that cross by where they rise', () => {
    const tower = designOf(
      JSON.parse(readFileSync(new URL('../../demo/lookout-tower.json', import.meta.url), 'utf8')),
    );
    const braced = tower.alternatives.find(({ id }) => id === 'x')!;
    const frame = unwrapped(buildFrame(tower, braced));
    const { geometry } = frame;
    const names = namerOf(frame);
    const all = [...geometry.lines.keys()].map((id) => names.member(id));
    expect(new Set(all).size).toBe(all.length);
    expect(all).toContain('brace, bay 1, row 1, storey 2, rising right');
    expect(all).toContain('brace, bay 1, row 1, storey 2, rising left');
    expect(all.some((name) => name.endsWith('rising to the back'))).toBeTrue();
    // A rising brace goes up to the right
    const [id] = [...geometry.lines].find(([one]) => names.member(one).endsWith('storey 1, rising right'))!;
    const { start, end } = geometry.members.get(geometry.lines.get(id)!.members[0]!)!;
    const [a, b] = [geometry.nodes.get(start)!.at, geometry.nodes.get(end)!.at];
    expect((b[0] - a[0]) * (b[2] - a[2])).toBeGreaterThan(0);
  });

  it('number what would be called alike, in the order in which it was made', () => {
    const roof = built(
      designWith([
        {
          id: 'r',
          make: 'ring',
          curve: { circle: '5 m' },
          count: 6,
          rise: '1 m',
          rim: true,
          ribs: 'straight',
        },
      ]),
    );
    const names = namerOf(roof);
    const ribs = [...roof.geometry.lines.keys()]
      .map((id) => names.member(id))
      .filter((one) => one.includes('rib'));
    expect(ribs).toEqual(['rib 1', 'rib 2', 'rib 3', 'rib 4', 'rib 5', 'rib 6']);
    const nodes = [...roof.geometry.nodes.keys()].map((id) => names.node(id));
    expect(new Set(nodes).size).toBe(nodes.length);
    expect(nodes).toContain('centre');
  });

  it('of two trusses say which truss, by the titles of their steps, or numbered where those are alike', () => {
    const truss = (id: string, at: string, title?: string) => ({
      id,
      make: 'truss',
      span: '12 m',
      depth: '1.5 m',
      at: ['0 m', at],
      ...(title === undefined ? {} : { title }),
    });
    const names = (steps: ReturnType<typeof truss>[]) => {
      const frame = built(designWith(steps, { space: 'plane' }));
      const namer = namerOf(frame);
      const all = [...frame.geometry.lines.keys()].map((id) => namer.member(id));
      expect(new Set(all).size).toBe(all.length);
      return all.filter((one) => one.includes('bottom chord'));
    };
    expect(names([truss('a', '0 m')]).some((one) => one.includes(' of '))).toBeFalse();
    const [first, ...rest] = names([truss('a', '0 m', 'Roof truss'), truss('b', '-8 m', 'Crane girder')]);
    expect(first).toMatch(/^left bottom chord of Roof truss/);
    expect(rest.at(-1)).toMatch(/^right bottom chord of Crane girder/);
    expect(names([truss('a', '0 m'), truss('b', '-8 m')])[0]).toMatch(/^left bottom chord of Truss 1/);
  });

  it('of members that were drawn say between which places they run', () => {
    const frame = built(
      designWith(
        [
          { id: 'p', make: 'portal', bays: ['10 m'], eaves: '4 m', roof: 'flat' },
          { id: 'd', make: 'line', points: ['p.base.1', 'p.eaves.2'], role: 'tie' },
          { id: 'e', make: 'line', points: ['p.base.2', 'p.column.1@1/2'], role: 'tie' },
        ] as never,
        { space: 'plane' },
      ),
    );
    const namer = namerOf(frame);
    const lines = [...frame.geometry.lines.keys()].map((id) => namer.member(id));
    expect(lines).toContain('tie, left base to right eaves');
    expect(lines).toContain('tie, left column to right base');
  });
});
