import { ComponentFixture, TestBed } from '@angular/core/testing';
import { openDesign } from '../testing/open-design';
import { WhyComponent, type Difference } from './why.component';

describe('WhyComponent', () => {
  let fixture: ComponentFixture<WhyComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 30));
    await fixture.whenStable();
  };
  const opened = async (of: Partial<Difference>) => {
    openDesign();
    fixture = TestBed.createComponent(WhyComponent);
    fixture.componentRef.setInput('of', {
      figure: 'sway',
      title: 'Eaves sway',
      quantity: 'deflection',
      alternative: 'pinned',
      reference: 'fixed',
      ...of,
    });
    await settled();
  };
  const rows = () =>
    [...host().querySelectorAll('tbody tr')].map((row) => row.textContent.replace(/\s+/g, ' ').trim());
  afterEach(() => fixture.destroy());

  it('has the shares of both side by side, what makes most of the difference first', async () => {
    await opened({});
    const heads = [...host().querySelectorAll('thead th')].map((one) => one.textContent.trim());
    expect(heads).toEqual(['share of', 'Fixed bases', 'Pinned bases', 'difference']);
    expect(rows()[0]).toMatch(/column bending .* mm .* mm/);
    const widths = [...host().querySelectorAll<HTMLElement>('.bar')].map(({ style }) =>
      parseFloat(style.width),
    );
    expect(Math.max(...widths)).toBeCloseTo(100, 6);
  });

  it('says which condition governs a utilisation in each', async () => {
    await opened({ figure: 'utilisation', title: 'Utilisation', quantity: 'number' });
    const notes = [...host().querySelectorAll('p')].map((one) => one.textContent);
    expect(notes.length).toBe(2);
    expect(notes[0]).toContain('Fixed bases: ');
    expect(rows().some((row) => /^My .* kN·m/.test(row))).toBeTrue();
  });

  it('says why there are no shares, and is closed', async () => {
    await opened({ figure: 'mass', title: 'Steel mass', quantity: 'mass' });
    expect(host().querySelector('[role=alert]')!.textContent).toContain('neither a displacement');
    let closed = false;
    fixture.componentInstance.closed.subscribe(() => (closed = true));
    host().querySelector<HTMLElement>('[aria-label=Close]')!.click();
    expect(closed).toBeTrue();
  });
});
