import { Migration } from '@mikro-orm/migrations';

/** Schools, accounts, tunes, staircases, classes, pupils, and the records that are never changed. */
export class FirstFlight extends Migration {
  override up(): void {
    this.addSql(
      `create table "school" ("id" uuid not null, "name" text not null, "time_zone" text not null, constraint "school_pkey" primary key ("id"))`,
    );
    this.addSql(
      `create table "account" ("id" uuid not null, "school_id" uuid not null, "email" text not null, "name" text not null, "password_hash" text not null, constraint "account_pkey" primary key ("id"))`,
    );
    this.addSql(`create index "account_school_id_index" on "account" ("school_id")`);
    this.addSql(`alter table "account" add constraint "account_email_unique" unique ("email")`);
    this.addSql(
      `create table "session" ("token_hash" text not null, "account_id" uuid not null, "created_at" timestamptz not null, "expires_at" timestamptz not null, constraint "session_pkey" primary key ("token_hash"))`,
    );
    this.addSql(`create index "session_account_id_index" on "session" ("account_id")`);
    this.addSql(
      `create table "staircase" ("id" uuid not null, "school_id" uuid not null, "name" text not null, "instrument" text not null, constraint "staircase_pkey" primary key ("id"))`,
    );
    this.addSql(`create index "staircase_school_id_index" on "staircase" ("school_id")`);
    this.addSql(
      `create table "term" ("id" uuid not null, "school_id" uuid not null, "name" text not null, "starts_on" date not null, "ends_on" date not null, "days_off" jsonb not null, constraint "term_pkey" primary key ("id"))`,
    );
    this.addSql(`create index "term_school_id_index" on "term" ("school_id")`);
    this.addSql(
      `create table "school_class" ("id" uuid not null, "school_id" uuid not null, "term_id" uuid not null, "staircase_id" uuid not null, "name" text not null, "grade" text not null, "meetings" jsonb not null, "style" jsonb not null, constraint "school_class_pkey" primary key ("id"))`,
    );
    this.addSql(`create index "school_class_school_id_index" on "school_class" ("school_id")`);
    this.addSql(
      `create table "tune" ("id" uuid not null, "school_id" uuid not null, "title" text not null, "abc" text not null, constraint "tune_pkey" primary key ("id"))`,
    );
    this.addSql(`create index "tune_school_id_index" on "tune" ("school_id")`);
    this.addSql(
      `create table "step" ("id" uuid not null, "staircase_id" uuid not null, "position" int not null, "tune_id" uuid not null, "belt" text not null, "lessons" int not null, constraint "step_pkey" primary key ("id"))`,
    );
    this.addSql(
      `alter table "step" add constraint "step_staircase_id_position_unique" unique ("staircase_id", "position")`,
    );
    this.addSql(
      `create table "pupil" ("id" uuid not null, "school_id" uuid not null, "school_class_id" uuid not null, "shown_name" text not null, "start_step_id" uuid not null, "joined_on" date not null, "left_on" date null, constraint "pupil_pkey" primary key ("id"))`,
    );
    this.addSql(`create index "pupil_school_id_index" on "pupil" ("school_id")`);
    this.addSql(`create index "pupil_school_class_id_index" on "pupil" ("school_class_id")`);
    this.addSql(
      `create table "record_event" ("id" uuid not null, "school_id" uuid not null, "school_class_id" uuid not null, "account_id" uuid not null, "kind" text check ("kind" in ('heard', 'undone')) not null, "pupil_id" uuid not null, "step_id" uuid not null, "outcome" text null, "remarks" jsonb not null, "undoes" uuid null, "heard_at" timestamptz not null, "received_at" timestamptz not null, constraint "record_event_pkey" primary key ("id"))`,
    );
    this.addSql(`create index "record_event_school_class_id_index" on "record_event" ("school_class_id")`);
    this.addSql(`create index "record_event_undoes_index" on "record_event" ("undoes")`);
    this.addSql(
      `alter table "account" add constraint "account_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "session" add constraint "session_account_id_foreign" foreign key ("account_id") references "account" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "staircase" add constraint "staircase_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "term" add constraint "term_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "school_class" add constraint "school_class_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "school_class" add constraint "school_class_term_id_foreign" foreign key ("term_id") references "term" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "school_class" add constraint "school_class_staircase_id_foreign" foreign key ("staircase_id") references "staircase" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "tune" add constraint "tune_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "step" add constraint "step_staircase_id_foreign" foreign key ("staircase_id") references "staircase" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "step" add constraint "step_tune_id_foreign" foreign key ("tune_id") references "tune" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "pupil" add constraint "pupil_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "pupil" add constraint "pupil_school_class_id_foreign" foreign key ("school_class_id") references "school_class" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "pupil" add constraint "pupil_start_step_id_foreign" foreign key ("start_step_id") references "step" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "record_event" add constraint "record_event_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "record_event" add constraint "record_event_school_class_id_foreign" foreign key ("school_class_id") references "school_class" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "record_event" add constraint "record_event_account_id_foreign" foreign key ("account_id") references "account" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "record_event" add constraint "record_event_pupil_id_foreign" foreign key ("pupil_id") references "pupil" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "record_event" add constraint "record_event_step_id_foreign" foreign key ("step_id") references "step" ("id") on update cascade`,
    );
    this.addSql(
      `alter table "record_event" add constraint "record_event_whole" check ((kind = 'heard' and outcome in ('passed', 'nearly', 'not-yet') and undoes is null) or (kind = 'undone' and outcome is null and undoes is not null))`,
    );
    this.addSql(
      `create function record_event_is_kept() returns trigger language plpgsql as $$ begin raise exception 'records are never changed'; end $$`,
    );
    this.addSql(
      `create trigger record_event_kept before update or delete on "record_event" for each row execute function record_event_is_kept()`,
    );
  }
}
