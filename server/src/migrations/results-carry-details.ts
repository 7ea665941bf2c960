import { Migration } from '@mikro-orm/migrations';

/** What else was said of a hearing stands in one column: a further detail needs none of its own. */
export class ResultsCarryDetails extends Migration {
  override up(): void {
    this.addSql(`alter table "record_event" disable trigger user;`);
    this.addSql(`alter table "record_event" add column "details" jsonb not null default '{}';`);
    this.addSql(`
      update "record_event" set "details" = jsonb_strip_nulls(jsonb_build_object(
        'tempo', "tempo", 'faults', "faults", 'extent', "extent", 'listened', "listened"))
      where "tempo" is not null or "faults" is not null or "extent" is not null or "listened" is not null;`);
    // Null is a proposal of nothing, and stays.
    this.addSql(`
      update "record_event" set "details" = jsonb_set("details", '{listened}', "listened") where "listened" is not null;`);
    this.addSql(`alter table "record_event" drop constraint "record_event_undo_is_plain";`);
    this.addSql(`
      alter table "record_event" drop column "tempo", drop column "faults", drop column "extent", drop column "listened",
        add constraint "record_event_undo_is_plain"
          check (kind = 'heard' or (tune_id is null and details = '{}' and corrects is null));`);
    this.addSql(`alter table "record_event" enable trigger user;`);
  }
}
