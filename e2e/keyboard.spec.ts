import { expect, test } from "./clock";

test("the wall by keyboard: search, arrows, pick with c, open with Enter, sections with g", async ({ page }) => {
  await page.goto("/bars");
  const search = page.getByRole("searchbox", { name: "Search bars" });
  // Pressed until the page listens, as a person would.
  await expect(async () => {
    if (!(await search.evaluate((field) => field === document.activeElement))) await page.locator("body").press("/");
    await expect(search).toBeFocused({ timeout: 1_000 });
  }).toPass();
  await page.keyboard.type("deadlift");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("row")).toHaveCount(3);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press("ArrowDown");
  await expect(page.locator('[data-row="K04"]')).toBeFocused();
  await page.keyboard.press("c");
  await expect(page.getByRole("checkbox", { name: "Compare K04" })).toBeChecked();
  await page.locator('[data-row="K04"]').focus();
  await page.keyboard.press("ArrowDown");
  await expect(page.locator('[data-row="K05"]')).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Short puller" })).toBeVisible();
  await page.keyboard.press("g");
  await page.keyboard.press("a");
  await expect(page.getByRole("heading", { name: "Care", exact: true })).toBeVisible();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeHidden();
});
