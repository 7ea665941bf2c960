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
