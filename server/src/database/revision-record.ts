import { EntitySchema } from 'typeorm';

/** One saved state of a design. Rows are made by the database itself with every save, see the migration. */
export interface RevisionRecord {
  designId: string;
  /** As the design's revision counts. */
  revision: number;
  title: string;
  document: string;
  /** ISO 8601, UTC. */
  savedAt: string;
  /** Given to those that matter; named ones are never thinned. */
  name: string | null;
  /** What it changed, in sentences; null of the first one and where it is not known. */
  changed: string[] | null;
}

export const RevisionRecordSchema = new EntitySchema<RevisionRecord>({
  name: 'revision',
  tableName: 'revisions',
  columns: {
    designId: { type: 'text', primary: true },
    revision: { type: 'integer', primary: true },
    title: { type: 'text' },
    document: { type: 'text' },
    savedAt: { type: 'text' },
    name: { type: 'text', nullable: true },
    changed: { type: 'simple-json', nullable: true },
  },
});
