import { platesA, platesI, simpleBeam, smallHall } from '../../testing/checked-designs.js';
import { expectClose } from '../../testing/models.js';
import { comparisonCsv } from '../../files/csv/comparison.js';
import { prepareEquations, vibrationModes } from '../../analysis/index.js';
import { evaluateAlternative } from '../alternative.js';
import { compare } from './index.js';

const figures = [
  { id: 'mass', title: 'Mass', kind: 'mass' },
  { id: 'sag', title: 'Sag', kind: 'deflection', limit: '40 mm' },
  { id: 'tone', title: 'Tone', kind: 'frequency', limit: '3 Hz' },
];

/** The simple beam: as it is, with the load doubled, and on one support alone. */
const beams = () =>
  simpleBeam({
    parameters: [
      {
        name: 'load',
        title: 'Load',
        kind: 'quantity',
        quantity: 'lineLoad',
        value: '20 kN/m',
        min: '0 kN/m',
        max: '60 kN/m',
      },
    ],
    rules: [
      { id: 'beams', members: 'true', section: 'plates', material: 'steel', lengths: { LLT: '0 m' } },
      { id: 'left', nodes: 'x == 0 m', support: 'pinned' },
      { id: 'right', nodes: 'x == 6 m', support: 'roller' },
      { id: 'down', members: 'true', load: { case: 'Q', kind: 'line', direction: 'z', q: '-load' } },
    ],
    combinations: [
      { id: 'U1', state: 'strength', factors: { Q: 1.5 } },
      { id: 'U2', state: 'strength', factors: { Q: 0.5 } },
      { id: 'C1', state: 'service', factors: { Q: 1 } },
    ],
    choices: [
      {
        id: 'ends',
        title: 'Right end',
        options: [
          { id: 'held', title: 'held', changes: {} },
          { id: 'loose', title: 'loose', changes: { rules: [{ id: 'right', nodes: 'x == 99 m' }] } },
        ],
      },
    ],
    figures,
    alternatives: [
      { id: 'a', title: 'As it is', picks: {} },
      { id: 'b', title: 'More', picks: {}, parameters: { load: '40 kN/m' } },
      { id: 'same', title: 'The same', picks: {}, parameters: { load: '20000 N/m' } },
      { id: 'c', title: 'Loose', picks: { ends: 'loose' } },
    ],
  });

describe('a comparison', () => {
  it('says in words what differs, by choices and by values', () => {
    const { alternatives, reference } = compare(beams());
    expect(reference).toBe('a');
    expect(alternatives.map(({ id, differs }) => [id, differs])).toEqual([
      ['a', []],
      ['b', ['Load: 40 kN/m instead of 20 kN/m']],
      ['same', []],
      ['c', ['Right end: loose instead of held']],
    ]);
    expect(alternatives[3]!.choices).toEqual({ ends: 'loose' });
    expect(alternatives[1]!.own).toEqual({ load: '40 kN/m' });
    expect(alternatives[0]!.sections).toEqual({ beams: 'plates' });
  });

  it('has differences and ratios of magnitudes, and which is better', () => {
    const { alternatives } = compare(beams());
    const sag = (5 * 20e3 * 6 ** 4) / (384 * 2.1e11 * platesI);
    const [before, more] = alternatives.map((one) => one.figures['sag']!);
    expectClose(Math.abs(more!.value), 2 * sag);
    expectClose(more!.difference!, sag);
    expectClose(more!.ratio!, 2);
    expect([more!.better, before!.better, before!.difference, before!.ratio]).toEqual([false, null, 0, 1]);
    expect(alternatives[1]!.figures['mass']!.better).toBeNull();
  });

  it('takes what a limit says at least for better where it is greater', () => {
    const hall = smallHall({
      figures: [{ id: 'tone', title: 'Tone', kind: 'frequency' }],
      alternatives: [
        { id: 'a', title: 'A', picks: {} },
        { id: 'b', title: 'B', picks: {}, parameters: { column_section: 'HEA 260' } },
      ],
    });
    const [, b] = compare(hall).alternatives;
    expect(b!.figures['tone']!.ratio).toBeGreaterThan(1);
    expect(b!.figures['tone']!.better).toBeTrue();
    expect(b!.sections).toEqual({ column_section: 'HEA 260', rafter_section: 'IPE 240' });
    expect(b!.differs).toEqual(['Column section: HEA 260 instead of HEA 200']);
  });

  it('keeps one that cannot be worked out apart, and compares the rest', () => {
    const { alternatives, rank } = compare(beams(), { modes: 1 });
    const loose = alternatives[3]!;
    expect([loose.status, loose.figures, loose.foundations]).toEqual(['failed', {}, []]);
    expect(loose.problems.map(({ code }) => code)).toEqual(['mechanism']);
    expect(rank[0]!.figure).toBe('sag');
    expectClose(rank[0]!.spread, 0.5);
    expect(rank.map(({ figure }) => figure).sort()).toEqual(['mass', 'sag', 'tone']);
  });

  it('has what each support takes, least and greatest over strength, with whose', () => {
    const { alternatives } = compare(beams());
    const [left, right] = alternatives[0]!.foundations;
    expectClose(left!.Fz!.greatest, (1.5 * 20e3 * 6) / 2);
    expectClose(left!.Fz!.least, (0.5 * 20e3 * 6) / 2);
    expect([left!.Fz!.greatestBy, left!.Fz!.leastBy]).toEqual(['U1', 'U2']);
    expect([left!.Fx !== undefined, right!.Fx !== undefined, left!.My !== undefined]).toEqual([
      true,
      false,
      false,
    ]);
    expectClose(left!.cases!['Q']!.Fz!, (20e3 * 6) / 2);
  });

  it('leaves load cases out where results do not add up', () => {
    const design = beams();
    design.analysis = { ...design.analysis, order: 2 };
    expect(compare(design).alternatives[0]!.foundations.map(({ cases }) => cases)).toEqual([
      undefined,
      undefined,
    ]);
  });

  it('goes by the alternatives and the reference that are asked for, each once', () => {
    const design = beams();
    const [a, b] = design.alternatives as [(typeof design.alternatives)[0], (typeof design.alternatives)[0]];
    const { alternatives, reference } = compare(design, { reference: b, alternatives: [a, a, b] });
    expect([reference, alternatives.map(({ id }) => id)]).toEqual(['b', ['b', 'a']]);
  });

  it('is a table with a line a figure and a column an alternative', () => {
    const lines = comparisonCsv(compare(beams())).trim().split('\r\n');
    expect(lines[0]).toBe('figure,unit,As it is,More,The same,Loose');
    const [title, unit, ...values] = lines.find((line) => line.startsWith('Mass'))!.split(',');
    expect([title, unit, values[3]]).toEqual(['Mass', 'kg', '']);
    expectClose(Number(values[0]), 7850 * platesA * 6);
  });
});

