import { platesA, platesI, platesWpl, fy, flatPortal, simpleBeam } from '../../testing/checked-designs.js';
import { slipShed } from '../../testing/designs.js';
import { expectClose } from '../../testing/models.js';
import { attempt } from '../../base/problem.js';
import type { Design } from '../../document/types.js';
import { evaluateAlternative } from '../alternative.js';
import { explain, type Contributions } from './index.js';

const explained = (design: Design, figure: string, under?: string): Contributions =>
  explain(evaluateAlternative(design, design.alternatives[0]!, 'checks'), figure, under);

const E = 2.1e11;

/** The flat portal with pinned bases, 6 m by 4 m, pushed by 50 kN at the left eaves; its sway there. */
function pushedPortal(more: { readonly rules?: readonly object[]; readonly order?: number } = {}): Design {
  const { rules = [], order = 1 } = more;
  return flatPortal({
    rules: [{ id: 'pinned', nodes: 'place == "base"', support: 'pinned' }, ...rules],
    combinations: [
      { id: 'C1', state: 'service', factors: { Q: 1 } },
      { id: 'U1', state: 'strength', factors: { G: 1.35, Q: 1.5 } },
    ],
    analysis: { order },
    figures: [
      {
        id: 'sway',
        title: 'Sway',
        kind: 'displacement',
        component: 'ux',
        nodes: 'place == "eaves" and side == "left"',
      },
      { id: 'moment', title: 'Moment', kind: 'moment', members: 'role == "column"' },
      { id: 'use', title: 'Utilisation', kind: 'utilisation' },
      { id: 'weight', title: 'Mass', kind: 'mass' },
    ],
  });
}

