import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { expect, test } from "./clock";
import jsQR from "jsqr";
import { PNG } from "pngjs";

/** Errands at the bars that adjust: calibrate, set for somebody, print the card, come back to it by its code. */

/** A page of a PDF as pixels, by Debian's poppler; and its words. */
function rendered(pdf: Buffer) {
  const folder = mkdtempSync(join(tmpdir(), "card-"));
  writeFileSync(join(folder, "card.pdf"), pdf);
  execFileSync("pdftoppm", ["-r", "150", "-png", "-singlefile", join(folder, "card.pdf"), join(folder, "card")]);
  const words = execFileSync("pdftotext", ["-layout", join(folder, "card.pdf"), "-"]).toString();
  return { png: PNG.sync.read(readFileSync(join(folder, "card.png"))), words };
}
const codeIn = ({ data, width, height }: PNG) => jsQR(new Uint8ClampedArray(data), width, height)?.data ?? null;

async function read(page: Page, rows: string, i: number, name: string, isNew: boolean) {
  if (isNew) {
    await page.getByRole("group", { name: rows }).getByRole("button", { name: "Add" }).click();
  }
  const key = rows.startsWith("Marks") ? "marks" : "pins";
  await page.getByLabel(`${key} ${i}, name`).fill(name);
  for (const side of ["left", "right"]) {
    await page.getByRole("button", { name: `Measure ${side} of ${key} ${i}` }).click();
    await expect(page.getByLabel(`${key} ${i}, ${side}`)).toHaveValue(/^-?\d+\.\d$/);
  }
}

