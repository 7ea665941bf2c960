/** The time zone of this device. */
export const LOCAL_ZONE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** All that the browser knows, by name. */
export function zones(): readonly string[] {
  return [...new Set([LOCAL_ZONE, ...Intl.supportedValuesOf('timeZone'), 'UTC'])].toSorted();
}
