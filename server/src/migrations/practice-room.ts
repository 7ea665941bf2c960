import { Migration } from '@mikro-orm/migrations';

/** Rooms of classes, doors of pupils and what opens them; recordings that come from home. */
export class PracticeRoom extends Migration {
  override up(): void {
    this.addSql(`alter table "school" add column "room_allowed" boolean not null default false;`);
    this.addSql(
      `create table "room" ("school_class_id" uuid not null, "school_id" uuid not null, "until" date not null, "task" jsonb null, primary key ("school_class_id"));`,
    );
    this.addSql(`create index "room_school_id_index" on "room" ("school_id");`);
    this.addSql(
      `create table "door" ("pupil_id" uuid not null, "school_id" uuid not null, "school_class_id" uuid not null, "picture_name" text not null, "words_hash" text not null, "made_at" timestamptz not null, primary key ("pupil_id"));`,
    );
    this.addSql(`create index "door_school_class_id_index" on "door" ("school_class_id");`);
    this.addSql(`alter table "door" add constraint "door_words_hash_unique" unique ("words_hash");`);
    this.addSql(
      `create table "door_key" ("token_hash" text not null, "by_words" boolean not null, "door_pupil_id" uuid not null, "made_at" timestamptz not null, primary key ("token_hash"));`,
    );
    this.addSql(`create index "door_key_door_pupil_id_index" on "door_key" ("door_pupil_id");`);
    for (const [table, column, to, target, rule] of [
      ['room', 'school_class_id', 'school_class', 'id', ' on delete cascade'],
      ['room', 'school_id', 'school', 'id', ''],
      ['door', 'pupil_id', 'pupil', 'id', ' on delete cascade'],
      ['door', 'school_id', 'school', 'id', ''],
      ['door', 'school_class_id', 'school_class', 'id', ''],
      ['door_key', 'door_pupil_id', 'door', 'pupil_id', ' on delete cascade'],
    ] as const)
      this.addSql(
        `alter table "${table}" add constraint "${table}_${column}_foreign" foreign key ("${column}") references "${to}" ("${target}") on update cascade${rule};`,
      );
    this.addSql(
      `alter table "recording" alter column "account_id" drop not null, add column "from_home" boolean not null default false;`,
    );
  }
}
