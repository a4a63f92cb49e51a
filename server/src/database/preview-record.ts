import { EntitySchema } from 'typeorm';

/** What is kept of a design for the list, made by the page that worked it out. */
export interface PreviewRecord {
  designId: string;
  /** The revision that it is of. */
  revision: number;
  /** JSON. */
  content: string;
}

export const PreviewRecordSchema = new EntitySchema<PreviewRecord>({
  name: 'preview',
  tableName: 'previews',
  columns: {
    designId: { type: 'text', primary: true },
    revision: { type: 'integer' },
    content: { type: 'text' },
  },
});
