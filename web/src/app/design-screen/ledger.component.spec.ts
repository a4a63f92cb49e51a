import { signal } from '@angular/core';
import { ComponentFixture, TestBed } from '@angular/core/testing';
import { TraceService } from '../shared/trace.service';
import { slipShed } from '../testing/slip-shed';
import { calculateDesign } from '../workspace/calculate-design';
import { DesignWorkspace } from '../workspace/design-workspace.service';
import { ViewState } from '../workspace/view-state.service';
import { LedgerComponent } from './ledger.component';

describe('LedgerComponent', () => {
  const design = slipShed();
  const results = calculateDesign(design);
  let fixture: ComponentFixture<LedgerComponent>;
  const text = () => (fixture.nativeElement as HTMLElement).textContent.replace(/\s+/g, ' ');

  async function show(index: number): Promise<void> {
    const result = results[index]!;
    if (!result.ok) throw new Error('not calculated');
    fixture.componentRef.setInput('calculated', result.value);
    fixture.componentRef.setInput('alternative', result.id);
    fixture.componentRef.setInput('title', design.alternatives[index]!.title);
    await fixture.whenStable();
  }

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [
        TraceService,
        {
          provide: DesignWorkspace,
          useValue: {
            state: signal({ design }),
            results: signal({ alternatives: new Map(results.map((r) => [r.id, r])) }),
          },
        },
        { provide: ViewState, useValue: { resultId: signal('S') } },
      ],
    });
    fixture = TestBed.createComponent(LedgerComponent);
  });

  it('shows differences to the reference, and none on the reference itself', async () => {
    await show(0);
    expect(text()).not.toContain('%');
    await show(1);
    expect(text()).toContain('−100 %');
  });

  it('balances loads and reactions of the shown load case', async () => {
    await show(0);
    // Snow: 4.4 kN/m on 22 m
    expect(text()).toContain('ΣZ kN−96.896.8');
  });

  it('opens the trace of what is pressed', async () => {
    await show(2);
    const traces = TestBed.inject(TraceService);
    (fixture.nativeElement as HTMLElement).querySelectorAll<HTMLElement>('.member')[2]!.click();
    const trace = traces.open()!()!;
    expect(trace.about).toContain('shed.rafter.left');
    // Every condition with its utilisation, the worst first, and the way to the worst
    expect(trace.steps[0]!.clause).toBe('6.3.3(4) eq. 6.62');
    expect(trace.steps.some((step) => step.clause === '6.3.1.1(1) eq. 6.46')).toBeTrue();
    expect(trace.steps.some((step) => step.symbol === 'kzy')).toBeTrue();
  });
});
