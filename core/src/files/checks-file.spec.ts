import { axial, barModel, checkFile, uniform, near as close } from '../testing/checks.js';
import { parseModel } from '../model/parse.js';
import type { FrameModel, MemberDesign } from '../model/types.js';
import type { Problem } from '../base/problem.js';
import { checkToFile } from './checks-file.js';

/** A simply supported IPE 300 of 6 m in `n` pieces, each with a design. */
function pieces(n: number, design: (i: number) => MemberDesign | undefined, load = 10e3): FrameModel {
  const model = barModel({ section: { profile: 'IPE 300' }, material: { id: 'S235' }, L: 6, loads: [] });
  const name = (i: number) => (i === 0 ? 'a' : i === n ? 'b' : `n${i}`);
  model.nodes = Array.from({ length: n + 1 }, (_, i) => ({ id: name(i), x: (6 * i) / n, z: 0 }));
  model.members = Array.from({ length: n }, (_, i) => {
    const own = design(i);
    return { id: `m${i}`, start: name(i), end: name(i + 1), section: 's', ...(own ? { design: own } : {}) };
  });
  model.loadCases![0]!.loads = model.members.map(({ id }) => ({
    kind: 'distributed',
    member: id,
    direction: 'z',
    q: [-load, -load],
  }));
  return model;
}

function problemsOf(model: unknown): readonly Problem[] {
  const parsed = parseModel(JSON.stringify(model));
  if (!parsed.ok) return parsed.problems;
  const outcome = checkToFile(parsed.value);
  return outcome.ok ? [] : outcome.problems;
}

describe('physical members', () => {
  it('pieces in one group are checked as the one member that they are', () => {
    const whole = checkFile(pieces(1, () => undefined)).members['m0']!;
    const grouped = checkFile(pieces(3, () => ({ group: 'beam' }))).members['beam']!;
    expect(grouped.of).toEqual(['m0', 'm1', 'm2']);
    expect(grouped.items.map(({ clause }) => clause)).toEqual(whole.items.map(({ clause }) => clause));
    grouped.items.forEach((item, i) => {
      close(item.utilisation, whole.items[i]!.utilisation!, 1e-6);
      expect(item.x).toBeCloseTo(whole.items[i]!.x, 6);
    });
  });

  it('restraints at named nodes divide it for lateral-torsional buckling', () => {
    const at = (restraints: string[]) =>
      checkFile(pieces(3, () => ({ group: 'beam', restraints }))).members['beam']!.items.find(({ clause }) =>
        clause.startsWith('6.3.2'),
      )!;
    const third = checkFile(pieces(1, () => ({ LLT: 2 }))).members['m0']!.items.find(({ clause }) =>
      clause.startsWith('6.3.2'),
    )!;
    close(at(['n1', 'n2']).capacity, third.capacity!, 1e-6);
    expect(at([]).capacity!).toBeLessThan(third.capacity!);
  });

  it('that are none are told with their path', () => {
    const bent = pieces(2, () => ({ group: 'beam' }));
    bent.nodes[1]!.z = 0.5;
    expect(problemsOf(bent)[0]).toEqual(
      jasmine.objectContaining({
        code: 'invalid-model',
        where: jasmine.objectContaining({ path: '/members/1/design/group' }),
      }),
    );
    const mixed = pieces(2, () => ({ group: 'beam' }));
    mixed.sections.push({ id: 'other', material: 'S235', profile: 'IPE 330' });
    mixed.members[1]!.section = 'other';
    // Pieces of different sections are one member, each checked with its own
    expect(checkFile(mixed).members['beam']!.of).toEqual(['m0', 'm1']);
    const apart = pieces(3, (i) => (i === 1 ? undefined : { group: 'beam' }));
    expect(problemsOf(apart)[0]!.message).toContain('do not follow one another');
    const nowhere = pieces(1, () => ({ restraints: ['moon'] }));
    expect(problemsOf(nowhere)[0]!.message).toContain('"moon" is no node of member');
    const named = pieces(2, () => ({ group: 'm1' }));
    expect(problemsOf(named)[0]!.message).toContain('name of a member');
  });
});

