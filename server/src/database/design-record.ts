import { EntitySchema } from 'typeorm';

/** A stored design: the document as JSON text, and columns for what is queried. */
export interface DesignRecord {
  id: string;
  title: string;
  /** Number of alternatives, for the list. */
  alternatives: number;
  /** 1 on creation, one more with each save. */
  revision: number;
  /** Title of the alternative that was decided for, and why. */
  decided: string | null;
  decidedWhy: string | null;
  /** What the last save changed, in sentences, for its revision; null where it is not known. */
  changed: string[] | null;
  document: string;
  /** ISO 8601, UTC. */
  createdAt: string;
  updatedAt: string;
  /** Set when deleted; the row stays so that deletion can be undone. */
  deletedAt: string | null;
}

export const DesignRecordSchema = new EntitySchema<DesignRecord>({
  name: 'design',
  tableName: 'designs',
  columns: {
    id: { type: 'text', primary: true },
    title: { type: 'text' },
    alternatives: { type: 'integer' },
    revision: { type: 'integer' },
    decided: { type: 'text', nullable: true },
    decidedWhy: { type: 'text', nullable: true },
    changed: { type: 'simple-json', nullable: true },
    document: { type: 'text' },
    createdAt: { type: 'text' },
    updatedAt: { type: 'text' },
    deletedAt: { type: 'text', nullable: true },
  },
  indices: [{ name: 'designs_by_update', columns: ['deletedAt', 'updatedAt'] }],
});
