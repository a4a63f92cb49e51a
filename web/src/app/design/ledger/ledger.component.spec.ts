import { signal } from '@angular/core';
import { questions, summaryOf } from '@hashira/core';
import { ComponentFixture, TestBed } from '@angular/core/testing';
import { Calculation } from '../../state/calculation/calculation.service';
import { TraceService } from './trace.service';
import { evaluated, slipShed } from '../../testing/slip-shed';
import { DesignWorkspace } from '../../state/design-workspace.service';
import { LedgerComponent } from './ledger.component';

describe('LedgerComponent', () => {
  const design = slipShed();
  const runs = new Map(design.alternatives.map(({ id }) => [id, evaluated(id, design)]));
  const known = new Map([...runs].map(([id, run]) => [id, { summary: summaryOf(run, 'S') }]));
  let fixture: ComponentFixture<LedgerComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const text = () => host().textContent.replace(/\s+/g, ' ');

  async function show(id: string): Promise<void> {
    fixture.componentRef.setInput('summary', known.get(id)!.summary);
    fixture.componentRef.setInput('alternative', id);
    fixture.componentRef.setInput('title', design.alternatives.find((one) => one.id === id)!.title);
    await fixture.whenStable();
  }

  beforeEach(() => {
    const ask = (id: string, question: string, { member }: { member: string }) =>
      Promise.resolve(
        question === 'memberSteps' ? questions.memberSteps(runs.get(id)!, { member }, 'S') : undefined,
      );
    TestBed.configureTestingModule({
      providers: [
        TraceService,
        { provide: Calculation, useValue: { ask } },
        {
          provide: DesignWorkspace,
          useValue: { state: signal({ design }), results: signal({ alternatives: known }) },
        },
      ],
    });
    fixture = TestBed.createComponent(LedgerComponent);
  });

  it('shows differences to the reference, and none on the reference itself', async () => {
    await show('fixed');
    expect(text()).not.toContain('%');
    await show('pinned');
    expect(text()).toContain('−100 %');
  });

  it('says in words what is over its limit', async () => {
    await show('three-hinges');
    const row = [...host().querySelectorAll('tr')].find((tr) => tr.textContent.includes('Apex deflection'))!;
    expect(row.textContent).toContain('over');
    await show('fixed');
    expect(text()).not.toContain(' over');
  });

  it('says which utilisations are outdated, and marks them', async () => {
    const hatched = () => host().querySelector('.members')!.classList.contains('before');
    await show('fixed');
    expect(hatched()).toBeFalse();
    const { summary } = known.get('fixed')!;
    fixture.componentRef.setInput('summary', { ...summary, stage: 'forces' });
    await fixture.whenStable();
    expect(hatched()).toBeTrue();
    expect(text()).toContain('Utilisation before the change; checking …');
  });

  it('balances loads and reactions of the shown load case', async () => {
    await show('fixed');
    // Snow: 4.4 kN/m on 22 m
    expect(text()).toContain('ΣZ kN−96.896.8');
  });

  it('opens the trace of what is pressed: every condition, and the way to the worst', async () => {
    await show('three-hinges');
    const traces = TestBed.inject(TraceService);
    const rows = [...host().querySelectorAll<HTMLElement>('.member')];
    rows.find(({ title }) => title.includes('buckling'))!.click();
    for (let i = 0; i < 5; i++) await Promise.resolve();
    const trace = traces.trace()!;
    expect(trace.about).toMatch(/^Three hinges: (left|right) (column|rafter)$/);
    expect(trace.steps.some((step) => step.clause?.startsWith('6.3.3(4) eq. 6.6') === true)).toBeTrue();
    expect(trace.steps.some((step) => step.symbol === 'kzy' || step.symbol === 'kyy')).toBeTrue();
    traces.close();
    expect(traces.trace()).toBeUndefined();
  });
});
