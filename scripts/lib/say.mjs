/** A reason to stop that is told in one sentence, without a stack. */
export class Failure extends Error {}

/** Prints a line of progress. */
export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** Runs the main function; a Failure ends the process with its sentence, anything else with its stack. */
export async function main(work) {
  try {
    await work();
  } catch (error) {
    console.error(error instanceof Failure ? `Garrison: ${error.message}` : error);
    process.exitCode = 1;
  }
}
