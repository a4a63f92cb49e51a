import { EventEmitter } from 'node:events';
import { randomUUID } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import { In, IsNull, LessThan, Not, type Repository } from 'typeorm';
import type { Design } from '@hashira/core';
import type { DesignDatabase } from '../database/design-database.js';
import { DesignRecordSchema, type DesignRecord } from '../database/design-record.js';
import { readDocument } from './document.js';
import { SavedChanges } from './saved-changes.js';
import { PreviewRecordSchema, type PreviewRecord } from '../database/preview-record.js';
import { RevisionRecordSchema, type RevisionRecord } from '../database/revision-record.js';

/** A design in the list. */
export type DesignSummary = Pick<
  DesignRecord,
  'id' | 'title' | 'alternatives' | 'revision' | 'decided' | 'decidedWhy' | 'createdAt' | 'updatedAt'
>;

/** Columns of a design in a list: all but its document. */
const listed = {
  id: true,
  title: true,
  alternatives: true,
  revision: true,
  decided: true,
  decidedWhy: true,
  createdAt: true,
  updatedAt: true,
} as const;

/** The same, with its preview where there is one of this revision, and why its document cannot be read where that is so. */
export type ListedDesign = DesignSummary & { readonly preview?: unknown; readonly unreadable?: string };

/** A revision in the list. */
export type RevisionSummary = Pick<RevisionRecord, 'revision' | 'title' | 'savedAt' | 'name' | 'changed'>;

/** Days for which deleted designs can be restored. */
export const keepDeletedDays = 30;
/** Newest revisions that are never thinned. */
const keepRevisions = 100;

/** A design that was saved, and the revision that it has now. */
export interface Save {
  readonly id: string;
  readonly revision: number;
}

/** What became of a change that named the revision it was based on. */
export type ChangeOutcome =
  | { readonly kind: 'done'; readonly revision: number }
  | { readonly kind: 'missing' }
  | { readonly kind: 'conflict'; readonly revision: number };

/** Designs in the database. Every change is one statement, so two clients never half-overwrite each other. */
export class DesignStore {
  private readonly records: Repository<DesignRecord>;
  private readonly history: Repository<RevisionRecord>;
  private readonly previews: Repository<PreviewRecord>;
  private readonly saves = new EventEmitter();
  private readonly changes = new SavedChanges();
  /** What was found in each stored document, by design. */
  private readonly examined = new Map<string, { revision: number; fault: string | undefined }>();

  constructor(private readonly database: DesignDatabase) {
    this.records = database.source.getRepository(DesignRecordSchema);
    this.previews = database.source.getRepository(PreviewRecordSchema);
    this.history = database.source.getRepository(RevisionRecordSchema);
    // One listener an open browser
    this.saves.setMaxListeners(0);
  }

  /** Calls back with every save of any design. Returns how to stop. */
  onSave(saved: (save: Save) => void): () => void {
    this.saves.on('save', saved);
    return () => void this.saves.off('save', saved);
  }

  /** Deleted designs, the one deleted last first. */
  listDeleted(): Promise<(DesignSummary & Pick<DesignRecord, 'deletedAt'>)[]> {
    return this.database.read(() =>
      this.records.find({
        select: { ...listed, deletedAt: true },
        where: { deletedAt: Not(IsNull()) },
        order: { deletedAt: 'DESC', id: 'ASC' },
      }),
    );
  }

  /** Removes for good what was deleted more than 30 days before `now`, with its revisions. Returns how many. */
  async purge(now = new Date()): Promise<number> {
    const limit = new Date(now.getTime() - keepDeletedDays * 86_400_000).toISOString();
    if (!(await this.database.read(() => this.records.existsBy({ deletedAt: LessThan(limit) })))) return 0;
    const result = await this.database.write(() => this.records.delete({ deletedAt: LessThan(limit) }));
    return result.affected ?? 0;
  }

  /** All revisions of a design without their documents, the latest first. */
  revisions(id: string): Promise<RevisionSummary[]> {
    return this.database.read(() =>
      this.history.find({
        select: { revision: true, title: true, savedAt: true, name: true, changed: true },
        where: { designId: id },
        order: { revision: 'DESC' },
      }),
    );
  }

  revision(id: string, revision: number): Promise<RevisionRecord | null> {
    return this.database.read(() => this.history.findOneBy({ designId: id, revision }));
  }

  /** Names a revision, or takes its name away; false where there is none. */
  async nameRevision(id: string, revision: number, name: string | null): Promise<boolean> {
    const result = await this.database.write(() => this.history.update({ designId: id, revision }, { name }));
    return result.affected === 1;
  }

  /**
   * Thins a design's old revisions: the newest hundred stay, of older ones the last of each day; named ones always.
   */
  private async thin(id: string): Promise<void> {
    const all = await this.revisions(id);
    const days = new Set<string>();
    const gone = all.slice(keepRevisions).filter(({ savedAt, name }) => {
      const day = savedAt.slice(0, 10);
      const last = !days.has(day);
      days.add(day);
      return !last && name === null;
    });
    if (gone.length > 0)
      await this.database.write(() =>
        this.history.delete({ designId: id, revision: In(gone.map(({ revision }) => revision)) }),
      );
  }

