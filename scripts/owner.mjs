#!/usr/bin/env node
/*
 * npm run owner -- --name Ines [--gym "Low Bridge Strength"]: at the machine itself, makes an owner or gives one who lost
 * everything a new passphrase. Asks for it, or reads it from standard input. See docs/running.md.
 */
import { dirname, join } from "node:path";
import { createInterface } from "node:readline";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import { openCluster } from "./lib/cluster.mjs";
import { configuredUrl, databaseCommandsWith, migrateSafely } from "./lib/database.mjs";
import { homeOf } from "./lib/home.mjs";
import { requirePackages } from "./lib/prepare.mjs";
import { main, say } from "./lib/say.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** A line of standard input; at a terminal without showing what is typed. */
async function passphraseTyped() {
  const { stdin, stdout } = process;
  if (stdin.isTTY) stdout.write("Passphrase (15 characters or more, not shown): ");
  const lines = createInterface({ input: stdin, output: stdin.isTTY ? stdout : undefined, terminal: stdin.isTTY });
  if (stdin.isTTY) lines._writeToOutput = () => {};
  const line = await new Promise((resolve) => {
    lines.once("line", resolve);
    lines.once("close", () => resolve(""));
  });
  lines.close();
  if (stdin.isTTY) stdout.write("\n");
  return line;
}

await main(async () => {
  const { values } = parseArgs({ options: { name: { type: "string" }, gym: { type: "string" } } });
  const home = homeOf(root);
  await requirePackages(root, join(home, "logs"));
  const cluster = await openCluster(home);
  const env = { OWNER_NAME: values.name ?? "", OWNER_GYM: values.gym ?? "", OWNER_PASSPHRASE: await passphraseTyped() };
  try {
    const url = configuredUrl(home);
    await migrateSafely(root, url, join(home, "backups"));
    say((await databaseCommandsWith(root, url, env, "owner")).owner);
  } finally {
    await cluster.close();
  }
});
