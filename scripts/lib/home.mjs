import { existsSync } from "node:fs";
import { join, resolve } from "node:path";

/** Where a gym's own cluster, secrets and backups live; GARRISON_HOME, else a folder of its own beside the demo's. */
export const gymHome = (root) => resolve(process.env.GARRISON_HOME || join(root, ".gym"));

/** Where the demonstration's live. */
export const demoHome = (root) => join(root, ".data");

/** The home that a command without a choice means: GARRISON_HOME, else the gym's where there is one, else the demo's. */
export const homeOf = (root) =>
  process.env.GARRISON_HOME || existsSync(gymHome(root)) ? gymHome(root) : demoHome(root);
