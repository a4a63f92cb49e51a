import { ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { MessageService } from 'primeng/api';
import { of, throwError } from 'rxjs';
import { CALCULATION_WORKER } from '../state/calculation/calculation-tokens';

import { ApiProblem, DesignApi, type DesignSummary } from '../state/saving/design-api.service';
import { slipShed } from '../testing/slip-shed';
import { DesignsScreenComponent } from './designs-screen.component';

class FakeApi {
  stored: DesignSummary[] = [
    { id: 'a', title: 'Slip shed', alternatives: 4, revision: 3, updatedAt: '2026-11-27T10:00:00Z' },
    { id: 'b', title: 'Boat hall', alternatives: 3, revision: 1, updatedAt: '2026-11-26T10:00:00Z' },
  ];
  readonly calls: unknown[][] = [];
  gone: (DesignSummary & { deletedAt: string })[] = [];
  list = () => of(this.stored);
  deleted = () => of({ keptDays: 30, designs: this.gone });
  load = (id: string) => of({ id, revision: this.stored[0]!.revision, document: slipShed() });
  create = (document: { title: string }) => this.did('create', document.title);
  duplicate = (id: string) => this.did('duplicate', id);
  remove = (id: string, revision: number) => {
    this.stored = this.stored.filter((one) => one.id !== id);
    return this.did('remove', id, revision);
  };
  restore = (id: string) => this.did('restore', id);
  save = (id: string, revision: number, { title }: { title: string }) =>
    this.did('save', id, revision, title);
  private did(...call: unknown[]) {
    this.calls.push(call);
    return of({ id: 'new', revision: 1, document: slipShed() });
  }
}

describe('DesignsScreenComponent', () => {
  let api: FakeApi;
  let fixture: ComponentFixture<DesignsScreenComponent>;
  let messages: { severity: string; detail?: string; data?: { action: () => Promise<void> } }[];
  const host = () => fixture.nativeElement as HTMLElement;
  const settled = async () => {
    await new Promise((done) => setTimeout(done, 10));
    await fixture.whenStable();
  };
  const press = async (words: string, index = 0) => {
    const buttons = [...host().querySelectorAll('button')].filter((one) => one.textContent.trim() === words);
    buttons[index]!.click();
    await settled();
  };

  beforeEach(async () => {
    api = new FakeApi();
    messages = [];
    TestBed.configureTestingModule({
      providers: [
        MessageService,
        provideRouter([]),
        { provide: DesignApi, useValue: api },
        // The list is tested without its pictures
        {
          provide: CALCULATION_WORKER,
          useValue: () => ({ postMessage: () => undefined, terminate: () => undefined }),
        },
      ],
    });
    TestBed.inject(MessageService).messageObserver.subscribe((message) =>
      messages.push(message as unknown as (typeof messages)[number]),
    );
    fixture = TestBed.createComponent(DesignsScreenComponent);
    await settled();
  });

  it('says of a design that cannot be read what is wrong with it', async () => {
    api.stored = [{ ...api.stored[0]!, unreadable: 'It is not JSON.' }, api.stored[1]!];
    fixture = TestBed.createComponent(DesignsScreenComponent);
    await settled();
    const words = [...host().querySelectorAll('.unreadable')].map((one) => one.textContent);
    expect(words.length).toBe(1);
    expect(words[0]).toContain('cannot be read: It is not JSON. Save what is good');
  });

  it('lists deleted designs, and brings one back', async () => {
    expect(host().querySelector('.deleted')).toBeNull();
    api.gone = [{ ...api.stored[0]!, id: 'old', title: 'Old shed', deletedAt: '2026-11-20T10:00:00Z' }];
    await press('Duplicate');
    expect(host().querySelector('.deleted')!.textContent).toContain('Old shed');
    expect(host().querySelector('.deleted h2')!.textContent).toContain('kept for 30 days');
    await press('Bring back');
    expect(api.calls.at(-1)).toEqual(['restore', 'old']);
    expect(messages.at(-1)).toEqual(jasmine.objectContaining({ summary: '"Old shed" is back.' }));
  });

  it('lists designs with what tells them apart', () => {
    const rows = [...host().querySelectorAll('tbody tr')].map((row) => row.textContent.replace(/\s+/g, ' '));
    expect(rows.length).toBe(2);
    expect(rows[0]).toContain('Slip shed');
    expect(rows[0]).toContain('4');
  });

  it('leads to the starting points of a new design', () => {
    const link = [...host().querySelectorAll('a')].find((one) => one.textContent === 'New design')!;
    expect(link.getAttribute('href')).toBe('/designs/new');
  });

  it('brings back by Ctrl Z what was deleted, the last one first, and once', async () => {
    await press('Delete', 1);
    await press('Delete', 0);
    const undo = () =>
      document.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true }));
    for (let n = 0; n < 3; n++) {
      undo();
      await settled();
    }
    expect(api.calls.filter(([what]) => what === 'restore')).toEqual([
      ['restore', 'a'],
      ['restore', 'b'],
    ]);
  });

  it('lists the designs whose title has what is looked for', async () => {
    const search = host().querySelector<HTMLInputElement>('[type=search]')!;
    const look = async (words: string) => {
      search.value = words;
      search.dispatchEvent(new Event('input'));
      await settled();
      return [...host().querySelectorAll('tbody a')].map((one) => one.textContent.trim());
    };
    expect(await look('boat')).toEqual(['Boat hall']);
    expect(await look('tower')).toEqual([]);
    expect(host().textContent).toContain('No title has “tower” in it.');
    expect(await look('')).toEqual(['Slip shed', 'Boat hall']);
  });

  it('deletes over the revision that is listed, and can undo it', async () => {
    await press('Delete', 1);
    expect(api.calls).toEqual([['remove', 'b', 1]]);
    expect(host().querySelectorAll('tbody tr').length).toBe(1);
    await messages[0]!.data!.action();
    expect(api.calls.at(-1)).toEqual(['restore', 'b']);
  });

  it('duplicates', async () => {
    await press('Duplicate', 0);
    expect(api.calls).toEqual([['duplicate', 'a']]);
  });

  it('tells in words what the server refused', async () => {
    api.duplicate = () => throwError(() => new ApiProblem(0, 'The server does not answer.'));
    await press('Duplicate', 0);
    expect(messages[0]).toEqual(
      jasmine.objectContaining({ severity: 'error', detail: 'The server does not answer.' }),
    );
  });
});
