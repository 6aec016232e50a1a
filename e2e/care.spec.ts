import type { Page } from "@playwright/test";
import { dayText } from "../src/core/units/dates";
import { expect, now, test } from "./clock";
import { serious } from "./serious";
import { unfold } from "./unfold";

/** Errands of whoever keeps the bars clean, straight and turning. */

const everyDays = async (page: Page, tag: string) => {
  await page.goto("/care/meters");
  const row = page
    .getByRole("region", { name: "Need of every bar" })
    .getByRole("listitem")
    .filter({ hasText: tag })
    .first();
  const text = await row
    .getByText(/every \d+ days/)
    .first()
    .innerText();
  return { days: Number(/every (\d+) days?/.exec(text)![1]), text };
};

test("a damp salty month brings the rounds closer together, and says why", async ({ page }) => {
  const before = await everyDays(page, "K02");
  const rows = Array.from({ length: 20 * 24 }, (_, i) => {
    const at = new Date(Math.floor(now().getTime() / 3_600_000) * 3_600_000 - i * 3_600_000);
    return `${at.toISOString()},24,93,500`;
  });
  await page.goto("/care/air");
  await page.getByLabel("Readings from a file").setInputFiles({
    name: "air.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(["at,temperature,humidity,chloride", ...rows].join("\n")),
  });
  await page.getByRole("button", { name: "Import" }).click();
  await expect(page.getByText(/480 readings from .* imported. Care was replanned\./)).toBeVisible();
  await expect(page.getByRole("region", { name: "Why this month" })).toContainText(/worse than the months before it/);
  await expect(page.getByRole("region", { name: "Why this month" })).toContainText(
    /humidity × .*what falls from the air ×/,
  );
  const after = await everyDays(page, "K02");
  expect(after.days).toBeLessThanOrEqual(before.days * 0.62);
  expect(after.text).toMatch(/air × [23]/);
  // A file that cannot be read leaves everything as it was, and says where.
  await page.goto("/care/air");
  await page.getByLabel("Readings from a file").setInputFiles({
    name: "air.csv",
    mimeType: "text/csv",
    buffer: Buffer.from("at,temperature,humidity\nyesterday,9,88\n"),
  });
  await page.getByRole("button", { name: "Import" }).click();
  await expect(page.getByText("line 2, at: “yesterday” is no moment")).toBeVisible();
});

test("a round is done on a telephone with the connection lost in the middle; what is wrong is kept with a photo", async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  const words = `end cap loose ${Date.now()}`;
  await page.goto("/care/rounds?ahead=7");
  const now = page.getByRole("region", { name: "Now" });
  const left = async () => Number(/^(\d+) bars? to go/.exec(await page.getByText(/bars? to go/).innerText())![1]);
  const all = await left();
  expect(all).toBeGreaterThan(4);
  const tag = async () => (await now.getByRole("heading").innerText()).split(" ")[0]!;
  const first = await tag();
  const confirmed = page.waitForResponse((response) => response.url().endsWith("/care/rounds/touch"));
  await now.getByRole("button", { name: "Done" }).click();
  await expect.poll(left).toBe(all - 1);
  await confirmed;
  await context.setOffline(true);
  const second = await tag();
  await now.getByRole("button", { name: "Done" }).click();
  await now.getByRole("button", { name: "Not now" }).click();
  await now.getByRole("button", { name: "in use" }).click();
  await now.getByRole("button", { name: "Something is wrong" }).click();
  await now.getByRole("textbox").fill(words);
  await now.getByLabel("A photo, if it helps").setInputFiles({
    name: "cap.png",
    mimeType: "image/png",
    buffer: Buffer.from(
      "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==",
      "base64",
    ),
  });
  const wrong = await tag();
  await now.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("3 touches are saved on this device")).toBeVisible();
  expect(await left()).toBe(all - 3);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await context.setOffline(false);
  await expect(page.getByText("No connection.")).toBeHidden({ timeout: 30_000 });
  // On another device: both are done once, the one passed over says why, the finding has its photo.
  const found = page.getByRole("region", { name: "Not resolved" });
  await expect(async () => {
    await page.goto("/care");
    await expect(found).toContainText(words, { timeout: 1000 });
  }).toPass({ timeout: 30_000 });
  const lately = page.getByRole("region", { name: "Done lately" });
  for (const done of [first, second]) await expect(lately.getByText(done, { exact: true }).first()).toBeVisible();
  const photo = await page.request.get(
    (await found
      .getByRole("listitem")
      .filter({ hasText: words })
      .getByRole("link", { name: "photo" })
      .getAttribute("href"))!,
  );
  // Made anew, without where it was taken.
  expect(photo.headers()["content-type"]).toBe("image/jpeg");
  expect(await serious(page)).toEqual([]);
  const row = found.getByRole("listitem").filter({ hasText: words });
  await row.getByRole("textbox", { name: `What was done about ${wrong}` }).fill("tightened");
  await row.getByRole("button", { name: `Resolve ${wrong}` }).click();
  await expect(page.getByText(words)).toHaveCount(0);
  await context.close();
});

