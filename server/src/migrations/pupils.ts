import { Migration } from '@mikro-orm/migrations';

/** What is kept of a pupil beside the name; moves between parallel classes; absences. Records are read by their pupil. */
export class Pupils extends Migration {
  override up(): void {
    this.addSql(
      `alter table "pupil" add column "hand_mark" text not null default '', add column "note" text not null default '', add column "plays_instead" text null, add column "may_record" boolean not null default false;`,
    );
    this.addSql(
      `alter table "pupil" alter column "hand_mark" drop default, alter column "note" drop default, alter column "may_record" drop default;`,
    );
    this.addSql(
      `create table "pupil_move" ("id" uuid not null, "pupil_id" uuid not null, "from_class_id" uuid not null, "to_class_id" uuid not null, "moved_on" date not null, constraint "pupil_move_pkey" primary key ("id"));`,
    );
    this.addSql(`create index "pupil_move_pupil_id_index" on "pupil_move" ("pupil_id");`);
    this.addSql(
      `alter table "pupil_move" add constraint "pupil_move_pupil_id_foreign" foreign key ("pupil_id") references "pupil" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "pupil_move" add constraint "pupil_move_from_class_id_foreign" foreign key ("from_class_id") references "school_class" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "pupil_move" add constraint "pupil_move_to_class_id_foreign" foreign key ("to_class_id") references "school_class" ("id") on update cascade;`,
    );
    this.addSql(
      `create table "absence" ("pupil_id" uuid not null, "date" date not null, constraint "absence_pkey" primary key ("pupil_id", "date"));`,
    );
    this.addSql(
      `alter table "absence" add constraint "absence_pupil_id_foreign" foreign key ("pupil_id") references "pupil" ("id") on update cascade on delete cascade;`,
    );
    this.addSql(`create index "record_event_pupil_id_index" on "record_event" ("pupil_id");`);
  }
}
