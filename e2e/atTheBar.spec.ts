import sharp from "sharp";
import { drawnStill } from "../src/data/demo/drawnStill";
import type { MarkKey } from "../src/core/sideview/marks";
import { MARK_NAMES } from "../src/core/sideview/marks";
import { expect, test } from "./clock";
import { serious } from "./serious";
import { unfold } from "./unfold";

/* What a coach and the crew learn at the bar: a still against the model, how a bar feels, where it rusts, what changes. */

/** Hale Corrin, leaning 41° under K20; drawn, nobody's picture. */
const STILL = drawnStill({
  build: { heightMm: 1960, massKg: 98 },
  ...{ shankDeg: 30, thighDeg: 8, leanDeg: 41, bar: [-20, -20], distanceMm: 4200 },
});

test("a coach marks a still by hand and sees 41° of lean beside the model's 39°; only the marks are saved", async ({
  page,
}) => {
  await page.goto("/match/balance?lifter=hale&bar=K20&load=110");
  await page.getByRole("link", { name: "Against a still" }).click();
  await expect(page.getByRole("heading", { name: "Still against the model" })).toBeVisible();
  await expect(page.getByLabel("Bar", { exact: true })).toHaveValue("K20");
  const picture = await sharp(Buffer.from(STILL.svg)).png().toBuffer();
  await page
    .getByLabel("Choose or take a picture")
    .setInputFiles({ name: "still.png", mimeType: "image/png", buffer: picture });
  const canvas = page.getByRole("group", { name: "Still with its marks" });
  await expect(canvas).toBeVisible();
  await canvas.scrollIntoViewIfNeeded();
  const box = (await canvas.boundingBox())!;
  const scale = box.width / STILL.marks.widthPx;
  const { points, disc } = STILL.marks;
  for (const [mark, [x, y]] of Object.entries({ ...points, ...disc!.points }) as [MarkKey, [number, number]][]) {
    const handle = (await canvas.getByRole("button", { name: new RegExp(`^${MARK_NAMES[mark]}:`) }).boundingBox())!;
    await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + x * scale, box.y + y * scale, { steps: 3 });
    await page.mouse.up();
  }
  // By hand to half a pixel of the screen; by the arrow keys a hair more.
  await canvas.getByRole("button", { name: /^hip:/ }).focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowLeft");
  const lead = page.getByTestId("still-lead");
  await expect(lead).toContainText("The trunk leans 41°");
  await expect(lead).toContainText("the model has 39°");
  await expect(lead).toContainText("as good as the same");
  await expect(page.getByTestId("still-readout")).toContainText("trunk lean");
  expect(await serious(page)).toEqual([]);
  await page.getByRole("button", { name: "Save for Hale Corrin" }).click();
  await expect(page.getByText("Saved for Hale Corrin.")).toBeVisible();
  const saved = page.getByRole("region", { name: "Saved stills" });
  await expect(saved.getByText("marks without the picture")).toBeVisible();
  // Beside another, saved with its picture before.
  await saved.getByRole("button", { name: /^Open/ }).last().click();
  await expect(page.getByTestId("still-readout")).toHaveCount(2);
  await saved
    .getByRole("button", { name: /^Delete/ })
    .first()
    .click();
  await expect(saved.getByText("marks without the picture")).toBeHidden();
});

test("Today asks how a bar feels; what is said stands where bars are compared", async ({ page }) => {
  await page.goto("/");
  const asked = page.getByText(/^Ask Emeric|^Ask \w+/).first();
  await expect(asked).toBeVisible();
  await page.getByRole("link", { name: "Add note" }).first().click();
  await expect(page).toHaveURL(/stage=/);
  const form = page.locator("form", { has: page.getByRole("group", { name: "comfort" }) });
  await form.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Say at least one thing about the bar.")).toBeVisible();
  await form.getByRole("radio", { name: "comfort 4 of 5" }).check();
  await form.getByRole("group", { name: "Would use it again" }).getByLabel("yes").check();
  await form.getByLabel("In your words").fill("Sits well after a while.");
  expect(await serious(page)).toEqual([]);
  await form.getByRole("button", { name: "Save" }).click();
  await expect(page.locator("#feel")).toContainText("Sits well after a while.");
  const tag = /\/bars\/(K\d+)/.exec(page.url())![1]!;
  await page.goto(`/compare?bars=${tag},K12`);
  await expect(page.getByRole("region", { name: "What changes" })).toContainText(`${tag}:`);
});

