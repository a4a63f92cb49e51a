import {
  flatPortal,
  fy,
  plates,
  platesA,
  platesI,
  platesWpl,
  simpleBeam,
} from '../../testing/checked-designs.js';
import { expectClose } from '../../testing/models.js';
import { attempt } from '../../base/problem.js';
import type { Design } from '../../document/types.js';
import { failure, failureInParts, type FailureOptions } from './index.js';

const of = (design: Design, options: FailureOptions) => failure(design, design.alternatives[0]!, options);
const code = (design: Design, options: FailureOptions) => {
  const outcome = attempt(() => of(design, options));
  return outcome.ok ? 'ok' : outcome.problems[0]!.code;
};
const Mpl = platesWpl * fy;

/** A cantilever column of 5 m: N along it and H across its head, both in Q. */
const cantilever = (N: string, H: string): Design =>
  simpleBeam({
    steps: [
      {
        id: 'c',
        make: 'line',
        points: [
          ['0 m', '0 m'],
          ['0 m', '5 m'],
        ],
        role: 'column',
      },
    ],
    rules: [
      {
        id: 'columns',
        members: 'true',
        section: 'plates',
        material: 'steel',
        lengths: { Lcy: '0 m', Lcz: '0 m', LLT: '0 m' },
      },
      { id: 'foot', nodes: 'z == 0 m', support: 'fixed' },
      { id: 'head', nodes: 'z == 5 m', load: { case: 'Q', kind: 'node', F: [H, '0 kN', N] } },
    ],
  });

describe('load to failure, elastic', () => {
  it('a beam yields at 8·Mpl/(q·L²), and carries on to the greatest factor', () => {
    const { events, first, last, verdict, constant, raised } = of(simpleBeam(), { raise: 'Q=1' });
    expectClose(first!, (8 * Mpl) / (20e3 * 36), 1e-5);
    expect(events.map(({ kind, member, clause }) => [kind, member, clause])).toEqual([
      ['condition', 'b.beam.1', '6.2.5(1) eq. 6.12'],
    ]);
    expect(last.code).toBe('no-failure');
    expect(verdict).toMatch(/^The beam yields first, at 1.57; the frame carries 20.0 times the load\.$/);
    expect([constant, raised]).toEqual([{ G: 1 }, { Q: 1 }]);
  });

  it('a column buckles at Euler’s load: π²EI/(2L)²', () => {
    const { last } = of(cantilever('-100 kN', '0 kN'), { raise: 'Q', constant: '' });
    expect(last.kind).toBe('instability');
    expectClose(last.factor, (Math.PI ** 2 * 2.1e11 * platesI) / 100 / 100e3, 1e-3);
  });

  it('in second order is followed to where the stiffness is lost, with H/P·(tan kL/k − L) on the way', () => {
    const design = cantilever('-100 kN', '1 kN');
    const { curve, last, followed } = of(design, {
      raise: 'Q',
      constant: '',
      order: 2,
      follow: 'c.point.2.ux',
    });
    const EI = 2.1e11 * platesI;
    expectClose(last.factor, (Math.PI ** 2 * EI) / 100 / 100e3, 1e-3);
    expect(followed!.component).toBe('ux');
    expect(curve.length).toBeGreaterThanOrEqual(40);
    const { factor, displacement } = curve[Math.floor(curve.length / 2)]!;
    const k = Math.sqrt((factor * 100e3) / EI);
    expectClose(displacement, (1e3 / 100e3) * (Math.tan(5 * k) / k - 5), 5e-3);
  });

  it('names what fails first: a weak beam yields, a slender column buckles', () => {
    const loads = { constant: '', raise: 'G=1' };
    const short = of(flatPortal({ column: 'HEB 300', beam: 'plates' }), loads);
    expect(short.verdict).toMatch(/^The beam yields first/);
    const slender = of(
      flatPortal({
        column: 'IPE 120',
        beam: 'HEB 300',
        height: '8 m',
        rules: [
          { id: 'pins', members: 'role == "beam"', hinge: ['My'], at: 'both' },
          { id: 'hold', nodes: 'place == "eaves" and side == "left"', support: { ux: 'fixed' } },
        ],
      }),
      { ...loads, most: 40 },
    );
    expect(slender.verdict).toMatch(/^The (left|right) column buckles first/);
  });

  it('members of one sign go slack where their force is none', () => {
    const design = simpleBeam({
      steps: [
        {
          id: 'b',
          make: 'line',
          points: [
            ['0 m', '0 m'],
            ['8 m', '0 m'],
          ],
          role: 'beam',
        },
        {
          id: 'p',
          make: 'line',
          points: [
            ['4 m', '-3 m'],
            ['4 m', '0 m'],
          ],
          role: 'post',
        },
      ],
      rules: [
        { id: 'all', members: 'true', section: 'plates', material: 'steel', lengths: { LLT: '0 m' } },
        { id: 'posts', members: 'role == "post"', action: 'compression-only' },
        { id: 'a', nodes: 'x == 0 m', support: 'pinned' },
        { id: 'b', nodes: 'x == 8 m', support: 'roller' },
        { id: 'foot', nodes: 'z == -3 m', support: 'pinned' },
        {
          id: 'down',
          members: 'role == "beam"',
          load: { case: 'G', kind: 'line', direction: 'z', q: '-6 kN/m' },
        },
        {
          id: 'up',
          members: 'role == "beam"',
          load: { case: 'Q', kind: 'line', direction: 'z', q: '4 kN/m' },
        },
      ],
    });
    const slack = of(design, { raise: 'Q=1', most: 4 }).events.filter(({ kind }) => kind === 'slack');
    expect(slack.length).toBe(1);
    expectClose(slack[0]!.factor, 1.5, 1e-4);
  });

  it('takes the parts of a combination, and refuses what raises nothing', () => {
    const { constant, raised } = of(flatPortal(), { raise: 'U1', most: 1 });
    expect([constant, raised]).toEqual([{ G: 1.35 }, { Q: 1.5 }]);
    expect(code(simpleBeam(), { raise: 'X=1' })).toBe('unknown-case');
    expect(code(simpleBeam(), { raise: 'Q=0' })).toBe('no-load');
    expect(code(simpleBeam(), { raise: 'G=1' })).toBe('no-load');
    expect(code(simpleBeam(), { raise: 'Q=a' })).toBe('wrong-arguments');
    expect(code(simpleBeam(), { raise: 'Q=1', follow: 'nowhere.ux' })).toBe('unknown-node');
    expect(code(cantilever('-1e6 kN', '0 kN'), { raise: 'Q=1', constant: 'Q=1' })).toBe('diverged');
  });

  it('tells what is known whenever it is stopped', () => {
    const design = simpleBeam();
    const parts = failureInParts(design, design.alternatives[0]!, { raise: 'Q=1' });
    const { value } = parts.next();
    expect((value as { soFar(): { status: string } }).soFar().status).toBe('stopped');
  });
});

