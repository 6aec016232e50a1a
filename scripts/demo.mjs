#!/usr/bin/env node
/* npm run demo: from a fresh clone to a running product with a made-up hall in it. See docs/running.md and README. */
import { dirname } from "node:path";
import { fileURLToPath } from "node:url";
import { demoHome } from "./lib/home.mjs";
import { launch } from "./lib/launch.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
await launch({
  root,
  home: demoHome(root),
  command: "npm run demo",
  // A fixed unusual port, so that a URL written down yesterday is still right today.
  preferredPort: 54_871,
  isDev: process.argv.includes("--dev"),
  isDemo: true,
  prepare: [process.argv.includes("--fresh") ? "fresh-demo" : "demo"],
  told: ({ demo, "fresh-demo": fresh }) => ((demo ?? fresh) === "loaded" ? "Loaded the demo data." : null),
});
