import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Every save is a row of its own. The rows are made by triggers, in the statement that saves: no save can be kept without its
 * revision, nor a revision without its save. Designs that are there already begin with the revision they are at.
 */
export class KeepRevisions1764200000000 implements MigrationInterface {
  name = 'KeepRevisions1764200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE "revisions" ("designId" text NOT NULL, "revision" integer NOT NULL, "title" text NOT NULL, ' +
        '"document" text NOT NULL, "savedAt" text NOT NULL, "name" text, PRIMARY KEY ("designId", "revision"))',
    );
    await runner.query(
      'INSERT INTO "revisions" SELECT "id", "revision", "title", "document", "updatedAt", NULL FROM "designs"',
    );
    const keep =
      'INSERT INTO "revisions" VALUES (NEW."id", NEW."revision", NEW."title", NEW."document", NEW."updatedAt", NULL)';
    await runner.query(`CREATE TRIGGER "revision_of_new" AFTER INSERT ON "designs" BEGIN ${keep}; END`);
    await runner.query(
      `CREATE TRIGGER "revision_of_save" AFTER UPDATE OF "revision" ON "designs" WHEN NEW."revision" > OLD."revision" BEGIN ${keep}; END`,
    );
    await runner.query(
      'CREATE TRIGGER "revisions_of_purged" AFTER DELETE ON "designs" BEGIN DELETE FROM "revisions" WHERE "designId" = OLD."id"; END',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const trigger of ['revision_of_new', 'revision_of_save', 'revisions_of_purged'])
      await runner.query(`DROP TRIGGER "${trigger}"`);
    await runner.query('DROP TABLE "revisions"');
  }
}
