import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const root = fileURLToPath(new URL(".", import.meta.url));
/**
 * A test that hangs is ended after this long. It says nothing about speed: machines that lend half of their
 * time to others have taken five times as long as a quiet one, and were right all the same.
 */
const SLOW_MACHINE_MS = 300_000;
const alias = { "@": `${root}src`, "server-only": `${root}scripts/lib/nothing.mjs` };

export default defineConfig({
  resolve: { alias },
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: "core",
          include: ["src/core/**/*.test.ts"],
          environment: "node",
          // Nothing of the core remembers anything: its files share one process, and are read once.
          isolate: false,
          testTimeout: SLOW_MACHINE_MS,
          setupFiles: ["scripts/lib/testSetup.ts"],
        },
      },
      {
        resolve: { alias },
        test: {
          name: "unit",
          include: ["src/{api,ui}/**/*.test.{ts,tsx}", "scripts/**/*.test.ts", "tests/{words,look}/**/*.test.ts"],
          environment: "node",
          testTimeout: SLOW_MACHINE_MS,
          setupFiles: ["scripts/lib/testSetup.ts"],
        },
      },
      {
        resolve: { alias },
        test: {
          name: "data",
          include: ["src/{data,server,app}/**/*.test.ts"],
          environment: "node",
          // One database a file would cost more than it tells; the files clean up after themselves by hall.
          fileParallelism: false,
          testTimeout: SLOW_MACHINE_MS,
          hookTimeout: SLOW_MACHINE_MS,
          setupFiles: ["scripts/lib/testSetup.ts"],
          globalSetup: ["scripts/lib/threadsForTests.mjs"],
        },
      },
      {
        resolve: { alias },
        test: {
          // The program as a gym runs it: the production build in processes of its own. `npm run test:run`.
          name: "run",
          include: ["tests/running/**/*.test.ts"],
          environment: "node",
          fileParallelism: false,
          testTimeout: 2 * SLOW_MACHINE_MS,
          hookTimeout: 2 * SLOW_MACHINE_MS,
        },
      },
    ],
  },
});