describe('modes of alternatives', () => {
  /** A post that stands free, with a section of its own second moments about y and z. */
  const post = (Iy: number, Iz: number, turned: [number, number]) =>
    simpleBeam({
      space: 'solid',
      sections: [
        { id: 'plates', material: 'steel', properties: { A: 0.01, Iy, Iz, J: 1e-4 } },
        { id: 'turned', material: 'steel', properties: { A: 0.01, Iy: turned[0], Iz: turned[1], J: 1e-4 } },
      ],
      steps: [
        {
          id: 'p',
          make: 'line',
          points: [
            ['0 m', '0 m', '0 m'],
            ['0 m', '0 m', '5 m'],
          ],
          role: 'post',
        },
      ],
      rules: [
        { id: 'post', members: 'true', section: 'plates', material: 'steel' },
        { id: 'foot', nodes: 'z == 0 m', support: 'fixed' },
      ],
      choices: [
        {
          id: 'way',
          title: 'Way',
          options: [
            { id: 'one', title: 'as it is', changes: {} },
            { id: 'two', title: 'turned', changes: { rules: [{ id: 'post', section: 'turned' }] } },
          ],
        },
      ],
      figures: [],
      combinations: [],
      alternatives: [
        { id: 'a', title: 'A', picks: {} },
        { id: 'b', title: 'B', picks: { way: 'two' } },
      ],
    });

  it('a mode is like itself, and one four times as stiff swings twice as fast', () => {
    const [a, b] = compare(post(1e-4, 4e-4, [4e-4, 16e-4]), { modes: 3 }).alternatives;
    a!.modes!.forEach(({ pair }, i) => {
      expect(pair!.mode).toBe(i + 1);
      expectClose(pair!.mac, 1);
    });
    // Rotary inertia takes a little of it
    expectClose(b!.modes![0]!.pair!.ratio, 2, 3e-3);
    expect(b!.modes![0]!.pair!.mac).toBeGreaterThan(0.999);
  });

  it('follows modes that change places', () => {
    const [, b] = compare(post(1e-4, 4e-4, [4e-4, 1e-4]), { modes: 2 }).alternatives;
    expect(b!.modes!.map(({ pair }) => pair!.mode)).toEqual([2, 1]);
    expectClose(b!.modes![0]!.pair!.ratio, 0.5, 3e-3);
  });

  it('knows a shape inside a member: sin(πx/L) of a beam on two supports', () => {
    const design = simpleBeam();
    const { forces } = evaluateAlternative(design, design.alternatives[0]!, 'forces').evaluation!;
    const [mode] = vibrationModes(prepareEquations(forces.frame), 1);
    const at = (x: number) => mode!.moveAlong(0, x)[2];
    expectClose(at(1.5) / at(3), Math.SQRT1_2, 1e-3);
    expectClose(at(4.5), at(1.5), 1e-6);
    expect(Math.abs(at(0) / at(3))).toBeLessThan(1e-9);
  });

  it('a free body has modes but no forces: 4.730²/2πL² √(EI/μ) of a beam, its rigid motions not counted', () => {
    const slim = { A: 0.01, Iy: 1e-6, Iz: 1e-6, J: 1e-6 };
    const design = simpleBeam({
      sections: [{ id: 'slim', material: 'steel', properties: slim }],
      rules: [{ id: 'beams', members: 'true', section: 'slim', material: 'steel' }],
      figures,
    });
    const [free] = compare(design, { modes: 2 }).alternatives;
    const bending = (4.730041 ** 2 / (2 * Math.PI * 36)) * Math.sqrt((2.1e11 * slim.Iy) / (7850 * slim.A));
    expect([free!.status, free!.problems, free!.foundations]).toEqual(['nothing to check', [], []]);
    // Rotary inertia makes it swing a little slower
    expectClose(free!.modes![0]!.frequency, bending, 1e-3);
    expectClose(free!.figures['tone']!.value, free!.modes![0]!.frequency);
    expect([free!.figures['sag'], free!.modes!.length]).toEqual([undefined, 2]);
  });
});
