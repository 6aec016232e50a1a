import { execFileSync } from "node:child_process";
import type { Page } from "@playwright/test";
import { become } from "./become";
import { expect, test } from "./clock";
import { serious } from "./serious";

/** Errands of the manager who buys, and of whoever takes in what comes. */

const part = (page: Page, name: string) => page.getByRole("region", { name, exact: true });

const LIST = [
  "name;family;price;freight;seller;batch;weight;shaft;collar;sleeves;finish;lead time;tag",
  "Errand bar;power bar;£301;£20;Errand Metal;E-1;20 kg;29 mm;30 mm;bushing;hard chrome;14;E90",
].join("\n");

test("a seller's list is imported, an offer approved and ordered, and the bar checked in on a telephone hangs on the wall", async ({
  page,
  browser,
}) => {
  await page.goto("/buy");
  await expect(part(page, "What to buy")).toContainText(/Buy .* delivered/);
  await expect(part(page, "What to buy")).toContainText("No other choice within the budget gains more");
  // Whoever stops the search has the offers at once, and starts it again when they like.
  await page.goto("/buy?weigh=no&budget=700");
  await expect(part(page, "Offers")).toContainText("Quoted");
  await expect(part(page, "What to buy")).toBeHidden();
  await page.getByRole("link", { name: "Weigh offers" }).click();
  await expect(page.getByRole("textbox", { name: "Budget" })).toHaveValue("£700");
  await page.goto("/buy");
  await page.getByText("Import a seller’s list").click();
  // A list with an error is refused whole, and says where.
  await page.getByRole("textbox", { name: /The first row names the columns/ }).fill(LIST.replace("£301", "much"));
  await page.getByRole("button", { name: "Check" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Row 2" })).toContainText("Price of one");
  await page.getByRole("textbox", { name: /The first row names the columns/ }).fill(LIST);
  await page.getByRole("button", { name: "Check" }).click();
  await expect(page.getByText("1 offer to import.")).toBeVisible();
  await page.getByRole("button", { name: "Import 1" }).click();
  await expect(page.getByText("1 offer imported.")).toBeVisible();

  await part(page, "Offers")
    .getByRole("link", { name: /Errand bar/ })
    .click();
  await expect(part(page, "Cost and terms")).toContainText("£321.00");
  await expect(part(page, "What it would change")).toContainText("K11");
  await part(page, "Decide").getByRole("button", { name: "Approve" }).click();
  await part(page, "Decide").getByRole("button", { name: "Mark ordered" }).click();
  await expect(part(page, "Decide")).toContainText("1 ordered");
  const offer = page.url();
  const sheet = await page.request.get(`${offer}/approval.pdf`);
  expect(execFileSync("pdftotext", ["-layout", "-", "-"], { input: await sheet.body() }).toString()).toContain(
    "£321.00",
  );
  await page.goto("/");
  await expect(page.getByText(/Errand bar: expected/)).toBeVisible();

  const telephone = await (
    await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  ).newPage();
  await become(telephone, "Pim Larkspur");
  await telephone.goto(`${offer}/receive`);
  expect(await serious(telephone)).toEqual([]);
  // Nothing is saved while a check is open.
  await telephone.getByRole("button", { name: "Accept" }).click();
  await expect(telephone.getByRole("alert").filter({ hasText: "Not checked yet" })).toBeVisible();
  for (const right of await telephone.getByRole("button", { name: "Right" }).all()) await right.click();
  await telephone.getByLabel(/shaft diameter/).fill("29.02");
  await telephone.getByLabel(/mass, kg/).fill("20.05");
  await telephone.getByRole("button", { name: "Accept" }).click();
  await telephone.waitForURL(/\/bars\/E90/);
  await expect(telephone.getByRole("heading", { level: 1 })).toHaveText("Errand bar");
  await telephone.context().close();

  await page.goto("/bars/E90");
  await expect(page.getByText("20.05").first()).toBeVisible();
  // Its care is planned from the first day.
  await expect(page.getByRole("region", { name: "Care", exact: true })).toContainText("Pim Larkspur");
  await page.goto(offer);
  await expect(part(page, "What arrived")).toContainText("E90");
  expect(await serious(page)).toEqual([]);
});

test("a used bar is looked over in the order in which the look may end, on a telephone", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/buy/used");
  await page.getByLabel("A new one, delivered").fill("400");
  await page.getByLabel(/The warranty passes on/).check();
  const answer = page.getByRole("status");
  await page.getByRole("button", { name: "No cracks" }).click();
  await page.getByRole("button", { name: "Runs true" }).click();
  await page.getByRole("button", { name: /On the surface/ }).click();
  await expect(answer).toContainText("Pay at most £368 so far");
  await page.getByRole("button", { name: "Hops" }).click();
  await expect(answer).toContainText("Don’t buy");
});

test("budgets are looked at with a slider, by keyboard, and a bar is sold for it", async ({ page }) => {
  await page.goto("/buy?budget=%C2%A3850");
  const slider = page.getByRole("slider", { name: "Budget to look at" });
  await slider.focus();
  const before = await slider.getAttribute("aria-valuetext");
  await page.keyboard.press("Home");
  await expect(slider).toHaveAttribute("aria-valuetext", /£0: nothing/);
  await page.keyboard.press("End");
  expect(await slider.getAttribute("aria-valuetext")).not.toBe(before);
  await page.getByText("Sell bars for it").click();
  await page
    .getByRole("link", { name: /^Sell K/ })
    .first()
    .click();
  await expect(page).toHaveURL(/sell=K/);
  await expect(part(page, "What to buy")).toContainText(/and £[\d,]+ for K/);
});

test("what is on offer stands dashed beside what is owned in Match and Coverage", async ({ page }) => {
  await page.goto("/match?lift=clean&load=35kg&lifter=tove");
  await expect(part(page, "On offer")).toContainText("Light needle bar");
  await page.goto("/match/coverage");
  await page.getByRole("link", { name: "K07: made for" }).first().click();
  await expect(page).toHaveURL(/#bar-K07/);
  await expect(page.locator("#bar-K07")).toBeVisible();
});
