import type { Page } from "@playwright/test";
import { become } from "./become";
import { expect, test } from "./clock";

/** Two people side by side, one in kg and mm, one in lb and inches. */

async function choose(page: Page, masses: string, lengths: string) {
  await page.goto("/settings");
  const units = page.getByRole("region", { name: "Your units" });
  await units.getByLabel("Masses").selectOption(masses);
  await units.getByLabel("Lengths").selectOption(lengths);
  await units.getByRole("button", { name: "Save" }).click();
  await expect(units.getByRole("status")).toContainText("Saved.");
}

test("one reads and types in lb and inches while the other stays in kg and mm; what is kept is the same", async ({
  page,
  browser,
}) => {
  const other = await (await browser.newContext()).newPage();
  await become(other, "Joss Kettleby");
  await choose(other, "lb", "in");

  await test.step("the wall, a bar and its drawing", async () => {
    await page.goto("/bars?q=K04");
    await other.goto("/bars?q=K04");
    await expect(page.getByRole("columnheader", { name: "mass kg" })).toBeVisible();
    await expect(other.getByRole("columnheader", { name: "mass lb" })).toBeVisible();
    await expect(page.getByRole("row").nth(1)).toContainText("20.1");
    await expect(other.getByRole("row").nth(1)).toContainText("44.3");
    // 1532.4 mm from seat to seat, to the nearest 1/32 in.
    await expect(other.getByRole("row").nth(1)).toContainText("60 11/32");
    await other.goto("/bars/K04");
    await expect(other.getByRole("region", { name: "Drawing" }).getByRole("list").first()).toContainText(
      "seat to seat 60 11/32 in",
    );
  });
  await test.step("a bare number is in the unit of whoever typed it", async () => {
    await other.goto("/compare?bars=K04,K05&load=220");
    await other.getByRole("textbox", { name: "Load" }).fill("500");
    await other.getByRole("textbox", { name: "Load" }).press("Enter");
    await expect(other).toHaveURL(/load=226\.8|load=500\+lb|load=500%20lb/);
    await expect(other.getByRole("region", { name: "Whether it matters" })).toContainText(
      /At 500 lb the hands rise [\d.]+ in/,
    );
    // The same link, read by the other.
    await page.goto(other.url());
    await expect(page.getByRole("region", { name: "Whether it matters" })).toContainText(
      /At 226\.8 kg the hands rise [\d.]+ mm/,
    );
    await other.goto("/lifters/bram/log");
    await page.goto("/load?bar=K11");
    await other.goto("/load?bar=K11");
    await expect(other).toHaveURL(/unit=lb/);
    await expect(page).not.toHaveURL(/unit=lb/);
  });
  await test.step("a field shows and takes their unit, and a fraction", async () => {
    await other.goto("/lifters/new");
    // A second try of this errand finds what the first left.
    const short = `unit-lifter-${test.info().retry}`;
    await other.getByLabel(/^short name/).fill(short);
    await other.getByLabel(/^name/).fill("Unit Lifter");
    await other.getByLabel(/^experience/).selectOption({ index: 1 });
    await other.getByLabel(/^height, in/).fill("75 1/2");
    await other.getByLabel(/^body mass, lb/).fill("198");
    await other.getByRole("button", { name: "Add", exact: true }).click();
    await other.waitForURL(new RegExp(`/lifters/${short}`));
    // Saved without a touch, nothing moves by what was rounded to be read.
    const heightOf = async (one: Page) => {
      await one.goto("/lifters/hale");
      await one.getByText("Change", { exact: true }).click();
      return one.getByLabel(/^height/).inputValue();
    };
    const [inMm, inInches] = [await heightOf(page), await heightOf(other)];
    expect(Number(inInches) * 25.4).not.toBe(Number(inMm));
    const sent = other.waitForResponse((response) => response.request().method() === "POST");
    await other.getByRole("button", { name: "Save", exact: true }).first().click();
    expect((await sent).ok()).toBe(true);
    expect(await heightOf(page)).toBe(inMm);
    await page.goto(`/lifters/${short}`);
    await expect(page.getByRole("main")).toContainText(/1917.7\s*mm/);
    await expect(page.getByRole("main")).toContainText(/89.8\s*kg/);
  });
  await test.step("k shows the other units for a moment", async () => {
    await page.goto("/bars?q=K04");
    // A key pressed before the page listens is lost; pressed again, as a person would.
    const turnsTo = (unit: string) =>
      expect(async () => {
        await page.keyboard.press("k");
        await expect(page.getByRole("columnheader", { name: `mass ${unit}` })).toBeVisible({ timeout: 2000 });
      }).toPass();
    await turnsTo("lb");
    await turnsTo("kg");
  });
  await choose(other, "", "");
  await other.context().close();
});
