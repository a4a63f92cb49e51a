import { TestBed } from '@angular/core/testing';
import { Selection } from '../../state/selection.service';
import { Shown } from '../../testing/shown';
import { TracePanelComponent } from './trace-panel.component';
import { TraceService } from './trace.service';

describe('TracePanelComponent', () => {
  const panel = ({ host }: Shown) => host.querySelector<HTMLElement>('[role=dialog]');
  const ask = async (shown: Shown, figure = 'mass') => {
    TestBed.inject(TraceService).open({
      kind: 'figure',
      alternative: 'fixed',
      title: 'Fixed bases',
      figure,
      code: 'EN1993',
    });
    await shown.settled();
  };

  it('is not there until a number is asked about; then it has the way to it, and the focus', async () => {
    const shown = await Shown.of(TracePanelComponent);
    expect(panel(shown)).toBeNull();
    await ask(shown);
    expect(panel(shown)!.querySelector('h2')!.textContent).toContain('Steel mass');
    expect(shown.text).toMatch(/35\d\d kg/);
    expect(panel(shown)!.querySelectorAll('tr').length).toBeGreaterThan(1);
    expect(document.activeElement).toBe(panel(shown));
  });

  it('is closed by its button and by Escape', async () => {
    const shown = await Shown.of(TracePanelComponent);
    await ask(shown);
    await shown.press('Close');
    expect(panel(shown)).toBeNull();
    await ask(shown);
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await shown.settled();
    expect(panel(shown)).toBeNull();
  });

  it('of a member has formulas with their numbers, and leads to the member where members are selected', async () => {
    const shown = await Shown.of(TracePanelComponent);
    await ask(shown, 'utilisation');
    expect(shown.text).toContain('My,Ed / Mc,y,Rd ≤ 1');
    expect(shown.text.replace(/[\u00a0\u202f]/g, ' ')).toMatch(/= 31[\d.]+ kN·m \/ 66[\d.]+ kN·m ≤ 1/);
    expect(shown.text).not.toContain('select it');
    shown.set('selects', true);
    await shown.settled();
    await shown.press('select it');
    const { of, ids } = TestBed.inject(Selection).selected();
    expect([of, ...ids]).toEqual(['members', jasmine.stringMatching(/^shed\.column\.[12]$/)]);
  });
});
