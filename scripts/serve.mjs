#!/usr/bin/env node
/*
 * Serves the production build: one line in the log for each request, /healthz and /readyz by the application, and a stop
 * that lets what is under way end. Started by npm start, npm run demo, the container and the unit file; everything it
 * needs stands in the environment (.env.example).
 */
import { AsyncLocalStorage } from "node:async_hooks";
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { createServer } from "node:http";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import next from "next";
import pino from "pino";
import { quietly } from "./lib/logText.mjs";
import { routeNames } from "./lib/routeNames.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const port = Number(process.env.PORT || 3210);
const host = process.env.HOST || "127.0.0.1";
/** So long a stop waits for what is under way. */
const DRAIN_MS = 20_000;

const { version } = JSON.parse(readFileSync(join(root, "package.json"), "utf8"));
process.env.NODE_ENV = "production";
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

const nameOf = routeNames(JSON.parse(readFileSync(join(root, ".next/routes-manifest.json"), "utf8")));
const app = next({ dev: false, dir: root, hostname: host, port });
await app.prepare();
const handle = app.getRequestHandler();

let isStopping = false;
let underWay = 0;
const server = createServer(
  { headersTimeout: 20_000, requestTimeout: 300_000, keepAliveTimeout: 75_000 },
  (request, response) => {
    const started = process.hrtime.bigint();
    const given = String(request.headers["x-request-id"] ?? "");
    const id = /^[\w-]{8,64}$/.test(given) ? given : randomUUID();
    request.headers["x-request-id"] = id;
    response.setHeader("X-Request-Id", id);
    if (isStopping) response.setHeader("Connection", "close");
    const asking = new AbortController();
    const carried = { isUnavailable: false, address: request.socket.remoteAddress ?? "", signal: asking.signal };
    const writeHead = response.writeHead.bind(response);
    response.writeHead = (status, ...rest) => {
      if (!carried.isUnavailable || status !== 500) return writeHead(status, ...rest);
      // The database failed it, we did not: the asker may come back in a moment.
      response.setHeader("Retry-After", "5");
      return writeHead(503, ...rest.filter((one) => typeof one !== "string"));
    };
    underWay += 1;
    response.once("close", () => {
      underWay -= 1;
      // Whoever asked has gone: what is still computed for them stops.
      if (!response.writableEnded) asking.abort(new DOMException("The asker has gone.", "AbortError"));
      // A connection that was busy when the stop began is idle now, and would be kept for a next request.
      if (isStopping) setImmediate(() => server.closeIdleConnections());
      const route = nameOf(request.url);
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
    requests.run(carried, () =>
      handle(request, response).catch((error) => {
        log.error({ id, name: error?.name }, "request failed");
        if (!response.headersSent) response.writeHead(500).end();
      }),
    );
  },
);

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
