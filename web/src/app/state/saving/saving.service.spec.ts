import { TestBed } from '@angular/core/testing';
import { setParameter, type Design } from '@hashira/core';
import { of, Subject, throwError, type Observable } from 'rxjs';
import { ApiProblem, DesignApi } from './design-api.service';
import { slipShed } from '../../testing/slip-shed';
import { Drafts } from './drafts.service';
import { Saving } from './saving.service';

class FakeApi {
  readonly saves: { revision: number; document: Design }[] = [];
  answer: () => Observable<number> = () => of(this.saves.at(-1)!.revision + 1);
  stored: Design = slipShed();
  save(_id: string, revision: number, document: Design): Observable<number> {
    this.saves.push({ revision, document });
    return this.answer();
  }
  load(): Observable<{ revision: number; document: Design }> {
    return of({ revision: 9, document: this.stored });
  }
}

class FakeDrafts {
  readonly kept = new Map<string, Design>();
  hasStore = true;
  keep(id: string, _revision: number, design: Design): Promise<boolean> {
    if (this.hasStore) this.kept.set(id, design);
    return Promise.resolve(this.hasStore);
  }
  forget(id: string): Promise<void> {
    this.kept.delete(id);
    return Promise.resolve();
  }
}

describe('Saving', () => {
  let drafts: FakeDrafts;
  let api: FakeApi;
  let saving: Saving;
  const design = slipShed();
  const changed = (span: string) => setParameter(design, 'span', span);
  const settle = async (ms: number) => {
    jasmine.clock().tick(ms);
    for (let i = 0; i < 10; i++) await Promise.resolve();
  };

  beforeEach(() => {
    jasmine.clock().install();
    api = new FakeApi();
    drafts = new FakeDrafts();
    TestBed.configureTestingModule({
      providers: [Saving, { provide: DesignApi, useValue: api }, { provide: Drafts, useValue: drafts }],
    });
    saving = TestBed.inject(Saving);
    saving.begin('x', 3, design);
  });
  afterEach(() => jasmine.clock().uninstall());

  it('saves once a moment after the last of many changes, over the known revision', async () => {
    for (const span of ['20 m', '21 m', '23 m']) saving.changed(changed(span));
    expect(saving.state.kind).toBe('saving');
    await settle(500);
    expect(api.saves.map((s) => [s.revision, s.document.parameters[0]!.value])).toEqual([[3, '23 m']]);
    expect(saving.state).toEqual({ kind: 'saved', revision: 4 });
  });

  it('is saved only when the server has answered, and saves what came meanwhile', async () => {
    const answer = new Subject<number>();
    api.answer = () => answer;
    saving.changed(changed('20 m'));
    await settle(500);
    saving.changed(changed('21 m'));
    expect(saving.state.kind).toBe('saving');
    api.answer = () => of(5);
    answer.next(4);
    answer.complete();
    await settle(0);
    await settle(500);
    expect(api.saves.map((s) => s.revision)).toEqual([3, 4]);
    expect(saving.state).toEqual({ kind: 'saved', revision: 5 });
  });

  it('keeps what is not saved in the browser until the server has it', async () => {
    api.answer = () => throwError(() => new ApiProblem(0, 'The server does not answer.'));
    saving.changed(changed('20 m'));
    await settle(500);
    expect(drafts.kept.get('x')!.parameters[0]!.value).toBe('20 m');
    api.answer = () => of(4);
    await settle(3100);
    expect(drafts.kept.size).toBe(0);
  });

  it('asks a silent server again', async () => {
    api.answer = () => throwError(() => new ApiProblem(0, 'The server does not answer.'));
    saving.changed(changed('20 m'));
    await settle(500);
    expect(saving.state).toEqual({ kind: 'unsaved', reason: 'The server does not answer.', kept: true });
    api.answer = () => of(4);
    await settle(3100);
    expect(saving.state).toEqual({ kind: 'saved', revision: 4 });
  });

  it('says where the browser keeps nothing', async () => {
    drafts.hasStore = false;
    api.answer = () => throwError(() => new ApiProblem(0, 'The server does not answer.'));
    saving.changed(changed('20 m'));
    await settle(500);
    expect(saving.state).toEqual({ kind: 'unsaved', reason: 'The server does not answer.', kept: false });
    drafts.hasStore = true;
    saving.changed(changed('21 m'));
    await settle(500);
    expect(saving.state).toEqual(jasmine.objectContaining({ kind: 'unsaved', kept: true }));
  });

  it('stops at a conflict', async () => {
    api.answer = () => throwError(() => new ApiProblem(412, 'It was changed elsewhere.'));
    saving.changed(changed('20 m'));
    await settle(500);
    expect(saving.state.kind).toBe('conflict');
    saving.changed(changed('21 m'));
    await settle(5000);
    expect(api.saves.length).toBe(1);
  });

  it('sees that a save whose answer was lost has arrived', async () => {
    const mine = changed('20 m');
    api.answer = () => throwError(() => new ApiProblem(412, 'It was changed elsewhere.'));
    api.stored = structuredClone(mine);
    saving.changed(mine);
    await settle(500);
    expect(saving.state).toEqual({ kind: 'saved', revision: 9 });
  });
});
