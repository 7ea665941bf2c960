import { Migration } from '@mikro-orm/migrations';

/** The school's own remarks are called what they are everywhere; a tune that results name can be archived. */
export class HouseCleaning extends Migration {
  override up(): void {
    this.addSql(`alter table "school" rename column "faults" to "remarks";`);
    this.addSql(`alter table "tune" add column "archived" boolean not null default false;`);
  }
}
