import { Migration } from '@mikro-orm/migrations';

/** How many records each pupil has, counted by the database itself: what was read before is known again by it. */
export class RecordCounts extends Migration {
  override up(): void {
    this.addSql(
      `create table "record_count" ("pupil_id" uuid not null, "count" int not null, constraint "record_count_pkey" primary key ("pupil_id"));`,
    );
    this.addSql(
      `alter table "record_count" add constraint "record_count_pupil_id_foreign" foreign key ("pupil_id") references "pupil" ("id") on update cascade on delete cascade;`,
    );
    this.addSql(`insert into "record_count" select "pupil_id", count(*) from "record_event" group by "pupil_id";`);
    // In the order of the ids, so that two statements that insert many rows wait for each other rather than deadlock.
    this.addSql(
      `create function record_event_is_counted() returns trigger language plpgsql as $$ begin insert into "record_count" select "pupil_id", count(*) from "added" group by "pupil_id" order by "pupil_id" on conflict ("pupil_id") do update set "count" = "record_count"."count" + excluded."count"; return null; end $$`,
    );
    this.addSql(
      `create trigger record_event_counted after insert on "record_event" referencing new table as "added" for each statement execute function record_event_is_counted()`,
    );
  }
}
