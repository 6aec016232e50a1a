#!/usr/bin/env node
/* Bundles what runs in server threads, beside the build. Part of `npm run build`. */
import { dirname } from "node:path";
import { fileURLToPath } from "node:url";
import { buildThreads } from "./lib/threads.mjs";

await buildThreads(dirname(dirname(fileURLToPath(import.meta.url))));
