import type { Page } from "@playwright/test";
import { become } from "./become";
import { expect, test } from "./clock";

/** Errands of a coach: the right bar for a person, the class of the evening, what the house believes. */

const best = (page: Page) => page.getByRole("list", { name: "Bars, best first" }).locator("> li");

test("a tall lifter who cannot reach back gets a yoke bar; the coach's screen says why", async ({ page }) => {
  await page.goto("/lifters");
  await page
    .getByRole("row", { name: /Bram Okerlund/ })
    .getByRole("link", { name: "Match" })
    .click();
  await page.getByRole("combobox", { name: "lift", exact: true }).selectOption("back-squat-high");
  await page.getByLabel("load").fill("120");
  await page.getByLabel("load").press("Enter");
  await expect(page).toHaveURL(/load=120/);
  await expect(best(page).first()).toContainText("K20");
  await best(page).first().getByText("Why?").click();
  await expect(best(page).first()).toContainText(/leans \d+°; hip \d+ and knee \d+ N·m/);
  await page.getByRole("combobox", { name: "at", exact: true }).selectOption("rack-1");
  await expect(best(page).first()).toContainText(
    /J-cups in hole \d+, one hole up from a straight bar; safeties in hole \d+\./,
  );
  const power = best(page).filter({ hasText: "K11" });
  await expect(power).toContainText("poor");
  await expect(power).toContainText("cannot reach back to a bar behind the neck");
  await expect(page.getByText("Pain or injury: ask a doctor or physiotherapist")).toBeVisible();
});

test("someone not on file is matched by height and sore joints, other lifts are one touch away, the best are compared", async ({
  page,
}) => {
  await page.goto("/match?lift=deadlift&load=100");
  await page.getByRole("combobox", { name: "for", exact: true }).selectOption("someone not on file");
  const about = page.getByRole("region", { name: "Someone not on file" });
  await about.getByLabel("height").fill("6 ft 4");
  await about.getByLabel("height").press("Enter");
  await expect(about.getByLabel("height")).toHaveValue("1930.4");
  await page
    .getByRole("navigation", { name: "Other lifts" })
    .getByRole("link", { name: "back squat, high bar" })
    .click();
  await about.getByRole("link", { name: "Not comfortable: shoulder" }).click();
  await expect(page).toHaveURL(/sore=shoulder/);
  // What earned it its place comes first.
  await expect(best(page).first().getByText("Spares the shoulder: nothing to reach back for.").first()).toBeVisible();
  await page.getByRole("link", { name: "Compare the top three" }).click();
  await expect(page).toHaveURL(/\/compare\?bars=K\d+(%2C|,)K\d+(%2C|,)K\d+&lift=back-squat-high/);
  await page.goto("/lifters");
  await expect(page.getByRole("main")).not.toContainText("not on file");
});

test("a technique bar at 60 kg is never; small hands get the 25 mm bar for the snatch", async ({ page }) => {
  await page.goto("/match?lift=snatch&load=60");
  await page.getByText(/bars never for this/).click();
  const never = page.getByRole("listitem").filter({ hasText: "K26" });
  await expect(never).toContainText("133 % of the 45 kg it may carry");
  await page.goto("/match?lift=snatch&load=40&lifter=wren");
  await expect(best(page).first()).toContainText("K07");
  await expect(best(page).first()).toContainText("made for");
  await expect(best(page).filter({ hasText: "K02" })).toContainText("thick for this lifter’s hands".replace("’", "'"));
});

