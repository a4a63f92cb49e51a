import type { CodeName, FrameModel, Load, Member } from '../model/types.js';
import { modelOf } from '../testing/models.js';
import { generator } from '../testing/random.js';
import { checkToFile } from './checks-file.js';
import { readModel } from './model-file.js';
import { solveToFile } from './results-file.js';

const profiles = [
  'HEB 200',
  'IPE 300',
  'UPN 200',
  'L 100x10',
  'CHS 114.3x5',
  'SHS 100x100x5',
  'RHS 120x80x5',
  'HEA 160',
];
const codes: readonly CodeName[] = ['EN1993', 'AISC360'];

/** A frame of two to five members in a chain with every kind of load, by chance: hinges, tapers, bars, springs and settlements. */
function randomFrame(random: () => number): FrameModel {
  const between = (low: number, high: number) => low + (high - low) * random();
  const oneOf = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)]!;
  const plane = random() < 0.5;
  const count = 2 + Math.floor(random() * 4);
  const nodes = Array.from({ length: count + 1 }, (_, i) => ({
    id: `n${i}`,
    x: 3 * i + between(-1, 1),
    y: plane ? 0 : between(-1, 1),
    z: between(0, 5),
  }));
  const members = Array.from({ length: count }, (_, i): Member => ({
    id: `m${i}`,
    start: `n${i}`,
    end: `n${i + 1}`,
    section: `s${i}`,
    ...(random() < 0.2 ? { roll: between(-3, 3) } : {}),
    ...(random() < 0.15 ? { hinges: { end: { My: random() < 0.5 ? 'free' : between(1e4, 1e7) } } } : {}),
    ...(random() < 0.3 ? { design: { LLT: oneOf([0, 0.5, 1, 2]), Lcz: between(0.5, 4) } } : {}),
  }));
  const load = (): Load => {
    const member = oneOf(members).id;
    const v = (): [number, number, number] => [
      between(-3e4, 3e4),
      plane ? 0 : between(-1e4, 1e4),
      between(-5e4, 2e4),
    ];
    switch (Math.floor(random() * 6)) {
      case 0:
        return { kind: 'node', node: oneOf(nodes).id, F: v(), M: [0, between(-2e4, 2e4), 0] };
      case 1:
        return {
          kind: 'distributed',
          member,
          axes: 'global',
          direction: 'z',
          q: [between(-2e4, 5e3), between(-2e4, 5e3)],
          from: between(0, 0.4),
          to: between(0.6, 1),
        };
      case 2:
        return { kind: 'point', member, at: oneOf([0, 0.4, 0.5, 1, between(0, 1)]), F: v() };
      case 3:
        return { kind: 'temperature', member, uniform: between(-30, 40), gradientZ: between(-100, 100) };
      case 4:
        return { kind: 'pretension', member, force: between(0, 5e4) };
      default:
        return { kind: 'settlement', node: 'n0', uz: between(-0.02, 0.01) };
    }
  };
  return {
    format: 'hashira-frame',
    version: 1,
    space: plane ? 'plane' : 'solid',
    materials: [{ id: 'S355' }],
    sections: members.map((_, i) => ({ id: `s${i}`, material: 'S355', profile: oneOf(profiles) })),
    nodes,
    members,
    supports: [`n0`, `n${count}`].map((node) => ({
      node,
      ux: 'fixed',
      uy: 'fixed',
      uz: 'fixed',
      rx: 'fixed',
      ry: random() < 0.5 ? 'fixed' : between(1e5, 1e8),
      rz: 'fixed',
    })),
    loadCases: [
      {
        id: 'G',
        category: 'permanent',
        selfWeight: 1,
        loads: Array.from({ length: 1 + Math.floor(random() * 3) }, load),
      },
      { id: 'Q', category: 'imposed', loads: Array.from({ length: Math.floor(random() * 3) }, load) },
    ],
    combinations: [
      { id: 'U', state: 'strength', factors: { G: 1.35, Q: 1.5 } },
      { id: 'C', state: 'service', factors: { G: 1, Q: 1 } },
    ],
  };
}

const finite = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value !== 'object' || value === null || Object.values(value).every(finite);

