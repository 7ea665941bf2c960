import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
/** What belongs to this checkout's installation and is never in git: the database, the builds. */
export const STATE = join(ROOT, '.escalier');
/** The database with its passwords, the log and the copies: elsewhere where ESCALIER_DATA says so. */
export const DATA_FOLDER = process.env.ESCALIER_DATA ?? STATE;
export const WEB_BUILD = join(STATE, 'web');
export const SERVER_BUILD = join(STATE, 'server', 'main.mjs');
/** The core at a terminal; its parts lie beside it. */
export const CLI_BUILD = join(STATE, 'cli', 'main.mjs');
/** What the server writes of its own errors; never a name of a child. */
export const LOGS = join(DATA_FOLDER, 'log');
/** Copies of the database, and beside them the list of what was erased. */
export const COPIES = join(DATA_FOLDER, 'backups');
export const RESTORED_BUILD = join(STATE, 'server', 'restored.mjs');
export const TUNES = join(ROOT, 'demo', 'tunes');
export const binary = (name) => join(ROOT, 'node_modules', '.bin', name);
