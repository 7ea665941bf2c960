import { Migration } from '@mikro-orm/migrations';

/** What a teacher says to a pupil about a recording, spoken. */
export class SpokenAnswers extends Migration {
  override up(): void {
    this.addSql(
      `alter table "recording" add column "spoken" bytea null, add column "spoken_seconds" double precision null;`,
    );
  }
}
