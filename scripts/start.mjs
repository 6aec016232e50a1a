#!/usr/bin/env node
/*
 * npm start: Garrison for a gym of one's own, empty at first, beside the demonstration. GYM_NAME, GYM_TIME_ZONE,
 * GYM_CLIMATE, GYM_CURRENCY and GYM_MANAGER say what it is called when it starts for the first time. See docs/running.md.
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
  prepare: "gym",
  told: (answer) => (answer?.startsWith("made ") ? `Made an empty hall: ${answer.slice(5)}.` : null),
});
