import { simpleBeam, smallHall } from '../../testing/checked-designs.js';
import { designWith } from '../../testing/designs.js';
import { expectClose } from '../../testing/models.js';
import { evaluateAlternative } from '../alternative.js';
import { questions, type Questions } from '../questions/index.js';
import { massRate, pairShapes, shapeWords, type PlacedShapes } from './index.js';

/** Four masses at the corners of a plan of 6 m by 4 m, and how each moves. */
const plan = (...moves: number[][]): PlacedShapes => ({
  places: ['a', 'b', 'c', 'd'],
  lines: ['', '', '', ''],
  masses: Float64Array.of(1, 1, 1, 1),
  points: Float64Array.of(-3, -2, 0, 3, -2, 0, 3, 2, 0, -3, 2, 0),
  shapes: moves.map((move, i) => ({ number: i + 1, value: i + 1, moves: Float64Array.from(move) })),
});
const all = (x: number, y: number, z: number) => [0, 1, 2, 3].flatMap(() => [x, y, z]);
const turning = [2, -3, 0, 2, 3, 0, -2, 3, 0, -2, -3, 0];

describe('shapes in words', () => {
  it('are told by the part of the mass that moves as a whole', () => {
    const moves = [all(1, 0, 0), all(0, 1, 0), all(0, 0, 1), turning];
    expect(shapeWords(plan(...moves), false, String)).toEqual([
      'sway along',
      'sway across',
      'up and down',
      'twisting',
    ]);
    expect(shapeWords(plan(all(1, 0, 0)), true, String)).toEqual(['sway']);
  });

  it('are bending the way of most motion where nothing moves as a whole, and counted where they are called alike', () => {
    const wave = [0, 1, 0, 0, -1, 0, 0, 1, 0, 0, -1, 0];
    const words = shapeWords(plan(wave, [0, 0, 1, 0, 0, -1, 0, 0, 1, 0, 0, -1], wave), false, String);
    expect(words).toEqual(['bending across', 'bending up and down', 'second bending across']);
  });

  it('are of one member where it has nearly all of the motion', () => {
    const placed = { ...plan([0, 0, 5, 0, 0, 0.1, 0, 0, 0.1, 0, 0, 0]), lines: ['brace', 'p', 'q', 'r'] };
    expect(shapeWords(placed, false, (line) => `the ${line}`)).toEqual(['the brace by itself']);
  });

  it('are told to be turned where they are like another times −1', () => {
    const [pair] = pairShapes(plan(all(-2, 0, 0)), plan(all(0, 1, 0), all(1, 0, 0)));
    expect(pair!.pair).toEqual({ mode: 2, mac: 1, ratio: 0.5, turned: true });
    expect(pairShapes(plan(turning), plan(all(1, 0, 0)))[0]!.pair).toBeNull();
  });
});

describe('shapes of an alternative', () => {
  const ask = (of: Questions['shapes']['ask'], design = simpleBeam()) =>
    questions.shapes(evaluateAlternative(design, design.alternatives[0]!), of, '')!;

  it('are its modes: a beam on two supports bends up and down at n²', () => {
    const { placed, words } = ask({ count: 3 });
    expect(placed.shapes.map(({ number }) => number)).toEqual([1, 2, 3]);
    expectClose(placed.shapes[1]!.value / placed.shapes[0]!.value, 4, 3e-2);
    expect(words[0]).toBe('up and down');
    // sin(πx/L): at a quarter of the length √½ of the middle
    const z = (i: number) => placed.shapes[0]!.moves[3 * i + 2]!;
    expectClose(z(5) / z(10), Math.SQRT1_2, 1e-3);
  });

  it('are those in which a combination buckles', () => {
    const hall = smallHall();
    const combination = hall.combinations.find(({ state }) => state === 'strength')!.id;
    const { placed } = ask({ count: 2, combination }, hall);
    expect(placed.shapes[0]!.value).toBeGreaterThan(1);
    expect(placed.shapes[0]!.value).toBeLessThanOrEqual(placed.shapes[1]!.value);
    expect(Math.max(...placed.shapes[0]!.moves)).toBeGreaterThan(0.5);
  });
});

describe('the mass over what a frame covers', () => {
  it('is a metre of a plane frame’s width', () => {
    const design = simpleBeam();
    const { forces } = evaluateAlternative(design, design.alternatives[0]!, 'forces').evaluation!;
    const rate = massRate(forces.frame)!;
    expect([rate.per, rate.covered]).toEqual(['m', 6]);
    const made = questions.makeUp(evaluateAlternative(design, design.alternatives[0]!), {}, '')!;
    expectClose(made.mass!.value, rate.value);
    expect(made.groups.map(({ section }) => section)).toEqual(['plates']);
    expect(made.foundations.length).toBe(2);
  });

  it('is a square metre of the smallest convex plan of a solid one: a triangle of 3 m by 4 m', () => {
    const corner = (x: number, y: number) => [`${x} m`, `${y} m`, '0 m'];
    const points = [corner(0, 0), corner(3, 0), corner(0, 4), corner(0, 0), corner(1, 1)];
    const design = designWith([{ id: 'p', make: 'line', points, role: 'edge' }], {
      space: 'solid',
      rules: [{ id: 'foot', nodes: 'true', support: 'fixed' }],
      loadCases: [{ id: 'W', title: 'Weight', category: 'permanent', selfWeight: 1 }],
    });
    const { forces } = evaluateAlternative(design, design.alternatives[0]!, 'forces').evaluation!;
    const rate = massRate(forces.frame)!;
    expect(rate.per).toBe('m²');
    expectClose(rate.covered, 6);
  });
});