test("sleeves are oiled one side of every bar, then all are turned; a page opened again goes on where it was", async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await page.goto("/care/rounds?task=sleeves&ahead=31");
  const now = page.getByRole("region", { name: "Now" });
  const heading = now.getByRole("heading");
  const all = Number(/^(\d+) bars? to go/.exec(await page.getByText(/bars? to go/).innerText())![1]);
  expect(all).toBeGreaterThan(2);
  const firstSides: string[] = [];
  for (let i = 0; i < all; i += 1) {
    await expect(now).toContainText(`first side, ${i + 1} of ${all}`);
    firstSides.push(await heading.innerText());
    // Nothing is done yet: opened again in the middle it goes on where it was.
    if (i === 1) await page.reload();
    if (i === 1) await expect(now).toContainText(`first side, 2 of ${all}`);
    await now.getByRole("button", { name: "This side is done" }).tap();
  }
  await expect(heading).toHaveText(`Turn all ${all} bars over`);
  expect(await serious(page)).toEqual([]);
  await now.getByRole("button", { name: "All turned" }).tap();
  await expect(now).toContainText(`second side, ${all} to go`);
  expect(await heading.innerText()).toBe(firstSides[0]);
  await now.getByRole("button", { name: "Done" }).tap();
  await expect(now).toContainText(`second side, ${all - 1} to go`);
  expect(await heading.innerText()).toBe(firstSides[1]);
  const tag = firstSides[0]!.split(" ")[0]!;
  await expect(async () => {
    await page.goto("/care");
    const lately = page.getByRole("region", { name: "Done lately" });
    await expect(lately.getByRole("listitem").filter({ hasText: tag }).first()).toContainText("oil the sleeves", {
      timeout: 1000,
    });
  }).toPass({ timeout: 30_000 });
  await context.close();
});

test("of a bar with several tasks those are ticked that were done; the others stay due", async ({ page }) => {
  await page.goto("/care/rounds?ahead=31");
  const now = page.getByRole("region", { name: "Now" });
  const tag = async () => (await now.getByRole("heading").innerText()).split(" ")[0]!;
  // The first bars of the round are other errands'.
  for (let i = 0; i < 25 && (i < 5 || (await now.getByRole("checkbox").count()) < 2); i += 1) {
    await now.getByRole("button", { name: "Not now" }).click();
    await now.getByRole("button", { name: "no time" }).click();
  }
  const bar = await tag();
  // The name alone, without how late it is.
  const names = await now
    .getByRole("checkbox")
    .evaluateAll((all) => all.map((one) => one.closest("label")!.querySelector("strong")!.innerText));
  await now.getByRole("checkbox").first().uncheck();
  await now.getByRole("button", { name: /^\d+ of \d+ done$/ }).click();
  const lately = page
    .getByRole("region", { name: "Done lately" })
    .getByRole("listitem")
    .filter({ hasText: bar })
    .filter({ hasText: /Wed 18 Mar|today/ });
  await expect(async () => {
    await page.goto("/care");
    await expect(lately).toHaveCount(names.length - 1, { timeout: 1000 });
  }).toPass({ timeout: 30_000 });
  await expect(lately.filter({ hasText: names[0]! })).toHaveCount(0);
  await page.goto(`/care?bar=${bar}&ahead=31`);
  await expect(page.getByRole("button", { name: `Done: ${names[0]} on ${bar}` })).toBeVisible();
});