describe('where a displacement comes from', () => {
  it('a cantilever: P·L³/3EI of its bending and P·L/GA of its shear', () => {
    const post = (Av: number): Design =>
      simpleBeam({
        sections: [
          {
            id: 'plates',
            material: 'steel',
            properties: { A: 0.01, Iy: 1e-4, Iz: 1e-4, J: 1e-6, Avy: Av, Avz: Av },
          },
        ],
        rules: [
          { id: 'all', members: 'true', section: 'plates', material: 'steel' },
          { id: 'left', nodes: 'x == 0 m', support: 'fixed' },
          { id: 'tip', nodes: 'x == 6 m', load: { case: 'Q', kind: 'node', F: ['0 kN', '0 kN', '-8 kN'] } },
        ],
        figures: [{ id: 'tip', title: 'Tip', kind: 'displacement', nodes: 'x == 6 m', component: 'uz' }],
      });
    const { members, others, value, sum } = explained(post(0.004), 'tip');
    expect([members!.length, others]).toEqual([1, []]);
    expectClose(members![0]!.bendingY, (-8e3 * 6 ** 3) / (3 * E * 1e-4));
    expectClose(members![0]!.shearZ, (-8e3 * 6) / (8.1e10 * 0.004));
    expectClose(sum!, value);
  });

  it('a portal on pins: columns H·h³/12EI each, the beam H·h²·L/12EI, and their axial forces', () => {
    const [H, h, L] = [50e3, 4, 6];
    const { members, value, sum, combination, component } = explained(pushedPortal(), 'sway');
    expect([combination, component]).toEqual(['C1', 'ux']);
    const of = (role: RegExp) => members!.filter(({ title }) => role.test(title));
    for (const column of of(/column/)) {
      // The beam is compressed a little, so that the columns do not share the push quite evenly
      expectClose(column.bendingY, (H * h ** 3) / (12 * E * platesI), 2e-3);
      expectClose(column.axial, ((H * h) / L) * (h / L) * (h / (E * platesA)));
    }
    const [beam] = of(/beam/);
    expectClose(beam!.bendingY, (H * h ** 2 * L) / (12 * E * platesI), 1e-3);
    expectClose(sum!, value);
    expectClose(
      members!.reduce((total, one) => total + one.sum, 0),
      value,
    );
  });

  it('a truss of two bars: P·L/2EA·cos² each half', () => {
    const design = simpleBeam({
      steps: [
        {
          id: 'a',
          make: 'line',
          points: [
            ['0 m', '0 m'],
            ['3 m', '4 m'],
          ],
          role: 'bar',
        },
        {
          id: 'b',
          make: 'line',
          points: [
            ['6 m', '0 m'],
            ['3 m', '4 m'],
          ],
          role: 'bar',
        },
      ],
      rules: [
        { id: 'all', members: 'true', section: 'plates', material: 'steel', action: 'axial' },
        { id: 'feet', nodes: 'z == 0 m', support: 'pinned' },
        { id: 'p', nodes: 'z == 4 m', load: { case: 'Q', kind: 'node', F: ['0 kN', '0 kN', '-30 kN'] } },
      ],
      figures: [{ id: 'top', title: 'Top', kind: 'displacement', nodes: 'z == 4 m', component: 'uz' }],
    });
    const { members } = explained(design, 'top');
    expect(members!.length).toBe(2);
    for (const { axial, sum } of members!) {
      expectClose(axial, (-30e3 * 5) / (4 * E * platesA * 0.8 ** 2));
      expectClose(sum, axial);
    }
  });

  it('a member’s share is what the sway loses when that member is made rigid, in a frame that is statically determinate', () => {
    const angle = (E2: number): Design =>
      simpleBeam({
        materials: ['steel', 'other'].map((id) => ({
          id,
          kind: 'steel',
          E: id === 'steel' ? E : E2,
          G: 8.1e10,
          density: 7850,
          expansion: 1.2e-5,
          fy,
          fu: 5e8,
        })),
        steps: [
          {
            id: 'post',
            make: 'line',
            points: [
              ['0 m', '0 m'],
              ['0 m', '5 m'],
            ],
            role: 'post',
          },
          {
            id: 'arm',
            make: 'line',
            points: [
              ['0 m', '5 m'],
              ['3 m', '5 m'],
            ],
            role: 'arm',
          },
        ],
        rules: [
          { id: 'post', members: 'role == "post"', section: 'plates', material: 'other' },
          { id: 'arm', members: 'role == "arm"', section: 'plates', material: 'steel' },
          { id: 'foot', nodes: 'z == 0 m', support: 'fixed' },
          { id: 'p', nodes: 'x == 3 m', load: { case: 'Q', kind: 'node', F: ['0 kN', '0 kN', '-10 kN'] } },
        ],
        figures: [{ id: 'end', title: 'End', kind: 'displacement', nodes: 'x == 3 m', component: 'uz' }],
      });
    const soft = explained(angle(E), 'end');
    const post = soft.members!.find(({ title }) => title.includes('post'))!;
    const rigid = explained(angle(E * 1e5), 'end');
    expectClose(soft.value - rigid.value, post.sum, 2e-5);
  });

  it('springs, settlements and warmth stand beside the members', () => {
    const sprung = explained(
      pushedPortal({
        rules: [
          {
            id: 'turning',
            nodes: 'place == "base"',
            support: { ux: 'fixed', uz: 'fixed', ry: '5000 kN m/rad' },
          },
        ],
      }),
      'sway',
    );
    expect(new Set(sprung.others!.map(({ kind }) => kind))).toEqual(new Set(['support-spring']));
    expect(sprung.others!.length).toBe(2);
    expectClose(sprung.sum!, sprung.value);
    const warm = explained(
      simpleBeam({
        rules: [
          { id: 'all', members: 'true', section: 'plates', material: 'steel' },
          { id: 'left', nodes: 'x == 0 m', support: 'pinned' },
          { id: 'right', nodes: 'x == 6 m', support: 'roller' },
          { id: 'warm', members: 'true', load: { case: 'Q', kind: 'temperature', uniform: '30 K' } },
        ],
        figures: [{ id: 'end', title: 'End', kind: 'displacement', nodes: 'x == 6 m', component: 'ux' }],
      }),
      'end',
    );
    expectClose(warm.others![0]!.sum, 1.2e-5 * 30 * 6);
    expect(warm.others!.map(({ kind }) => kind)).toEqual(['temperature']);
    expect(warm.members).toEqual([]);
  });

  it('holds in second order too, and in every demo figure of the hall', () => {
    const second = explained(pushedPortal({ order: 2 }), 'sway', 'U1');
    const first = explained(pushedPortal(), 'sway', 'U1');
    expect(Math.abs(second.value)).toBeGreaterThan(1.001 * Math.abs(first.value));
    const greatest = Math.abs(second.members![0]!.sum);
    expect(Math.abs(second.sum! - second.value)).toBeLessThan(1e-9 * greatest);
    const shed = slipShed();
    const run = evaluateAlternative(shed, shed.alternatives[0]!, 'checks');
    const moved = shed.figures.filter(({ kind }) => ['displacement', 'drift', 'deflection'].includes(kind));
    expect(moved.length).toBeGreaterThan(1);
    for (const { id } of moved) {
      const { value, sum, members, others } = explain(run, id);
      const size = Math.max(...[...members!, ...others!].map((one) => Math.abs(one.sum)));
      expect(Math.abs(sum! - value))
        .withContext(id)
        .toBeLessThan(1e-9 * size);
    }
  });
});

