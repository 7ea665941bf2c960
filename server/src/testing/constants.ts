import { fileURLToPath } from 'node:url';

export const TUNES_FOLDER = fileURLToPath(new URL('../../../demo/tunes', import.meta.url));

/** A Tuesday in term, ten in the morning. */
export const TEST_NOW = new Date('2026-03-03T10:00:00Z');
