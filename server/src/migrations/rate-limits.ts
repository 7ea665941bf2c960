import { Migration } from '@mikro-orm/migrations';

/** Tries and guesses are counted by rate-limiter-flexible, in the table that it wants. */
export class RateLimits extends Migration {
  override up(): void {
    this.addSql(`drop table if exists "sign_in_try";`);
    this.addSql(
      `create table if not exists "rate_limit" ("key" varchar(255) not null, "points" int not null default 0, "expire" bigint null, constraint "rate_limit_pkey" primary key ("key"));`,
    );
  }
}
