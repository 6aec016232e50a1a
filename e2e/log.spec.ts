import type { Page } from "@playwright/test";
import { become } from "./become";
import { expect, test } from "./clock";
import { serious } from "./serious";

/** Errands of a coach with the log: what was lifted, what a bar is worth, and which bar next week. */

const part = (page: Page, name: string) => page.getByRole("region", { name, exact: true });
const now = (page: Page) => part(page, "Now");
const heading = (page: Page) => page.getByRole("heading", { level: 1 });

/** What the log says to start with, in kg. */
async function startKg(page: Page): Promise<number> {
  return Number(/([\d.]+) ?kg/.exec(await part(page, "Load to start with").locator("p").first().innerText())![1]);
}

test("a session is run on two tablets: the log fills itself, the worth moves, and next week's load follows", async ({
  browser,
}) => {
  const contexts = await Promise.all(
    [0, 1].map(() => browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })),
  );
  const [one, two] = (await Promise.all(contexts.map((context) => context.newPage()))) as [Page, Page];
  await one.goto("/lifters/emeric/log?lift=back-squat-low&bar=K20&reps=5&left=2");
  const [before, worthBefore] = [await startKg(one), await one.getByText(/of the straight bar/).allInnerTexts()];

  // A name is enough: the log knows the load.
  await one.goto("/load/session?who=Emeric&lift=back-squat-low&way=count&count=1&work=3&reps=5&bar=K20&at=rack-2");
  await one.getByRole("button", { name: "Start" }).click();
  await expect(heading(one)).toContainText("set 1 of 4");
  await two.goto(one.url());
  const tablets = [one, two, one, two];
  for (const [i, tablet] of tablets.entries()) {
    await expect(heading(tablet)).toContainText(`set ${i + 1} of 4`);
    await now(tablet).getByRole("button", { name: "Done" }).click();
    const went = tablet.getByRole("group", { name: /Emeric's .* went/ });
    // Work sets went far easier than expected.
    if (i > 0) await went.getByRole("button", { name: "4 left" }).click();
    if (i > 0) await expect(went.getByRole("button", { name: "4 left" })).toHaveAttribute("aria-pressed", "true");
  }
  for (const tablet of [one, two]) await expect(tablet.getByText("All 4 sets are done.")).toBeVisible();
  expect(await serious(one)).toEqual([]);
  await one.getByRole("button", { name: "The bar is empty" }).click();

  await one.goto("/lifters/emeric/log?lift=back-squat-low&bar=K20&reps=5&left=2");
  const today = part(one, "Sets").getByRole("listitem").first();
  await expect(today).toContainText("K20");
  await expect(today).toContainText("run sheet");
  await expect(today.getByText("4 left")).toHaveCount(3);
  expect(await startKg(one)).toBeGreaterThan(before);
  expect(await one.getByText(/of the straight bar/).allInnerTexts()).not.toEqual(worthBefore);
  // What the plates can do: the bar alone is odd, so the load without it is a multiple of 0.5 kg.
  await expect(part(one, "Load to start with")).toContainText("before rounding to plates");
  expect(await serious(one)).toEqual([]);
  await Promise.all(contexts.map((context) => context.close()));
});

test("sets are typed, corrected, pasted, asked about and undone; nothing that was typed is lost", async ({ page }) => {
  await page.goto("/lifters/nia");
  await page.getByRole("link", { name: "Log and strength" }).click();
  const form = part(page, "Add sets");
  await form.getByRole("combobox", { name: "Lift", exact: true }).selectOption("bench");
  await form.getByRole("combobox", { name: "Bar", exact: true }).selectOption("K06");
  const lines = form.getByRole("textbox", { name: "Sets, one line each" });
  await lines.fill("50x5 @2\n0x3\n50x9999");
  await form.getByRole("button", { name: "Add sets" }).click();
  await expect(form.getByText(/Line 2.*Line 3/)).toBeVisible();
  await expect(lines).toHaveValue("50x5 @2\n0x3\n50x9999");
  await lines.fill("110 lb 5,5,4\n500x1");
  await form.getByRole("button", { name: "Add sets" }).click();
  await expect(form.getByText(/over twice the best so far/).first()).toBeVisible();
  await lines.fill("110 lb 5,5,4");
  await form.getByRole("button", { name: "Add sets" }).click();
  await expect(form.getByText("3 sets added.")).toBeVisible();
  const first = part(page, "Sets").getByRole("listitem").first();
  await expect(first).toContainText("49.9 kg (110 lb) × 5");

  // One of them was heavier.
  await first.locator("summary").first().click();
  const set = first.getByRole("textbox", { name: "Set", exact: true }).last();
  await set.fill("115 lb x 4 @1");
  await first.getByRole("button", { name: "Save" }).last().click();
  await expect(part(page, "Sets").getByText("(115 lb) × 4")).toBeVisible();
  await part(page, "Sets").getByRole("button", { name: "Undo: 1 set edited" }).click();
  await expect(part(page, "Sets").getByText("(110 lb) × 4")).toBeVisible();

  await form.getByText("Import a file").click();
  const rows =
    "date,lift,bar,load,repetitions,reserve\n2026-03-09,bench,K06,51.25 kg,5,1\n2026-03-11,bench,K99,51.25 kg,5,1";
  await form.getByRole("textbox", { name: "Or paste rows here" }).fill(rows);
  await form.getByRole("button", { name: "Check" }).click();
  await expect(form.getByRole("alert")).toContainText("Row 3: there is no bar “K99”");
  await form.getByRole("textbox", { name: "Or paste rows here" }).fill(rows.replace("K99", "K06"));
  await form.getByRole("button", { name: "Check" }).click();
  await form.getByRole("button", { name: "Import 2 sets" }).click();
  await expect(form.getByText("2 sets imported.")).toBeVisible();
  await expect(part(page, "Sets").getByRole("listitem").filter({ hasText: "11 Mar" })).toContainText("imported");
  const file = await page.request.get("/lifters/nia/log/sets.csv");
  expect((await file.text()).split("\r\n")[0]).toBe(
    "date,lift,bar,load,unit,repetitions,reserve,made,setting,variant,hands helped,note",
  );
  expect(await serious(page)).toEqual([]);
});

