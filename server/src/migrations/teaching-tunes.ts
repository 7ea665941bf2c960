import { Migration } from '@mikro-orm/migrations';

/**
 * How classes are taught where teachers differ further, what they bring, their own words about notes and their book;
 * where in a tune a pupil went wrong, and hearings of a part of it; colours of a school; a pupil's own breath.
 */
export class TeachingTunes extends Migration {
  override up(): void {
    this.addSql(
      `update "school_class" set "style" = "style" || '{"teaching": {"rows": [], "syncopation": "syn-co-pa", "restWord": "", "tongue": "doo", "rightHand": "carries", "repeats": "play", "firstNotes": "one", "echo": {"turns": 2, "sight": "shown"}, "chunkBeats": 4, "challenge": false, "parts": "whole", "coloured": false, "fingerings": {}, "book": "", "bring": ""}}';`,
    );
    this.addSql(
      `alter table "school_class" add column "brings" jsonb not null default '{"notes": [], "elements": [], "signs": [], "moves": [], "tuneIds": []}';`,
    );
    this.addSql(`alter table "class_tune" add column "book_page" text not null default '';`);
    this.addSql(
      `create table "class_note" ("school_class_id" uuid not null, "note" text not null, "hint" text not null, "book_page" text not null, "version" int not null default 1, primary key ("school_class_id", "note"));`,
    );
    this.addSql(
      `alter table "class_note" add constraint "class_note_school_class_id_foreign" foreign key ("school_class_id") references "school_class" ("id") on update cascade;`,
    );
    this.addSql(`alter table "record_event" add column "faults" jsonb null, add column "extent" jsonb null;`);
    this.addSql(`alter table "school" add column "note_colours" jsonb null;`);
    this.addSql(`alter table "pupil" add column "breath_seconds" int null;`);
  }
}
