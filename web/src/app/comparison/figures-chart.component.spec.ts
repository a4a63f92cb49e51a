import { TestBed } from '@angular/core/testing';
import { FiguresChartComponent, type ChartSeries } from './figures-chart.component';

describe('FiguresChartComponent', () => {
  const sway: ChartSeries = {
    title: 'Eaves sway',
    quantity: 'deflection',
    values: [-0.00994, 0.0261, undefined],
  };
  const mass: ChartSeries = { title: 'Steel mass', quantity: 'mass', values: [3518, 3597, 3700] };

  async function drawn(series: readonly ChartSeries[]) {
    const fixture = TestBed.createComponent(FiguresChartComponent);
    fixture.componentRef.setInput('names', ['Fixed', 'Pinned', 'Loose']);
    fixture.componentRef.setInput('series', series);
    const host = fixture.nativeElement as HTMLElement;
    host.style.cssText = 'display:block;width:380px;height:300px';
    document.body.append(host);
    for (let i = 0; i < 100 && !host.querySelector('svg text'); i++) {
      await fixture.whenStable();
      await new Promise((done) => setTimeout(done, 20));
    }
    const texts = [...host.querySelectorAll('svg text')].map((one) => one.textContent);
    const label = host.querySelector('[role=img]')!.getAttribute('aria-label')!;
    fixture.destroy();
    host.remove();
    return { texts, label: label.replace(/\s/g, ' ') };
  }

  it('draws by magnitude and tells each value with its sign, in its unit', async () => {
    const { texts } = await drawn([sway, mass]);
    expect(texts).toContain('Eaves sway, mm');
    // −9.94 mm stands as high as +9.94 mm would: no axis goes below zero
    expect(texts).toContain('−9.94');
    expect(texts).toContain('26.1');
    expect(texts.filter((text) => text.startsWith('−'))).toEqual(['−9.94']);
  });

  it('is told in words, what is unknown as such', async () => {
    const { label } = await drawn([mass, sway]);
    expect(label).toContain('Steel mass: Fixed 3518 kg, Pinned 3597 kg, Loose 3700 kg.');
    expect(label).toContain('Eaves sway: Fixed −9.94 mm, Pinned 26.1 mm, Loose unknown');
  });
});
