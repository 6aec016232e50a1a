import type { Page } from "@playwright/test";
import { become } from "./become";
import { expect, test } from "./clock";
import { unfold } from "./unfold";

/** Errands in the second, small hall, where a long wall and odd rules disturb nobody. */

test.beforeEach(({ page }) => become(page, "Hob Quillane"));

const file = (name: string, text: string) => ({ name, mimeType: "text/csv", buffer: Buffer.from(text) });

async function takeIn(page: Page, name: string, text: string) {
  await page.goto("/bars/files");
  await page.getByLabel(/Drop a file here/).setInputFiles(file(name, text));
  await page.getByRole("button", { name: "Import" }).click();
  await expect(page.getByText(/^Imported:/)).toBeVisible();
}

test("a long wall: taken in from a file, scrolled to its end, searched and ranged; a second time changes nothing", async ({
  page,
}) => {
  const rows = Array.from(
    { length: 320 },
    (_, i) =>
      `Y${String(i).padStart(3, "0")},Yard bar ${i},power,in-service,${15 + (i % 40) / 4} kg,${25 + (i % 9) / 2} mm`,
  );
  const text = `tag,name,family,state,stated mass,stated shaft diameter\n${rows.join("\n")}\n`;
  await takeIn(
    page,
    "yard.csv",
    text.replace("stated mass", "stated.mass").replace("stated shaft diameter", "stated.shaftDiameter"),
  );
  await expect(page.getByText(/Imported: 320 new/)).toBeVisible();
  await page.goto("/bars");
  await expect(page.getByText(/^323 on the wall/)).toBeVisible();
  // Only rows in sight are drawn, and the table says how many there are.
  const table = page.getByRole("table");
  await expect(table).toHaveAttribute("aria-rowcount", "324");
  expect(await page.getByRole("row").count()).toBeLessThan(80);
  // The sheet grows while rows come in, and a scroll before the page is awake goes nowhere: to the end until it is there.
  await expect(async () => {
    await page.evaluate(() => window.scrollTo(0, document.documentElement.scrollHeight));
    await expect(page.getByRole("link", { name: "Yard bar 319" })).toBeVisible({ timeout: 2000 });
  }).toPass({ timeout: 30_000 });
  await page.evaluate(() => window.scrollTo(0, document.documentElement.scrollHeight));
  await expect(page.getByRole("link", { name: "Yard bar 319" })).toBeInViewport();
  await page.goto("/bars?q=yard+31");
  await expect(page.getByText(/^1[0-9] of 323 on the wall/)).toBeVisible();
  await page.goto("/bars?mass=24..&sort=mass");
  const masses = await page.getByRole("row").locator("td:nth-of-type(3)").allInnerTexts();
  const numbers = masses.map((cell) => parseFloat(cell)).filter((value) => !Number.isNaN(value));
  expect(numbers.length).toBeGreaterThan(5);
  expect(numbers.every((value) => value >= 24)).toBe(true);
  expect([...numbers].sort((a, b) => a - b)).toEqual(numbers);
  await page.goto("/bars/files");
  await page
    .getByLabel(/Drop a file here/)
    .setInputFiles(
      file(
        "yard.csv",
        text.replace("stated mass", "stated.mass").replace("stated shaft diameter", "stated.shaftDiameter"),
      ),
    );
  await expect(page.getByText("Nothing to import.")).toBeVisible();
});

test("what is noticeable is the gym’s to say, and the comparison obeys", async ({ page }) => {
  const whether = page.getByRole("region", { name: "Whether it matters" });
  await page.goto("/compare?bars=A1,A2&load=180");
  await expect(whether).toContainText(
    "It hardly matters here. At 180 kg the hands rise 12.6 mm on A1 and 11.7 mm on A2",
  );
  await page.goto("/settings");
  await unfold(page, "Measuring and comparing");
  const rules = page.locator("details").filter({ hasText: "Measuring and comparing" });
  await rules.getByLabel("noticeable difference in slack").fill("many");
  await rules.getByRole("button", { name: "Save" }).click();
  await expect(rules.getByText("must be a number from 0 to")).toBeVisible();
  await expect(rules.getByLabel("noticeable difference in slack")).toHaveValue("many");
  await rules.getByLabel("noticeable difference in slack").fill("0.5");
  await rules.getByRole("button", { name: "Save" }).click();
  await expect(rules.getByRole("status")).toContainText(/saved/i);
  await page.goto("/compare?bars=A1,A2&load=180");
  await expect(whether).toContainText("It matters here.");
  await page.goto("/settings");
  await unfold(page, "Measuring and comparing");
  await rules.getByLabel("noticeable difference in slack").fill("");
  await rules.getByRole("button", { name: "Save" }).click();
  await expect(rules.getByLabel("noticeable difference in slack")).toHaveValue("1.5");
});

