import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { slipShed } from '../../../core/src/testing/designs.js';
import type { DesignDatabase } from '../database/design-database.js';
import { openDatabase } from '../database/open-database.js';
import { DesignStore } from './design-store.js';

describe('a stored design that cannot be read', () => {
  let folder: string;
  let database: DesignDatabase;
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'hashira-unreadable-'));
    database = await openDatabase(join(folder, 'designs.sqlite'));
  });
  afterEach(async () => {
    await database.close();
    rmSync(folder, { recursive: true });
  });

  it('is listed with what is wrong, beside those that can', async () => {
    const { id } = await new DesignStore(database).create(slipShed());
    await new DesignStore(database).create({ ...slipShed(), title: 'Sound' });
    await database.source.query('UPDATE designs SET document = substr(document, 1, 100) WHERE id = ?', [id]);
    const list = await new DesignStore(database).list();
    expect(list.map(({ title, unreadable }) => [title, unreadable !== undefined])).toEqual(
      jasmine.arrayWithExactContents([
        ['Slip shed', true],
        ['Sound', false],
      ]),
    );
    expect(list.find((one) => one.id === id)!.unreadable).toMatch(/JSON/);
  });

  it('is listed too where no text is stored at all', async () => {
    await new DesignStore(database).create(slipShed());
    await database.source.query("UPDATE designs SET document = x'00ff'");
    const [one] = await new DesignStore(database).list();
    expect(one!.unreadable).toBe('The stored document is not a text.');
  });

  it('is readable again once another revision is saved over it', async () => {
    const store = new DesignStore(database);
    const { id } = await store.create(slipShed());
    await database.source.query("UPDATE designs SET document = '[]' WHERE id = ?", [id]);
    const fresh = new DesignStore(database);
    expect((await fresh.list())[0]!.unreadable).toBeDefined();
    await fresh.save(id, 1, slipShed());
    expect((await fresh.list())[0]!.unreadable).toBeUndefined();
  });
});
