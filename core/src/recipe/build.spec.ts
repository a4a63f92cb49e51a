import { slipShed, slipShedWith } from '../testing/designs.js';
import { buildFrame } from './build.js';
import { evaluateParameters } from './parameters.js';
import type { Design } from './types.js';

function built(design: Design, alternative = 0) {
  const outcome = buildFrame(design, design.alternatives[alternative]!);
  if (!outcome.ok) throw new Error(outcome.problems.map((p) => p.message).join(' '));
  return outcome.value;
}

function problems(design: Design) {
  const outcome = buildFrame(design, design.alternatives[0]!);
  return outcome.ok ? [] : outcome.problems;
}

describe('parameters', () => {
  it('depend on each other in any order', () => {
    const design = slipShed();
    design.parameters.reverse();
    const { scope, problems: found } = evaluateParameters(design);
    expect(found).toEqual([]);
    expect(scope.get('s_line')).toEqual({ si: 4400, quantity: 'lineLoad' });
  });

  it('in a circle are named', () => {
    const [cycle] = problems(slipShedWith({ spacing: 'g_line / (1 kN/m^2)' }));
    expect(cycle!.code).toBe('cycle');
    expect(cycle!.message).toContain('"spacing" → "g_line" → "spacing"');
  });

  it('outside their range are refused, the others keep their values', () => {
    const values = evaluateParameters(slipShedWith({ span: '0 m' }));
    expect(values.problems.map((p) => p.code)).toEqual(['out-of-range']);
    expect(values.scope.has('eaves')).toBeTrue();
    expect(values.scope.has('span')).toBeFalse();
  });

  it('cannot take the name of a unit, a function or an attribute', () => {
    for (const name of ['m', 'sqrt', 'role', 'pi', '2x', 'a b']) {
      const design = slipShed();
      design.parameters.push({ name, title: name, kind: 'quantity', quantity: 'length', value: '1 m' });
      expect(evaluateParameters(design).problems[0]?.code).withContext(name).toBe('parameter-name');
    }
  });
});

describe('the portal', () => {
  it('stands where its parameters say, columns up, rafters left to right', () => {
    const { model } = built(slipShed());
    const node = new Map(model.nodes.map((n) => [n.id, n]));
    expect(node.get('shed.apex')).toEqual({
      id: 'shed.apex',
      x: 11,
      y: 0,
      z: 6.4 + 11 * Math.tan(Math.PI / 20),
    });
    expect(model.members.map((m) => [m.id, m.start, m.end])).toEqual([
      ['shed.column.left', 'shed.base.left', 'shed.eaves.left'],
      ['shed.column.right', 'shed.base.right', 'shed.eaves.right'],
      ['shed.rafter.left', 'shed.eaves.left', 'shed.apex'],
      ['shed.rafter.right', 'shed.apex', 'shed.eaves.right'],
    ]);
  });

  it('keeps the names of what stays when bays are added', () => {
    const one = built(slipShed()).model;
    const design = slipShed();
    design.steps[0]!.bays = ['span', 'span / 2', '8 m'];
    const three = built(design).model;
    const ids = new Set(three.members.map((m) => m.id));
    for (const { id } of one.members) expect(ids.has(id)).withContext(id).toBeTrue();
    expect(three.members.length).toBe(4 + 6);
    expect(three.nodes.find((n) => n.id === 'shed.valley.2')!.x).toBe(33);
    expect(ids.has('shed.rafter.B3.right')).toBeTrue();
  });

  it('can be flat or rise over all bays', () => {
    const design = slipShed();
    Object.assign(design.steps[0]!, { roof: 'flat', bays: ['10 m', '12 m'] });
    expect(
      built(design)
        .model.nodes.filter((n) => n.z > 0)
        .map((n) => n.z),
    ).toEqual([6.4, 6.4, 6.4]);
    design.steps[0]!.roof = 'mono';
    const heights = built(design)
      .model.nodes.filter((n) => n.z > 0)
      .map((n) => n.z);
    expect(heights[2]).toBeCloseTo(6.4 + 22 * Math.tan(Math.PI / 20), 12);
    expect(heights[1]).toBeCloseTo(6.4 + 10 * Math.tan(Math.PI / 20), 12);
  });

  it('refuses a bay without width', () => {
    const design = slipShed();
    design.steps[0]!.bays = ['span - 22 m'];
    expect(problems(design)[0]!.message).toContain('width of bay 1 is 0.00 m');
  });
});

