/** The calendar day in a time zone at a moment, `2026-03-03`. */
export function localDay(moment: Date, timeZone: string): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(
    moment,
  );
}

/** "3 Mar, 10:20": a moment in a time zone. */
export function shortMoment(moment: string, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    timeZone,
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(moment));
}
