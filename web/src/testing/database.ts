import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';

/** An empty database in the browser for the tests of one file: `import '../testing/database.ts';`. */
Object.assign(globalThis, { indexedDB: new IDBFactory() });
