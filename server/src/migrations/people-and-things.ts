import { Migration } from '@mikro-orm/migrations';

/**
 * Roles and invitations, waiting after wrong passwords, sessions that are listed, who changed what; instruments and
 * belts in stock; pupils whose personal data was erased; what passing
 * means and the practice ladder. Who has an account owns the school; everybody signs in anew.
 */
export class PeopleAndThings extends Migration {
  override up(): void {
    this.addSql(
      `create table "instrument" ("id" uuid not null, "school_id" uuid not null, "number" int not null, "kind" text not null, "owner" text check ("owner" in ('school', 'pupil')) not null, "condition" text check ("condition" in ('good', 'worn', 'broken', 'lost')) not null, "note" text not null, "cleaned_at" timestamptz null, constraint "instrument_pkey" primary key ("id"));`,
    );
    this.addSql(`create index "instrument_school_id_index" on "instrument" ("school_id");`);
    this.addSql(
      `alter table "instrument" add constraint "instrument_school_id_kind_number_unique" unique ("school_id", "kind", "number");`,
    );
    this.addSql(
      `create table "belt_stock" ("school_id" uuid not null, "belt" text not null, "way" text check ("way" in ('pieces', 'cord')) not null, "on_hand" int not null, "cm_each" int not null, "reserve_percent" int not null, constraint "belt_stock_pkey" primary key ("school_id", "belt"));`,
    );
    this.addSql(
      `create table "invitation" ("id" uuid not null, "school_id" uuid not null, "token_hash" text not null, "account_id" uuid null, "name" text not null, "role" text check ("role" in ('owner', 'teacher', 'assistant')) not null, "class_ids" jsonb not null, "created_at" timestamptz not null, "expires_at" timestamptz not null, constraint "invitation_pkey" primary key ("id"));`,
    );
    this.addSql(`create index "invitation_school_id_index" on "invitation" ("school_id");`);
    this.addSql(`alter table "invitation" add constraint "invitation_token_hash_unique" unique ("token_hash");`);
    this.addSql(
      `create table "change" ("id" uuid not null, "school_id" uuid not null, "account_id" uuid not null, "at" timestamptz not null default now(), "about" uuid null, "words" text not null, constraint "change_pkey" primary key ("id"));`,
    );
    this.addSql(`create index "change_school_id_index" on "change" ("school_id");`);
    this.addSql(`create index "change_about_index" on "change" ("about");`);
    this.addSql(
      `create table "sign_in_try" ("key" text not null, "failures" int not null, "last_at" timestamptz not null, "wait_until" timestamptz not null, constraint "sign_in_try_pkey" primary key ("key"));`,
    );
    this.addSql(
      `create table "class_teacher" ("school_class_id" uuid not null, "account_id" uuid not null, constraint "class_teacher_pkey" primary key ("school_class_id", "account_id"));`,
    );
    this.addSql(`create index "class_teacher_account_id_index" on "class_teacher" ("account_id");`);
    this.addSql(
      `create table "loan" ("id" uuid not null, "instrument_id" uuid not null, "pupil_id" uuid not null, "lent_on" date not null, "returned_on" date null, constraint "loan_pkey" primary key ("id"));`,
    );
    this.addSql(`create index "loan_instrument_id_index" on "loan" ("instrument_id");`);
    this.addSql(`create index "loan_pupil_id_index" on "loan" ("pupil_id");`);
    this.addSql(
      `alter table "instrument" add constraint "instrument_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "belt_stock" add constraint "belt_stock_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "invitation" add constraint "invitation_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "invitation" add constraint "invitation_account_id_foreign" foreign key ("account_id") references "account" ("id") on update cascade on delete set null;`,
    );
    this.addSql(
      `alter table "change" add constraint "change_school_id_foreign" foreign key ("school_id") references "school" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "change" add constraint "change_account_id_foreign" foreign key ("account_id") references "account" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "class_teacher" add constraint "class_teacher_school_class_id_foreign" foreign key ("school_class_id") references "school_class" ("id") on update cascade on delete cascade;`,
    );
    this.addSql(
      `alter table "class_teacher" add constraint "class_teacher_account_id_foreign" foreign key ("account_id") references "account" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "loan" add constraint "loan_instrument_id_foreign" foreign key ("instrument_id") references "instrument" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "loan" add constraint "loan_pupil_id_foreign" foreign key ("pupil_id") references "pupil" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "account" add column "role" text check ("role" in ('owner', 'teacher', 'assistant')) not null default 'owner', add column "closed_at" timestamptz null;`,
    );
    this.addSql(`alter table "account" alter column "role" drop default;`);
    this.addSql(`delete from "session";`);
    this.addSql(
      `alter table "session" add column "id" uuid not null, add column "device" text not null, add column "seen_at" timestamptz not null;`,
    );
    this.addSql(`alter table "session" add constraint "session_id_unique" unique ("id");`);
    this.addSql(`alter table "pupil" add column "erased_at" timestamptz null;`);
    this.addSql(
      `update "school_class" set "style" = "style" || '{"passRule": "both", "ladder": ["say", "clap", "finger", "spot", "whole"]}'::jsonb where "style" -> 'ladder' is null;`,
    );
    this.addSql(`create index "record_event_school_id_pupil_id_index" on "record_event" ("school_id", "pupil_id");`);
  }
}
