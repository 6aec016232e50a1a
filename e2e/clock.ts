import { test as base, type Browser } from "@playwright/test";

/*
 * Browser tests take place at a set moment, on the server and in the browser alike, so that they say the same on any
 * weekday and at any hour. scripts/test.mjs sets it; TEST_MOMENT chooses another.
 */

const OFFSET_MS = Number(process.env.GARRISON_CLOCK_OFFSET_MS ?? 0);

/** Now, by the clock of the test. */
export const now = (): Date => new Date(Date.now() + OFFSET_MS);

/** Moves every page's idea of now by the offset; timers run as they do. */
function moveClock(offsetMs: number): void {
  const Real = Date;
  class Moved extends Real {
    constructor(...args: unknown[]) {
      if (args.length === 0) super(Real.now() + offsetMs);
      else super(...(args as [number]));
    }
    static override now(): number {
      return Real.now() + offsetMs;
    }
  }
  globalThis.Date = Moved as DateConstructor;
}

export const test = base.extend<object, { browser: Browser }>({
  // Asks as a browser would: with the cookie, and saying where a write comes from.
  request: async ({ playwright, baseURL, storageState }, provide) => {
    const context = await playwright.request.newContext({
      baseURL: baseURL!,
      ...(storageState ? { storageState } : {}),
      extraHTTPHeaders: { origin: baseURL! },
    });
    await provide(context);
    await context.dispose();
  },
  browser: [
    async ({ browser }, use) => {
      const open = browser.newContext.bind(browser);
      browser.newContext = async (options) => {
        const context = await open(options);
        await context.addInitScript(moveClock, OFFSET_MS);
        return context;
      };
      await use(browser);
    },
    { scope: "worker" },
  ],
});

export { expect } from "@playwright/test";
