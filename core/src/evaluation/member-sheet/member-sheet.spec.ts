import { fy, platesI, platesWpl, simpleBeam, smallHall } from '../../testing/checked-designs.js';
import { expectClose } from '../../testing/models.js';
import { attempt } from '../../base/problem.js';
import type { Design } from '../../document/types.js';
import { evaluateAlternative } from '../alternative.js';
import { summaryOf } from '../summaries/summary-of.js';
import { memberFile, memberSheet, type SheetOptions } from './index.js';

const sheetOf = (design: Design, options: SheetOptions) =>
  memberSheet(evaluateAlternative(design, design.alternatives[0]!), options);

describe('a member’s sheet', () => {
  it('has the moments and deflections of a beam in closed form, and its envelope', () => {
    const sheet = sheetOf(simpleBeam(), { member: 'beam', stations: 5 });
    const [strength, service] = sheet.curves;
    const M = (q: number, x: number) => (q * x * (6 - x)) / 2;
    const w = (q: number, x: number) => -(q * x * (216 - 12 * x * x + x ** 3)) / (24 * 2.1e11 * platesI);
    expect(strength!.x).toEqual([0, 1.5, 3, 4.5, 6]);
    strength!.x.forEach((x, i) => {
      expectClose(1e6 + strength!.My![i]!, 1e6 + M(30e3, x));
      expectClose(1 + strength!.w![i]!, 1 + w(30e3, x));
      expectClose(1 + service!.w![i]!, 1 + w(20e3, x));
    });
    expect(service!.utilisation).toBeUndefined();
    expectClose(strength!.utilisation![2]!, M(30e3, 3) / (platesWpl * fy));
    expectClose(sheet.envelope.My!.greatest[2]!, M(30e3, 3));
    expect(sheet.envelope.My!.by[2]).toEqual(['U1', 'U1']);
    expectClose(sheet.envelope.w!.least[2]!, w(20e3, 3));
    expect([sheet.length, sheet.section, sheet.material]).toEqual([6, 'plates', 'steel']);
  });

  it('has two places where a force jumps', () => {
    const design = simpleBeam();
    design.rules[3] = {
      id: 'load',
      members: 'true',
      load: { case: 'Q', kind: 'point', at: '0.5', F: ['0 kN', '0 kN', '-10 kN'] },
    };
    const { curves } = sheetOf(design, { member: 'b.beam.1', combination: 'U1', stations: 3 });
    expect(curves.map(({ combination }) => combination)).toEqual(['U1']);
    expect(curves[0]!.x).toEqual([0, 3, 3, 6]);
    expect(curves[0]!.Vz!.map((value) => Math.round(value))).toEqual([7500, 7500, -7500, -7500]);
  });

  it('says what holds it, and where the lengths come from', () => {
    const design = simpleBeam();
    design.steps.push({ id: 'cut', edit: 'divide', members: 'true', at: ['1.5 m', '4 m'] });
    design.rules[0] = { id: 'beams', members: 'true', section: 'plates', material: 'steel' };
    design.rules.push({ id: 'purlins', title: 'Purlins', members: 'true', restraints: 'x == 1.5 m' });
    const { restraints, lengths, nodes, of } = sheetOf(design, { member: 'beam' });
    expect(restraints.map(({ x, from }) => [x, from])).toEqual([
      [0, 'its start'],
      [1.5, 'rule Purlins'],
      [6, 'its end'],
    ]);
    expect(nodes.map(({ x }) => x)).toEqual([1.5, 4]);
    expect(of.length).toBe(3);
    expect(lengths!.Lcy).toEqual({ value: 6, from: 'its own length' });
    expect(lengths!.LLT).toEqual({ value: 4.5, from: 'restraints' });
    const given = sheetOf(simpleBeam(), { member: 'beam' }).lengths!;
    expect(given.LLT).toEqual({ value: 0, from: 'given' });
  });

  it('lists conditions worst first, and names what is not known', () => {
    const sheet = sheetOf(simpleBeam(), { member: 'beam', steps: true });
    const used = sheet.conditions.map(({ utilisation }) => utilisation ?? Infinity);
    expect(used).toEqual([...used].sort((a, b) => b - a));
    expect(sheet.conditions[0]!.steps!.length).toBeGreaterThan(2);
    const code = (options: SheetOptions) => {
      const outcome = attempt(() => sheetOf(simpleBeam(), options));
      return outcome.ok ? 'ok' : outcome.problems[0]!.code;
    };
    expect(code({ member: 'tower' })).toBe('unknown-member');
    expect(code({ member: 'beam', combination: 'U9' })).toBe('unknown-combination');
  });

  it('never shows what is not covered as passed', () => {
    const design = simpleBeam();
    design.sections = [{ id: 'plates', material: 'steel', properties: { A: 5e-3, Iy: 8e-5, Wply: 6e-4 } }];
    const sheet = sheetOf(design, { member: 'beam' });
    expect(sheet.status).toBe('not covered');
    expect(sheet.curves[0]!.utilisation!.every((value) => value === null)).toBeTrue();
    expect(sheet.envelope.utilisation.greatest.every((value) => value === null)).toBeTrue();
  });

  it('neighbours are what the whole assessment gives with the group’s section changed', () => {
    const design = smallHall();
    const run = evaluateAlternative(design, design.alternatives[0]!);
    const { neighbours, member } = memberFile(run, { member: 'left column' });
    expect(neighbours.map(({ section }) => section)).toEqual(['HEA 160', 'HEA 180', 'HEA 220', 'HEA 240']);
    for (const one of neighbours) {
      const own = smallHall();
      own.parameters[0]!.value = one.section;
      const { members } = summaryOf(evaluateAlternative(own, own.alternatives[0]!), '');
      expectClose(one.utilisation!, members.find((m) => m.member === member)!.utilisation!, 1e-9);
    }
  });

  it('an own section has no neighbours, and a note says so', () => {
    const design = simpleBeam();
    const file = memberFile(evaluateAlternative(design, design.alternatives[0]!), { member: 'beam' });
    expect(file.neighbours).toEqual([]);
    expect(file.notes.join(' ')).toContain('own section');
  });
});
