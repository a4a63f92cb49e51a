import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was decided of a design stands in its row for the list; a preview is a row of its own, and goes with its design. */
export class KeepPreviews1764500000000 implements MigrationInterface {
  name = 'KeepPreviews1764500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "designs" ADD COLUMN "decided" text');
    await runner.query('ALTER TABLE "designs" ADD COLUMN "decidedWhy" text');
    await runner.query(
      'CREATE TABLE "previews" ("designId" text NOT NULL PRIMARY KEY, "revision" integer NOT NULL, "content" text NOT NULL)',
    );
    await runner.query(
      'CREATE TRIGGER "preview_of_purged" AFTER DELETE ON "designs" BEGIN DELETE FROM "previews" WHERE "designId" = OLD."id"; END',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TRIGGER "preview_of_purged"');
    await runner.query('DROP TABLE "previews"');
    await runner.query('ALTER TABLE "designs" DROP COLUMN "decidedWhy"');
    await runner.query('ALTER TABLE "designs" DROP COLUMN "decided"');
  }
}