describe('load to failure by plastic hinges', () => {
  it('constant loads come first: a portal under a floor load and a push collapses by its combined mechanism', () => {
    // Combined mechanism: 50·λ·4 + 60·3 = 6·Mpl; sway: 50·λ·4 = 4·Mpl
    const { last, events } = of(flatPortal(), { raise: 'Q=1', path: 'plastic' });
    const combined = (6 * Mpl - 60e3 * 3) / (50e3 * 4);
    const sway = (4 * Mpl) / (50e3 * 4);
    expect(last.kind).toBe('collapse');
    expectClose(last.factor, Math.min(combined, sway), 1e-3);
    expect(events.filter(({ kind }) => kind === 'hinge').length).toBe(4);
  });

  it('in second order a cantilever ends where H·tan(kL)/k is the moment that N leaves (eq. 6.36)', () => {
    const { last, events } = of(cantilever('-300 kN', '15 kN'), {
      raise: 'Q=1',
      constant: '',
      path: 'plastic',
      order: 2,
    });
    const EI = 2.1e11 * platesI;
    const a = Math.min(0.5, (platesA - 2 * plates.b * plates.tf) / platesA);
    const room = (factor: number) => {
      const k = Math.sqrt((factor * 300e3) / EI);
      const n = (factor * 300e3) / (platesA * fy);
      const share = Math.min(1, (1 - n) / (1 - 0.5 * a));
      return share * Mpl - (factor * 15e3 * Math.tan(5 * k)) / k;
    };
    let [low, high] = [0.1, 3];
    for (let i = 0; i < 80; i++) {
      const middle = (low + high) / 2;
      if (room(middle) > 0) low = middle;
      else high = middle;
    }
    expect(events.map(({ kind }) => kind)).toEqual(['hinge', 'collapse']);
    expectClose(last.factor, low, 1e-5);
  });

  it('meets conditions of whole members on the way, and marks them', () => {
    const design = flatPortal();
    design.rules[0] = { id: 'columns', members: 'role == "column"', section: 'plates', material: 'steel' };
    const { events } = of(design, { raise: 'Q=1', path: 'plastic' });
    const conditions = events.filter(({ kind }) => kind === 'condition');
    expect(conditions.length).toBeGreaterThan(0);
    expect(
      conditions.every(({ of: whole, clause }) => whole === 'member' && clause!.startsWith('6.3')),
    ).toBeTrue();
  });

  it('cuts tapers into uniform pieces and tells how many', () => {
    const design = flatPortal();
    design.steps.push({ id: 'deep', edit: 'taper', members: 'role == "beam"', end: 'end', depth: '0.4 m' });
    const outcome = attempt(() => of(design, { raise: 'Q=1', path: 'plastic' }));
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
    expect(outcome.value.notes.join(' ')).toMatch(/tapers and is cut into \d+ uniform pieces/);
    expect(outcome.value.events.every(({ member = 'p.beam.1' }) => !member.includes('~'))).toBeTrue();
  });

  it('stops at the greatest factor, and in space says that it cannot', () => {
    const end = of(flatPortal(), { raise: 'Q=1', path: 'plastic', most: 0.5 });
    expect([end.last.code, end.last.factor, end.events.length]).toEqual(['no-failure', 0.5, 0]);
    expect(code({ ...simpleBeam(), space: 'solid' }, { raise: 'Q=1', path: 'plastic' })).toBe(
      'not-supported',
    );
  });
});
