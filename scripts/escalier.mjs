import { ensureCli } from './lib/cli.mjs';
import { Refusal } from './lib/say.mjs';

/** The core at a terminal, where the person stands, so that file names mean what they say. */
try {
  const main = ensureCli(process.argv.slice(2));
  if (process.env.INIT_CWD !== undefined) process.chdir(process.env.INIT_CWD);
  await import(main);
} catch (error) {
  console.error(error instanceof Refusal ? `escalier: ${error.message}` : error);
  process.exitCode = error instanceof Refusal ? 1 : 2;
}