describe('hard use', () => {
  it('2 000 random frames are checked by both codes: numbers, or a sentence that says why not', () => {
    let checked = 0;
    for (let seed = 1; seed <= 2000; seed++) {
      const model = randomFrame(generator(seed));
      const outcome = checkToFile(model, { code: codes[seed % 2]! });
      if (outcome.ok) {
        checked++;
        if (!finite(outcome.value)) fail(`seed ${seed}: a number is not finite`);
        for (const [id, { status, utilisation, reasons }] of Object.entries(outcome.value.members)) {
          const told = status === 'not covered' ? (reasons?.length ?? 0) > 0 : utilisation !== undefined;
          if (!told) fail(`seed ${seed}: ${id} is ${status} without a number or a reason`);
        }
      } else
        for (const { code, message } of outcome.problems)
          if (!/^[A-Z].*[.)!]$/s.test(message) || code === '') fail(`seed ${seed}: ${code} ${message}`);
    }
    // Most of them stand and can be checked
    expect(checked).toBeGreaterThan(1900);
  });

  const beam = (more: Partial<FrameModel> = {}): FrameModel => ({
    ...modelOf(
      'plane',
      { a: [0, 0], b: [0, 4], c: [5, 4] },
      [
        { id: 'm', start: 'a', end: 'b' },
        { id: 'n', start: 'b', end: 'c' },
      ],
      [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
      [],
    ),
    materials: [{ id: 'S355' }],
    sections: [{ id: 's', material: 'S355', profile: 'HEB 200' }],
    loadCases: [{ id: 'L', loads: [{ kind: 'node', node: 'c', F: [1e3, 0, -5e3] }] }],
    combinations: [{ id: 'U', state: 'strength', factors: { L: 1.5 } }],
    ...more,
  });

  it('numbers beyond all reason are answered in words, by every way through', () => {
    const huge = beam({
      loadCases: [{ id: 'L', loads: [{ kind: 'node', node: 'c', F: [1e300, 0, -1e300] }] }],
    });
    const far = beam();
    far.nodes[2]!.x = 1e100;
    for (const model of [huge, far])
      for (const outcome of [
        checkToFile(model),
        solveToFile(model, { buckling: 2 }),
        solveToFile(model, { modes: 3 }),
        solveToFile(model, { secondOrder: true }),
      ])
        if (outcome.ok) expect(finite(outcome.value)).toBeTrue();
        else expect(outcome.problems[0]!.message).toMatch(/^[A-Z].*\.$/);
  });

  it('forces beyond all reason are named as such', () => {
    const model = beam({
      loadCases: [{ id: 'L', loads: [{ kind: 'node', node: 'c', F: [1e300, 0, -1e300] }] }],
    });
    for (const outcome of [checkToFile(model), solveToFile(model, { buckling: 2 })])
      expect(!outcome.ok && outcome.problems[0]!.code).toBe('not-finite');
  });

  it('restraints so dense that they cannot be counted are refused before they are made', () => {
    const model = beam();
    model.members[1]!.design = { LLT: 1e-6 };
    const outcome = checkToFile(model);
    expect(outcome.ok).toBeFalse();
    if (!outcome.ok) expect(outcome.problems[0]!.message).toContain('more than 1000 stretches');
  });

  it('names that objects have of themselves are names like others', () => {
    const text = JSON.stringify(beam())
      .replaceAll('"L"', '"__proto__"')
      .replaceAll('"U"', '"constructor"')
      .replaceAll('"b"', '"toString"')
      .replaceAll('"n"', '"hasOwnProperty"');
    const read = readModel(text);
    if (!read.ok) throw new Error(read.problems[0]!.message);
    const solved = solveToFile(read.value, { buckling: 1 });
    if (!solved.ok) throw new Error(solved.problems[0]!.message);
    const file = JSON.parse(JSON.stringify(solved.value)) as {
      results: Record<string, { members: object }>;
      buckling: object;
    };
    const memberResults = Object.values(file.results).map(({ members }) => members);
    expect(Object.keys(file.results)).toEqual(['__proto__', 'constructor']);
    expect(Object.keys(file.buckling)).toEqual(['__proto__', 'constructor']);
    expect(Object.keys(memberResults.at(-1)!)).toEqual(['m', 'hasOwnProperty']);
    const checked = checkToFile(read.value);
    expect(checked.ok && Object.keys(checked.value.members)).toEqual(['m', 'hasOwnProperty']);
  });

  it('a model without nodes or members is none', () => {
    const read = readModel(
      JSON.stringify(beam({ nodes: [], members: [], supports: [], loadCases: [], combinations: [] })),
    );
    expect(read.ok).toBeFalse();
    if (!read.ok) expect(read.problems.map(({ code }) => code)).toEqual(['invalid-model', 'invalid-model']);
  });
});

describe('what the attack found', () => {
  it('an item beyond the beginnings of a list that lacks its fields is no unknown member "undefined"', () => {
    const beam = modelOf(
      'plane',
      Object.fromEntries(Array.from({ length: 101 }, (_, i) => [`n${i}`, [i, 0]])),
      Array.from({ length: 100 }, (_, i) => ({ id: `m${i}`, start: `n${i}`, end: `n${i + 1}` })),
      [{ node: 'n0', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
      [],
    );
    const damaged = { ...beam, materials: [{}], members: [...beam.members.slice(0, 90), {}] };
    const read = readModel(JSON.stringify(damaged));
    if (read.ok) throw new Error('it was read');
    for (const { message } of read.problems) expect(message).not.toContain('undefined');
  });

  it('forces beyond every number are no beginning of second order', () => {
    const column = modelOf(
      'plane',
      { a: [0, 0], b: [0, 4] },
      [{ id: 'c', start: 'a', end: 'b' }],
      [{ node: 'a', ux: 'fixed', uz: 'fixed', ry: 'fixed' }],
      [{ kind: 'distributed', member: 'c', direction: 'z', q: [-1.7e308, -1.7e308] }],
    );
    const outcome = solveToFile(column, { secondOrder: true });
    if (outcome.ok) throw new Error('it was solved');
    expect(outcome.problems.map(({ code }) => code)).toContain('not-finite');
  });
});
