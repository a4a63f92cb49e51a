import { Component, inject } from '@angular/core';
import { ComponentFixture, TestBed } from '@angular/core/testing';
import { openDesign } from '../../testing/open-design';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { WhyComponent } from './why.component';
import { Why, type Difference } from './why.service';

@Component({
  imports: [WhyComponent],
  providers: [Why],
  template: `<app-why (closed)="closed = true" />`,
})
class Host {
  readonly why = inject(Why);
  closed = false;
}

describe('WhyComponent', () => {
  let fixture: ComponentFixture<Host>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 30));
    await fixture.whenStable();
  };
  const opened = async (of: Partial<Difference>) => {
    openDesign();
    fixture = TestBed.createComponent(Host);
    fixture.componentInstance.why.open({
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
    expect(rows()[0]).toMatch(/column bending.*\smm.*\smm/);
    const widths = [...host().querySelectorAll<HTMLElement>('.bar')].map(({ style }) =>
      parseFloat(style.width),
    );
    expect(Math.max(...widths)).toBeCloseTo(60, 6);
  });

  it('is put in the order of a column by its head', async () => {
    await opened({});
    const values = () =>
      [...host().querySelectorAll('tbody td:nth-of-type(1)')].map((cell) =>
        parseFloat(cell.textContent.replace('−', '-').trim()),
      );
    const before = values();
    const head = [...host().querySelectorAll<HTMLElement>('thead th')][1]!;
    head.click();
    await settled();
    expect(head.getAttribute('aria-sort')).toBe('ascending');
    expect(values()).not.toEqual(before);
    expect(values()).toEqual([...before].sort((a, b) => a - b));
  });

  it('has a band for each piece of a member that has a share, as wide as that, its value on the widest', async () => {
    await opened({});
    const { why } = fixture.componentInstance;
    expect(why.drawn()).toEqual(['fixed', 'pinned']);
    const { scene } = TestBed.inject(DesignWorkspace).results().alternatives.get('pinned')!;
    const bands = why.bandsOn('pinned', scene!);
    const columns = bands.filter(({ title }) => title.includes('column'));
    expect(columns.length).toBe(2);
    expect(Math.max(...bands.map(({ width }) => width))).toBeCloseTo(22, 6);
    expect(bands.find(({ width }) => width > 21)!.text).toMatch(/\smm$/);
    // The sum of the values that are told is the figure's
    const total = why
      .answers()
      .get('pinned')!
      .members!.reduce((sum, one) => sum + one.sum, 0);
    expect(total).toBeCloseTo(why.answers().get('pinned')!.value, 9);
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
    [...host().querySelectorAll('button')].find((one) => one.textContent.includes('back'))!.click();
    expect(fixture.componentInstance.closed).toBeTrue();
  });
});