test("the gym changes its mind on sleeves: the flips are named before it is kept, and only those come true", async ({
  page,
  request,
}) => {
  const verdict = async (lift: string, kg: number, tag: string) => {
    const { items } = await (await request.get(`/api/v1/match?lift=${lift}&loadKg=${kg}`)).json();
    return items.find((item: { tag: string }) => item.tag === tag).verdict;
  };
  expect([await verdict("clean", 70, "K08"), await verdict("overhead-press", 45, "K02")]).toEqual(["good", "usable"]);
  const before = await verdict("deadlift", 140, "K04");
  await page.goto("/settings");
  await page.getByRole("link", { name: "House rules" }).click();
  await page.getByRole("radio", { name: /it hardly matters below competition/ }).check();
  const flips = page.getByRole("complementary", { name: "What would change" });
  await expect(flips).toContainText(/\d+ of \d+ verdicts change; the others stay/);
  await expect(flips.getByRole("listitem").filter({ hasText: "K02" }).first()).toContainText("overhead press");
  // Nothing is kept by looking.
  expect(await verdict("overhead-press", 45, "K02")).toBe("usable");
  await flips.getByRole("button", { name: "Save" }).click();
  await expect(flips).toContainText("Saved.");
  expect(await verdict("overhead-press", 45, "K02")).toBe("good");
  expect(await verdict("deadlift", 140, "K04")).toBe(before);
  await page.getByRole("radio", { name: /it decides: bearings for fast/ }).check();
  await flips.getByRole("button", { name: "Save" }).click();
  await expect.poll(() => verdict("overhead-press", 45, "K02")).toBe("usable");
});

test("tonight's class is assigned, a choice is fixed, and the sheet says bars and names, no loads, no reasons", async ({
  page,
}) => {
  await page.goto("/");
  await page
    .getByRole("listitem")
    .filter({ hasText: "stations and bars are not assigned yet" })
    .getByRole("link")
    .click();
  await page.getByRole("button", { name: "Assign stations and bars" }).click();
  const plan = page.getByRole("region", { name: "The plan" });
  await expect(plan).toContainText("All 14 are placed");
  await expect(plan).toContainText("Nothing better can be done with these plates: it is proven.");
  await expect(plan).toContainText("All 14 are placed");
  // One bar is in one place at a time.
  const at = (time: string) => plan.getByRole("cell", { name: new RegExp(`at ${time}$`) });
  for (const time of ["18:30", "18:55", "19:20"]) {
    const tags = await at(time).locator(".bar-tag").allInnerTexts();
    expect(tags.length).toBeGreaterThan(1);
    expect(new Set(tags).size).toBe(tags.length);
  }
  // Put elsewhere, it says first what that costs; where it cannot be, there is nothing to press.
  const chosen = plan.getByRole("region", { name: "Chosen" });
  await plan.getByRole("button", { name: "Bram Okerlund, deadlift" }).click();
  await chosen.getByLabel("Station").selectOption("Rack 1");
  await chosen.getByRole("button", { name: "See what it costs there" }).click();
  await expect(chosen.getByTestId("move-cost")).toContainText("Not possible there.");
  await expect(chosen.getByRole("button", { name: "Move" })).toHaveCount(0);
  // Dragged by hand.
  const wren = plan.getByRole("button", { name: "Wren Ashby, snatch" });
  const was = (await wren.locator("xpath=ancestor::td").getAttribute("aria-label"))!;
  const to = was.endsWith("19:20") ? "18:30" : "19:20";
  const [from, target] = [
    (await wren.boundingBox())!,
    (await plan.getByRole("cell", { name: `Platform 1 at ${to}` }).boundingBox())!,
  ];
  await page.mouse.move(from.x + 40, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 12, { steps: 3 });
  await page.mouse.move(target.x + target.width / 2, target.y + target.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(chosen.getByTestId("move-cost")).toContainText(/Wren Ashby, snatch/);
  await chosen.getByRole("button", { name: "Move" }).click();
  await expect(chosen).toContainText("Moved, and fixed there.");
  await expect(plan.getByRole("cell", { name: `Platform 1 at ${to}` })).toContainText("Wren Ashby");
  const fixed = page.getByRole("form", { name: "Fixed for Wren Ashby, snatch" });
  await expect(fixed.getByLabel("Station").locator("option:checked")).toHaveText("Platform 1");
  await fixed.getByLabel("Block").selectOption("");
  await expect(plan).toContainText("to assign.");
  await fixed.getByLabel("Station").selectOption("");
  await expect(fixed.getByLabel("Station")).toHaveValue("");
  await page.getByRole("form", { name: "Fixed for Hale Corrin, clean" }).getByLabel("Block").selectOption("18:55");
  await expect(plan).toContainText("to assign.");
  await page.getByRole("button", { name: "Assign stations and bars" }).click();
  await expect(at("18:55").filter({ hasText: "Hale Corrin" })).toContainText(/Hale Corrin\s*100 kg\s*clean/);
  await page.getByRole("link", { name: "Sheet to print" }).click();
  const sheet = page.getByRole("article", { name: "Class sheet" });
  await expect(sheet).toContainText("Bram Okerlund");
  await expect(sheet).toContainText("K20");
  await expect(sheet).toContainText("Not sure? Ask the staff.");
  // How bars are used is on the next page, for everybody alike.
  await expect(sheet.getByRole("region", { name: "How its bars are used" })).toContainText("K20");
  const text = await sheet.getByRole("table").innerText();
  expect(text).not.toMatch(/reach|shoulder|wrist|\d+ kg|made for|usable|hole/i);
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await expect(sheet).toBeVisible();
  await page.emulateMedia({ media: "screen" });
  // A plan that stays would put its bars in use while the class runs, and other errands ask for them.
  await page.getByRole("link", { name: "Back to the class" }).click();
  await page.getByRole("form", { name: "Fixed for Hale Corrin, clean" }).getByLabel("Block").selectOption("");
  await expect(plan).toContainText("to assign.");
});

test("a lifter is put into a class, wrongly first, and taken out again", async ({ page }) => {
  await page.goto("/classes/new");
  await page.getByLabel("name").fill("Early class");
  await page.getByRole("button", { name: "Add class" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "stations" })).toBeVisible();
  await expect(page.getByLabel("name")).toHaveValue("Early class");
  await page.getByLabel("Rack 1").fill("2");
  await page.getByRole("button", { name: "Add class" }).click();
  await expect(page.getByRole("heading", { name: "Early class" })).toBeVisible();
  const put = page.getByRole("region", { name: "Who wants what" });
  await put.getByRole("combobox", { name: "lifter", exact: true }).selectOption("cato");
  await put.getByRole("combobox", { name: "lift", exact: true }).selectOption("deadlift");
  await expect(put.getByLabel("load")).toHaveValue("80 kg");
  await put.getByLabel("load").fill("heavy");
  await put.getByRole("button", { name: "Add" }).click();
  await expect(put.getByRole("alert")).toContainText("“heavy” is none");
  await put.getByRole("combobox", { name: "lifter", exact: true }).selectOption("cato");
  await put.getByRole("combobox", { name: "lift", exact: true }).selectOption("deadlift");
  await put.getByRole("button", { name: "Add" }).click();
  await expect(put).toContainText("deadlift 80 kg");
  await page.getByRole("button", { name: "Assign stations and bars" }).click();
  await expect(page.getByRole("region", { name: "The plan" })).toContainText(
    "No station of the class suits this lift.",
  );
  await put.getByRole("button", { name: "Remove Cato Wrenfold, deadlift" }).click();
  await expect(page.getByText("Nobody is in this class yet")).toBeVisible();
});

