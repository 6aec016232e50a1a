#!/usr/bin/env node
/*
 * Serves the production build: one line in the log for each request, /healthz and /readyz by the application, and a stop
 * that lets what is under way end. Started by npm start, npm run demo, the container and the unit file; everything it
 * needs stands in the environment (.env.example).
 */
import { AsyncLocalStorage } from "node:async_hooks";
import { randomInt, randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import next from "next";
import pg from "pg";
import pino from "pino";
import sirv from "sirv";
import {
  addressOf,
  allowedHosts,
  everyHeader,
  foreignReason,
  hostNameOf,
  isLoopback,
  newNonce,
  pagePolicy,
} from "./lib/doors.mjs";
import { quietly } from "./lib/logText.mjs";
import { routeNames } from "./lib/routeNames.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const port = Number(process.env.PORT || 3210);
const host = process.env.HOST || "127.0.0.1";
/** So long a stop waits for what is under way. */
const DRAIN_MS = 20_000;

const { version } = JSON.parse(readFileSync(join(root, "package.json"), "utf8"));
const isDev = process.argv.includes("--dev");
const publicUrl = process.env.PUBLIC_URL || "";
const isHttps = publicUrl.startsWith("https:");
const isBehindProxy = process.env.BEHIND_PROXY === "1";
process.env.NODE_ENV = isDev ? "development" : "production";
process.env.NEXT_TELEMETRY_DISABLED = "1";

const log = pino({
  level: process.env.LOG_LEVEL || "info",
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
  formatters: { level: (label) => ({ level: label }) },
});
// What the framework prints goes the same way: a line of JSON each, and without what people typed.
for (const [name, level] of Object.entries({ error: "error", warn: "warn", log: "info", info: "info" }))
  console[name] = (...words) => log[level](...quietly(words));

/** What the application notes of the request it answers; see src/data/unavailable.ts. */
const requests = new AsyncLocalStorage();
globalThis.garrisonRequests = requests;

await requireOwnerOnNetwork();

const app = next({ dev: isDev, dir: root, hostname: host, port });
await app.prepare();
const nameOf = isDev
  ? (url) => String(url).split("?")[0]
  : routeNames(JSON.parse(readFileSync(join(root, ".next/routes-manifest.json"), "utf8")));
const handle = app.getRequestHandler();
const STATIC = "/_next/static";
/** What a build made and browsers keep for good, from its compressed copies (scripts/lib/finishBuild.mjs); not in development. */
const files = isDev
  ? null
  : sirv(join(root, ".next/static"), { brotli: true, gzip: true, maxAge: 31_536_000, immutable: true });

const hosts = allowedHosts({ host, publicUrl, more: process.env.ALLOWED_HOSTS || "" });
const origins = new Set(URL.canParse(publicUrl) ? [new URL(publicUrl).origin] : []);
const headers = Object.entries(everyHeader({ isHttps }));

/** Whoever the network lets reach a gym that nobody owns would be the first to sign in: it is not served. */
async function requireOwnerOnNetwork() {
  if (isLoopback(host)) return;
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL, connectionTimeoutMillis: 5_000 });
  try {
    await client.connect();
    const { rows } = await client.query(
      "select exists (select from people where account_id is not null) as owned, exists (select from halls where is_demo) as demo",
    );
    if (rows[0].demo) {
      // Asked of whoever picks a person of the demonstration.
      process.env.GARRISON_DEMO_CODE ||= String(randomInt(0, 100_000_000)).padStart(8, "0");
      log.warn({ code: process.env.GARRISON_DEMO_CODE }, "from the network the demonstration asks for this code");
    } else if (!rows[0].owned) {
      log.fatal(
        { host },
        "nobody owns this gym yet, so it is not opened to the network: type npm run owner, or start it once on 127.0.0.1 and claim it",
      );
      process.exit(1);
    }
  } catch (error) {
    // A database that is not up yet is waited for; nobody comes in without it.
    log.warn({ code: error?.code }, "could not look whether this gym has an owner");
  } finally {
    await client.end().catch(() => {});
  }
}

/** Why a request is sent away before the application sees it, with its status; null where it may go on. */
function turnedAway(request) {
  const name = hostNameOf(request.headers.host);
  if (!name || !hosts.has(name))
    return [
      421,
      "This address is not served here. Ask by the address that Garrison printed, or name it in ALLOWED_HOSTS.",
    ];
  const foreign = foreignReason(request, { origins });
  if (foreign) return [403, foreign];
  // The framework answers these with a 500 in plain text.
  if (pathOf(request.url) === null)
    return [400, "The address has a percent sign that is not followed by a valid escape."];
  return null;
}

