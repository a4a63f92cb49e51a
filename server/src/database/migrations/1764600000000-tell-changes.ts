import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A revision says in words what it changed: the words are saved with the design, from where its triggers take them. */
export class TellChanges1764600000000 implements MigrationInterface {
  name = 'TellChanges1764600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "designs" ADD COLUMN "changed" text');
    await runner.query('ALTER TABLE "revisions" ADD COLUMN "changed" text');
    await triggers(runner, [...kept, 'changed']);
  }

  async down(runner: QueryRunner): Promise<void> {
    await triggers(runner, kept);
    await runner.query('ALTER TABLE "revisions" DROP COLUMN "changed"');
    await runner.query('ALTER TABLE "designs" DROP COLUMN "changed"');
  }
}

/** Columns of a revision, and those of the design that they are taken from, where these are called otherwise. */
const kept = ['designId', 'revision', 'title', 'document', 'savedAt'];
const sources: Readonly<Record<string, string>> = { designId: 'id', savedAt: 'updatedAt' };

/** Makes the triggers that keep a revision anew. */
async function triggers(runner: QueryRunner, columns: readonly string[]): Promise<void> {
  const values = columns.map((name) => `NEW."${sources[name] ?? name}"`).join(', ');
  const keep = `INSERT INTO "revisions" (${columns.map((name) => `"${name}"`).join(', ')}) VALUES (${values})`;
  for (const trigger of ['revision_of_new', 'revision_of_save'])
    await runner.query(`DROP TRIGGER "${trigger}"`);
  await runner.query(`CREATE TRIGGER "revision_of_new" AFTER INSERT ON "designs" BEGIN ${keep}; END`);
  await runner.query(
    `CREATE TRIGGER "revision_of_save" AFTER UPDATE OF "revision" ON "designs" WHEN NEW."revision" > OLD."revision" BEGIN ${keep}; END`,
  );
}