test("balance: sliders move the figure, one pose teaches equal moments, an impossible pose is said", async ({
  page,
}) => {
  await page.goto("/match/balance");
  const high = page.getByRole("region", { name: "Carry: high on the back" });
  await expect(high.getByRole("img")).toHaveAccessibleName("high on the back: trunk leans 41 degrees");
  await expect(high).toContainText("433.7");
  await expect(page.getByRole("region", { name: "Carry: safety squat bar" })).toContainText("30.5");
  await page.getByRole("checkbox", { name: "all at one pose" }).check();
  await expect(page.getByRole("region", { name: "What it says" })).toContainText(
    "At one pose hip and knee moments are the same for every carry: 433.7 and 289.7 N·m.",
  );
  await page.getByLabel("load, typed").fill("140");
  await expect(high).not.toContainText("433.7");
  await expect(page).toHaveURL(/load=140/);
  await high.getByText("Move the carry").click();
  await high.getByLabel("shank lean, typed").fill("0");
  await page.getByLabel("load, typed").fill("0");
  await page.getByLabel("hip over knee, typed").fill("-10");
  await expect(high.getByRole("alert")).toContainText("Nothing balances at this shank lean and depth");
  await page.getByRole("button", { name: "hinge" }).click();
  await page.getByLabel("load, typed").fill("60");
  await expect(page.getByRole("region", { name: "What it says" })).toContainText(
    "Lower on the back means a shorter arm.",
  );
  await expect(page.getByText("not a diagnosis")).toBeVisible();
  // The address shows the same to the next person.
  await expect(page).toHaveURL(/mode=hinge.*load=60/);
  await page.reload();
  await expect(page.getByLabel("load, typed")).toHaveValue("60");
});