/** Says why, as JSON under /api and as a sentence elsewhere. */
function sendAway(request, response, [status, why]) {
  const isProgram = request.url.startsWith("/api");
  const code = { 400: "bad-request", 403: "forbidden", 421: "misdirected" }[status];
  response.writeHead(status, { "Content-Type": isProgram ? "application/json" : "text/plain; charset=utf-8" });
  response.end(isProgram ? JSON.stringify({ error: { code, message: why, details: [] } }) : why);
}

/** What is asked for, without its query; null where it is malformed. */
function pathOf(url) {
  try {
    return decodeURIComponent(String(url).split("?")[0]);
  } catch {
    return null;
  }
}

let isStopping = false;
let underWay = 0;
const server = createServer(
  { headersTimeout: 20_000, requestTimeout: 300_000, keepAliveTimeout: 75_000 },
  (request, response) => {
    const started = process.hrtime.bigint();
    const { url } = request;
    const given = String(request.headers["x-request-id"] ?? "");
    const id = /^[\w-]{8,64}$/.test(given) ? given : randomUUID();
    request.headers["x-request-id"] = id;
    response.setHeader("X-Request-Id", id);
    for (const [header, value] of headers) response.setHeader(header, value);
    // The application puts the nonce that it reads here on its scripts; nobody else's is read.
    const policy = pagePolicy(newNonce(), { isHttps, isDev });
    request.headers["content-security-policy"] = policy;
    delete request.headers["content-security-policy-report-only"];
    response.setHeader("Content-Security-Policy", policy);
    if (isStopping) response.setHeader("Connection", "close");
    const asking = new AbortController();
    let begin;
    const carried = {
      isUnavailable: false,
      begun: new Promise((resolve) => (begin = resolve)),
      address: addressOf(request, { isBehindProxy }),
      path: pathOf(request.url) ?? "",
      signal: asking.signal,
    };
    const writeHead = response.writeHead.bind(response);
    response.writeHead = (status, ...rest) => {
      if (!carried.isUnavailable || status !== 500) return writeHead(status, ...rest);
      // The database failed it, we did not: the asker may come back in a moment.
      response.setHeader("Retry-After", "5");
      return writeHead(503, ...rest.filter((one) => typeof one !== "string"));
    };
    const write = response.write.bind(response);
    response.write = (...rest) => {
      begin();
      return write(...rest);
    };
    underWay += 1;
    response.once("close", () => {
      begin();
      underWay -= 1;
      // Whoever asked has gone: what is still computed for them stops.
      if (!response.writableEnded) asking.abort(new DOMException("The asker has gone.", "AbortError"));
      // A connection that was busy when the stop began is idle now, and would be kept for a next request.
      if (isStopping) setImmediate(() => server.closeIdleConnections());
      const route = nameOf(url);
      const level = route === "/_next" ? "debug" : "info";
      const ms = Math.round(Number(process.hrtime.bigint() - started) / 1e5) / 10;
      log[level](
        {
          id,
          method: request.method,
          route,
          status: response.statusCode,
          ms,
          cut: !response.writableEnded || undefined,
        },
        "request",
      );
    });
    const away = turnedAway(request);
    if (away) return sendAway(request, response, away);
    const handled = () => handleApp(request, response, carried);
    if (!files || !request.url.startsWith(`${STATIC}/`)) return handled();
    request.url = url.slice(STATIC.length);
    files(request, response, () => {
      request.url = url;
      handled();
    });
  },
);

/** The application's own answer; what it notes of the request meanwhile is carried beside it. */
function handleApp(request, response, carried) {
  requests.run(carried, () =>
    handle(request, response).catch((error) => {
      log.error({ id: request.headers["x-request-id"], name: error?.name }, "request failed");
      if (!response.headersSent) response.writeHead(500).end();
    }),
  );
}

if (isDev) server.on("upgrade", app.getUpgradeHandler());
server.on("error", (error) => {
  log.fatal({ code: error.code }, "the server could not listen");
  process.exit(1);
});
server.listen(port, host, () => {
  log.info({ version, host, port }, "listening");
  process.send?.("ready");
});

async function stop(signal) {
  if (isStopping) return;
  isStopping = true;
  log.info({ signal, underWay }, "stopping");
  const closed = new Promise((resolve) => server.close(resolve));
  // Lines of events are open as long as somebody follows: they end now, and the browser finds another copy.
  globalThis.garrisonHush?.();
  server.closeIdleConnections();
  const drained = async () => {
    await closed;
    // Transactions of the program's own clock end too, then its connections.
    await globalThis.garrisonStop?.();
  };
  const isDrained = await Promise.race([
    drained().then(() => true),
    new Promise((resolve) => setTimeout(() => resolve(false), DRAIN_MS).unref()),
  ]);
  log.info({ isDrained }, "stopped");
  process.exit(isDrained ? 0 : 1);
}
// Whoever started us is gone: a server that nobody watches would hold the port.
if (process.send) process.on("disconnect", () => void stop("left alone"));
for (const signal of ["SIGTERM", "SIGINT", "SIGHUP"]) process.on(signal, () => void stop(signal));
