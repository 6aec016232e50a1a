import { expect, test } from "./clock";

/* Loads as gyms do them: round loads stay round, every plate says its unit, and plates of one's own are judged. */

test("a bar that is 10 g off its label is still loaded with 25 and 15, in a load and in a plan", async ({ page }) => {
  await page.goto("/load?bar=K11&clamps=none&target=100kg");
  await expect(page.getByTestId("per-side")).toHaveText(/^25 kg( \w+)?, 15 kg each side$/);
  await expect(page.getByTestId("achieved")).toContainText("100.01 kg");
  await page.goto("/load/session?bar=K11&clamps=none&who=Runa+100&way=count&count=1&work=1");
  const sets = page.getByRole("region", { name: "Set by set" });
  await expect(sets).toContainText("100.01");
  const last = sets.getByRole("row").last();
  await expect(last).toContainText(/25 kg( \w+)?/);
  await expect(last.getByRole("img")).toHaveAccessibleName(/^25 kg( \w+)?, 15 kg$/);
});

test("315 lb says which plates are pounds and which kilograms", async ({ page }) => {
  await page.goto("/load?bar=K15&unit=lb&target=315lb");
  const words = (await page.getByTestId("per-side").innerText()).replace(/ each side$/, "");
  for (const plate of words.split(", ")) expect(plate).toMatch(/^(\d+ × )?\d+(\.\d+)? (kg|lb)( \w+)?$/);
});

test("plates of one's own are totalled and judged, and what cannot be read is said", async ({ page }) => {
  await page.goto("/load?bar=K11&clamps=none&target=100kg&ending=dropped");
  await page.getByText("Check plates of your own").click();
  const own = page.getByRole("textbox", { name: "One side, inside first" });
  await own.fill("25 kg rubber, 15 kg");
  await own.press("Enter");
  const list = page.locator("#own-stack");
  await expect(list).toContainText("100.01 kg");
  await expect(list).toContainText(/of 415 mm of sleeve are used|sleeve/);
  await own.fill("25 kg steel");
  await own.press("Enter");
  await expect(list).toContainText("Iron alone is never dropped.");
  await own.fill("7 kg, 25, purple");
  await own.press("Enter");
  await expect(list.getByRole("alert")).toHaveCount(3);
  await expect(own).toHaveValue("7 kg, 25, purple");
});

test("a bar as it stands: which side is heavier, and what to change least", async ({ page }) => {
  await page.goto("/load?bar=K11&clamps=none&target=100kg");
  await page.getByText("What is on it now?").click();
  await page.getByRole("textbox", { name: "One side, inside first" }).fill("25 kg rubber, 15 kg, 5 kg");
  await page.getByRole("textbox", { name: "The other side, where it differs" }).fill("25 kg rubber, 15 kg");
  await page.getByRole("textbox", { name: "The other side, where it differs" }).press("Enter");
  const list = page.locator("#own-stack");
  await expect(list).toContainText("The left side is 5 kg heavier; 105.01 kg are on it in all.");
  const change = list.getByRole("region", { name: "What to change least" });
  await expect(change).toContainText("1 plate handled");
  await expect(change).toContainText("Left: take off 5 kg");
  await expect(change).toContainText("Right: nothing");
});

test("a bar opens with a load that it may carry", async ({ page }) => {
  for (const [tag, most] of [
    ["K26", 45],
    ["K27", 120],
  ] as const) {
    await page.goto(`/load?bar=${tag}`);
    expect(Number(await page.getByLabel("Target, total on the bar").inputValue())).toBeLessThanOrEqual(most);
  }
});
