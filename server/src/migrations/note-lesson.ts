import { Migration } from '@mikro-orm/migrations';

/** What a note lesson begins with: the school's cautions, and how a class holds its instruments. */
export class NoteLesson extends Migration {
  override up(): void {
    this.addSql(`alter table "school" add column "cautions" jsonb null;`);
    this.addSql(
      `update "school_class" set "style" = "style" || '{"posture": {"mouth": "lips", "restsAt": "chin", "handMark": "the coloured dot"}}'::jsonb where "style" -> 'posture' is null;`,
    );
  }
}
