import { spawn } from "node:child_process";
import { createWriteStream, mkdirSync, readFileSync } from "node:fs";
import { dirname } from "node:path";
import { Failure } from "./say.mjs";

const running = new Set();

/** The environment for our children: no PG* variable of somebody else's, no telemetry, no forced NODE_ENV. */
export function cleanEnv(more = {}) {
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: "1" };
  for (const key of Object.keys(env)) if (key.startsWith("PG") || key === "NODE_ENV") delete env[key];
  return { ...env, ...more };
}

/**
 * Runs a command to its end. Output goes to `log` when given, else to ours.
 * @returns the exit code, and what it printed when `capture` is set.
 */
export function run(
  command,
  args,
  { cwd, env = cleanEnv(), log, capture = false, allowFailure = false, what = command } = {},
) {
  if (log) mkdirSync(dirname(log), { recursive: true });
  const stream = log ? createWriteStream(log) : null;
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env,
      stdio: ["ignore", log || capture ? "pipe" : "inherit", log || capture ? "pipe" : "inherit"],
    });
    running.add(child);
    let printed = "";
    for (const pipe of [child.stdout, child.stderr])
      pipe?.on("data", (chunk) => {
        stream?.write(chunk);
        if (capture) printed += chunk;
      });
    child.on("error", (error) => {
      running.delete(child);
      reject(new Failure(`${what} could not be started: ${error.message}`));
    });
    child.on("close", (code, signal) => {
      running.delete(child);
      const finish = () => {
        if (code === 0 || allowFailure) resolve({ code: code ?? 1, printed });
        else reject(new Failure(`${what} failed (${signal ?? `exit ${code}`}).${tail(log, printed)}`));
      };
      if (stream) stream.end(finish);
      else finish();
    });
  });
}

/** Starts a command that goes on running; the caller watches it. */
export function start(command, args, { cwd, env = cleanEnv(), stdio = ["ignore", "pipe", "pipe"] } = {}) {
  const child = spawn(command, args, { cwd, env, stdio });
  running.add(child);
  child.on("close", () => running.delete(child));
  return child;
}

/** Ends every command that still runs and waits until they are gone; by force after five seconds. */
export async function endAll() {
  await Promise.all([...running].map(end));
}

export function end(child) {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    const force = setTimeout(() => child.kill("SIGKILL"), 5000);
    child.once("close", () => {
      clearTimeout(force);
      resolve();
    });
    child.kill("SIGTERM");
  });
}

function tail(log, printed) {
  const text = log ? readFileSync(log, "utf8") : printed;
  const lines = text.trim().split("\n").slice(-25).join("\n");
  return lines ? `\n${lines}${log ? `\n(whole output: ${log})` : ""}` : "";
}
