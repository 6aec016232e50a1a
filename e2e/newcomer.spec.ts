import { expect, test } from "./clock";

/** What helps somebody who is new here, and what fills a screen: words that explain themselves, parts that lead on. */

test("a word of the trade explains itself with a drawing, by mouse and by keys, and Help has them all", async ({
  page,
}) => {
  await page.goto("/bars/K20");
  const word = page.getByRole("button", { name: "camber drop: what it means" }).first();
  await word.focus();
  await page.keyboard.press("Enter");
  const meaning = page.locator("[popover]:popover-open");
  await expect(meaning).toContainText("A bend that puts the plates below");
  await expect(meaning.getByRole("img", { name: "camber, marked on a bar" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(meaning).toHaveCount(0);
  await page.goto("/help");
  await expect(page.getByRole("img", { name: /marked on a bar$/ })).not.toHaveCount(0);
  await page
    .getByRole("region", { name: "Where to go" })
    .getByRole("link", { name: /^Match/ })
    .click();
  await expect(page.getByRole("heading", { name: "Match", exact: true })).toBeVisible();
});

test("a drawn part of a bar leads to its measurement, on that bar", async ({ page }) => {
  await page.goto("/bars/K11");
  await page.getByRole("link", { name: "Measure the collar thickness, right" }).focus();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/bars\/measure\?bars=K11&at=K11&kind=collarThickness/);
  await expect(
    page.getByRole("form", { name: "One quantity" }).getByRole("heading", { name: /^collar thickness/ }),
  ).toBeVisible();
});

test("a loaded bar fills the screen and goes again; on a telephone bar and rack stand before the load", async ({
  page,
}) => {
  await page.goto("/load?bar=K20&target=140");
  await page.getByRole("button", { name: "Full screen" }).click();
  const whole = page.getByRole("dialog", { name: "The loaded bar, full screen" });
  await expect(whole).toContainText("each side");
  await expect(whole.getByRole("img", { name: /^Right half of K20/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(whole).toBeHidden();
  await page.setViewportSize({ width: 390, height: 844 });
  const top = async (name: string) => (await page.getByRole("combobox", { name, exact: true }).boundingBox())!.y;
  const target = (await page.getByRole("textbox", { name: "Target, total on the bar" }).boundingBox())!.y;
  expect(await top("bar")).toBeLessThan(target);
  expect(await top("at")).toBeLessThan(target);
});

test("Balance says in a sentence what its figures mean for this lifter, with the load and bar that were asked for", async ({
  page,
}) => {
  await page.goto("/match?lift=back-squat-high&load=150&lifter=hale");
  await page.getByRole("navigation", { name: "Matching" }).getByRole("link", { name: "Balance" }).click();
  await expect(page).toHaveURL(/lifter=hale|load=150/);
  await expect(page.getByTestId("balance-lead")).toContainText(/^Hale Corrin with 150 kg (stays most upright|leans)/);
});

test("the wall screen shows the wall while nobody asks, and the question when somebody touches it", async ({
  page,
}) => {
  await page.goto("/wall?idle=1");
  const wall = page.getByRole("region", { name: "The wall" });
  await expect(wall).toContainText("K04");
  await page.mouse.click(400, 400);
  await expect(page.getByRole("heading", { name: "What do you want to lift?" })).toBeVisible();
  await expect(wall).toHaveCount(0);
});

test("a day is typed as people write it or chosen from the calendar", async ({ page }) => {
  await page.goto("/classes/new");
  const form = page.getByRole("region", { name: "Add class" });
  const day = form.getByRole("textbox", { name: /^day/ });
  await day.fill("3 apr");
  await form.getByLabel("starts at").focus();
  await expect(day).toHaveValue("Fri 3 Apr");
  await form.getByRole("button", { name: "Calendar" }).click();
  await form.getByRole("button", { name: /April 8th, 2026/ }).click();
  await expect(day).toHaveValue("Wed 8 Apr");
});
