/** The id of a written note or rest in exported and engraved music: part, bar index, event index. */
export function eventId(part: number, barIndex: number, eventIndex: number): string {
  return `n${part}-${barIndex}-${eventIndex}`;
}

/** The place that the id of a written note or rest names; null for what is no such id, or of another part. */
export function placeOfId(id: string, part = 0): { readonly barIndex: number; readonly eventIndex: number } | null {
  const match = /^n(\d+)-(\d+)-(\d+)$/.exec(id);
  if (match === null || Number(match[1]) !== part) return null;
  return { barIndex: Number(match[2]), eventIndex: Number(match[3]) };
}

export function barId(barIndex: number): string {
  return `b${barIndex}`;
}
