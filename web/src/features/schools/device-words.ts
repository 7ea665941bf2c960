const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrom(e|ium)\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, 'Android'],
  [/CrOS/, 'Chromebook'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'Mac'],
  [/Linux/, 'Linux'],
];

/** "Firefox, Linux": what a person calls the device that the browser describes. */
export function deviceWords(userAgent: string): string {
  const found = [BROWSERS, SYSTEMS].flatMap((all) => all.find(([pattern]) => pattern.test(userAgent))?.[1] ?? []);
  return found.length === 0 ? 'A device' : found.join(', ');
}
