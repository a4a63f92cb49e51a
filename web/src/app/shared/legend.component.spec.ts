import { TestBed } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import { ViewState } from '../workspace/view-state.service';
import { LegendComponent } from './legend.component';

describe('LegendComponent', () => {
  const textsOf = async (lines: { text: string; title?: string; sample?: { colour: string } }[]) => {
    const fixture = TestBed.createComponent(LegendComponent);
    fixture.componentRef.setInput('of', lines);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    return { host, texts: [...host.querySelectorAll('p')].map((p) => p.textContent.trim()) };
  };

  it('adds the scale where a diagram is drawn', async () => {
    openDesign();
    const { texts } = await textsOf([{ text: 'greatest 300 kN·m' }]);
    expect(texts[0]).toBe('greatest 300 kN·m');
    expect(texts[1]).toMatch(/^1 m of the drawing is [\d.]+\skN·m$/);
    TestBed.inject(ViewState).diagram.set('stress');
    expect((await textsOf([{ text: 'σ' }])).texts).toEqual(['σ']);
  });

  it('is empty where nothing is told', async () => {
    openDesign();
    expect((await textsOf([])).texts).toEqual([]);
  });

  it('shows how what it names is drawn, and the exact value on hover', async () => {
    openDesign();
    TestBed.inject(ViewState).diagram.set('none');
    const { host } = await textsOf([{ text: 'IPE 500', title: '2 rafters', sample: { colour: 'inkFaint' } }]);
    expect(host.querySelector('line')!.style.stroke).toBe('var(--ink-faint)');
    expect(host.querySelector('p')!.title).toBe('2 rafters');
  });
});
