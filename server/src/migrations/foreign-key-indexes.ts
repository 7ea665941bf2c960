import { Migration } from '@mikro-orm/migrations';

/** Where a row is looked for, or erased with another, by what it points to: without these each such row is a walk through all. */
export class ForeignKeyIndexes extends Migration {
  override up(): void {
    this.addSql(`create index "school_class_term_id_index" on "school_class" ("term_id");`);
    this.addSql(`create index "school_class_staircase_id_index" on "school_class" ("staircase_id");`);
    this.addSql(`create index "step_tune_id_index" on "step" ("tune_id");`);
    this.addSql(`create index "step_tune_tune_id_index" on "step_tune" ("tune_id");`);
    this.addSql(`create index "pupil_start_step_id_index" on "pupil" ("start_step_id");`);
    this.addSql(`create index "pupil_move_from_class_id_index" on "pupil_move" ("from_class_id");`);
    this.addSql(`create index "pupil_move_to_class_id_index" on "pupil_move" ("to_class_id");`);
    this.addSql(`create index "door_school_id_index" on "door" ("school_id");`);
    this.addSql(`create index "belt_given_step_id_index" on "belt_given" ("step_id");`);
    this.addSql(`create index "recording_pupil_id_index" on "recording" ("pupil_id");`);
    this.addSql(`create index "recording_step_id_index" on "recording" ("step_id");`);
    this.addSql(`create index "recording_tune_id_index" on "recording" ("tune_id");`);
    this.addSql(`create index "record_event_step_id_index" on "record_event" ("step_id");`);
    this.addSql(`create index "record_event_tune_id_index" on "record_event" ("tune_id");`);
    this.addSql(`create index "class_tune_tune_id_index" on "class_tune" ("tune_id");`);
  }
}
