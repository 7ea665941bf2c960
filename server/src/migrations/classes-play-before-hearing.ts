import { Migration } from '@mikro-orm/migrations';

/** Whether a class plays a tune through before anybody is heard with it: as it is taught mostly, unless the teacher says so. */
export class ClassesPlayBeforeHearing extends Migration {
  override up(): void {
    this.addSql(
      `update "school_class" set "style" = jsonb_set("style", '{hearing,afterPlaying}', 'true') where "style" -> 'hearing' is not null;`,
    );
  }
}
