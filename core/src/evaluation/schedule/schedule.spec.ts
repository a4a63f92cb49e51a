import { simpleBeam, smallHall } from '../../testing/checked-designs.js';
import { evaluateAlternative } from '../alternative.js';
import { scheduleOf, standingOf } from './schedule.js';

describe('schedule of members', () => {
  it('tells over, near, in use, far too strong, and not covered apart', () => {
    const of = (utilisation: number) =>
      standingOf({ status: utilisation > 1 ? 'fail' : 'pass', utilisation });
    expect([1.01, 1, 0.9, 0.89, 0.5, 0.49].map(of)).toEqual([
      'over',
      'near',
      'near',
      'in use',
      'in use',
      'far too strong',
    ]);
    expect(standingOf({ status: 'not covered', utilisation: 0.3 })).toBe('not covered');
    expect(standingOf({ status: 'not covered' })).toBe('not covered');
  });

  it('has every member once, by what gives it its section, the worst first', () => {
    const design = smallHall();
    const run = evaluateAlternative(design, design.alternatives[0]!);
    const groups = scheduleOf(run)!;
    const members = groups.flatMap((group) => group.members.map(({ member }) => member));
    expect(members.sort()).toEqual(run.evaluation!.checks!.map(({ member }) => member).sort());
    for (const group of groups) {
      const used = group.members.map(({ utilisation }) => utilisation!);
      expect(used).toEqual([...used].sort((a, b) => b - a));
      expect(group.mass).toBeGreaterThan(0);
    }
  });

  it('puts what is not covered before what passes, with the reason', () => {
    const design = simpleBeam();
    design.sections = [{ id: 'plates', material: 'steel', properties: { A: 5e-3, Iy: 8e-5, Wply: 6e-4 } }];
    const [group] = scheduleOf(evaluateAlternative(design, design.alternatives[0]!))!;
    expect(group!.members[0]!.standing).toBe('not covered');
    expect(group!.members[0]!.reasons.length).toBeGreaterThan(0);
    expect(group!.members[0]!.utilisation).toBeUndefined();
  });
});
