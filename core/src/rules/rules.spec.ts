import { at, built, designWith, problemsOf } from '../testing/designs.js';
import type { Rule, Step } from '../document/types.js';

const portal: Step = { id: 'p', make: 'portal', bays: ['12 m'], eaves: '5 m', pitch: '10 deg' };
const cases = [{ id: 'Q', title: 'Q', category: 'imposed' as const }];
const design = (...rules: Rule[]) => designWith([portal], { space: 'plane', loadCases: cases, rules });
const of = (...rules: Rule[]) => built(design(...rules));
const loadsOf = (...rules: Rule[]) => of(...rules).model.loadCases![0]!.loads!;

describe('section rules', () => {
  it('give section, material, action and roll by a condition on tags', () => {
    const { model } = of(
      { id: 'a', members: 'role == "column" and side == "left"', section: 'HEB 200', roll: '90 deg' },
      { id: 'b', members: 'role == "rafter"', material: 'S235', action: 'axial' },
    );
    const left = model.members.find(({ id }) => id === 'p.column.1')!;
    expect([left.section, left.roll]).toEqual(['HEB 200 S355', Math.PI / 2]);
    expect(model.members.filter(({ action }) => action === 'axial').map(({ section }) => section)).toEqual([
      'IPE 300 S235',
      'IPE 300 S235',
    ]);
  });
});

describe('support rules', () => {
  it('fix, pin, roll, and spring with units', () => {
    const support = (kind: Rule['support']) =>
      of({ id: 's', nodes: 'place == "base" and x < 1 m', support: kind! }).model.supports![0]!;
    expect(support('fixed')).toEqual(jasmine.objectContaining({ ux: 'fixed', uz: 'fixed', ry: 'fixed' }));
    expect(support('pinned').ry).toBeUndefined();
    expect(support('roller').ux).toBeUndefined();
    expect(support({ ux: 'fixed', uz: '12 kN/mm', ry: '20 MN m/rad' })).toEqual(
      jasmine.objectContaining({ uz: 12e6, ry: 20e6 }),
    );
  });

  it('add masses to nodes', () => {
    expect(of({ id: 'm', nodes: 'place == "apex"', mass: '350 kg' }).model.masses).toEqual([
      { node: 'p.apex.1', m: 350 },
    ]);
  });
});

describe('hinge rules', () => {
  it('free members at the end that is asked for, or at a place', () => {
    const hinged = (where: string) =>
      of({ id: 'h', members: 'role == "rafter"', hinge: ['My'], at: where })
        .model.members.filter(({ hinges }) => hinges)
        .map(({ id, hinges }) => [id, ...Object.keys(hinges!)].join(' '));
    expect(hinged('both')).toEqual(['p.rafter.1.left start end', 'p.rafter.1.right start end']);
    expect(hinged('eaves')).toEqual(['p.rafter.1.left start', 'p.rafter.1.right end']);
  });

  it('take springs', () => {
    const { model } = of({ id: 'h', members: 'role == "rafter"', hinge: { My: '5 MN m/rad' }, at: 'start' });
    expect(model.members.find(({ hinges }) => hinges)!.hinges!.start!.My).toBe(5e6);
    const wrong = design({ id: 'h', members: 'role == "rafter"', hinge: { My: '-5 MN m/rad' }, at: 'start' });
    expect(problemsOf(wrong)[0]!.message).toContain('above zero');
  });
});

describe('load rules', () => {
  const columns = 'role == "column" and side == "left"';

  it('put line loads on a part of the member, changing along it', () => {
    const [load] = loadsOf({
      id: 'q',
      members: columns,
      load: { case: 'Q', kind: 'line', direction: 'x', q: ['1 kN/m', '3 kN/m'], from: '1 m', to: '0.8' },
    });
    expect(load).toEqual(
      jasmine.objectContaining({ member: 'p.column.1', q: [1000, 3000], from: 0.2, to: 0.8 }),
    );
  });

  it('put point loads, temperatures, pretension, node loads and settlements', () => {
    const kinds = (rule: Rule) => loadsOf(rule)[0]!;
    expect(
      kinds({
        id: 'a',
        members: columns,
        load: { case: 'Q', kind: 'point', at: 'length / 2', F: ['1 kN', '0', '0'] },
      }),
    ).toEqual(jasmine.objectContaining({ kind: 'point', at: 0.5, F: [1000, 0, 0] }));
    expect(
      kinds({ id: 'b', members: columns, load: { case: 'Q', kind: 'temperature', uniform: '25 K' } }).kind,
    ).toBe('temperature');
    expect(
      kinds({ id: 'c', members: columns, load: { case: 'Q', kind: 'pretension', force: '10 kN' } }).kind,
    ).toBe('pretension');
    expect(
      kinds({ id: 'd', nodes: 'place == "apex"', load: { case: 'Q', kind: 'node', F: ['0', '0', '-7 kN'] } }),
    ).toEqual(jasmine.objectContaining({ node: 'p.apex.1', F: [0, 0, -7000] }));
    // 10 kN at 30° above x: 8.660 kN along x, 5 kN up
    const slanted = kinds({
      id: 'f',
      nodes: 'place == "apex"',
      load: { case: 'Q', kind: 'node', F: { size: '10 kN', angle: '30 deg' } },
    }) as { F: number[] };
    expect(slanted.F[0]).toBeCloseTo(8660.254, 3);
    expect(slanted.F[1]).toBe(0);
    expect(slanted.F[2]).toBeCloseTo(5000, 6);
    const settled = design(
      { id: 's', nodes: 'place == "base"', support: 'fixed' },
      {
        id: 'e',
        nodes: 'place == "base" and x < 1 m',
        load: { case: 'Q', kind: 'settlement', uz: '-10 mm' },
      },
    );
    expect(JSON.stringify(built(settled).model.loadCases![0]!.loads)).toContain('-0.01');
  });

  it('name a case that is there', () => {
    const wrong = design({
      id: 'q',
      members: columns,
      load: { case: 'Z', kind: 'line', direction: 'x', q: '1 kN/m' },
    });
    expect(problemsOf(wrong)[0]!.message).toContain('"Z"');
  });
});