test("plates are entered, weighed one by one and paired; a station says where bars hang nearest", async ({ page }) => {
  await page.goto("/bars/equipment");
  const plates = page.getByRole("region", { name: "Plates" });
  await plates.getByText("Add plate").click();
  const form = plates.locator("details", { hasText: "Add plate" }).last().locator("form");
  await form.getByLabel(/^short name/).fill("y20");
  await form.getByLabel(/^nominal mass/).fill("20 buckets");
  await form.getByLabel(/^pairs owned/).fill("2");
  await form.getByRole("button", { name: "Add" }).click();
  await expect(plates.getByText("is no mass; write 320 kg or 700 lb")).toBeVisible();
  await expect(form.getByLabel(/^short name/)).toHaveValue("y20");
  await form.getByLabel(/^nominal mass/).fill("20 kg");
  await form.getByRole("button", { name: "Add" }).click();
  const row = plates.getByRole("region", { name: "Weighed one by one" });
  await plates.getByRole("button", { name: "y20" }).click();
  for (const [mark, mass] of [
    ["A", "20.06 kg"],
    ["B", "19.9 kg"],
    ["C", "20.05 kg"],
    ["D", "19.92 kg"],
  ] as const) {
    await row.getByLabel("what is written on it").fill(mark);
    await row.getByLabel("it weighs").fill(mass);
    await row.getByRole("button", { name: "Add", exact: true }).click();
    await expect(row.getByText(`${mark} saved.`)).toBeVisible();
  }
  await expect(row.getByText(/A with C|C with A/)).toBeVisible();
  await expect(row.getByText(/the sides differ by 0\.010 kg/)).toBeVisible();
  const stations = page.getByRole("region", { name: "Stations" });
  await stations.getByRole("button", { name: "rack-1" }).click();
  await stations
    // Not the box that chooses the column.
    .getByRole("textbox", { name: /^bars hang nearest at/ })
    .first()
    .fill("Back wall");
  await stations.getByRole("button", { name: "Save" }).first().click();
  await expect(stations.getByText("Back wall").first()).toBeVisible();
  await page.goto("/match?lift=back-squat-high&load=100&at=rack-1");
  await page.getByText("Why?").first().click();
  await expect(page.getByText("It hangs at Back wall, beside the station.").first()).toBeVisible();
});

test("one hall sees nothing of the other: no lifters, no classes, no rules", async ({ page }) => {
  await page.goto("/lifters");
  await expect(page.getByText("No lifters yet.")).toBeVisible();
  await page.goto("/classes");
  await expect(page.getByText("No classes yet.")).toBeVisible();
  await page.goto("/match/meetings");
  await expect(page.getByText("River Federation")).toHaveCount(0);
  expect((await page.request.get("/api/v1/match?lift=bench&loadKg=60&lifter=bram")).status()).toBe(404);
  const { items } = await (await page.request.get("/api/v1/lifters")).json();
  expect(items).toEqual([]);
});

test("by keyboard: sections with g, a slider with arrows, a side of a policy with arrows", async ({ page }) => {
  await page.goto("/");
  await page.locator("body").press("g");
  await page.keyboard.press("i");
  await expect(page.getByRole("heading", { name: "Lifters" })).toBeVisible();
  await page.keyboard.press("g");
  await page.keyboard.press("e");
  await expect(page.getByRole("heading", { name: "Classes", exact: true })).toBeVisible();
  await page.goto("/match/balance");
  const load = page.getByRole("slider", { name: "load", exact: true });
  await load.focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(page.getByLabel("load, typed")).toHaveValue("105");
  await page.goto("/settings/house");
  await page.getByRole("radio", { name: /go by their own lengths/ }).focus();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("radio", { name: /^a cambered squat bar/ })).toBeChecked();
  await expect(page.getByRole("complementary", { name: "What would change" })).toContainText(
    /No verdict changes|verdicts change/,
  );
});
