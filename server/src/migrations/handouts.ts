import { Migration } from '@mikro-orm/migrations';

/** How large a pupil's sheets are, who plays the easier line, and the school's own words for letters and certificates. */
export class Handouts extends Migration {
  override up(): void {
    this.addSql(
      `alter table "pupil" add column "print_size" text not null default 'medium', add column "easier_line" boolean not null default false;`,
    );
    this.addSql(`alter table "school" add column "templates" jsonb null;`);
  }
}
