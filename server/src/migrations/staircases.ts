import { Migration } from '@mikro-orm/migrations';

/**
 * Staircases that teachers make and change: an order of notes, what passing a step means, what each tune is for; and
 * lessons that one class loses.
 */
export class Staircases extends Migration {
  override up(): void {
    this.addSql(
      `alter table "staircase" add column "note_order" jsonb not null default '[]', add column "version" int not null default 1;`,
    );
    this.addSql(`alter table "school_class" add column "lost" jsonb not null default '[]';`);
    this.addSql(
      `alter table "step" add column "pass_rule" jsonb not null default '{"tempo": null, "slips": null, "lookFor": []}';`,
    );
    this.addSql(
      `alter table "step_tune" add column "role" text check ("role" in ('choice', 'easier', 'extra')) not null default 'choice';`,
    );
  }
}
