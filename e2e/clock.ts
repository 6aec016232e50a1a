import { test as base, type Browser, type BrowserContext, type Page } from "@playwright/test";

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

const MAX_AWAKE_MS = 20_000;

/**
 * Waits until what can be touched on a page listens. People need longer to find it than a browser to wake it; a test
 * on a busy machine does not, and what it types before then is lost.
 */
async function awake(page: Page): Promise<void> {
  const listens = () => {
    const parts = document.querySelectorAll("main button, main input, main select, main textarea, main a");
    return [...parts].every((part) => Object.keys(part).some((key) => key.startsWith("__react")));
  };
  // Where something on it never wakes, the test itself says what is wrong.
  await page.waitForFunction(listens, undefined, { timeout: MAX_AWAKE_MS }).catch(() => undefined);
}

/** Pages of the context are awake when they have been opened. */
function opensAwake(context: BrowserContext): void {
  context.on("page", (page) => {
    const goto = page.goto.bind(page);
    page.goto = async (...asked) => {
      const answer = await goto(...asked);
      await awake(page);
      return answer;
    };
  });
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
        opensAwake(context);
        return context;
      };
      await use(browser);
    },
    { scope: "worker" },
  ],
});

export { expect } from "@playwright/test";
