#!/usr/bin/env node
/* npm run backup [-- FOLDER]: writes a dump of the database. */
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { backupDatabase, configuredUrl } from "./lib/database.mjs";
import { main, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
await main(async () => {
  say(`Backed up to ${await backupDatabase(configuredUrl(root), process.argv[2] ?? join(root, ".data/backups"))}`);
});