test("a large photo is shrunk before it is sent", async ({ page }) => {
  const words = `knurl torn ${Date.now()}`;
  await page.goto("/care/rounds?ahead=31");
  const now = page.getByRole("region", { name: "Now" });
  await now.getByRole("button", { name: "Something is wrong" }).click();
  // Noise does not compress: some megabytes, as a telephone's camera makes them.
  const photo = Buffer.from(
    await page.evaluate(async () => {
      const canvas = document.createElement("canvas");
      [canvas.width, canvas.height] = [2000, 1500];
      const context = canvas.getContext("2d")!;
      const noise = context.createImageData(2000, 1500);
      let state = 1;
      for (let i = 0; i < noise.data.length; i += 1) {
        state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
        noise.data[i] = i % 4 === 3 ? 255 : state >>> 24;
      }
      context.putImageData(noise, 0, 0);
      return canvas.toDataURL("image/jpeg", 0.9).replace(/^[^,]*,/, "");
    }),
    "base64",
  );
  expect(photo.length).toBeGreaterThan(1_000_000);
  await now.getByRole("textbox").fill(words);
  await now
    .getByLabel("A photo, if it helps")
    .setInputFiles({ name: "knurl.jpg", mimeType: "image/jpeg", buffer: photo });
  await now.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("list", { name: "Found" })).toContainText(words);
  const row = page.getByRole("region", { name: "Not resolved" }).getByRole("listitem").filter({ hasText: words });
  await expect(async () => {
    await page.goto("/care");
    await expect(row).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 30_000 });
  const kept = await page.request.get((await row.getByRole("link", { name: "photo" }).getAttribute("href"))!);
  expect(kept.headers()["content-type"]).toBe("image/jpeg");
  expect((await kept.body()).length).toBeLessThan(photo.length);
  const size = await page.evaluate(
    async (text) => {
      const image = new Image();
      image.src = `data:image/jpeg;base64,${text}`;
      await image.decode();
      return [image.naturalWidth, image.naturalHeight];
    },
    (await kept.body()).toString("base64"),
  );
  expect(size).toEqual([1600, 1200]);
  await row.getByRole("textbox").fill("filed flat");
  await row.getByRole("button", { name: /^Resolve/ }).click();
  await expect(page.getByText(words)).toHaveCount(0);
});

test("the day's spot checks are answered with a touch each, at the desk and on the wall screen", async ({ page }) => {
  await page.goto("/care");
  const summary = page.locator("summary", { hasText: "Spot check" });
  const toLookAt = async () => Number(/(\d+) of \d+ to look at/.exec(await summary.innerText())?.[1] ?? 0);
  const before = await toLookAt();
  expect(before).toBeGreaterThan(2);
  await summary.click();
  await page.getByRole("button", { name: "Clean K11" }).click();
  await expect(page.getByText("Thank you: K11 is clean.")).toBeVisible();
  await expect.poll(toLookAt).toBe(before - 1);
  await page.goto("/wall");
  await page.getByRole("link", { name: "Chalk left on a bar" }).click();
  await expect(page.getByRole("button", { name: /^K11 .* is clean$/ })).toHaveCount(0);
  await page.getByRole("button", { name: /^K04 .* is clean$/ }).click();
  await expect(page.getByRole("status")).toContainText("K04 is clean");
  await page.goto("/care");
  await expect.poll(toLookAt).toBe(before - 2);
});

test("a bar's care is set against its condition over time", async ({ page }) => {
  await page.goto("/care/records");
  const bars = page.getByRole("region", { name: "Bar by bar" });
  await expect(bars).toContainText(/Where \d+ % of the due brushing was done, rust/);
  await bars.getByRole("link", { name: "over time K04" }).click();
  const shown = page.getByRole("region", { name: "K04 over time" });
  await expect(
    shown.getByRole("img", { name: /^Rust of K04 over time: .*rust none, .*rust bloom, .*rust specks$/ }),
  ).toBeVisible();
  await expect(shown.getByRole("img", { name: /^Runout of K04 over time/ })).toBeVisible();
  await expect(shown.getByRole("img", { name: /^Care of K04: brush and wipe the shaft \d+ times, / })).toBeVisible();
  await expect(shown).toContainText(/brushed \d+×, every \d+ days; rust went from “bloom” to “specks”/);
  await page.goto("/care/records?bar=K28");
  await expect(page.getByRole("region", { name: "K28 over time" })).toContainText("Nobody inspected it yet");
});

