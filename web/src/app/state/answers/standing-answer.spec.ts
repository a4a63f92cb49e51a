import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { setParameter, type ResultTable } from '@hashira/core';
import { Calculation } from '../calculation/calculation.service';
import { openDesign } from '../../testing/open-design';
import { DesignWorkspace } from '../design-workspace.service';
import { standingAnswer, type StandingAnswer } from './standing-answer';

describe('standingAnswer', () => {
  const result = signal('S');
  let answers: ((table: ResultTable) => void)[];
  let ask: jasmine.Spy;
  let reactions: StandingAnswer<'table'>;
  const table = (more: number): ResultTable => ({ of: 'nodes', columns: [], rows: [], more, negligible: 0 });
  const answer = async (n: number, more: number) => {
    answers[n]!(table(more));
    await Promise.resolve();
  };

  beforeEach(() => {
    openDesign();
    answers = [];
    ask = spyOn(TestBed.inject(Calculation), 'ask').and.callFake(
      () => new Promise((resolve) => answers.push(resolve)),
    );
    result.set('S');
    reactions = TestBed.runInInjectionContext(() =>
      standingAnswer('table', () => ({ kind: 'reactions', result: result() })),
    );
    TestBed.tick();
  });

  it('is late until its answer has come', async () => {
    expect(reactions.late()).toBeTrue();
    await answer(0, 7);
    expect(reactions.late()).toBeFalse();
    expect(reactions.value()!.more).toBe(7);
  });

  it('is late from the moment that another question stands, and keeps the rows meanwhile', async () => {
    await answer(0, 7);
    result.set('W');
    expect(reactions.late()).toBeTrue();
    expect(reactions.value()!.more).toBe(7);
    TestBed.tick();
    await answer(1, 8);
    expect(reactions.late()).toBeFalse();
    expect(reactions.value()!.more).toBe(8);
  });

  it('leaves out an answer that comes after its question has gone', async () => {
    result.set('W');
    TestBed.tick();
    await answer(1, 8);
    await answer(0, 7);
    expect(reactions.value()!.more).toBe(8);
  });

  it('is asked again of another state, and not where nothing has changed', async () => {
    await answer(0, 7);
    const workspace = TestBed.inject(DesignWorkspace);
    workspace.apply((design) => setParameter(design, 'span', '23 m'));
    TestBed.tick();
    expect(ask).toHaveBeenCalledTimes(2);
    expect(reactions.late()).toBeTrue();
    await answer(1, 9);
    expect(reactions.late()).toBeFalse();
    TestBed.tick();
    expect(ask).toHaveBeenCalledTimes(2);
  });
});
