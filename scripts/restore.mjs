#!/usr/bin/env node
/* npm run restore [-- FILE]: puts a dump back, the newest one when none is named. Replaces what is there. */
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { configuredUrl, newestBackup, restoreDatabase } from "./lib/database.mjs";
import { Failure, main, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
await main(async () => {
  const path = process.argv[2] ?? newestBackup(join(root, ".data/backups"));
  if (!path) throw new Failure("There is no backup to restore. Make one with: npm run backup");
  await restoreDatabase(configuredUrl(root), path);
  say(`Restored from ${path}`);
});
