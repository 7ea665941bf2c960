import { Migration } from '@mikro-orm/migrations';

/**
 * What was erased, by ids alone, so that a copy which is brought back can be cleaned again. Out of the words of a record or
 * a lesson a name may be taken, in a transaction that says that it erases; all else of them is kept as it was.
 */
export class Erasures extends Migration {
  override up(): void {
    this.addSql(
      `create table if not exists "erasure" ("kind" text not null, "key" text not null, "at" timestamptz not null, constraint "erasure_pkey" primary key ("kind", "key"));`,
    );
    this.addSql(
      `insert into "erasure" ("kind", "key", "at") select 'pupil', "id"::text, "erased_at" from "pupil" where "erased_at" is not null on conflict do nothing;`,
    );
    this.addSql(
      `create or replace function record_event_is_kept() returns trigger language plpgsql as $$ begin if tg_op = 'UPDATE' and (new."reason" = '' or current_setting('escalier.erasing', true) = 'on') and (to_jsonb(new) - 'reason') = (to_jsonb(old) - 'reason') then return new; end if; raise exception 'records are never changed'; end $$`,
    );
    this.addSql(
      `create or replace function lesson_event_is_kept() returns trigger language plpgsql as $$ begin if tg_op = 'UPDATE' and current_setting('escalier.erasing', true) = 'on' and (to_jsonb(new) - 'content') = (to_jsonb(old) - 'content') then return new; end if; raise exception 'what happened in a lesson is never changed'; end $$`,
    );
  }
}