describe('where a force and a utilisation come from', () => {
  it('a moment by load case, greatest first, with the factor of the combination', () => {
    const { cases, value, notSummed } = explained(pushedPortal(), 'moment');
    expect(notSummed).toBeUndefined();
    expect(cases!.map((one) => [one.case, one.factor])).toEqual([
      ['Q', 1.5],
      ['G', 1.35],
    ]);
    // A column's head takes half of the push times the height
    expectClose(Math.abs(cases![0]!.sum), (1.5 * 50e3 * 4) / 2, 2e-3);
    expectClose(
      cases!.reduce((sum, one) => sum + one.sum, 0),
      value,
    );
  });

  it('says why load cases do not add up in second order', () => {
    const { cases, notSummed } = explained(pushedPortal({ order: 2 }), 'moment');
    expect(cases).toEqual([]);
    expect(notSummed).toContain('second order');
  });

  it('a utilisation by the forces of its governing condition', () => {
    const design = simpleBeam({ figures: [{ id: 'use', title: 'Use', kind: 'utilisation' }] });
    const { condition, forces, value } = explained(design, 'use');
    const My = forces!.find(({ component }) => component === 'My')!;
    expectClose(value, (1.5 * 20e3 * 36) / 8 / (platesWpl * fy));
    expectClose(My.value, (1.5 * 20e3 * 36) / 8);
    expect(My.cases.map((one) => [one.case, one.title, one.factor])).toEqual([['Q', 'Imposed', 1.5]]);
    expect(condition!.clause).toContain('6.2.5');
  });

  it('a utilisation under the combination that is asked for, not under the one that governs', () => {
    const design = simpleBeam({
      figures: [{ id: 'use', title: 'Use', kind: 'utilisation' }],
      combinations: [
        { id: 'U1', state: 'strength', factors: { Q: 1.5 } },
        { id: 'U2', state: 'strength', factors: { Q: 0.5 } },
      ],
    });
    const { value, combination, forces } = explained(design, 'use', 'U2');
    expect(combination).toBe('U2');
    expectClose(value, (0.5 * 20e3 * 36) / 8 / (platesWpl * fy));
    expectClose(forces!.find(({ component }) => component === 'My')!.value, (0.5 * 20e3 * 36) / 8);
  });

  it('a utilisation in the state of the combination in which its condition governs', () => {
    const shed = slipShed();
    const run = evaluateAlternative(shed, shed.alternatives[0]!, 'checks');
    const { member, combination, situation, forces } = explain(run, 'utilisation');
    const { governs } = run.evaluation!.checks!.find((one) => one.member === member)!;
    expect(governs!.situation).toBeDefined();
    expect([combination, situation]).toEqual([governs!.combination, governs!.situation]);
    expect(forces!.map(({ component }) => component)).toEqual(['N', 'Vz', 'My']);
  });

  it('names what it does not know', () => {
    const code = (figure: string, under?: string) => {
      const outcome = attempt(() => explained(pushedPortal(), figure, under));
      return outcome.ok ? 'fine' : outcome.problems[0]!.code;
    };
    expect([code('x'), code('sway', 'U9'), code('weight'), code('Sway')]).toEqual([
      'unknown-figure',
      'unknown-combination',
      'not-supported',
      'fine',
    ]);
  });
});
