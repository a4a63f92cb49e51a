import type { MemberCheck, Stability } from '../../checks/index.js';
import { barModel } from '../../testing/checks.js';
import type { Load } from '../../model/types.js';
import { analysed } from './forces.js';
import { nearestToInstability, verdictOf } from './verdict.js';

const force: Load = { kind: 'point', member: 'm', at: 0.5, F: [0, 0, -1e3] };
const bar = (loads: readonly Load[]) => analysed(barModel({ section: { profile: 'IPE 300' }, L: 6, loads }));
const forces = bar([force]);

/** What a member's checks came to. */
const check = (member: string, more: Partial<MemberCheck> = {}): MemberCheck => ({
  member,
  of: [member],
  status: 'pass',
  utilisation: 0.5,
  reasons: [],
  items: [],
  ...more,
});
const stable = (alphaCr: number | null, more: Partial<Stability> = {}): Stability => ({
  alphaCr,
  secondOrderNeeded: false,
  inLengths: false,
  clause: '5.2.1',
  ...more,
});
const none = new Map<string, Stability>();

describe('what checks come to', () => {
  it('passes where every member does, and names the worst', () => {
    const verdict = verdictOf(forces, [check('a'), check('b', { utilisation: 0.8 })], none);
    expect(verdict.status).toBe('pass');
    expect(verdict.worst!.member).toBe('b');
  });

  it('fails where one does, whatever else is to be said', () => {
    const checks = [
      check('a', { status: 'fail', utilisation: 1.2 }),
      check('b', { status: 'not covered', reasons: ['why'] }),
    ];
    const verdict = verdictOf(forces, checks, new Map([['U', stable(3, { secondOrderNeeded: true })]]));
    expect([verdict.status, verdict.over, verdict.notCovered]).toEqual(['fail', ['a'], ['b']]);
  });

  it('never passes what is not covered', () => {
    const { utilisation: _, ...uncovered } = check('b', { status: 'not covered', reasons: ['why'] });
    expect(verdictOf(forces, [check('a'), uncovered], none).status).toBe('not covered');
  });

  it('asks for second order where its code does, unless the lengths have it', () => {
    const asks = stable(5, { secondOrderNeeded: true });
    expect(verdictOf(forces, [check('a')], new Map([['U', asks]])).status).toBe('needs second order');
    expect(verdictOf(forces, [check('a')], new Map([['U', { ...asks, inLengths: true }]])).status).toBe(
      'pass',
    );
    const second = { ...forces, order: 2 as const };
    expect(verdictOf(second, [check('a')], new Map([['U', asks]])).status).toBe('pass');
  });

  it('says where nothing acts, and where there is nothing to check', () => {
    expect(verdictOf(bar([]), [check('a')], none).status).toBe('no load');
    expect(verdictOf(forces, [], none).status).toBe('nothing to check');
  });

  it('tells the least αcr of those that buckle, and whose', () => {
    const stability = new Map([
      ['U1', stable(12)],
      ['U2', stable(7, { alphaCrMember: 20 })],
      ['U3', stable(null)],
    ]);
    expect(nearestToInstability(stability)).toEqual({ id: 'U2', alphaCr: 7 });
    expect(nearestToInstability(new Map([['U3', stable(null)]]))).toBeUndefined();
    expect(verdictOf(forces, [check('a')], stability)).toEqual(
      jasmine.objectContaining({ alphaCr: 7, alphaCrOf: 'U2', alphaCrMember: 20 }),
    );
  });
});
