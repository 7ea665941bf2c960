import { Migration } from '@mikro-orm/migrations';

/** Meetings that alternate or rotate, work set for home, and calendars to subscribe to. */
export class Calendar extends Migration {
  override up(): void {
    this.addSql(`alter table "term" add column "rotation" jsonb null;`);
    this.addSql(`update "term" set "rotation" = '{"firstWeek": "A", "emptyWeeksCount": true, "cycleDays": 0}'::jsonb;`);
    this.addSql(`alter table "term" alter column "rotation" set not null;`);
    this.addSql(
      `update "school_class" set "meetings" = (select coalesce(jsonb_agg(jsonb_build_object('on', jsonb_build_object('kind', 'weekly', 'weekday', m -> 'weekday'), 'at', m -> 'at', 'minutes', m -> 'minutes', 'mode', 'room')), '[]'::jsonb) from jsonb_array_elements("meetings") m);`,
    );
    this.addSql(
      `update "school_class" set "style" = "style" || '{"counting": null}'::jsonb where not "style" @> '{"counting": null}'::jsonb;`,
    );
    this.addSql(`alter table "school_class" add column "calendar_token" text null;`);
    this.addSql(
      `alter table "school_class" add constraint "school_class_calendar_token_unique" unique ("calendar_token");`,
    );
  }
}