describe('rules', () => {
  it('give sections, supports and loads, and each member knows which did', () => {
    const { model, givenBy } = built(slipShed());
    expect(model.sections.map((s) => s.profile)).toEqual(['HEB 300', 'IPE 500']);
    expect(model.supports![0]).toEqual(
      jasmine.objectContaining({ node: 'shed.base.left', ux: 'fixed', ry: 'fixed' }),
    );
    const snow = model.loadCases!.find((c) => c.id === 'S')!.loads!;
    expect(snow[0]).toEqual(
      jasmine.objectContaining({ member: 'shed.rafter.left', q: [-4400, -4400], per: 'projected' }),
    );
    expect(givenBy.get('shed.column.left')).toEqual(['columns', 'rails', 'wind-windward']);
  });

  it('give the lengths that the checks take, with units, later ones over earlier ones', () => {
    const design = slipShed();
    design.rules.push({
      id: 'held',
      where: 'role == "rafter"',
      set: { lengths: { LLT: '0 m', Lcy: '2 * eaves' } },
    });
    const rafter = built(design).model.members.find(({ id }) => id === 'shed.rafter.left')!;
    expect(rafter.design).toEqual({ Lcz: 1.6, LLT: 0, Lcy: 12.8 });
    design.rules.push({ id: 'wrong', where: 'role == "rafter"', set: { lengths: { LLT: '-1 m' } } });
    expect(problems(design)[0]!.message).toContain('below zero');
  });

  it('later ones win', () => {
    const design = slipShed();
    design.rules.push({
      id: 'stiff',
      where: 'role == "column" and x > span / 2',
      set: { section: 'heb 400' },
    });
    const { model } = built(design);
    expect(model.members.map((m) => m.section.split(' S')[0])).toEqual([
      'HEB 300',
      'HEB 400',
      'IPE 500',
      'IPE 500',
    ]);
  });

  it('a hinge at a node is put on all but one of the members that meet there', () => {
    const { model } = built(slipShed(), 2);
    const hinged = model.members.filter((m) => m.hinges);
    expect(hinged.map((m) => [m.id, m.hinges])).toEqual([['shed.rafter.left', { end: { My: 'free' } }]]);
  });

  it('that match nothing are reported', () => {
    const design = slipShed();
    design.rules.push({ id: 'braces', where: 'role == "brace"', set: { section: 'IPE 80' } });
    expect(built(design).notes).toEqual(['Rule "braces" matches nothing: role == "brace".']);
  });

  it('with an unknown profile, load case or name are problems', () => {
    const design = slipShed();
    design.rules.push(
      { id: 'a', where: 'role == "column"', set: { section: 'IPX 300' } },
      { id: 'b', where: 'role == "column"', load: { case: 'Q', direction: 'z', q: '1 kN/m' } },
      { id: 'c', where: 'colour == "red"', set: { section: 'IPE 300' } },
    );
    expect(problems(design).map((p) => p.code)).toEqual(
      jasmine.arrayWithExactContents(['unknown-profile', 'unknown-name', 'unknown-name']),
    );
  });

  it('a member that no rule gives a section is named', () => {
    const design = slipShed();
    design.rules = design.rules.filter((rule) => rule.id !== 'rafters');
    expect(problems(design)[0]!.message).toContain('"shed.rafter.left"');
  });
});

describe('alternatives', () => {
  it('see the base design through their options', () => {
    const design = slipShed();
    expect(built(design, 0).model.supports![0]!.ry).toBe('fixed');
    expect(built(design, 1).model.supports![0]!.ry).toBeUndefined();
    const spring = { ...design.alternatives[0]!, picks: { 'base-fixity': 'springs' } };
    const outcome = buildFrame(design, spring);
    expect(outcome.ok && outcome.value.model.supports![0]!.ry).toBe(2e7);
  });

  it('have parameter values of their own; a change of the base reaches the others', () => {
    const design = slipShedWith({ span: '30 m' });
    design.alternatives[1]!.parameters = { span: '12 m' };
    const width = (i: number) => built(design, i).model.nodes.find((n) => n.id === 'shed.base.right')!.x;
    expect([0, 1, 2].map(width)).toEqual([30, 12, 30]);
  });

  it('that name what does not exist are problems', () => {
    const design = slipShed();
    const outcome = buildFrame(design, {
      id: 'x',
      title: 'X',
      picks: { 'base-fixity': 'glued', colour: 'red' },
      parameters: { spin: '1' },
    });
    expect(outcome.ok).toBeFalse();
    if (!outcome.ok) expect(outcome.problems.length).toBe(3);
  });
});
