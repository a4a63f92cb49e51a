import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The table of designs. */
export class CreateDesigns1763800000000 implements MigrationInterface {
  name = 'CreateDesigns1763800000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE "designs" ("id" text PRIMARY KEY NOT NULL, "title" text NOT NULL, "alternatives" integer NOT NULL, ' +
        '"revision" integer NOT NULL, "document" text NOT NULL, "createdAt" text NOT NULL, "updatedAt" text NOT NULL, "deletedAt" text)',
    );
    await runner.query('CREATE INDEX "designs_by_update" ON "designs" ("deletedAt", "updatedAt")');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX "designs_by_update"');
    await runner.query('DROP TABLE "designs"');
  }
}
