import { Migration } from '@mikro-orm/migrations';

/** A sentence of earlier versions, and the fact that it says: groups of the pattern are the texts of the fact. */
const SAID: readonly (readonly [code: string, pattern: string, texts?: readonly string[]])[] = [
  ['signed-in', '^Signed in$'],
  ['own-password-changed', '^Own password changed$'],
  ['school-exported', '^The school exported as an archive$'],
  ['tables-exported', '^The school exported as CSV files$'],
  ['letters-changed', '^Words of letters and certificates$'],
  ['remarks-changed', '^Remarks at hearing$'],
  ['cautions-changed', '^Cautions of the school$'],
  ['belt-stock-changed', '^Belts in stock$'],
  ['recording-erased', '^A recording erased$'],
  ['pupil-erased', '^The personal data of a pupil erased$'],
  ['about-erased-pupil', '^A pupil whose data was erased$'],
  ['rooms-allowed', '^Practice rooms allowed$'],
  ['rooms-forbidden', '^Practice rooms closed for the whole school$'],
  ['school-set-up', '^(.*): set up$', ['name']],
  ['staircase-made', '^Staircase “(.*)” made$', ['name']],
  ['staircase-changed', '^Staircase “(.*)” changed$', ['name']],
  ['staircase-deleted', '^Staircase “(.*)” deleted$', ['name']],
  ['tune-added', '^Tune “(.*)” added$', ['title']],
  ['tune-changed', '^Tune “(.*)” changed$', ['title']],
  ['tune-restored', '^Tune “(.*)” restored$', ['title']],
  ['tune-archived', '^Tune “(.*)” archived$', ['title']],
  ['tune-deleted', '^Tune “(.*)” deleted$', ['title']],
  ['class-made', '^(.*): class made$', ['name']],
  ['class-note', '^(.*): own words about ([A-G][#b]*\\d)$', ['name', 'note']],
  ['class-staircase', '^(.*): staircase “(.*)”$', ['name', 'staircase']],
  ['class-tune', '^(.*): “(.*)”$', ['name', 'title']],
  ['room-closed', '^(.*): practice room closed$', ['name']],
  ['room-opened', '^(.*): practice room open until (\\S+)$', ['name', 'until']],
  ['task-set', '^(.*): something set for the week$', ['name']],
  ['task-cleared', '^(.*): nothing set for the week$', ['name']],
  ['slips-made', '^(.*): slips for the practice room made$', ['name']],
  ['term-made', '^(.*): term made$', ['name']],
  ['calendar-opened', '^(.*): address of the calendar opened$', ['name']],
  ['calendar-closed', '^(.*): address of the calendar closed$', ['name']],
  ['lesson-lost', '^(.*): lesson of (\\d{4}-\\d\\d-\\d\\d) lost, (.*)$', ['name', 'date', 'reason']],
  ['lesson-restored', '^(.*): lesson of (\\d{4}-\\d\\d-\\d\\d) held after all$', ['name', 'date']],
  ['pupil-away', '^(.*): away on (\\d{4}-\\d\\d-\\d\\d)$', ['name', 'date']],
  ['pupil-here', '^(.*): here on (\\d{4}-\\d\\d-\\d\\d)$', ['name', 'date']],
  ['pupil-moved', '^(.*): moved from (.*) to (.*)$', ['name', 'from', 'to']],
  ['belt-given', '^(.*): (\\S+) belt handed out$', ['name', 'belt']],
  ['belt-taken-back', '^(.*): (\\S+) belt not handed out after all$', ['name', 'belt']],
  ['recording-answered', '^(.*): recording answered in writing$', ['name']],
  ['recording-spoken-answer', '^(.*): recording answered by voice$', ['name']],
  ['recording-words-erased', '^(.*): recording words erased$', ['name']],
  ['recording-spoken-answer-erased', '^(.*): recording spoken answer erased$', ['name']],
  ['person-invited', '^(.*): invited as (\\w+)$', ['name', 'role']],
  ['person-joined', '^(.*): came by invitation as (\\w+)$', ['name', 'role']],
  ['password-link-made', '^(.*): link for a new password$', ['name']],
  ['password-set-by-link', '^(.*): new password by a link$', ['name']],
  ['link-withdrawn', '^(.*): link withdrawn$', ['name']],
];

/** The list of changes keeps facts; what was a sentence becomes one as far as it is known, and stays a sentence else. */
export class ChangesAreFacts extends Migration {
  override up(): void {
    this.addSql(`alter table "change" add column "what" jsonb null;`);
    for (const [code, pattern, texts = []] of SAID) {
      const facts = texts.map((name, index) => `, '${name}', (regexp_match("words", $p$${pattern}$p$))[${index + 1}]`);
      this.addSql(`
        update "change" set "what" = jsonb_build_object('code', '${code}'${facts.join('')})
        where "what" is null and "words" ~ $p$${pattern}$p$;`);
    }
    this.addSql(`
      update "change" set "what" = jsonb_build_object('code', 'in-words', 'words', "words") where "what" is null;`);
    this.addSql(`alter table "change" alter column "what" set not null, drop column "words";`);
  }
}
