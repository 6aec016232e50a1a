#!/usr/bin/env node
/*
 * npm start: Garrison for a gym of one's own, empty at first, beside the demonstration. Until somebody owns it, it prints
 * the one-time address by which its owner claims it. See docs/running.md.
 */
import { dirname } from "node:path";
import { fileURLToPath } from "node:url";
import { gymHome } from "./lib/home.mjs";
import { launch } from "./lib/launch.mjs";

const root = dirname(dirname(fileURLToPath(import.meta.url)));
await launch({
  root,
  home: gymHome(root),
  command: "npm start",
  preferredPort: 54_873,
  prepare: ["gym", "claim"],
  told: ({ gym, claim }, url) =>
    [
      ...(gym?.startsWith("made ") ? [`Made an empty hall: ${gym.slice(5)}.`] : []),
      ...(claim && claim !== "claimed" ? [`Make this gym yours, once: ${url}/claim/${claim}`] : []),
    ].join("\n"),
});
