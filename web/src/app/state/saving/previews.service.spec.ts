import { TestBed } from '@angular/core/testing';
import type { DesignPreview } from '@hashira/core';
import { BehaviorSubject, of } from 'rxjs';
import { openDesign } from '../../testing/open-design';
import { DesignApi } from './design-api.service';
import { Previews } from './previews.service';
import { Saving } from './saving.service';

describe('Previews', () => {
  it('keeps what the list shows once a revision is saved and worked out, each once', () => {
    const kept: [string, number, DesignPreview][] = [];
    const state = new BehaviorSubject<{ kind: string; revision: number }>({ kind: 'saving', revision: 1 });
    openDesign(undefined, [
      Previews,
      { provide: Saving, useValue: { state$: state, begin: () => undefined, changed: () => undefined } },
      {
        provide: DesignApi,
        useValue: {
          keepPreview: (...given: [string, number, DesignPreview]) => {
            kept.push(given);
            return of({});
          },
        },
      },
    ]);
    TestBed.inject(Previews);
    TestBed.tick();
    // Not saved yet
    expect(kept).toEqual([]);
    for (const revision of [2, 2, 3]) {
      state.next({ kind: 'saved', revision });
      TestBed.tick();
    }
    expect(kept.map(([id, revision]) => [id, revision])).toEqual([
      ['x', 2],
      ['x', 3],
    ]);
    expect(kept[0]![2].reference).toBe('Fixed bases');
    expect(kept[0]![2].statuses.length).toBe(4);
    expect(kept[0]![2].picture).toContain('<svg ');
  });
});