describe('area rules', () => {
  const tower: Step = { id: 's', make: 'storey-frame', baysX: ['8 m'], baysY: ['4 m'], storeys: ['3 m'] };
  const area = (share: string) =>
    built(
      designWith([tower], {
        loadCases: cases,
        rules: [
          {
            id: 'a',
            members: 'role == "beam-x" or role == "beam-y"',
            area: { case: 'Q', direction: 'z', q: '-3 kN/m^2', share } as Rule['area'] & object,
          },
        ],
      }),
    );
  /** Force and its moments about x and y of all line loads, by quadrature of their linear pieces. */
  function resultant(frame: ReturnType<typeof area>): { F: number; byMember: Map<string, number> } {
    const byMember = new Map<string, number>();
    let F = 0;
    for (const load of frame.model.loadCases![0]!.loads!) {
      if (load.kind !== 'distributed') continue;
      const member = frame.model.members.find(({ id }) => id === load.member)!;
      const [a, b] = [at(frame, member.start), at(frame, member.end)];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
      const part = (((load.to ?? 1) - (load.from ?? 0)) * length * (load.q[0] + load.q[1])) / 2;
      F += part;
      byMember.set(load.member, (byMember.get(load.member) ?? 0) + part);
    }
    return { F, byMember };
  }

  it('share all of the load: pressure × area', () => {
    for (const share of ['two-way', 'x', 'y', 'long', 'short'])
      expect(resultant(area(share)).F)
        .withContext(share)
        .toBeCloseTo(-3000 * 32, 6);
  });

  it('two-way: triangles on the short edges, trapezoids on the long ones', () => {
    const short = [...resultant(area('two-way')).byMember].filter(([id]) => id.includes('beam-y'));
    // A triangle of 4 m with half of 4 m as its height: 4 m²
    for (const [, F] of short) expect(F).toBeCloseTo(-3000 * 4, 6);
  });

  it('one-way: strips along x rest on the edges across', () => {
    const loaded = [...resultant(area('x')).byMember].filter(([, F]) => F !== 0).map(([id]) => id);
    expect(loaded.every((id) => id.includes('beam-y'))).toBeTrue();
  });

  it('tell what was to be carried and what was applied', () => {
    expect(
      area('two-way')
        .notes.map(({ message }) => message)
        .join(),
    ).toContain('96');
  });
});

describe('lengths, groups and trains', () => {
  it('reach the frame model', () => {
    const { model } = of(
      { id: 'l', members: 'role == "column"', lengths: { Lcy: '2 * length' }, deflection: { limit: 0.004 } },
      {
        id: 't',
        members: 'role == "rafter" and side == "left"',
        train: { case: 'Q', forces: ['40 kN', '40 kN'], gaps: ['3 m'], direction: '-z' },
      },
    );
    const column = model.members.find(({ id }) => id === 'p.column.1')!;
    expect(column.design).toEqual(jasmine.objectContaining({ Lcy: 10 }));
    expect(column.design!.deflection!.limit).toBe(0.004);
    expect(model.trains!.length).toBe(1);
  });
});

describe('rules that later ones override', () => {
  const frame = of(
    { id: 'all', members: 'true', section: 'IPE 200', material: 'S355' },
    { id: 'columns', members: 'role == "column"', section: 'HEB 200' },
    { id: 'left', members: 'role == "column" and side == "left"', section: 'HEB 220' },
    { id: 'again', members: 'role == "column"', section: 'HEB 240' },
  );

  it('say which rules hold now what they gave, and on how many', () => {
    const overrides = Object.fromEntries(
      [...frame.assignment.overrides()].map(([rule, by]) => [rule, Object.fromEntries(by)]),
    );
    // The last one holds both columns, whoever had taken them in between
    expect(overrides).toEqual({
      sections: { all: 4, again: 2 },
      all: { again: 2 },
      columns: { again: 2 },
      left: { again: 1 },
    });
  });

  it('are warned of where nothing is left of them, with those that took their place', () => {
    const wholly = frame.notes.filter(({ code }) => code === 'overridden').map(({ message }) => message);
    expect(wholly).toEqual([
      // What every design of these specs begins with
      'Rule "sections" is wholly overridden: "again", "all" give all that it gives.',
      'Rule "columns" is wholly overridden: "again" gives all that it gives.',
      'Rule "left" is wholly overridden: "again" gives all that it gives.',
    ]);
  });

  it('do not count loads, which add', () => {
    const loaded = of(
      { id: 'a', members: 'true', load: { case: 'Q', direction: 'z', q: '-1 kN/m' } },
      { id: 'b', members: 'true', load: { case: 'Q', direction: 'z', q: '-2 kN/m' } },
    );
    expect([...loaded.assignment.overrides().keys()]).toEqual([]);
  });
});
