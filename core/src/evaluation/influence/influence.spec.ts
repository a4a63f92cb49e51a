import { simpleBeam } from '../../testing/checked-designs.js';
import { expectClose } from '../../testing/models.js';
import { evaluateAlternative } from '../alternative.js';
import { questions } from '../index.js';
import { hasInfluence, influenceOf, standingForces, trainsOf } from './index.js';

/** The beam of 6 m on two supports under two wheels of 10 kN that stand 2 m apart. */
const travelled = () => {
  const design = simpleBeam({
    rules: [
      ...simpleBeam().rules,
      {
        id: 'wheels',
        title: 'Wheels',
        members: 'true',
        train: { case: 'Q', forces: ['10 kN', '10 kN'], gaps: ['2 m'], direction: '-z' },
      },
    ],
    figures: [
      { id: 'm', title: 'Moment', kind: 'moment' },
      { id: 'r', title: 'Left reaction', kind: 'reaction', nodes: 'x == 0 m', component: 'uz' },
      { id: 'mass', title: 'Mass', kind: 'mass' },
      { id: 'u', title: 'Sag', kind: 'displacement', component: 'horizontal' },
    ],
  });
  return evaluateAlternative(design, design.alternatives[0]!);
};

describe('what a train brings to a reading', () => {
  const of = travelled();
  const member = of.built!.model.members[0]!.id;
  const middle = { member, fraction: 0.5, force: 'My' } as const;

  it('follows the triangle of height L/4 of the moment in the middle', () => {
    const { line, quantity, length, title } = influenceOf(of, 'wheels', middle);
    expect([quantity, length]).toEqual(['moment', 6]);
    expect(title).toMatch(/^My in .*, x = 3\.00\sm$/);
    expectClose(Math.max(...line.map(({ value }) => value)), 1.5);
    expectClose(line[0]!.value + 1, 1);
    expectClose(line[40]!.value, 0.75);
    expect(influenceOf(of, 'wheels', { along: 0.5, force: 'My' }).line).toEqual(line);
  });

  it('is greatest with one of two wheels in the middle: P·L/4 + P·(L/2 − a)/2', () => {
    const { most, effect } = influenceOf(of, 'wheels', middle);
    expectClose(most.value, 10e3 * 1.5 + 10e3 * 0.5);
    expect(Math.max(...effect.map(({ value }) => value))).toBeLessThanOrEqual(most.value * (1 + 1e-12));
    // The train leaves the line
    expectClose(effect[effect.length - 1]!.value + 1, 1);
  });

  it('has an envelope: at a quarter P·(3/16)·L and what the second wheel adds', () => {
    const { envelope } = influenceOf(of, 'wheels', middle);
    expect(envelope.force).toBe('My');
    const quarter = envelope.places.find(({ at }) => Math.abs(at - 1.5) < 1e-9)!;
    // Ordinates of the line for x = L/4: 3/16·L there, and a/L·(L/4) less 2 m on
    expectClose(quarter.greatest, 10e3 * (1.125 + (1.125 * (4.5 - 2)) / 4.5));
    expectClose(quarter.least + 1, 1);
  });

  it('is read of figures where they are at their worst: the left reaction is 1 − s/L', () => {
    const { line, most } = influenceOf(of, 'wheels', { figure: 'r' });
    expectClose(line[0]!.value, 1);
    expectClose(line[80]!.value, 0.5);
    expectClose(most.value, 10e3 * (1 + 4 / 6));
  });

  it('stands where it is put, without wheels beside the line', () => {
    const standing = standingForces(of, 'wheels', 3);
    expect(standing.map(({ force, point }) => [force, ...point])).toEqual([
      [10e3, 3, 0, 0],
      [10e3, 1, 0, 0],
    ]);
    expect(standing[0]!.direction).toEqual([0, 0, -1]);
    expect(standingForces(of, 'wheels', 1).length).toBe(1);
  });

  it('is told of forces, reactions and displacements in one direction; of others why not', () => {
    expect(of.design.figures.map(hasInfluence)).toEqual([true, true, false, false]);
    expect(trainsOf(of)).toEqual([{ id: 'wheels', title: 'Wheels' }]);
    const answer = questions.influence(of, { train: 'wheels', reading: { figure: 'mass' } }, '')!;
    expect(answer.problem).toContain('"Mass" has no influence line');
    expect(questions.influence(of, {}, '')).toEqual({
      trains: [{ id: 'wheels', title: 'Wheels' }],
    });
    expect(questions.trainAt(of, { train: 'wheels', at: 3 }, '').length).toBe(2);
  });
});
