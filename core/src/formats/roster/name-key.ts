/**
 * By which two names of a class are the same: however they are typed, on whatever machine. Capitals, spaces and the two ways
 * of writing an accent make no difference.
 */
export function nameKey(name: string): string {
  return name.normalize('NFC').trim().replace(/\s+/gu, ' ').toLowerCase();
}