describe('the checks file', () => {
  it('gives αcr by Euler, and the need for second order below 10 (5.2.1(3))', () => {
    const N = 200e3;
    const { stability } = checkFile(
      barModel({
        section: { profile: 'IPE 300', shearDeformation: false },
        material: { id: 'S235' },
        L: 6,
        loads: [axial(-N)],
      }),
    );
    // π²·210000·8356e4/6000² = 4811 kN about y in the plane, between ends that stay: 6.3's affair, not 5.2.1's
    close(stability['U']!.alphaCrMember, 4810.7e3 / N, 1e-3);
    expect(stability['U']!.alphaCr).toBeUndefined();
    expect(stability['U']!.reason).toContain('Only members buckle');
    expect(stability['U']!.secondOrderNeeded).toBeFalse();
    // The same bar with a free end: a quarter of it, and its end moves
    const free = barModel({
      section: { profile: 'IPE 300', shearDeformation: false },
      material: { id: 'S235' },
      L: 6,
      loads: [axial(-N)],
    });
    free.supports = [{ node: free.supports![0]!.node, ux: 'fixed', uz: 'fixed', ry: 'fixed' }];
    const sways = checkFile(free);
    close(sways.stability['U']!.alphaCr, 4810.7e3 / 4 / N, 1e-3);
    expect(sways.stability['U']!.secondOrderNeeded).toBeTrue();
    expect(sways.summary.status).toBe('needs second order');
    const pulled = checkFile(barModel({ section: { profile: 'IPE 300' }, L: 6, loads: [axial(N)] }));
    expect(pulled.stability['U']!.alphaCr).toBeUndefined();
    expect(pulled.stability['U']!.reason).toContain('nothing buckles');
  });

  it('deflection from the chord: 5·q·L⁴/(384·E·I) with shear, against the limit', () => {
    const model = barModel({
      section: { profile: 'IPE 300', shearDeformation: false },
      material: { id: 'S235' },
      L: 6,
      loads: [uniform(10e3)],
      design: { deflection: { limit: 1 / 250 } },
    });
    model.combinations!.push({ id: 'S', state: 'service', factors: { L: 1 } });
    const item = checkFile(model).members['m']!.items.find(({ clause }) => clause === 'deflection')!;
    close(item.demand, (5 * 10e3 * 6 ** 4) / (384 * 2.1e11 * 8356e-8), 1e-3);
    close(item.capacity, 0.024, 1e-9);
    expect(item.combination).toBe('S');
    expect(item.x).toBeCloseTo(3, 6);
  });

  it('a cantilever deflects from the tangent at its held end: q·L⁴/(8·E·I)', () => {
    const model = barModel({
      section: { profile: 'IPE 300', shearDeformation: false },
      material: { id: 'S235' },
      L: 3,
      loads: [uniform(10e3)],
      supports: [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
      design: { deflection: { limit: 1 / 150, from: 'start' } },
    });
    model.combinations!.push({ id: 'S', state: 'service', factors: { L: 1 } });
    const item = checkFile(model).members['m']!.items.find(({ clause }) => clause === 'deflection')!;
    close(item.demand, (10e3 * 3 ** 4) / (8 * 2.1e11 * 8356e-8), 1e-3);
    expect(item.x).toBeCloseTo(3, 6);
  });

  it('buckling lengths from the frame: a cantilever column has twice its length', () => {
    const column = barModel({
      section: { profile: 'HEA 200' },
      material: { id: 'S235' },
      L: 4,
      loads: [],
      design: { lengths: 'buckling-analysis', LLT: 0 },
    });
    column.nodes[1] = { id: 'b', x: 0, z: 4 };
    column.supports = [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }];
    column.loadCases![0]!.loads = [{ kind: 'node', node: 'b', F: [0, 0, -200e3] }];
    const item = checkFile(column).members['m']!.items.find(
      ({ clause, axis }) => clause.startsWith('6.3.1') && axis === 'y',
    )!;
    close(item.steps!.find(({ symbol }) => symbol === 'Lcr,y')!.value, 8, 5e-3);
  });

  it('imperfections of 5.3.2 bring sway: 1/200 of the load at the column’s foot', () => {
    const column = barModel({
      section: { profile: 'HEA 200' },
      material: { id: 'S235' },
      L: 4,
      loads: [],
      code: { imperfections: true },
    });
    column.nodes[1] = { id: 'b', x: 0, z: 4 };
    column.supports = [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }];
    column.loadCases![0]!.loads = [{ kind: 'node', node: 'b', F: [0, 0, -200e3] }];
    const file = checkFile(column);
    expect(file.notes[0]).toContain('1/200');
    const bending = file.members['m']!.items.find(({ clause }) => clause.startsWith('6.2.5'))!;
    close(bending.demand, (200e3 / 200) * 4, 1e-3);
  });

  it('--all gives an item for each combination; the code option wins over the file', () => {
    const model = barModel({
      section: { profile: 'IPE 300' },
      L: 6,
      loads: [uniform(10e3)],
      code: { name: 'EN1993' },
    });
    model.combinations!.push({ id: 'V', state: 'strength', factors: { L: 0.5 } });
    const all = checkFile(model, { all: true }).members['m']!.items.filter(({ clause }) =>
      clause.startsWith('6.2.5'),
    );
    expect(all.map(({ combination }) => combination)).toEqual(['U', 'V']);
    const american = checkFile(model, { code: 'AISC360' });
    expect(american.code).toBe('AISC360');
    expect(american.members['m']!.items.some(({ clause }) => clause === 'F2')).toBeTrue();
  });

  it('counts mass, members over and members not covered', () => {
    const model = pieces(2, () => undefined, 60e3);
    model.sections.push({
      id: 'raw',
      material: 'S235',
      properties: { A: 5e-3, Iy: 8e-5, Iz: 6e-6, J: 2e-7 },
    });
    model.members[1]!.section = 'raw';
    const { summary, members } = checkFile(model);
    expect(summary.over).toEqual(['m0']);
    expect(summary.notCovered).toEqual(['m1']);
    expect(members['m1']!.utilisation).toBeUndefined();
    expect(members['m1']!.reasons![0]).toContain('given by its properties');
    close(summary.mass, 3 * 42.24 + 3 * 5e-3 * 7850, 1e-3);
  });

  it('says all that keeps a model from being checked', () => {
    const nothing = barModel({ section: { profile: 'IPE 300' }, L: 6, loads: [uniform(1)] });
    nothing.combinations = [];
    expect(problemsOf(nothing)[0]!.code).toBe('nothing-to-check');
    const own = { id: 'own', kind: 'steel', E: 2.1e11, G: 8.1e10, density: 7850 };
    const weak = barModel({ section: { profile: 'IPE 300' }, material: own, L: 6, loads: [uniform(1)] });
    expect(problemsOf(weak)[0]).toEqual(
      jasmine.objectContaining({ code: 'invalid-model', where: { path: '/materials/0/fy' } }),
    );
    const bad = (change: object) =>
      problemsOf({ ...barModel({ section: { profile: 'IPE 300' }, L: 6, loads: [] }), ...change });
    expect(bad({ code: { gammaM1: 0 } })[0]!.where['path']).toBe('/code/gammaM1');
    expect(bad({ code: { name: 'BS' } })[0]!.where['path']).toBe('/code/name');
    const negative = barModel({ section: { profile: 'IPE 300' }, L: 6, loads: [], design: { Lcy: -1 } });
    expect(problemsOf(negative)[0]!.where['path']).toBe('/members/0/design/Lcy');
    const typo = barModel({ section: { profile: 'IPE 310' }, L: 6, loads: [] });
    expect(problemsOf(typo)[0]!.message).toContain('IPE 300');
  });

  it('does not pass what the formulas do not reach', () => {
    const thin = checkFile(
      barModel({
        section: { shape: { type: 'circular-hollow', d: 1, t: 0.005 } },
        L: 6,
        loads: [axial(-1e5)],
      }),
    );
    expect(thin.members['m']!.status).toBe('not covered');
    expect(thin.members['m']!.reasons![0]).toContain('EN 1993-1-6');
    const glulam = checkFile(
      barModel({
        section: { profile: 'GL 140x400' },
        material: { id: 'GL24h' },
        L: 6,
        loads: [uniform(1e3)],
      }),
    );
    expect(glulam.members['m']!.reasons![0]).toContain('timber');
    const taper = barModel({
      section: { shape: { type: 'i', h: 0.3, b: 0.2, tw: 0.008, tf: 0.012 } },
      L: 6,
      loads: [uniform(5e3), axial(-1e4)],
    });
    taper.sections.push({
      id: 'deep',
      material: 'S355',
      shape: { type: 'i', h: 0.6, b: 0.2, tw: 0.008, tf: 0.012 },
    });
    taper.members[0]!.endSection = 'deep';
    const checked = checkFile(taper).members['m']!;
    expect(checked.reasons).toBeUndefined();
    // The section is checked with its local dimensions: worst nearer to the thin end than to midspan
    const bending = checked.items.find(({ clause }) => clause.startsWith('6.2.5'))!;
    expect(bending.x).toBeLessThan(3);
    expect(bending.x).toBeGreaterThan(1);
  });
});
