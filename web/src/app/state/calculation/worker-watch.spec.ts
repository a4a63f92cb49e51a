import { longestSilence, lookEvery, WorkerWatch } from './worker-watch';

describe('watching workers', () => {
  const looks = longestSilence / lookEvery;

  it('finds those that owe something and say nothing', () => {
    const watch = new WorkerWatch();
    watch.owes(0, 'calculation');
    watch.owes(1, 'calculation');
    watch.owes(2, 'answer 7');
    watch.given(2, 'answer 7');
    for (let k = 0; k < looks; k++) {
      expect(watch.look(lookEvery)).toEqual([]);
      watch.heard(1);
    }
    expect(watch.look(lookEvery)).toEqual([0]);
    watch.forget(0);
    expect(watch.look(lookEvery)).toEqual([]);
  });

  it('counts the time in which the page was asleep as one look', () => {
    const watch = new WorkerWatch();
    watch.owes(0, 'calculation');
    expect(watch.look(3_600_000)).toEqual([]);
  });
});
