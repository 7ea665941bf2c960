import { MOST_BARS, parsePitch } from '@escalier/core/music';
import type { LocalDate } from '@escalier/core/calendar';
import * as z from 'zod/mini';

/** What a schema reads, as nobody may change it: the type of an answer. */
export type ReadOf<Schema extends z.ZodMiniType> = DeepReadonly<z.output<Schema>>;

type Plain = string | number | boolean | bigint | null | undefined | Date;
export type DeepReadonly<T> = T extends Plain ? T : { readonly [Key in keyof T]: DeepReadonly<T[Key]> };

/** NUL and half characters have no place in a database; other control signs have none in a name or a remark. */
const UNSTORABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;

function isStorable(text: string): boolean {
  return text.isWellFormed() && !UNSTORABLE.test(text);
}

/** Any text of a person or a file; how long it may be is the field's own affair. */
export function text() {
  return z.string().check(z.refine(isStorable, 'not-storable'));
}

/** Text that a person typed into a line or a box, without the blanks around it. */
export function typed(least: number, most: number) {
  return text().check(z.trim(), z.minLength(least), z.maxLength(most));
}

/** A list in which no two have the same key. */
export function different<Item extends z.ZodMiniType>(
  items: z.ZodMiniArray<Item>,
  key: (item: z.output<Item>) => unknown,
) {
  return items.check(z.refine((list: z.output<Item>[]) => new Set(list.map(key)).size === list.length, 'twice'));
}

/** An id that somebody sends. */
export const uuid = z.uuid();
/** An id as the server gives it: whoever gets it hands it back as it is. */
export const id = z.string().check(z.minLength(1), z.meta({ format: 'uuid' }));
/** UUID v7 made by the device: what is sent twice is stored once. */
export const madeId = z.uuidv7();
export const idParam = z.object({ id: uuid });

const [FIRST_YEAR, LAST_YEAR] = ['1900', '2200'];

function isInOurTime(iso: string): boolean {
  return iso >= FIRST_YEAR && iso < LAST_YEAR;
}

/** A calendar day, `2026-01-31`. */
export const localDate = z.pipe(
  z.iso.date('not-date').check(z.refine(isInOurTime, 'out-of-time')),
  z.transform((date) => date as LocalDate),
);

/** A moment in UTC, ISO 8601. */
export const moment = z.iso.datetime('not-date').check(z.refine(isInOurTime, 'out-of-time'));

/** A moment as the server writes it: what its database holds may lie outside our time. */
export const writtenMoment = z.string();

/** Local time, `09:40`. */
export const timeOfDay = z.string().check(z.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'not-time'));

/** A secret at the end of an address. */
export const linkToken = z.string().check(z.regex(/^[\w-]{20,60}$/));

/** What fits a whole number of the database. */
export const whole = z.int().check(z.gte(0), z.lte(1_000_000));
export const count = z.int().check(z.gte(0));

/** A whole number in an address. */
export const countInAddress = (least: number, most: number) =>
  z.pipe(z.coerce.number(), z.int().check(z.gte(least), z.lte(most)));

/** Which state of a thing a form was filled from: goes out with it, and comes back with what was changed. */
export const version = z.int().check(z.gte(0), z.lte(2_000_000_000));

/** Browsers and servers list one of a zone's names (Asia/Kathmandu or Asia/Katmandu) and understand all of them. */
function isZone(name: string): boolean {
  if (!/^[A-Za-z]\w*(\/[\w+-]+)*$/.test(name)) return false;
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** An IANA name that this machine's dates know. */
export const timeZone = z.string().check(z.maxLength(60), z.refine(isZone, 'not-zone'));

export const email = z.email().check(z.maxLength(200));
export const personName = typed(1, 80);

/** Written pitch, `F#4`. */
export const noteName = z.string().check(z.refine((name) => parsePitch(name) !== null, 'not-note'));

export const bar = z.int().check(z.gte(0), z.lte(MOST_BARS));
/** First and last, of bars or of their indices. */
export const span = z.tuple([bar, bar]).check(z.refine(([first, last]) => first <= last, 'first-last'));

/** A school's own remark, or one of the usual ones. */
export const remarkId = z.string().check(z.regex(/^[a-z0-9-]{1,60}$/));

/** Somebody or something by name. */
export const named = z.object({ id, name: z.string() });

/** What a change answers that has nothing more to tell. */
export const done = z.object({ ok: z.literal(true) });
