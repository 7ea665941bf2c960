/** Builds the server and the pages as far as they have changed. */
import { buildProduct } from './lib/product.mjs';
import { run } from './lib/say.mjs';

await run(buildProduct);
