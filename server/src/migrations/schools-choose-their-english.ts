import { Migration } from '@mikro-orm/migrations';

/** British or American, pupils or students: as the school says it. */
export class SchoolsChooseTheirEnglish extends Migration {
  override up(): void {
    this.addSql(
      `alter table "school" add column "english" jsonb not null default '{"locale":"en-GB","pupils":"pupil"}';`,
    );
  }
}