test("a bar with 3.4 mm runout is quarantined and vanishes from Match, Load and the wall screen", async ({ page }) => {
  const tag = "K26";
  const dial = (tir: number) =>
    Array.from({ length: 8 }, (_, i) => (tir / 2) * (1 + Math.cos((2 * Math.PI * i) / 8 - 1.1)));
  const read = async (tir: number) => {
    for (const [i, value] of dial(tir).entries())
      await page.getByRole("textbox", { name: `dial at ${i * 45}°`, exact: true }).fill(value.toFixed(3));
  };
  await page.goto(`/bars/${tag}`);
  await unfold(page, "More");
  await page.getByRole("link", { name: "Inspect" }).click();
  await read(3.4);
  const rule = page.getByRole("region", { name: "The rule" });
  await expect(rule).toContainText("quarantine, nobody lifts with it");
  await expect(rule).toContainText("runout 3.4 mm, over 3 mm");
  await expect(page.getByRole("img", { name: /One turn seen along the bar: it bends towards 63°/ })).toBeVisible();
  await rule.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Now: quarantined")).toBeVisible();
  await page.goto(`/match?lift=snatch&load=30`);
  await expect(page.locator(".bar-tag:visible").first()).toBeVisible();
  await expect(page.locator(".bar-tag:visible", { hasText: tag })).toHaveCount(0);
  await page.goto(`/load?bar=${tag}`);
  await expect(page.getByRole("alert").filter({ hasText: `${tag} is quarantined: runout 3.4 mm` })).toBeVisible();
  await page.goto(`/load?bar=K12`);
  await expect(
    page.getByRole("combobox", { name: "bar", exact: true }).locator("option", { hasText: tag }),
  ).toHaveCount(0);
  await page.goto("/wall?lift=snatch");
  await expect(page.getByRole("region", { name: "Take this bar" })).not.toContainText(tag);
  await page.goto("/wall/chalk");
  await expect(page.getByRole("button", { name: tag })).toHaveCount(0);
  // Straightened and turned again, the manager's inspection takes it back into service.
  await page.goto(`/bars/${tag}/inspect`);
  await expect(page.getByRole("region", { name: "Inspected before" })).toContainText("quarantine, runout 3.40 mm");
  await read(0.4);
  await expect(rule).toContainText("The rule: in service");
  await rule.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Now: in service")).toBeVisible();
});

test("chalk left on a bar is noted from the wall screen in two touches, and its shaft is due sooner", async ({
  page,
}) => {
  const before = await everyDays(page, "K08");
  await page.goto("/wall");
  await page.getByRole("link", { name: "Chalk left on a bar" }).click();
  await page.getByRole("button", { name: /K08/ }).click();
  await expect(page.getByRole("status")).toContainText("chalk on K08 is noted");
  const after = await everyDays(page, "K08");
  expect(after.days).toBeLessThan(before.days);
  expect(after.text).toContain("chalk left on × 1.5");
});

test("the house chooses how care is due, and a task never opens a sleeve", async ({ page }) => {
  await page.goto("/care/tasks");
  const task = page.getByRole("region", { name: "oil the sleeves" });
  await page.getByRole("button", { name: "oil the sleeves" }).click();
  await task.getByLabel("steps, one a line").fill("Take the end caps off and open the sleeves.");
  await task.getByRole("button").last().click();
  await expect(task.getByText(/never schedules it/)).toBeVisible();
  await page.goto("/care/meters");
  await page.getByText("Care is due by the need meter").click();
  await page.getByLabel("watch above this runout").fill("9");
  const rules = page.locator("details").filter({ hasText: "Care is due by the need meter" });
  await rules.getByRole("button", { name: "Save", exact: true }).click();
  await expect(rules.getByText("runout to watch must be less than runout to quarantine")).toBeVisible();
});

test("rounds are planned into the crew's hours, a calendar subscribes, and a moved round moves there", async ({
  page,
}) => {
  await page.goto("/care/plan");
  await page.getByRole("button", { name: /^Plan / }).click();
  await expect(page.getByText(/\d+ jobs in \d+ rounds?/)).toBeVisible();
  await page.getByRole("button", { name: "Make address" }).click();
  const address = page.getByText(/\/care\/calendar\/[\w-]{32}\.ics/);
  await expect(address).toBeVisible();
  const path = /\/care\/calendar\/[\w-]{32}\.ics/.exec(await address.innerText())![0];
  const read = async () => {
    const response = await page.request.get(path, { headers: { cookie: "" } });
    return { status: response.status(), text: await response.text() };
  };
  const before = await read();
  expect(before.text).toContain("BEGIN:VCALENDAR");
  const round = page.getByRole("article", { name: /^Round of/ }).last();
  const select = round.getByRole("combobox", { name: "Move to" });
  const days = await select
    .locator("option")
    .evaluateAll((options) => options.map((option) => (option as HTMLOptionElement).value));
  await select.selectOption(days.at(-1)!);
  await expect(page.getByText(`Moved to ${dayText(days.at(-1)!, days[0]!)}`)).toBeVisible();
  const after = await read();
  expect(after.text).not.toBe(before.text);
  expect(after.text).toContain(`DTSTART:${days.at(-1)!.replaceAll("-", "")}T`);
  await page
    .getByRole("button", { name: /^Revoke/ })
    .first()
    .click();
  await expect(page.getByText("Revoked: the address no longer works.")).toBeVisible();
  expect((await read()).status).toBe(404);
  // Programs of a coach get it with their token.
  const api = await page.request.get("/api/v1/care.ics", { headers: { authorization: "Bearer demo-token" } });
  expect(api.headers()["content-type"]).toContain("text/calendar");
});
