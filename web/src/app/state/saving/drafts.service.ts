import { Injectable } from '@angular/core';
import type { Design } from '@hashira/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A design that was changed here and has not reached the server. */
export interface Draft {
  readonly id: string;
  /** The revision that it was based on. */
  readonly revision: number;
  readonly design: Design;
  readonly changedAt: string;
}

interface DraftsSchema extends DBSchema {
  drafts: { key: string; value: Draft };
}

/** Keeps unsaved designs in the browser until the server has them. Without a store in the browser nothing is kept, which is said. */
@Injectable({ providedIn: 'root' })
export class Drafts {
  private database: Promise<IDBPDatabase<DraftsSchema>> | undefined;

  private open(): Promise<IDBPDatabase<DraftsSchema>> {
    this.database ??= openDB<DraftsSchema>('hashira', 1, {
      upgrade: (database) => void database.createObjectStore('drafts', { keyPath: 'id' }),
    });
    return this.database;
  }

  /** Keeps a draft; false where the browser has no store for it. */
  async keep(id: string, revision: number, design: Design): Promise<boolean> {
    try {
      await (await this.open()).put('drafts', { id, revision, design, changedAt: new Date().toISOString() });
      return true;
    } catch (error) {
      if (error instanceof DOMException) return false;
      throw error;
    }
  }

  /** The draft of a design, if there is one. */
  async find(id: string): Promise<Draft | undefined> {
    try {
      return await (await this.open()).get('drafts', id);
    } catch (error) {
      if (error instanceof DOMException) return undefined;
      throw error;
    }
  }

  async forget(id: string): Promise<void> {
    try {
      await (await this.open()).delete('drafts', id);
    } catch (error) {
      if (!(error instanceof DOMException)) throw error;
    }
  }
}
