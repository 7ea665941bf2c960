import { z } from 'zod';

const ZONES = new Set([...Intl.supportedValuesOf('timeZone'), 'UTC']);

/** An IANA name that this server's dates know. */
export const timeZone = z.string().refine((name) => ZONES.has(name), 'A time zone such as Europe/London.');
