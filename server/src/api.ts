/** The types that the web shares with the server: no code crosses. */
export type { Api } from './app.ts';
export type { Imported } from './features/archive/index.ts';
export type { Condition, Owner } from '@escalier/core/instruments';
