import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router } from '@angular/router';
import { setParameter } from '@hashira/core';
import { of, throwError } from 'rxjs';
import { ApiProblem, DesignApi, type RevisionSummary } from '../state/saving/design-api.service';
import { openDesign, quickShed } from '../testing/open-design';
import type { DesignWorkspace } from '../state/design-workspace.service';
import { RecordScreenComponent } from './revisions-screen.component';

class FakeApi {
  rows: RevisionSummary[] = [
    {
      revision: 2,
      title: 'Slip shed',
      savedAt: '2026-11-27T10:00:00Z',
      name: null,
      changed: ['Span: 18 m → 17 m'],
    },
    { revision: 1, title: 'Slip shed', savedAt: '2026-11-26T10:00:00Z', name: 'as sent', changed: null },
  ];
  readonly calls: unknown[][] = [];
  revisions = () => of(this.rows);
  revision = (_id: string, revision: number) =>
    of({
      ...this.rows.find((row) => row.revision === revision)!,
      document: setParameter(quickShed(), 'span', '17 m'),
    });
  nameRevision = (...call: unknown[]) => {
    this.calls.push(['name', ...call]);
    return of({});
  };
  create = ({ title }: { title: string }) => {
    this.calls.push(['create', title]);
    return of({ id: 'kept' });
  };
}

describe('RecordScreenComponent', () => {
  let api: FakeApi;
  let workspace: DesignWorkspace;
  let fixture: ComponentFixture<RecordScreenComponent>;
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 10));
    await fixture.whenStable();
  };
  const button = (label: string) => host().querySelector<HTMLElement>(`[aria-label="${label}"]`)!;
  const spanOf = () => workspace.state()!.design.parameters.find(({ name }) => name === 'span')!.value;

  beforeEach(async () => {
    api = new FakeApi();
    workspace = openDesign(quickShed(), [{ provide: DesignApi, useValue: api }]);
    fixture = TestBed.createComponent(RecordScreenComponent);
    await settled();
  });

  it('lists revisions, the latest first, and says which is on the screen', () => {
    const rows = [...host().querySelectorAll('tbody tr')].map((row) => row.textContent.replace(/\s+/g, ' '));
    expect(rows.length).toBe(2);
    expect(rows[0]).toContain('Span: 18 m → 17 m');
    expect(rows[0]).toContain('name it');
    expect(rows[1]).toContain('the beginning');
    expect(rows[1]).toContain('as sent');
    // The workspace of the spec has saved revision 1
    expect(rows[1]).toContain('on the screen');
  });

  it('takes a revision up as a change that undoes', async () => {
    const before = spanOf();
    button('Take up again: revision 2').click();
    await settled();
    expect(spanOf()).toBe('17 m');
    workspace.undo();
    expect(spanOf()).toBe(before);
  });

  it('keeps a revision as a design of its own and opens it', async () => {
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    button('Keep as a new design: revision 1').click();
    await settled();
    expect(api.calls).toEqual([['create', 'Slip shed, revision 1 of 2026-11-26']]);
    expect(navigate).toHaveBeenCalledWith(['/designs', 'kept']);
  });

  it('names a revision, takes a name away, and shows named ones alone', async () => {
    const type = async (index: number, text: string) => {
      host().querySelectorAll<HTMLButtonElement>('app-editable-text button')[index]!.click();
      await settled();
      const field = host().querySelector<HTMLInputElement>('app-editable-text input')!;
      field.value = text;
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await settled();
    };
    await type(0, ' before the meeting ');
    await type(1, '');
    expect(api.calls).toEqual([
      ['name', 'x', 2, 'before the meeting'],
      ['name', 'x', 1, null],
    ]);
    host().querySelector<HTMLInputElement>('input[type=checkbox]')!.click();
    await settled();
    expect(host().querySelectorAll('tbody tr').length).toBe(1);
  });

  it('says what the server says', async () => {
    api.revision = () => throwError(() => new ApiProblem(404, 'The design has no revision 2.'));
    button('Take up again: revision 2').click();
    await settled();
    expect(host().querySelector('[role=alert]')!.textContent).toBe('The design has no revision 2.');
  });
});
