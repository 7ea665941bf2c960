import type { LocalDate } from '@escalier/core/calendar';
import { z } from 'zod';

/** NUL and half characters have no place in a database; other control signs have none in a name or a note. */
const UNSTORABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;

function isStorable(text: string): boolean {
  return text.isWellFormed() && !UNSTORABLE.test(text);
}

/** Any text of a person or a file; how long it may be is the field's own affair. */
export function text() {
  return z.string().refine(isStorable, 'not-storable');
}

const [FIRST_YEAR, LAST_YEAR] = ['1900', '2200'];

function isInOurTime(iso: string): boolean {
  return iso >= FIRST_YEAR && iso < LAST_YEAR;
}

/** A calendar day, `2026-01-31`. */
export const localDate = z.iso
  .date('not-date')
  .refine(isInOurTime, 'out-of-time')
  .transform((date) => date as LocalDate);

/** A moment in UTC, ISO 8601. */
export const moment = z.iso.datetime('not-date').refine(isInOurTime, 'out-of-time');

/** A secret at the end of an address. */
export const linkToken = z.string().regex(/^[\w-]{20,60}$/);

/** What fits a whole number of the database. */
export const whole = z.int().min(0).max(1_000_000);

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

/** An IANA name that this server's dates know. */
export const timeZone = z.string().max(60).refine(isZone, 'not-zone');
