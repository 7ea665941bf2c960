import { Migration } from '@mikro-orm/migrations';

/** What the services see to holds in the database too, whoever writes into it. */
export class RulesInTheDatabase extends Migration {
  override up(): void {
    // A pupil is of the school of the class.
    this.addSql(`alter table "school_class" add constraint "school_class_id_school_unique" unique ("id", "school_id");`);
    this.addSql(`
      alter table "pupil" add constraint "pupil_class_of_school_foreign"
        foreign key ("school_class_id", "school_id") references "school_class" ("id", "school_id") on update cascade;`);
    // What is taken back or corrected is a record.
    this.addSql(`
      alter table "record_event"
        add constraint "record_event_undoes_foreign" foreign key ("undoes") references "record_event" ("id"),
        add constraint "record_event_corrects_foreign" foreign key ("corrects") references "record_event" ("id");`);
    this.addSql(`create index "record_event_corrects_index" on "record_event" ("corrects") where "corrects" is not null;`);
    // Steps change places in one statement after the other, and stand in order in the end.
    this.addSql(`alter table "step" drop constraint "step_staircase_id_position_unique";`);
    this.addSql(`
      alter table "step" add constraint "step_staircase_id_position_unique"
        unique ("staircase_id", "position") deferrable initially immediate;`);
    // Nobody holds the same instrument twice at once.
    this.addSql(`
      create unique index "loan_open_unique" on "loan" ("instrument_id", "pupil_id") where "returned_on" is null;`);
  }
}
