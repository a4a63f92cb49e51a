import { TestBed } from '@angular/core/testing';
import { slipShed } from '../../testing/slip-shed';
import { Drafts } from './drafts.service';

describe('Drafts', () => {
  it('keeps the last state of a design in the browser until it is forgotten', async () => {
    const drafts = TestBed.inject(Drafts);
    const id = `spec-${Date.now()}`;
    expect(await drafts.find(id)).toBeUndefined();
    expect(await drafts.keep(id, 3, { ...slipShed(), title: 'First' })).toBeTrue();
    expect(await drafts.keep(id, 4, { ...slipShed(), title: 'Second' })).toBeTrue();
    const found = (await drafts.find(id))!;
    expect([found.revision, found.design.title]).toEqual([4, 'Second']);
    expect(Date.parse(found.changedAt)).toBeGreaterThan(Date.now() - 60_000);
    await drafts.forget(id);
    expect(await drafts.find(id)).toBeUndefined();
  });
});
