/** The id of a written note or rest in exported and engraved music: part, bar index, event index. */
export function eventId(part: number, barIndex: number, eventIndex: number): string {
  return `n${part}-${barIndex}-${eventIndex}`;
}

export function barId(barIndex: number): string {
  return `b${barIndex}`;
}
