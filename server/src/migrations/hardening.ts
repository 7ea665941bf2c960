import { Migration } from '@mikro-orm/migrations';

const VERSIONED = [
  'account',
  'belt_stock',
  'class_tune',
  'instrument',
  'pupil',
  'school',
  'school_class',
  'term',
  'tune',
];

/**
 * Versions of what people edit, so that a stale form changes nothing silently; devices that are known again; the key that
 * seals a device's unsent records; the code of a first run; what a belt took from the stock; reasons in free words go
 * with an erased pupil; standings that are kept, so that a large school opens at once.
 */
export class Hardening extends Migration {
  override up(): void {
    for (const table of VERSIONED) this.addSql(`alter table "${table}" add column "version" int not null default 1;`);
    this.addSql(
      `create table "known_device" ("token_hash" text not null, "account_id" uuid not null, "seen_at" timestamptz not null, constraint "known_device_pkey" primary key ("token_hash", "account_id"));`,
    );
    this.addSql(`create index "known_device_account_id_index" on "known_device" ("account_id");`);
    this.addSql(`create index "known_device_seen_at_index" on "known_device" ("seen_at");`);
    this.addSql(
      `alter table "known_device" add constraint "known_device_account_id_foreign" foreign key ("account_id") references "account" ("id") on update cascade on delete cascade;`,
    );
    // gen_random_uuid() is the one source of strong chance that PostgreSQL brings without an extension.
    this.addSql(`alter table "account" add column "seal_key" text not null default '';`);
    this.addSql(
      `update "account" set "seal_key" = translate(encode(decode(replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''), 'hex'), 'base64'), '+/=', '-_');`,
    );
    this.addSql(`alter table "account" alter column "seal_key" drop default;`);
    this.addSql(`create table "setup_code" ("code" text not null, constraint "setup_code_pkey" primary key ("code"));`);
    this.addSql(`alter table "belt_given" add column "taken" int not null default 0;`);
    this.addSql(`create table "kept_standing" ("pupil_id" uuid not null, "records" int not null, "rules" text not null, "standing" jsonb not null, constraint "kept_standing_pkey" primary key ("pupil_id"));`);
    this.addSql(`alter table "kept_standing" add constraint "kept_standing_pupil_id_foreign" foreign key ("pupil_id") references "pupil" ("id") on update cascade on delete cascade;`);
    this.addSql(`delete from "sign_in_try";`);
    this.addSql(
      `create or replace function record_event_is_kept() returns trigger language plpgsql as $$ begin if tg_op = 'UPDATE' and new."reason" = '' and (to_jsonb(new) - 'reason') = (to_jsonb(old) - 'reason') then return new; end if; raise exception 'records are never changed'; end $$`,
    );
  }
}
