import { Shown } from '../../testing/shown';
import { DecisionComponent } from './decision.component';

describe('DecisionComponent', () => {
  let shown: Shown;
  const button = (words: string) =>
    [...shown.host.querySelectorAll('button')].find((one) => one.textContent.trim() === words)!;
  beforeEach(async () => (shown = await Shown.of(DecisionComponent)));

  it('decides for the shown alternative with a note, and takes it back', async () => {
    expect(shown.text).toContain('Not decided yet');
    button('decide …').click();
    await shown.settled();
    const note = shown.host.querySelector('textarea')!;
    note.value = 'Footings without moment';
    note.dispatchEvent(new Event('input'));
    button('Decide').click();
    await shown.settled();
    expect(shown.design.decision).toEqual({ alternative: 'fixed', note: 'Footings without moment' });
    expect(shown.text).toContain('Decided: Fixed bases');
    expect(shown.text).toContain('Footings without moment');
    button('change').click();
    await shown.settled();
    button('Take back').click();
    await shown.settled();
    expect(shown.design.decision).toBeUndefined();
  });

  it('leaves all as it was when it is cancelled', async () => {
    button('decide …').click();
    await shown.settled();
    button('Cancel').click();
    await shown.settled();
    expect(shown.design.decision).toBeUndefined();
    expect(button('decide …')).toBeDefined();
  });
});