test("calibrate a bar, set it front-like for someone of 1.93 m, print the card, scan its code: the same setting", async ({
  page,
  context,
}) => {
  // Somebody of 1.93 m.
  await page.goto("/lifters/new");
  await page.getByLabel("short name").fill("joren");
  await page.getByLabel("name", { exact: false }).nth(1).fill("Joren Askew");
  await page.getByLabel(/^height/).fill("1930");
  await page.getByLabel(/^body mass/).fill("92");
  await page.getByRole("button", { name: "Add" }).click();
  await expect(page.getByRole("heading", { name: "Joren Askew" })).toBeVisible();

  // A bar of that kind that nobody measured yet.
  await page.goto("/bars/new?like=K17");
  await page.getByLabel(/^tag/).first().fill("K99");
  await page.getByRole("button", { name: /^Add/ }).first().click();
  await expect(page.getByRole("heading", { name: "Many ways" })).toBeVisible();
  await page.getByRole("link", { name: "Set up" }).click();
  await expect(page.getByText("This bar has no chart yet")).toBeVisible();
  await page.getByRole("link", { name: "Calibrate it" }).click();
  for (const group of ["Marks of the angle", "Pins of the distance"]) {
    await page
      .getByRole("group", { name: group })
      .getByRole("button", { name: /zero it/ })
      .click();
    await expect(page.getByRole("group", { name: group }).getByText("zeroed")).toBeVisible();
  }
  for (const [i, name] of ["1", "2", "3", "4", "5", "6"].entries()) await read(page, "Marks", i + 1, name, i > 0);
  for (const [i, name] of ["A", "B", "C", "D"].entries()) await read(page, "Pins", i + 1, name, i > 0);
  await page.getByLabel(/^of its mass, at the pad/).fill("8");
  await page.getByRole("button", { name: "Save calibration" }).click();
  await expect(page.getByRole("slider", { name: "The load about the axis" })).toBeVisible();
  await expect(page.getByRole("note")).toContainText("Change this bar only when it is empty");
  await expect(page.getByText("All 24 settings, easiest first")).toBeVisible();

  // Front-like for this lifter.
  await page.getByRole("combobox", { name: "for", exact: true }).selectOption("joren");
  await expect(page).toHaveURL(/lifter=joren/);
  await page.getByRole("button", { name: /^front-like/ }).click();
  await expect(page).toHaveURL(/mark=\d&pin=[A-D]/);
  await expect(page.getByText(/^(Very close|Close) to the bar in front\.$/)).toBeVisible();
  const set = new URL(page.url()).searchParams;
  const words = `mark ${set.get("mark")}, pin ${set.get("pin")}`;
  const keep = page.getByRole("region", { name: "Save setting" });
  await keep.getByRole("combobox", { name: "rack or bench" }).selectOption("rack-1");
  await expect(keep.getByLabel("J-cup hole")).toHaveValue("24");
  await keep.getByRole("button", { name: "Save for Joren Askew" }).click();
  await keep.getByRole("link", { name: "Open the card" }).click();
  await expect(page).toHaveURL(/\/setups\/card\//);
  const address = page.url();
  await expect(page.getByRole("region", { name: "Set it" })).toContainText(words);

  // On paper, and back by the code.
  const pdf = await (await context.request.get(`${new URL(address).pathname}/card.pdf`)).body();
  const paper = rendered(pdf);
  expect(paper.words).toContain("Change this bar only when it is empty");
  expect(paper.words).toContain(words);
  expect(paper.words).toContain("hole 24");
  expect(paper.words).toMatch(/\d+ mm\s+\d+(\.\d+)? in/);
  // It stands in a column beside the other, over two lines.
  expect(paper.words).toContain("ask a doctor");
  expect(paper.words).toContain("physiotherapist");
  const code = codeIn(paper.png);
  expect(code).not.toBeNull();
  expect(new URL(code!).pathname).toBe(new URL(address).pathname);
  await page.goto(new URL(code!).pathname);
  await expect(page.getByRole("region", { name: "Set it" })).toContainText(words);
  // The code on the screen says the same as the one on paper.
  const shot = PNG.sync.read(await page.getByRole("img", { name: /^QR code/ }).screenshot({ scale: "css" }));
  expect(codeIn(shot)).toBe(code);
});

test("an open frame for 50 mm above standard: the flips are named, and hands off the axis are refused", async ({
  page,
}) => {
  await page.goto("/setups/K23");
  await page.getByLabel("grip height wanted").fill("+50");
  await page.getByLabel("grip height wanted").press("Enter");
  const ways = page.getByRole("region", { name: "Ways" });
  await expect(ways).toContainText("Ways to a grip 275 mm above the floor");
  const first = ways.getByRole("listitem").first();
  await expect(first).toContainText("arms up, handles down, handles point forward, hole 1");
  await expect(first).toContainText("+50 mm against a full plate");
  await first.getByText(/steps from how it is set now/).click();
  await expect(first).toContainText("Tilt the bar so that the left arm’s hole looks up");
  await expect(page.getByRole("region", { name: "As it is set" })).toContainText("Raised, 50 mm above a full plate’s");

  // Handles turned away from the axis.
  await page.getByRole("combobox", { name: "for", exact: true }).selectOption("oskar");
  await expect(page).toHaveURL(/lifter=oskar/);
  await page.getByRole("link", { name: "handles point: back" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Do not lift it like this" })).toContainText(
    "must cross back over the axis",
  );
  await page.getByRole("button", { name: "Save for Oskar Pellin" }).click();
  await expect(page.getByRole("region", { name: "Save setting" }).getByRole("status")).toContainText(
    /Not saved: The hands are \d+ mm behind the common mass centre/,
  );
  // Small plates bring the arms to the floor when they point down.
  await page.getByRole("link", { name: "handles point: forward" }).click();
  await page.getByRole("link", { name: "arms: down" }).click();
  await page.getByRole("combobox", { name: "largest plate" }).selectOption("228");
  await expect(page.getByRole("alert").filter({ hasText: "Do not lift it like this" })).toContainText(
    "The arms reach the floor",
  );
});

test("the load is moved with the keyboard and by dragging, and the address follows", async ({ page }) => {
  await page.goto("/setups/K17?mark=3&pin=B&h=1850");
  const dial = page.getByRole("slider", { name: "The load about the axis" });
  await dial.focus();
  await dial.press("ArrowRight");
  await expect(dial).toHaveAttribute("aria-valuetext", "mark 3½, pin B");
  await dial.press("ArrowDown");
  await expect(page.getByRole("heading", { name: "Mark 3½, pin C" })).toBeVisible();
  await expect(page).toHaveURL(/mark=3%C2%BD&pin=C/);
  const box = (await dial.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.787, box.y + box.height * 0.56, { steps: 12 });
  await page.mouse.up();
  await expect(dial).toHaveAttribute("aria-valuetext", /mark (8|8½|9), pin E/);
  await expect(page).toHaveURL(/pin=E/);
  await expect(page.getByText(/a goblet hold\.$/)).toBeVisible();
});

test("left and right that differ are refused; a copied setting has the other lifter's hole", async ({ page }) => {
  await page.goto("/setups/K17?lifter=hale");
  const stand = page.getByRole("region", { name: "How it is set" });
  await stand.getByLabel("left: mark").selectOption("3");
  await stand.getByLabel("right: mark").selectOption("4");
  await stand.getByRole("button", { name: "It is set like this" }).click();
  await expect(stand.getByRole("status")).toContainText("Left and right differ: mark 3 and 4");
  const kept = page.getByRole("region", { name: "Settings of this bar" });
  const hale = kept.getByRole("listitem").filter({ hasText: /^Hale Corrin,/ });
  await hale.getByText(/before, copy/).click();
  await expect(hale).toContainText("mark 7, pin B, hole 22");
  await hale.getByRole("combobox", { name: "Copy to" }).selectOption("tove");
  await hale.getByRole("button", { name: "Copy" }).click();
  await expect(page.getByRole("heading", { name: "Tove Marrack" })).toBeVisible();
  await expect(page.getByRole("region", { name: "Set it" })).toContainText("mark 6, pin B");
  await expect(page.getByText(/J-cups both in hole \d+ at Rack 1/)).toBeVisible();
});

test("someone at the bar ticks the card off step by step on a telephone", async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await page.goto("/setups");
  await page
    .getByRole("region", { name: "Saved settings" })
    .getByRole("listitem")
    .filter({ hasText: "Bram Okerlund, front squat" })
    .getByRole("link", { name: "Card" })
    .click();
  await expect(page.getByRole("note")).toContainText("only when it is empty");
  const steps = page.getByRole("region", { name: "At the bar" });
  const boxes = steps.getByRole("checkbox");
  await expect(boxes.nth(1)).toBeDisabled();
  for (const box of await boxes.all()) await box.check();
  await expect(steps.getByRole("status")).toHaveText("Ready for the light set.");
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(overflow).toBeLessThanOrEqual(0);
  await context.close();
});

test("a bar is dragged to another place, and its parts are counted when it is put away", async ({ page }) => {
  await page.goto("/setups/storage");
  await expect(page.getByRole("list", { name: "What is wrong" })).toContainText("into a walkway at head height");
  const chip = page.getByRole("button", { name: /^K23 Open frame/ });
  const target = page.getByRole("button", { name: "Move Floor cradle" });
  await chip.scrollIntoViewIfNeeded();
  const [from, to] = [(await chip.boundingBox())!, (await target.boundingBox())!];
  await page.mouse.move(from.x + 10, from.y + 10);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + 60, to.y + 20, { steps: 12 });
  await page.mouse.up();
  await expect(page.getByRole("status").first()).toHaveText(/K23 hangs at Floor cradle, peg \d\./);
  await expect(page.getByText("into a walkway at head height")).toHaveCount(0);
  const form = page.getByRole("form", { name: "Put K20 away" });
  await form.getByLabel("handles, of 2").fill("2");
  await form.getByLabel("wing nuts, of 2").fill("1");
  await form.getByRole("button", { name: "Put away" }).click();
  await expect(form.getByRole("status")).toHaveText("K20 is put away. Missing: 1 of 2 wing nuts.");
  await page.goto("/");
  await expect(page.getByText("K20 Yoke: 1 of 2 wing nuts missing when it was put away.")).toBeVisible();
  await page.goto("/setups/storage");
  await form.getByLabel("handles, of 2").fill("2");
  await form.getByLabel("wing nuts, of 2").fill("2");
  await form.getByRole("button", { name: "Put away" }).click();
  await expect(form.getByRole("status")).toHaveText("K20 is put away.");
  // Without a mouse.
  await page.getByRole("region", { name: "Hang a bar elsewhere" }).getByLabel("bar").selectOption("K23");
  await page.getByRole("region", { name: "Hang a bar elsewhere" }).getByLabel("at").selectOption("Slipway end");
  await page.getByRole("button", { name: "Move", exact: true }).click();
  await expect(page.getByText(/K23 hangs at Slipway end/)).toBeVisible();
});
