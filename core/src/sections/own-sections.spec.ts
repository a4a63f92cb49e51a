import { expectClose } from '../testing/models.js';
import { ProblemError } from '../base/problem.js';
import type { Shape } from '../model/types.js';
import { sectionDetails } from './details.js';
import { lookUpGrade, strengthAt } from './materials.js';
import { findProfile, lookUpProfile } from './profiles.js';
import { parseQuery, queryProfiles } from './query.js';
import { shapeProblem, shapeProperties } from './shapes/index.js';
import { parseSectionTable } from './table.js';
import { iWithDepth } from './with-depth.js';

describe('built-up sections', () => {
  const channels = (gap: number, facing: 'backs' | 'toes'): Shape => ({
    ...(findProfile('UPN 200').shape as Extract<Shape, { type: 'channel' }>),
    type: 'double-channel',
    gap,
    facing,
  });

  it('two channels back to back: twice one, moved by the theorem of parallel axes', () => {
    const one = sectionDetails(findProfile('UPN 200').shape);
    const two = sectionDetails(channels(0.01, 'backs'));
    expectClose(two.A, 2 * one.A);
    expectClose(two.Iy, 2 * one.Iy);
    expectClose(two.Iz, 2 * (one.Iz + one.A * (one.left + 0.005) ** 2));
  });

  it('two channels toe to toe make a closed box, far stiffer in torsion', () => {
    const box = shapeProperties(channels(0, 'toes'));
    expect(box.J!).toBeGreaterThan(100 * shapeProperties(channels(0, 'backs')).J!);
  });

  it('plates on an I: theorem of parallel axes, plastic modulus by halves', () => {
    const hea = findProfile('HEA 200').shape as Extract<Shape, { type: 'i'; b: number }>;
    const i = sectionDetails(hea);
    const { h, b, tw, tf, r = 0 } = hea;
    const plates = (on: 'both' | 'bottom'): Shape => ({
      type: 'plated-i',
      h,
      b,
      tw,
      tf,
      r,
      bp: 0.22,
      tp: 0.012,
      plates: on, // oxfmt-ignore
    });
    const plated = sectionDetails(plates('both'));
    expectClose(plated.A, i.A + 2 * 0.22 * 0.012);
    expectClose(plated.Iy, i.Iy + 2 * ((0.22 * 0.012 ** 3) / 12 + 0.22 * 0.012 * (0.095 + 0.006) ** 2));
    expectClose(plated.Wply, i.Wply + 2 * 0.22 * 0.012 * (0.095 + 0.006), 1e-4);
    const below = sectionDetails(plates('bottom'));
    expect(below.zs).toBeLessThan(0.05);
    expect(below.bottom).toBeLessThan(below.top);
  });

  it('a box of plates: outer less inner, Bredt’s torsion', () => {
    const box = sectionDetails({ type: 'plate-box', h: 0.4, b: 0.3, tw: 0.01, tf: 0.015, c: 0 });
    expectClose(box.Iy, (0.3 * 0.4 ** 3 - 0.28 * 0.37 ** 3) / 12);
    const Am = 0.29 * 0.385;
    expectClose(box.J, (4 * Am ** 2) / (2 * (0.29 / 0.015 + 0.385 / 0.01)), 0.01);
  });

  it('a welded I with unlike flanges', () => {
    const welded = sectionDetails({
      type: 'i',
      h: 0.5,
      tw: 0.01,
      bTop: 0.3,
      tfTop: 0.02,
      bBottom: 0.2,
      tfBottom: 0.015,
      r: 0, // oxfmt-ignore
    });
    expectClose(welded.A, 0.3 * 0.02 + 0.2 * 0.015 + 0.465 * 0.01);
    // The equal-area axis lies in the web: (half the area − top flange)/tw below the flange
    expectClose(welded.top - welded.zPlastic, 0.02 + (welded.A / 2 - 0.006) / 0.01, 1e-6);
  });

  it('an I made deeper keeps its plates', () => {
    const deep = iWithDepth('IPE 300', 0.45);
    expect(deep).toEqual({ ...findProfile('IPE 300').shape, h: 0.45 } as typeof deep);
    for (const [profile, h, words] of [
      ['SHS 80x80x5', 0.1, 'is no I section'],
      ['IPE 300', 0.01, 'With this depth'],
    ] as const)
      expect(() => iWithDepth(profile, h))
        .withContext(profile)
        .toThrowMatching((e) => e instanceof ProblemError && e.message.includes(words));
  });

  it('whose webs do not fit into their flanges are told', () => {
    expect(shapeProblem({ type: 'plate-box', h: 0.02, b: 0.3, tw: 0.01, tf: 0.015, c: 0 })).toBeTruthy();
  });
});

