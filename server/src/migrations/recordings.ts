import { Migration } from '@mikro-orm/migrations';

/** Recordings of pupils until they are erased, how long and how many a school keeps, and what was proposed by listening. */
export class Recordings extends Migration {
  override up(): void {
    this.addSql(`alter table "record_event" add column "listened" jsonb null;`);
    this.addSql(
      `alter table "school" add column "recording_days" int not null default 30, add column "recording_megabytes" int not null default 500;`,
    );
    this.addSql(
      `create table "recording" ("id" uuid not null, "school_id" uuid not null, "school_class_id" uuid not null, "pupil_id" uuid not null, "step_id" uuid not null, "tune_id" uuid not null, "account_id" uuid not null, "file_name" text not null, "type" text not null, "bytes" int not null, "seconds" double precision not null, "received_at" timestamptz not null, "heard" jsonb null, "words" text not null, "sound" bytea not null, primary key ("id"));`,
    );
    this.addSql(`create index "recording_school_id_index" on "recording" ("school_id");`);
    this.addSql(`create index "recording_school_class_id_index" on "recording" ("school_class_id");`);
    for (const [column, table, rule] of [
      ['school_id', 'school', ''],
      ['school_class_id', 'school_class', ''],
      ['pupil_id', 'pupil', ' on delete cascade'],
      ['step_id', 'step', ' on delete cascade'],
      ['tune_id', 'tune', ' on delete cascade'],
      ['account_id', 'account', ''],
    ] as const)
      this.addSql(
        `alter table "recording" add constraint "recording_${column}_foreign" foreign key ("${column}") references "${table}" ("id") on update cascade${rule};`,
      );
  }
}
