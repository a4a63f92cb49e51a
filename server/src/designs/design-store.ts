import { randomUUID } from 'node:crypto';
import { IsNull, Not, type DataSource, type Repository } from 'typeorm';
import type { Design } from '@hashira/core';
import { DesignRecordSchema, type DesignRecord } from '../database/design-record.js';

/** A design in the list. */
export type DesignSummary = Pick<
  DesignRecord,
  'id' | 'title' | 'alternatives' | 'revision' | 'createdAt' | 'updatedAt'
>;

/** What became of a change that named the revision it was based on. */
export type ChangeOutcome =
  | { readonly kind: 'done'; readonly revision: number }
  | { readonly kind: 'missing' }
  | { readonly kind: 'conflict'; readonly revision: number };

/** Designs in the database. Every change is one statement, so two clients never half-overwrite each other. */
export class DesignStore {
  private readonly records: Repository<DesignRecord>;

  constructor(source: DataSource) {
    this.records = source.getRepository(DesignRecordSchema);
  }

  /** Designs that are not deleted, the one changed last first. */
  list(): Promise<DesignSummary[]> {
    return this.records.find({
      select: { id: true, title: true, alternatives: true, revision: true, createdAt: true, updatedAt: true },
      where: { deletedAt: IsNull() },
      order: { updatedAt: 'DESC', id: 'ASC' },
    });
  }

  /** Number of designs that were ever stored, deleted ones included. */
  countEver(): Promise<number> {
    return this.records.count();
  }

  find(id: string): Promise<DesignRecord | null> {
    return this.records.findOneBy({ id, deletedAt: IsNull() });
  }

  async create(design: Design): Promise<DesignRecord> {
    const now = new Date().toISOString();
    const record: DesignRecord = {
      id: randomUUID(),
      ...columns(design),
      revision: 1,
      createdAt: now,
      updatedAt: now,
      deletedAt: null,
    };
    await this.records.insert(record);
    return record;
  }

  /** Stores a new revision if `revision` is still the current one. */
  save(id: string, revision: number, design: Design): Promise<ChangeOutcome> {
    return this.change(id, revision, {
      ...columns(design),
      revision: revision + 1,
      updatedAt: new Date().toISOString(),
    });
  }

  /** Marks a design as deleted if `revision` is still the current one. */
  remove(id: string, revision: number): Promise<ChangeOutcome> {
    return this.change(id, revision, { deletedAt: new Date().toISOString() });
  }

  /** Brings a deleted design back. */
  async restore(id: string): Promise<DesignRecord | null> {
    await this.records.update({ id, deletedAt: Not(IsNull()) }, { deletedAt: null });
    return this.find(id);
  }

  private async change(id: string, revision: number, changes: Partial<DesignRecord>): Promise<ChangeOutcome> {
    const result = await this.records.update({ id, revision, deletedAt: IsNull() }, changes);
    if (result.affected === 1) return { kind: 'done', revision: changes.revision ?? revision };
    const current = await this.find(id);
    return current ? { kind: 'conflict', revision: current.revision } : { kind: 'missing' };
  }
}

function columns(design: Design): Pick<DesignRecord, 'title' | 'alternatives' | 'document'> {
  return {
    title: design.title,
    alternatives: design.alternatives.length,
    document: JSON.stringify(design),
  };
}
