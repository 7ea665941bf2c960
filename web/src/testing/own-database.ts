import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';

/** Gives the file that imports this an empty database of its own; `own-modules.ts` takes it away at its end. */
Object.defineProperty(globalThis, 'indexedDB', { value: new IDBFactory(), configurable: true, writable: true });