test("rust that a round finds at the left knurl is on the bar's strip", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/care/rounds?task=shaft&ahead=31");
  const now = page.getByRole("region", { name: "Now" });
  const tag = (await now.getByRole("heading").innerText()).split(" ")[0]!;
  await expect(now).toContainText("Look and brush first");
  await page.getByRole("button", { name: "Something is wrong" }).click();
  await page.getByRole("radio", { name: "rust" }).check();
  await page.getByRole("radio", { name: "left knurl" }).check();
  expect(await serious(page)).toEqual([]);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("list", { name: "Found" })).toContainText(`${tag}: rust`);
  await expect(async () => {
    await page.goto(`/bars/${tag}`);
    await expect(page.getByTestId("wear-strip")).toContainText("rust, left knurl", { timeout: 2000 });
  }).toPass();
  await expect(page.getByTestId("wear-strip")).toContainText(/hands/i);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
});

test("three turns of the dial say where a bar is bent", async ({ page }) => {
  await page.goto("/bars/K12/inspect");
  await page.getByLabel("three places: says where it is bent").check();
  await page.getByRole("button", { name: "Turn the simulated gauge" }).click();
  await expect(page.getByTestId("bend-place")).toContainText(/^Bent .* o’clock, runout/);
  expect(await serious(page)).toEqual([]);
});

test("two bars are compared in words at a lifter's size, opinions with both sides", async ({ page }) => {
  await page.goto("/compare?bars=K20,K11&lift=back-squat-high&load=120");
  await page.getByLabel("For whom").selectOption({ label: "Hale Corrin" });
  const words = page.getByRole("region", { name: "What changes" });
  await expect(words).toContainText("at Hale Corrin’s size");
  await expect(words).toContainText("K20 keeps the trunk");
  await expect(words).toContainText("nothing to reach back for");
  await expect(words).toContainText("(opinion)");
  await page.goto("/compare?bars=K20,K11,K12&lift=back-squat-high");
  await page.getByLabel("in words").selectOption({ label: "K11 against K12" });
  await expect(page.getByRole("heading", { name: "K11 against K12" })).toBeVisible();
  expect(await serious(page)).toEqual([]);
});

test("a frame's heights are a ladder, and some of them a drop set with the changes between", async ({ page }) => {
  await page.goto("/setups/K23");
  const ladder = page.getByRole("region", { name: "Ladder of heights" });
  const rungs = ladder.getByRole("listitem").getByRole("link");
  expect(await rungs.count()).toBeGreaterThan(2);
  await rungs.first().click();
  await expect(ladder.getByRole("heading", { name: /^Drop set across 1/ })).toBeVisible();
  await ladder
    .getByRole("link", { name: /tap for the drop set/ })
    .last()
    .click();
  await expect(ladder.getByRole("heading", { name: /^Drop set across 2/ })).toBeVisible();
  await ladder.getByRole("link", { name: "from the highest down" }).click();
  await expect(page).toHaveURL(/order=down/);
  expect(await serious(page)).toEqual([]);
});

test("bolts and liners of stations are looked at like bars", async ({ page }) => {
  await page.goto("/care/stations");
  const bench = page.getByRole("region", { name: "Bench 2" });
  await bench.getByLabel("Found: liners of the J-cups of Bench 2").selectOption("worn");
  await bench.getByLabel("Note: liners of the J-cups of Bench 2").fill("left one thin");
  await bench.getByRole("button", { name: "Save liners of the J-cups of Bench 2" }).click();
  await expect(bench).toContainText("worn,");
  await expect(bench).toContainText("left one thin");
  expect(await serious(page)).toEqual([]);
});

test("what is on a bar now is tapped, plate by plate, and the same mass is shown another way", async ({ page }) => {
  await page.goto("/load?bar=K11&target=120");
  await unfold(page, "What is on it now");
  await page
    .getByRole("group", { name: /^Tap plates/ })
    .getByRole("button", { name: /^25 kg/ })
    .first()
    .click();
  await expect(page).toHaveURL(/stack=25/);
  await expect(page.locator("#own-stack").getByText(/^25 kg .*each side$/)).toBeVisible();
  await page.getByRole("button", { name: "Remove the outermost" }).click();
  await expect(page).not.toHaveURL(/stack=/);
  expect(await serious(page)).toEqual([]);
});

test("the floor says how many people lift in rows, and how far places are", async ({ page }) => {
  await page.goto("/setups/space");
  await page.getByLabel("Width of the floor").fill("1 m");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText(/^Width of the floor: .* 2 to 60 m/)).toBeVisible();
  await page.getByLabel("Width of the floor").fill("20");
  await page.getByLabel("Depth").fill("9.2 m");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  const rows = page.getByRole("region", { name: "People in rows" });
  // (20000 + 600) / (2200 + 600) = 7 across in 4 rows.
  await expect(rows).toContainText("28 people");
  await expect(page.getByRole("region", { name: "Distances" })).toContainText(" m");
  expect(await serious(page)).toEqual([]);
});