test("coverage, a lift of the gym’s own, and a competition’s rules", async ({ page }) => {
  await page.goto("/match/coverage");
  await expect(page.getByText(/\d+ of \d+ lifts are covered well/)).toBeVisible();
  await expect(page.getByRole("cell", { name: "made for" }).first()).toBeVisible();
  await page.getByRole("navigation", { name: "Matching" }).getByRole("link", { name: "Lifts" }).click();
  await page.getByText("Add lift").click();
  const form = page.locator("details", { hasText: "Add lift" }).locator("form");
  await form.getByLabel(/^short name/).fill("Pause squat");
  await form.getByLabel(/^name/).fill("pause squat");
  await form.getByLabel(/^judged like/).selectOption("back-squat-high");
  await form.getByLabel(/^speed/).selectOption("slow");
  await form.getByLabel(/^starts from/).selectOption("rack");
  await form.getByLabel(/^ends/).selectOption("racked");
  await form.getByLabel(/^touches/).selectOption("back");
  await form.getByLabel(/^from the middle/).fill("200");
  await form.getByLabel(/^a usual load/).fill("80");
  await form.getByLabel(/^a coach confirms/).fill("a steady squat");
  await form.getByRole("button", { name: "Add" }).click();
  await expect(page.getByText("small letters, digits and hyphens")).toBeVisible();
  await expect(form.getByLabel(/^name/)).toHaveValue("pause squat");
  await form.getByLabel(/^short name/).fill("pause-squat");
  await form.getByRole("button", { name: "Add" }).click();
  await expect(page.getByText("first: a steady squat")).toBeVisible();
  await page.goto("/match?lift=pause-squat&load=80");
  await expect(best(page).first()).toContainText("Before this lift: a steady squat.");

  await page.goto("/match/meetings");
  await page.getByLabel("name of the rules").last().fill("Lake League");
  await page.getByLabel("where it is written").last().fill("Lake League, sheet 2");
  const last = page.getByRole("region", { name: "Add rules" });
  await last.getByRole("checkbox", { name: "bench press", exact: true }).check();
  await last.getByLabel("shaft diameter, least").fill("29");
  await last.getByLabel("shaft diameter, most").fill("28");
  await last.getByRole("button", { name: "Add rules" }).click();
  await expect(last.getByRole("alert")).toContainText("the least is more than the most");
  await last.getByLabel("shaft diameter, most").fill("29.5");
  await last.getByRole("button", { name: "Add rules" }).click();
  const league = page.getByRole("region", { name: "Lake League" });
  await expect(league).toContainText("bench press: shaft diameter 29 to 29.5 mm");
  await league.getByText("Change", { exact: true }).click();
  await league.getByRole("button", { name: "Delete" }).click();
  await expect(league).toHaveCount(0);
});

