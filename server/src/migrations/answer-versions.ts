import { Migration } from '@mikro-orm/migrations';

/** Answers to recordings and a class's task for the week say which state of them somebody has before them. */
export class AnswerVersions extends Migration {
  override up(): void {
    this.addSql(`alter table "recording" add column "answer_version" int not null default 0;`);
    this.addSql(`alter table "room" add column "version" int not null default 0;`);
  }
}
