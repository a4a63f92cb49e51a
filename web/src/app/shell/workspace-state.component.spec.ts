import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { BehaviorSubject } from 'rxjs';
import { Calculation } from '../state/calculation/calculation.service';
import type { WorkDone } from '../state/calculation/protocol';
import { slipShed } from '../testing/slip-shed';
import { DesignWorkspace, type ResultState } from '../state/design-workspace.service';
import type { SavingState } from '../state/saving/saving.service';
import { WorkspaceStateComponent } from './workspace-state.component';

describe('WorkspaceStateComponent', () => {
  const results = signal<ResultState>({ alternatives: new Map(), current: true });
  const savingState = signal<SavingState>({ kind: 'saved', revision: 3 });
  const progress$ = new BehaviorSubject<WorkDone | undefined>(undefined);
  let [stops, agains] = [0, 0];
  let host: HTMLElement;
  let told: () => string[];

  beforeEach(async () => {
    results.set({ alternatives: new Map(), current: true });
    progress$.next(undefined);
    savingState.set({ kind: 'saved', revision: 3 });
    TestBed.configureTestingModule({
      providers: [
        {
          provide: DesignWorkspace,
          useValue: {
            results,
            savingState,
            selected: signal('fixed'),
            state: signal({ design: slipShed() }),
          },
        },
        { provide: Calculation, useValue: { progress$, stop: () => stops++, again: () => agains++ } },
      ],
    });
    const fixture = TestBed.createComponent(WorkspaceStateComponent);
    host = fixture.nativeElement as HTMLElement;
    await fixture.whenStable();
    told = () => {
      TestBed.tick();
      return [...host.querySelectorAll('span')].map((one) => one.textContent.trim());
    };
  });

  it('says whether the design is saved, as which revision, and whether something went wrong', () => {
    expect(told()).toEqual(['Saved, revision 3']);
    savingState.set({ kind: 'saving' });
    expect(told()).toEqual(['Saving…']);
    expect(host.querySelector('.bad')).toBeNull();
    savingState.set({ kind: 'unsaved', reason: 'The server does not answer.', kept: true });
    expect(told()).toEqual(['Not saved']);
    expect(host.querySelector('.bad')).not.toBeNull();
    savingState.set({ kind: 'conflict', reason: 'Another page saved it.', kept: true });
    expect(told()).toEqual(['Changed elsewhere']);
  });

  it('says while numbers are on their way, and why they will not come', () => {
    results.set({ alternatives: new Map(), current: false });
    expect(told()).toEqual(['calculating…', 'Saved, revision 3']);
    results.set({ alternatives: new Map(), current: false, failure: 'The calculation stopped.' });
    expect(told()).toEqual(['The calculation stopped.', 'Saved, revision 3']);
    expect(host.querySelector('[role=alert]')!.textContent).toBe('The calculation stopped.');
    host.querySelector('button')!.click();
    expect(agains).toBe(1);
  });

  it('tells how far long work is, which can be stopped', () => {
    results.set({ alternatives: new Map(), current: false });
    progress$.next({ alternative: 'fixed', part: 'Buckling of U1', done: 0.456 });
    expect(told()).toEqual(['calculating…', 'Buckling of U1 45 %', 'Saved, revision 3']);
    results.set({ alternatives: new Map(), current: true });
    expect(told()).toEqual(['Buckling of U1 45 %', 'Saved, revision 3']);
    progress$.next({ alternative: 'pinned', part: 'Checks', done: 0 });
    expect(told()).toEqual(['Pinned bases: Checks 0 %', 'Saved, revision 3']);
    host.querySelector('button')!.click();
    expect(stops).toBe(1);
  });
});
