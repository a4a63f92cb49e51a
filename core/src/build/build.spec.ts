import { at, built, problemsOf, slipShed, slipShedWith } from '../testing/designs.js';
import { buildFrame } from './build.js';
import { evaluateParameters } from './parameters.js';
import type { Rule } from '../document/types.js';

describe('parameters', () => {
  it('depend on each other in any order', () => {
    const design = slipShed();
    design.parameters.reverse();
    const { scope, problems: found } = evaluateParameters(design);
    expect(found).toEqual([]);
    expect(scope.get('s_line')).toEqual(jasmine.objectContaining({ value: 4400, quantity: 'lineLoad' }));
  });

  it('in a circle are named', () => {
    const [cycle] = problemsOf(slipShedWith({ spacing: 'g_line / (1 kN/m^2)' }));
    expect(cycle!.code).toBe('cycle');
    expect(cycle!.message).toContain('"spacing" → "g_line" → "spacing"');
  });

  it('outside their range are refused, the others keep their values', () => {
    const values = evaluateParameters(slipShedWith({ span: '0 m' }));
    expect(values.problems.map((p) => p.code)).toEqual(['out-of-range']);
    expect(values.scope.has('eaves')).toBeTrue();
    expect(values.scope.has('span')).toBeFalse();
  });

  it('cannot take the name of a unit, a function or a tag', () => {
    for (const name of ['m', 'sqrt', 'role', 'pi', '2x', 'a b']) {
      const design = slipShed();
      design.parameters.push({ name, title: name, kind: 'quantity', quantity: 'length', value: '1 m' });
      expect(evaluateParameters(design).problems[0]?.code).withContext(name).toBe('parameter-name');
    }
  });

  it('with names that objects have of their own are only names', () => {
    const design = slipShed();
    for (const name of ['constructor', 'toString', 'hasOwnProperty'])
      design.parameters.push({ name, title: name, kind: 'quantity', quantity: 'length', value: '1 m' });
    design.parameters.push({
      name: 'sum',
      title: 'Sum',
      kind: 'quantity',
      quantity: 'length',
      value: 'constructor + toString',
    });
    expect(evaluateParameters(design).scope.get('sum')!.value).toBe(2);
  });
});

describe('a rule', () => {
  it('gives sections, supports and loads, and each part knows which did', () => {
    const { model, assignment } = built(slipShed());
    expect(model.sections.map((s) => s.profile)).toEqual(['HEB 300', 'IPE 500']);
    expect(model.supports![0]).toEqual(
      jasmine.objectContaining({ node: 'shed.base.1', ux: 'fixed', ry: 'fixed' }),
    );
    const snow = model.loadCases!.find((c) => c.id === 'S')!.loads!;
    expect(snow[0]).toEqual(
      jasmine.objectContaining({ member: 'shed.rafter.1.left', q: [-4400, -4400], per: 'projected' }),
    );
    expect([...assignment.givenTo('shed.column.1').values()]).toContain('columns');
    expect([...assignment.givenTo('shed.column.1').values()]).toContain('wind-windward');
  });

  const with_ = (...rules: Rule[]) => {
    const design = slipShed();
    design.rules.push(...rules);
    return design;
  };

  it('gives the lengths that the checks take, with units, later ones over earlier ones', () => {
    const design = with_({
      id: 'held',
      members: 'role == "rafter"',
      lengths: { LLT: '0 m', Lcy: '2 * eaves' },
    });
    const rafter = built(design).model.members.find(({ id }) => id === 'shed.rafter.1.left')!;
    expect(rafter.design).toEqual(jasmine.objectContaining({ LLT: 0, Lcy: 12.8 }));
    const wrong = with_({ id: 'wrong', members: 'role == "rafter"', lengths: { LLT: '-1 m' } });
    expect(problemsOf(wrong)[0]!.message).toContain('below zero');
  });

  it('that comes later wins, and one of which nothing is left is told', () => {
    const { model, notes } = built(
      with_(
        { id: 'stiff', members: 'role == "column" and x > span / 2', section: 'heb 400' },
        { id: 'wide', members: 'role == "rafter"', section: 'IPE 600' },
      ),
    );
    expect(model.members.map((m) => m.section.split(' S')[0])).toEqual([
      'HEB 300',
      'HEB 400',
      'IPE 600',
      'IPE 600',
    ]);
    expect(notes.some(({ message }) => message.includes('stiff'))).toBeFalse();
  });

  it('that hinges a node hinges all but one of the members that meet there', () => {
    const { model } = built(slipShed(), 2);
    const hinged = model.members.filter((m) => m.hinges);
    expect(hinged.length).toBe(1);
    expect(hinged[0]!.id).toMatch(/^shed\.rafter/);
  });

  it('that matches nothing is reported', () => {
    const { notes } = built(with_({ id: 'braces', members: 'role == "brace"', section: 'IPE 80' }));
    expect(notes.map(({ message }) => message).join()).toContain('"braces" matches nothing');
  });

  it('with an unknown profile, load case or name is a problem', () => {
    const found = problemsOf(
      with_(
        { id: 'a', members: 'role == "column"', section: 'IPX 300' },
        {
          id: 'b',
          members: 'role == "column"',
          load: { kind: 'line', case: 'Q', direction: 'z', q: '1 kN/m' },
        },
        { id: 'c', members: 'colour == "red"', section: 'IPE 300' },
      ),
    );
    expect(found.map((p) => p.code)).toEqual(jasmine.arrayContaining(['unknown-profile', 'unknown-name']));
    expect(found.map((p) => p.where['rule'])).toEqual(jasmine.arrayContaining(['b', 'c']));
  });

  it('with an unknown material is told with the nearest ones', () => {
    const [found] = problemsOf(
      with_({ id: 'a', members: 'role == "column"', section: 'HEB 300', material: 'S335' }),
    );
    expect(found!.code).toBe('unknown-name');
    expect(found!.message).toContain('S355');
  });

  it('must leave no member without a section', () => {
    const design = slipShed();
    design.rules = design.rules.filter((rule) => rule.id !== 'rafters');
    expect(problemsOf(design)[0]!.message).toContain('left rafter and 1 more a section');
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
    expect([0, 1, 2].map((i) => at(built(design, i), 'shed.base.2')[0])).toEqual([30, 12, 30]);
  });

  it('that name what does not exist are problems', () => {
    const outcome = buildFrame(slipShed(), {
      id: 'x',
      title: 'X',
      picks: { 'base-fixity': 'glued', colour: 'red' },
      parameters: { spin: '1' },
    });
    expect(outcome.ok).toBeFalse();
    if (!outcome.ok) expect(outcome.problems.length).toBe(3);
  });

  it('build the same bytes every time', () => {
    expect(JSON.stringify(built(slipShed(), 3).model)).toBe(JSON.stringify(built(slipShed(), 3).model));
  });
});