  /** Designs that are not deleted, the one changed last first; those that cannot be read say why. */
  async list(): Promise<ListedDesign[]> {
    const summaries: DesignSummary[] = await this.database.read(() =>
      this.records.find({
        select: listed,
        where: { deletedAt: IsNull() },
        order: { updatedAt: 'DESC', id: 'ASC' },
      }),
    );
    const kept = new Map(
      (await this.database.read(() => this.previews.find())).map((one) => [one.designId, one]),
    );
    const out: ListedDesign[] = [];
    for (const summary of summaries) {
      const unreadable = await this.faultOf(summary);
      const preview = kept.get(summary.id);
      const isCurrent = preview?.revision === summary.revision;
      out.push({
        ...summary,
        ...(isCurrent ? { preview: JSON.parse(preview.content) as unknown } : {}),
        ...(unreadable === undefined ? {} : { unreadable }),
      });
    }
    return out;
  }

  /** Keeps the preview of a design's current revision. */
  async keepPreview(id: string, revision: number, preview: object): Promise<ChangeOutcome> {
    const current = await this.find(id);
    if (!current) return { kind: 'missing' };
    if (current.revision !== revision) return { kind: 'conflict', revision: current.revision };
    const content = JSON.stringify(preview);
    await this.database.write(() => this.previews.upsert({ designId: id, revision, content }, ['designId']));
    return { kind: 'done', revision };
  }

  /** What is wrong with a stored document; each revision is looked at once, with other work let through in between. */
  private async faultOf({ id, revision }: DesignSummary): Promise<string | undefined> {
    const known = this.examined.get(id);
    if (known?.revision === revision) return known.fault;
    await setImmediate();
    const record = await this.find(id);
    const outcome = record && readDocument(record.document);
    const fault = outcome && !outcome.ok ? outcome.problems[0]!.message : undefined;
    this.examined.set(id, { revision, fault });
    return fault;
  }

  /** Number of designs that were ever stored, deleted ones included. */
  countEver(): Promise<number> {
    return this.database.read(() => this.records.count());
  }

  find(id: string): Promise<DesignRecord | null> {
    return this.database.read(() => this.records.findOneBy({ id, deletedAt: IsNull() }));
  }

  async create(design: Design): Promise<DesignRecord> {
    const now = new Date().toISOString();
    const record: DesignRecord = {
      id: randomUUID(),
      ...columns(design),
      changed: null,
      revision: 1,
      createdAt: now,
      updatedAt: now,
      deletedAt: null,
    };
    await this.database.write(() => this.records.insert(record));
    this.examined.set(record.id, { revision: 1, fault: undefined });
    return record;
  }

  /** Stores a new revision if `revision` is still the current one; a document that is unchanged makes none. */
  async save(id: string, revision: number, design: Design): Promise<ChangeOutcome> {
    const next = columns(design);
    const current = await this.find(id);
    if (current?.revision === revision && current.document === next.document)
      return { kind: 'done', revision };
    const outcome = await this.change(id, revision, {
      ...next,
      changed: current ? this.changes.between(current.document, design) : null,
      revision: revision + 1,
      updatedAt: new Date().toISOString(),
    });
    if (outcome.kind !== 'done') return outcome;
    this.changes.saved(next.document, design);
    this.examined.set(id, { revision: outcome.revision, fault: undefined });
    this.saves.emit('save', { id, revision: outcome.revision } satisfies Save);
    if (outcome.revision % 50 === 0) await this.thin(id);
    return outcome;
  }

  /** Marks a design as deleted if `revision` is still the current one. */
  remove(id: string, revision: number): Promise<ChangeOutcome> {
    return this.change(id, revision, { deletedAt: new Date().toISOString() });
  }

  /** Brings a deleted design back. */
  async restore(id: string): Promise<DesignRecord | null> {
    await this.database.write(() =>
      this.records.update({ id, deletedAt: Not(IsNull()) }, { deletedAt: null }),
    );
    return this.find(id);
  }

  private async change(id: string, revision: number, changes: Partial<DesignRecord>): Promise<ChangeOutcome> {
    const result = await this.database.write(() =>
      this.records.update({ id, revision, deletedAt: IsNull() }, changes),
    );
    if (result.affected === 1) return { kind: 'done', revision: changes.revision ?? revision };
    const current = await this.find(id);
    return current ? { kind: 'conflict', revision: current.revision } : { kind: 'missing' };
  }
}

function columns(
  design: Design,
): Pick<DesignRecord, 'title' | 'alternatives' | 'decided' | 'decidedWhy' | 'document'> {
  const { decision } = design;
  return {
    title: design.title,
    alternatives: design.alternatives.length,
    decided: design.alternatives.find(({ id }) => id === decision?.alternative)?.title ?? null,
    decidedWhy: decision?.note ?? null,
    document: JSON.stringify(design),
  };
}