test("a lifter is entered with every problem said, confirmed, noted on a bar, and erased", async ({ page }) => {
  await page.goto("/lifters/new");
  await page.getByLabel(/^short name/).fill("lio");
  await page.getByLabel(/^name/).fill("Lio Marsh");
  await page.getByLabel(/^usual loads/).fill("deadlift 150 kg\nswim 20 kg\nbench much");
  await page.getByLabel(/^competitions/).fill("2027-02-30 ipf Spring open");
  await page.getByRole("button", { name: "Add" }).click();
  await expect(page.getByText("“swim 20 kg” must begin with the short name of a lift")).toBeVisible();
  await expect(page.getByText("“bench much” must end with a load")).toBeVisible();
  await expect(page.getByText("must begin with a day")).toBeVisible();
  await page.getByLabel(/^usual loads/).fill("deadlift 150 kg");
  await page.getByLabel(/^competitions/).fill("2027-02-28 ipf Spring open");
  await page.getByRole("checkbox", { name: "wrist" }).check();
  await page.getByRole("button", { name: "Add" }).click();
  await expect(page.getByRole("heading", { name: "Lio Marsh" })).toBeVisible();
  await expect(page.getByText("2027-02-28 ipf Spring open").first()).toBeVisible();
  await page.getByRole("checkbox", { name: /a clean hinge on a straight bar/ }).check();
  await page.getByRole("button", { name: "Confirm" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  const bars = page.getByRole("region", { name: "Bars they use" });
  await bars.getByRole("combobox", { name: "bar", exact: true }).selectOption("K21");
  await bars.getByLabel("note").fill("handles out");
  await bars.getByRole("button", { name: "Note" }).click();
  await expect(bars).toContainText("“handles out”");
  await page.getByText("Change", { exact: true }).click();
  await page.getByRole("checkbox", { name: /Erase this person/ }).check();
  await page.getByRole("button", { name: "Erase" }).click();
  await expect(page.getByRole("heading", { name: "Lifters" })).toBeVisible();
  await expect(page.getByText("Lio Marsh")).toHaveCount(0);
});

test.describe("what is private stays with coach and manager", () => {
  test("care crew and lifter see no lifters, no classes, no names in matching", async ({ page }) => {
    for (const name of ["Pim Larkspur", "Runa Dellby"]) {
      await become(page, name);
      await page.goto("/lifters");
      await expect(page.getByText("Only coaches and the manager see lifters")).toBeVisible();
      expect((await page.goto("/lifters/bram"))!.status()).toBe(404);
      await page.goto("/classes");
      await expect(page.getByText("Only coaches and the manager see classes")).toBeVisible();
      await page.goto("/match?lift=back-squat-high&load=100&lifter=bram");
      await expect(page.getByText("Okerlund")).toHaveCount(0);
      await page.goto("/match/balance");
      await expect(page.getByLabel("Use a lifter’s lengths")).toHaveCount(0);
      await page.goto("/match/coverage");
      await expect(page.getByText("people whose best it is")).toHaveCount(0);
      expect((await page.request.get("/api/v1/lifters")).status()).toBe(403);
      expect((await page.request.get("/api/v1/match?lift=bench&loadKg=60&lifter=bram")).status()).toBe(403);
    }
  });
});

test.describe("the wall screen", () => {
  test("a touch on a lift shows the bar; another touch goes back; it returns by itself", async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true });
    const page = await context.newPage();
    await page.goto("/wall");
    await page.getByRole("link", { name: "clean", exact: true }).tap();
    const take = page.getByRole("region", { name: "Take this bar" });
    // Two suit alike; another errand may have found something on the first.
    await expect(take).toContainText(/K02|K07/);
    const tag = (await take.innerText()).includes("K02") ? "K02" : "K07";
    await expect(take).toContainText(tag === "K02" ? "20 kg" : "15 kg");
    await expect(take).toContainText("Rack wall A");
    await expect(take).toContainText(tag === "K02" ? /carries at most\s*500 kg/ : /carries at most\s*400 kg/);
    await expect(page.getByRole("region", { name: "Not these" })).toContainText("poor choice");
    await expect(page.getByText("Not sure? Ask the staff.")).toBeVisible();
    // Readable from three metres: letters of 5 mm a metre, so 15 mm; a tablet of 1024 px is about 200 mm wide.
    const size = await take.getByText(tag).evaluate((element) => parseFloat(getComputedStyle(element).fontSize));
    expect((size * 200) / 1024).toBeGreaterThan(15);
    const small = await page
      .locator("a:visible")
      .evaluateAll((all) => all.filter((one) => one.getBoundingClientRect().height < 44).length);
    expect(small).toBe(0);
    await page.getByRole("link", { name: "Another lift" }).tap();
    await expect(page.getByRole("heading", { name: "What do you want to lift?" })).toBeVisible();
    await page.goto("/wall?lift=snatch&return=1");
    await expect(page.getByRole("heading", { name: "What do you want to lift?" })).toBeVisible({ timeout: 15_000 });
    await context.close();
  });
});
