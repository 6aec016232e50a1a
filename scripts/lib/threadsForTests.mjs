import { dirname } from "node:path";
import { fileURLToPath } from "node:url";
import { buildThreads } from "./threads.mjs";

/** Server modules under test compute in the same threads as the program. */
export default async function setup() {
  await buildThreads(dirname(dirname(dirname(fileURLToPath(import.meta.url)))));
}
