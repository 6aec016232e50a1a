import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { requireDisk } from "./machine.mjs";
import { run } from "./run.mjs";
import { say } from "./say.mjs";
import { finishBuild } from "./finishBuild.mjs";

/** Installs npm packages from the lock file unless they are there from the same lock file already. */
export async function requirePackages(root, logs) {
  const wanted = hashOf(root, [join(root, "package-lock.json")]);
  const mark = join(root, "node_modules/.garrison-lock");
  if (existsSync(mark) && readFileSync(mark, "utf8") === wanted) return;
  requireDisk(root, 1500, "installing the npm packages");
  say("Installing npm packages from the lock file (about a minute and a half) …");
  await run("npm", ["ci", "--include=dev", "--no-audit", "--no-fund"], {
    cwd: root,
    log: join(logs, "npm-ci.log"),
    what: "npm ci",
  });
  writeFileSync(mark, wanted);
}

/** Builds the application unless the sources are the ones it was built from. */
export async function requireBuild(root, logs) {
  const wanted = sourceHash(root);
  const mark = join(root, ".next/garrison-build");
  if (existsSync(mark) && readFileSync(mark, "utf8") === wanted) return;
  requireDisk(root, 500, "building");
  say("Building (under a minute) …");
  rmSync(mark, { force: true });
  await run(process.execPath, ["node_modules/next/dist/bin/next", "build"], {
    cwd: root,
    log: join(logs, "build.log"),
    what: "next build",
  });
  await finishBuild(root);
  writeFileSync(mark, wanted);
}

function sourceHash(root) {
  const files = ["package-lock.json", "next.config.ts", "postcss.config.mjs", "tsconfig.json"].map((name) =>
    join(root, name),
  );
  for (const folder of ["src", "public"])
    if (existsSync(join(root, folder))) files.push(...filesBelow(join(root, folder)));
  return hashOf(
    root,
    files.filter((file) => existsSync(file) && !/\.(test|fixture)\.tsx?$/.test(file)),
  );
}

function filesBelow(folder) {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name))
    .sort();
}

function hashOf(root, files) {
  const hash = createHash("sha256");
  for (const file of files) hash.update(`${relative(root, file)}\0`).update(readFileSync(file));
  return hash.digest("hex");
}

/** A secret kept in a file that only its owner reads; made at first use. */
export function keptSecret(folder, name, bytes) {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, name);
  if (!existsSync(path)) writeFileSync(path, bytes.toString("hex"), { mode: 0o600 });
  return readFileSync(path, "utf8").trim();
}