describe('outlines', () => {
  const square: [number, number][] = [[0, 0], [0.1, 0], [0.1, 0.1], [0, 0.1]]; // oxfmt-ignore

  it('a rounded square with a hole, either way round', () => {
    const holes: [number, number][][] = [[[0.03, 0.03], [0.07, 0.03], [0.07, 0.07], [0.03, 0.07]]]; // oxfmt-ignore
    const rounded = square.map(([y, z]) => [y, z, 0.01] as [number, number, number]);
    const p = shapeProperties({ type: 'outline', points: rounded, holes });
    expectClose(p.A, 0.01 - (4 - Math.PI) * 1e-4 - 0.0016);
    const turned = shapeProperties({ type: 'outline', points: [...rounded].reverse(), holes });
    expectClose(turned.A, p.A);
  });

  it('that cannot be are told in words', () => {
    const wrong = (points: [number, number, number?][], holes?: [number, number][][]) =>
      shapeProblem({ type: 'outline', points: points as [number, number][], ...(holes ? { holes } : {}) });
    expect(wrong([[0, 0], [1, 1], [1, 0], [0, 1]])).toContain('crosses itself'); // oxfmt-ignore
    expect(wrong([[0, 0], [0.1, 0], [0.1, 0]])).toContain('same corner twice'); // oxfmt-ignore
    expect(wrong(square.map(([y, z]) => [y, z, 0.06]))).toContain('radius');
    expect(wrong(square, [[[0.2, 0.2], [0.3, 0.2], [0.3, 0.3]]])).toContain('hole 1'); // oxfmt-ignore
  });
});

describe('look-up', () => {
  it('finds names in any usual spelling', () => {
    for (const [typed, name] of [
      ['ipe300', 'IPE 300'],
      ['HE 240 B', 'HEB 240'],
      ['w 14 x 90', 'W14X90'],
      ['SHS 80*5', 'SHS 80x80x5'],
      ['RHS 80x120x6,3', 'RHS 120x80x6.3'],
      ['457x191 UB 82', 'UB 457x191x82'],
      ['L 75x150x10', 'L 150x75x10'],
      ['L3-1/2x3x1/4', 'L3-1/2X3X1/4'],
      ['HSS6x6x.25', 'HSS6X6X1/4'],
      ['80x80x5 SHS CF', 'CF SHS 80x80x5'],
      ['U 200', 'UPN 200'],
    ] as const)
      expect(lookUpProfile(typed)?.name).withContext(typed).toBe(name);
  });

  it('answers questions', () => {
    const [lightest] = queryProfiles(
      parseQuery('lightest HEA with Wpl,y above 1200 cm³ and depth up to 300 mm'),
    );
    // HEA 280 has 1112 cm³, HEA 300 1383 cm³ and 290 mm (published tables)
    expect(lightest!.name).toBe('HEA 300');
    const tubes = queryProfiles(parseQuery('CF SHS with A between 10 and 12 cm2 and h <= 80 mm'));
    expect(tubes.length).toBeGreaterThan(0);
    for (const { name } of tubes) expect(name).toMatch(/^CF SHS/);
    expect(queryProfiles(parseQuery('stiffest IPE'))[0]!.name).toBe('IPE 600');
  });

  it('says what it does not understand of a question', () => {
    for (const [text, part] of [
      ['lightest FOO', '"FOO"'],
      ['HEA with colour above 3 mm', 'begins with a property'],
      ['HEA with depth up to 3 kg', 'length'],
      ['HEA with depth of 300 mm', 'after the property'],
    ] as const)
      expect(() => parseQuery(text))
        .withContext(text)
        .toThrowMatching((e) => e instanceof ProblemError && e.message.includes(part));
  });

  it('grades in usual spellings, strengths of round and other hollow sections', () => {
    expect(lookUpGrade('s355 j2')?.id).toBe('S355');
    expect(lookUpGrade('S460')?.id).toBe('S460N');
    const b = lookUpGrade('A500 Grade B')!;
    expectClose(strengthAt(b, 0.01)!.fy, 46 * 6.894757e6, 1e-6);
    expectClose(strengthAt(b, 0.01, true)!.fy, 42 * 6.894757e6, 1e-6);
    expect(lookUpGrade('GL24h')?.E).toBe(1.15e10);
    expect(strengthAt(lookUpGrade('6060-T66')!, 0.004)!.fy).toBe(150e6);
  });
});

describe('pasted tables', () => {
  it('read dimensions and properties with their units', () => {
    const read = parseSectionTable('name\tshape\th (mm)\tb\ttw\ttf [cm]\nW1\ti\t400\t200\t8\t1,2\n');
    expect(read).toEqual({
      ok: true,
      value: [{ name: 'W1', shape: { type: 'i', h: 0.4, b: 0.2, tw: 0.008, tf: 0.012 } as never }],
    });
    const raw = parseSectionTable('name;A [cm2];Iy (cm4)\nX;50;1000');
    expect(raw.ok && 'properties' in raw.value[0]! && raw.value[0].properties.A).toBeCloseTo(5e-3, 12);
  });

  it('say line and column of everything wrong at once', () => {
    const read = parseSectionTable('name;shape;h;b;foo\nA;i;100;x;1\n;rectangle;100;50;1');
    expect(read.ok).toBeFalse();
    if (read.ok) return;
    const messages = read.problems.map(({ message }) => message).join(' ');
    expect(messages).toContain('"foo" is unknown');
    expect(messages).toContain('"x" is no number (line 2, column 4)');
    expect(messages).toContain('no name (line 3)');
    expect(messages).toContain('needs b, tw, tf');
  });
});
