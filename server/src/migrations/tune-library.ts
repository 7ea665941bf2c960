import { Migration } from '@mikro-orm/migrations';

/** What a class changes for itself in a tune, and the content by which a tune is known again. */
export class TuneLibrary extends Migration {
  override up(): void {
    this.addSql(
      `create table "class_tune" ("school_class_id" uuid not null, "tune_id" uuid not null, "breath_seconds" int not null, "breaths" jsonb null, constraint "class_tune_pkey" primary key ("school_class_id", "tune_id"));`,
    );
    this.addSql(
      `alter table "class_tune" add constraint "class_tune_school_class_id_foreign" foreign key ("school_class_id") references "school_class" ("id") on update cascade;`,
    );
    this.addSql(
      `alter table "class_tune" add constraint "class_tune_tune_id_foreign" foreign key ("tune_id") references "tune" ("id") on update cascade on delete cascade;`,
    );
    this.addSql(`alter table "tune" add column "content" text null;`);
    this.addSql(`alter table "tune" add constraint "tune_school_id_content_unique" unique ("school_id", "content");`);
  }
}
