#!/usr/bin/env node
/*
 * Brings a database to this version as its owner, after a backup, lets the program's role do what it needs, and makes the
 * gym's empty hall when there is none. For containers and several copies, where no copy of the program does it itself:
 * DATABASE_OWNER_URL, and APP_PASSWORD for the role garrison_app (left out: nothing is granted).
 */
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { databaseCommands, grantTo, migrateSafely } from "./lib/database.mjs";
import { homeOf } from "./lib/home.mjs";
import { Failure, main, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
await main(async () => {
  const url = process.env.DATABASE_OWNER_URL || process.env.DATABASE_URL;
  if (!url) throw new Failure("DATABASE_OWNER_URL is not set: the database as the owner of its tables reaches it.");
  await migrateSafely(root, url, process.env.BACKUP_FOLDER || join(homeOf(root), "backups"));
  if (process.env.APP_PASSWORD) await grantTo(root, url, process.env.APP_PASSWORD);
  const { gym } = await databaseCommands(root, url, "gym");
  say(gym?.startsWith("made ") ? `Made an empty hall: ${gym.slice(5)}.` : "The database is of this version.");
});
