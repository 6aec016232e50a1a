import type { Page } from "@playwright/test";
import { oldWordsIn } from "../tests/words/oldWords";
import { expect, test } from "./clock";
import { serious } from "./serious";

const PAGES = [
  "/",
  "/bars?pick=K04,K11",
  "/bars/K04",
  "/bars/K20",
  "/bars/K20/edit",
  "/bars/K20/use",
  "/bars/labels?kind=cap",
  "/bars/new?like=K11",
  "/bars/measure",
  "/bars/measure?bars=K05,K20&kind=shaftDiameter",
  "/bars/equipment",
  "/bars/files",
  "/bars?mass=24..30&sort=camberDrop",
  "/compare?bars=K04,K11,K12,K16",
  "/compare",
  "/match?lift=snatch&load=60&lifter=tove",
  "/load?bar=K20&target=140&on=r25",
  "/load?target=x",
  "/load?bar=K11&target=180&at=rack-1",
  "/load/session?at=rack-1",
  "/load/session?at=rack-1&lift=bench",
  "/care",
  "/care/rounds",
  "/care/rounds?task=sleeves&ahead=31",
  "/care/air",
  "/care/meters",
  "/care/tasks",
  "/care/stations",
  "/setups/space",
  "/match/balance/still?lifter=hale",
  "/compare?bars=K20,K11&lift=back-squat-high&lifter=hale",
  "/setups/K23?drop=75,375",
  "/care/records?bar=K04",
  "/care/plan",
  "/bars/K12/inspect",
  "/settings",
  "/settings/house",
  "/match/coverage",
  "/match/balance",
  "/match/balance?mode=hinge",
  "/match/lifts",
  "/match/meetings",
  "/lifters",
  "/logbook",
  "/lifters/new",
  "/lifters/bram",
  "/lifters/bram/log",
  "/lifters/runa/log?bar=K20",
  "/classes/rotations",
  "/classes",
  "/classes/new",
  "/help",
  "/buy",
  "/buy/new",
  "/buy/used",
  "/buy/costs",
  "/setups",
  "/setups/K17?lifter=hale",
  "/setups/K17/calibrate",
  "/setups/K23?height=%2B50&direction=back",
  "/setups/K24",
  "/setups/storage",
  "/wall",
  "/wall?lift=snatch",
  "/wall/chalk",
  "/wall/which",
  "/nowhere",
];

/** Every label, button, sentence and caption that a screen has, whether open or folded. */
const wordsOf = (page: Page) =>
  page.evaluate(() => {
    const texts = [...document.querySelectorAll("[aria-label], [title], [placeholder], [alt]")].flatMap((element) =>
      ["aria-label", "title", "placeholder", "alt"].flatMap((name) => element.getAttribute(name) ?? []),
    );
    for (const element of document.body.querySelectorAll("*:not(script, style)"))
      // The smallest elements that hold whole sentences: others only repeat them.
      if (
        ![...element.children].some((child) =>
          /^(DIV|SECTION|UL|OL|LI|P|TABLE|FORM|FIELDSET|DL|DETAILS)$/.test(child.tagName),
        )
      )
        texts.push(element.textContent ?? "");
    return [...new Set(texts)];
  });

/** A sample of a file, or of its columns. */
const isOfFiles = (text: string) => /CSV|^date,|T\d\d:\d\dZ/.test(text);

/** One page for all, so that what every screen shares is fetched and read once. */
test.describe("every screen", () => {
  let page: Page;
  test.beforeAll(async ({ browser }) => {
    page = await (await browser.newContext()).newPage();
  });
  test.afterAll(() => page.context().close());

  for (const path of PAGES)
    test(`${path} says what a gym would say, has no accessibility violation, light or dark, and fits 390 px and any zoom`, async () => {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.emulateMedia({ colorScheme: "light" });
      await page.goto(path);
      const words = await wordsOf(page);
      expect(words.flatMap(oldWordsIn)).toEqual([]);
      // Days are said as people say them; what a file looks like is shown as it is.
      expect(words.filter((text) => /(?<![\d-])20\d\d-\d\d-\d\d(?![\d-])/.test(text) && !isOfFiles(text))).toEqual([]);
      expect(await serious(page)).toEqual([]);
      // The two themes share their markup; in the dark only the contrast can differ.
      await page.emulateMedia({ colorScheme: "dark" });
      // Colours fade over; half-way they are nobody's.
      await page.evaluate(() => Promise.allSettled(document.getAnimations().map(({ finished }) => finished)));
      expect(await serious(page, ["color-contrast"])).toEqual([]);
      // A telephone; 1280 × 800 at twice its size (WCAG 2.2, 1.4.4); 1280 at four times (1.4.10).
      for (const [width, height] of [
        [390, 844],
        [640, 400],
        [320, 400],
      ] as const) {
        await page.setViewportSize({ width, height });
        await expect
          .poll(
            () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
            {
              message: `${width} px wide`,
            },
          )
          .toBeLessThanOrEqual(0);
      }
    });
});

test.describe("at 390 px", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test("floor screens have touch targets of at least 44 px", async ({ page }) => {
    for (const path of ["/load?bar=K11&target=100", "/care"]) {
      await page.goto(path);
      const small = await page
        .locator("main button:visible, main a.btn:visible, main select:visible, main summary:visible")
        .evaluateAll((all) =>
          all
            .filter((element) => !element.classList.contains("sr-only"))
            .map((element) => ({ text: element.textContent, height: element.getBoundingClientRect().height }))
            .filter(({ height }) => height < 44),
        );
      expect(small, path).toEqual([]);
    }
  });

  test("a bar's drawing is whole, a thumb meets its parts, and its lengths can be read", async ({ page }) => {
    for (const tag of ["K04", "K20", "K23"]) {
      await page.goto(`/bars/${tag}`);
      const drawing = page.getByRole("group", { name: /with its lengths$/ });
      const { x, width } = (await drawing.boundingBox())!;
      expect(x, tag).toBeGreaterThanOrEqual(0);
      expect(x + width, tag).toBeLessThanOrEqual(390);
      // Nothing around it scrolls sideways.
      expect(await drawing.evaluate(({ parentElement: box }) => box!.scrollWidth - box!.clientWidth), tag).toBe(0);
      for (const part of await drawing.getByRole("link").all())
        expect((await part.boundingBox())!.height, tag).toBeGreaterThanOrEqual(43.5);
      await expect(page.getByRole("listitem").filter({ hasText: /^seat to seat \d/ })).toBeInViewport();
    }
  });

  test("a task is ticked off with a thumb", async ({ page }) => {
    await page.goto("/care?place=Floor+cradle");
    const button = page.getByRole("button", { name: "Done: brush and wipe the shaft on K21" });
    await button.tap();
    await expect(page.getByRole("status")).toContainText("K21 done.");
    await expect(button).toHaveCount(0);
  });
});

test("dark is designed, and can be chosen", async ({ page }) => {
  await page.goto("/settings");
  const paper = () => page.evaluate(() => getComputedStyle(document.documentElement).backgroundColor);
  const light = await paper();
  await page.getByRole("button", { name: "dark" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "night");
  expect(await paper()).not.toBe(light);
});
