import { t } from './messages.ts';
const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Edg\//, t('device-words.edge')],
  [/Firefox\//, t('device-words.firefox')],
  [/Chrom(e|ium)\//, t('device-words.chrome')],
  [/Safari\//, t('device-words.safari')],
];
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPad/, 'iPad'],
  [/iPhone/, 'iPhone'],
  [/Android/, t('device-words.android')],
  [/CrOS/, t('device-words.chromebook')],
  [/Windows/, t('device-words.windows')],
  [/Mac OS X/, t('device-words.mac')],
  [/Linux/, t('device-words.linux')],
];

/** "Firefox, Linux": what a person calls the device that the browser describes. */
export function deviceWords(userAgent: string): string {
  const found = [BROWSERS, SYSTEMS].flatMap((all) => all.find(([pattern]) => pattern.test(userAgent))?.[1] ?? []);
  return found.length === 0 ? t('device-words.a-device') : found.join(', ');
}
