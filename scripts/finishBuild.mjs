#!/usr/bin/env node
/* What a build needs beside the framework's own: server threads, and compressed copies of what browsers fetch. Part of `npm run build`. */
import { dirname } from "node:path";
import { fileURLToPath } from "node:url";
import { finishBuild } from "./lib/finishBuild.mjs";

await finishBuild(dirname(dirname(fileURLToPath(import.meta.url))));
