import { TestBed } from '@angular/core/testing';
import { openDesign } from '../../testing/open-design';
import { ReadersUnits } from '../../ui/units.service';
import { ViewState } from '../../state/view-state.service';
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

  it('tells the scale in feet to a reader who counts in feet', async () => {
    openDesign();
    const units = TestBed.inject(ReadersUnits);
    try {
      units.choose('us');
      const { texts } = await textsOf([{ text: 'greatest' }]);
      // Round: at the most three digits
      expect(texts[1]).toMatch(/^1 ft of the drawing is [\d.]{1,4}\skip·ft$/);
      const value = Number(/is ([\d.]+)/.exec(texts[1]!)![1]);
      expect([1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8]).toContain(
        Number((value / 10 ** Math.floor(Math.log10(value))).toPrecision(3)),
      );
    } finally {
      units.choose('metric');
    }
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