test("eight weeks are planned for four lifters, one is pinned by keys, and the plan lands in the classes", async ({
  page,
}) => {
  await page.goto("/classes");
  await page.getByRole("link", { name: "Rotations" }).click();
  const form = part(page, "Add rotation");
  await form.getByRole("textbox", { name: "Name" }).fill("Spring squats");
  await form.getByRole("button", { name: "Plan", exact: true }).click();
  await expect(form.getByRole("alert")).toContainText("tick at least one");
  for (const name of ["Isla Fenwright", "Emeric Vanholt", "Runa Dellby", "Hale Corrin"])
    await form.getByRole("checkbox", { name }).check();
  await form.getByRole("button", { name: "Plan", exact: true }).click();
  await expect(heading(page)).toContainText("Spring squats");
  await expect(page.getByText("No better plan exists.")).toBeVisible();
  const grid = part(page, "Weeks of the rotation");
  const cell = (name: string, week: number) =>
    grid.getByRole("button", { name: new RegExp(`^${name}, .*, week ${week},`) });
  // Runa competes in four weeks: her last weeks before are on one bar.
  await expect(grid.getByRole("button", { name: /^Runa Dellby.*competition/ })).not.toHaveCount(0);

  const was = await cell("Isla Fenwright", 1).innerText();
  await cell("Isla Fenwright", 1).click();
  const chosen = page.getByRole("group", { name: "The chosen week" });
  await chosen.getByRole("button", { name: /^Pin K/ }).click();
  await expect(page.getByText("Pinned; the rest is planned around it.")).toBeVisible();
  await expect(cell("Isla Fenwright", 1)).toContainText("pinned");
  // By keys: two weeks on, where it is heavy again, nothing else changes places.
  await cell("Isla Fenwright", 1).focus();
  await page.keyboard.press("ArrowRight");
  await expect(cell("Isla Fenwright", 2)).toBeFocused();
  await page.keyboard.press("ArrowLeft");
  await expect(cell("Isla Fenwright", 1)).toBeFocused();
  expect((await cell("Isla Fenwright", 1).innerText()).split("\n")[0]).toBe(was.split("\n")[0]);
  await chosen.getByRole("button", { name: "Unpin" }).click();
  await expect(page.getByText("Unpinned; planned again.")).toBeVisible();
  expect(await serious(page)).toEqual([]);

  await page.getByRole("button", { name: "Send to classes" }).click();
  await expect(page.getByText(/8 classes: \d+ entries added/)).toBeVisible();
  await page.getByRole("navigation", { name: "Classes" }).getByRole("link", { name: "Classes" }).click();
  const sent = part(page, "Classes").getByRole("listitem").filter({ hasText: "Spring squats" });
  await expect(sent).toHaveCount(8);
  await sent.last().getByRole("link", { name: "Open" }).click();
  await expect(page.getByText("Isla Fenwright").first()).toBeVisible();
});

test("a lifter sees their own strength and nobody else's; care sees none", async ({ page }) => {
  await become(page, "Runa Dellby");
  await page.goto("/me");
  await expect(page.getByRole("region", { name: "Your strength" })).toContainText("back squat, low bar");
  expect((await page.request.get("/lifters/emeric/log")).status()).toBe(404);
  expect((await page.request.get("/lifters/runa/log/sets.csv")).status()).toBe(404);
  await become(page, "Pim Larkspur");
  expect((await page.request.get("/lifters/runa/log")).status()).toBe(404);
  await page.goto("/classes/rotations");
  await expect(page.getByText("Only coaches and the manager see rotations")).toBeVisible();
});
