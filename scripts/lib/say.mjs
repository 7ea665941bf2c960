/** A refusal that needs no stack: one sentence that says what to do. */
export class Refusal extends Error {}

export function say(text) {
  console.log(text);
}

/** Runs a script's main function; a refusal is printed as it is, anything else with its stack. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    console.error(error instanceof Refusal ? `Escalier: ${error.message}` : error);
    process.exitCode = 1;
  }
}
