import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { DesignWorkspace, type ResultState } from './design-workspace.service';
import type { SavingState } from './saving.service';
import { WorkspaceStateComponent } from './workspace-state.component';

describe('WorkspaceStateComponent', () => {
  const results = signal<ResultState>({ alternatives: new Map(), current: true });
  const savingState = signal<SavingState>({ kind: 'saved', revision: 3 });
  let host: HTMLElement;
  let told: () => string[];

  beforeEach(async () => {
    results.set({ alternatives: new Map(), current: true });
    savingState.set({ kind: 'saved', revision: 3 });
    TestBed.configureTestingModule({
      providers: [{ provide: DesignWorkspace, useValue: { results, savingState } }],
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
    savingState.set({ kind: 'unsaved', reason: 'The server does not answer.' });
    expect(told()).toEqual(['Not saved']);
    expect(host.querySelector('.bad')).not.toBeNull();
    savingState.set({ kind: 'conflict', reason: 'Another page saved it.' });
    expect(told()).toEqual(['Changed elsewhere']);
  });

  it('says while numbers are on their way, and why they will not come', () => {
    results.set({ alternatives: new Map(), current: false });
    expect(told()).toEqual(['calculating…', 'Saved, revision 3']);
    results.set({ alternatives: new Map(), current: false, failure: 'The calculation stopped.' });
    expect(told()).toEqual(['The calculation stopped.', 'Saved, revision 3']);
    expect(host.querySelector('[role=alert]')!.textContent).toBe('The calculation stopped.');
  });
});
