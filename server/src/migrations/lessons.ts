import { Migration } from '@mikro-orm/migrations';

/** What happens in the lessons of a class: kept for good, and told to whoever listens. By what a class goes on. */
export class Lessons extends Migration {
  override up(): void {
    this.addSql(
      `update "school_class" set "style" = jsonb_set("style", '{teaching}', "style"->'teaching' || '{"goOn": "share", "ownStep": 0}');`,
    );
    this.addSql(
      `create table "lesson_event" ("id" uuid not null, "school_class_id" uuid not null, "account_id" uuid not null, "date" date not null, "at" timestamptz not null, "kind" text not null, "content" jsonb not null, primary key ("id"));`,
    );
    this.addSql(
      `create index "lesson_event_school_class_id_date_index" on "lesson_event" ("school_class_id", "date");`,
    );
    this.addSql(
      `alter table "lesson_event" add constraint "lesson_event_school_class_id_foreign" foreign key ("school_class_id") references "school_class" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "lesson_event" add constraint "lesson_event_account_id_foreign" foreign key ("account_id") references "account" ("id") on update cascade;`,
    );
    this.addSql(
      `create function lesson_event_is_kept() returns trigger language plpgsql as $$ begin raise exception 'what happened in a lesson is never changed'; end $$`,
    );
    this.addSql(
      `create trigger lesson_event_kept before update or delete on "lesson_event" for each row execute function lesson_event_is_kept();`,
    );
    this.addSql(
      `create function lesson_event_is_told() returns trigger language plpgsql as $$ begin perform pg_notify('escalier_records', c.id::text) from (select distinct a.school_class_id as id from "added" a) c; return null; end $$`,
    );
    this.addSql(
      `create trigger lesson_event_told after insert on "lesson_event" referencing new table as "added" for each statement execute function lesson_event_is_told();`,
    );
  }
}
