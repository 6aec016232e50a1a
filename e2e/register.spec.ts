import { expect, test } from "./clock";
import { unfold } from "./unfold";

test("a bar is measured with the simulated caliper, zeroed first, and the flagged diameter is found", async ({
  page,
}) => {
  await page.goto("/bars/K10");
  await page.getByRole("link", { name: "Measure", exact: true }).click();
  // The bar's own page has the word as well, with what it means.
  await expect(page).toHaveURL(/\/bars\/measure/);
  await page.getByRole("button", { name: "shaft diameter" }).click();
  const form = page.getByRole("form", { name: "One quantity" });
  await expect(form.getByRole("heading", { name: /^shaft diameter/ })).toBeVisible();
  await page.getByLabel("simulated instrument").check();
  const caliper = page.getByRole("region", { name: "Simulated caliper" });
  const shown = async () => Number((await caliper.getByLabel("It shows").innerText()).replace("mm", ""));

  await test.step("with nothing in it, it shows its zero error; zeroed, it does not", async () => {
    await caliper.getByRole("button", { name: "With nothing in it" }).click();
    expect(Math.abs(await shown())).toBeGreaterThan(0.04);
    await caliper.getByRole("button", { name: "Zero it" }).click();
    await expect(caliper.getByText("nulled", { exact: true })).toBeVisible();
    await caliper.getByRole("button", { name: "With nothing in it" }).click();
    expect(Math.abs(await shown())).toBeLessThan(0.06);
  });
  await test.step("six readings, three places in two directions", async () => {
    for (let i = 0; i < 6; i += 1) await caliper.getByRole("button", { name: "Read the bar" }).click();
    for (const box of await form.getByRole("textbox").all())
      expect(Number(await box.inputValue())).toBeGreaterThan(28.6);
    await expect(form.getByTestId("mean")).toHaveText(/^28\.7[3-7]mm$/);
    await expect(
      form.getByText(/Shaft diameter is \+0\.2\d mm from the stated 28\.5 .*stiffer than stated/),
    ).toBeVisible();
  });
  await test.step("kept, it is flagged on the bar's page, with who and with what", async () => {
    await form.getByRole("button", { name: "Save and next" }).click();
    await expect(form.getByText(/K10 shaft diameter 28\.7\d mm saved\. Flagged/)).toBeVisible();
    await page.goto("/bars/K10");
    await expect(page.getByRole("note", { name: "Flagged" })).toContainText(/Shaft diameter, 0\.2\d mm thicker/);
    await unfold(page, "Numbers");
    const row = page.getByRole("region", { name: "Numbers, table" }).getByRole("row", { name: /^shaft diameter/ });
    await expect(row).toContainText("simulated caliper, Maren Tidewell");
  });
  await test.step("and taken back", async () => {
    await unfold(page, "History");
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(page.getByRole("region", { name: "History" })).toContainText("undone: measured shaft diameter");
    await expect(page.getByRole("note", { name: "Flagged" })).toHaveCount(0);
  });
});

test("five of a kind are entered with five tags and one spec; a slip loses nothing", async ({ page, request }) => {
  await page.goto("/bars/K11");
  await unfold(page, "More");
  await page.getByRole("link", { name: "Copy" }).click();
  await expect(page.getByLabel("mass, kg")).toHaveValue("20 kg");
  await page.getByLabel(/^tag, or several tags/).fill("N1 N2 N3 N4 K04");
  await page.getByLabel("name", { exact: false }).first().fill("Fresh five");
  await page.getByLabel("tensile strength").fill("strong");
  await page.getByRole("button", { name: "Add power bar" }).click();
  // Checked as it is sent, it says so at the field, which has the focus.
  await expect(page.getByText("tensile strength: “strong” is no number")).toBeVisible();
  await expect(page.getByLabel("tensile strength")).toBeFocused();
  await expect(page.getByLabel(/^tag, or several tags/)).toHaveValue("N1 N2 N3 N4 K04");
  await page.getByLabel("tensile strength").fill("1400");
  await page.getByRole("button", { name: "Add power bar" }).click();
  await expect(page.locator("main").getByRole("alert").first()).toContainText("K04 hangs on the wall already");
  await page.getByLabel(/^tag, or several tags/).fill("N1 N2 N3 N4 N5");
  await page.getByRole("button", { name: "Add power bar" }).click();
  await expect(page).toHaveURL(/\/bars\?q=Fresh/);
  await expect(page.getByRole("row")).toHaveCount(6);
  // They leave the wall again, by a file, so that other errands find it as it was.
  const gone = [
    "tag,name,family,state,stateReason",
    ...["N1", "N2", "N3", "N4", "N5"].map((tag) => `${tag},Fresh five,power,retired,a test`),
  ];
  const left = await request.post("/api/v1/import", { data: gone.join("\n"), headers: { "content-type": "text/csv" } });
  expect(await left.json()).toMatchObject({ added: 0, changed: 5 });
});

test("forms ask only what the family has; a stale edit shows both texts and loses nothing", async ({
  page,
  context,
}) => {
  await page.goto("/bars/K12/edit");
  await expect(page.getByLabel("camber drop, mm")).toHaveCount(0);
  await page.getByLabel("family").selectOption("yoke");
  await expect(page.getByLabel("camber drop, mm")).toBeVisible();
  await expect(page.getByLabel("ring marks")).toHaveCount(0);
  await page.getByLabel("family").selectOption("power");

  const other = await context.newPage();
  await other.goto("/bars/K12/edit");
  await other.getByLabel("supplier").fill("Someone else");
  await other.getByRole("button", { name: "Save" }).click();
  await unfold(other, "History");
  await expect(other.getByRole("region", { name: "History" })).toContainText("supplier:");

  await page.getByLabel("hardness").fill("38 HRC");
  await page.getByRole("button", { name: "Save" }).click();
  const alert = page.locator("main").getByRole("alert").first();
  await expect(alert).toContainText("Someone else changed K12 meanwhile");
  await expect(alert).toContainText("it is now “Someone else”");
  await expect(page.getByLabel("hardness")).toHaveValue("38 HRC");
  await page.getByLabel("supplier").fill("Someone else");
  await page.getByRole("button", { name: "Overwrite" }).click();
  await unfold(page, "History");
  await expect(page.getByRole("region", { name: "History" })).toContainText("hardness: not known → “38 HRC”");
});

test("plates weighed one by one are paired, and a drawing comes out as SVG", async ({ page, request }) => {
  await page.goto("/bars/equipment");
  const plates = page.getByRole("region", { name: "Plates" });
  await plates.getByRole("button", { name: "i45lb" }).click();
  const weights = plates.getByRole("region", { name: "Weighed one by one" }).first();
  for (const [mark, mass] of [
    ["a", "20.1"],
    ["b", "20.6"],
    ["c", "20.2"],
    ["d", "20.55"],
  ]) {
    await weights.getByLabel("what is written on it").fill(mark!);
    await weights.getByLabel("it weighs").fill(mass!);
    await weights.getByRole("button", { name: "Add" }).click();
    await expect(weights.getByText(`${mark} saved.`)).toBeVisible();
  }
  await expect(weights.getByText("a with c")).toBeVisible();
  await expect(weights).toContainText("20.100 and 20.200 kg, the sides differ by 0.100 kg");

  const drawing = await request.get("/bars/K20/drawing.svg");
  expect(drawing.headers()["content-type"]).toContain("image/svg+xml");
  const svg = await drawing.text();
  expect(svg).toContain("thickness ×2");
  expect(svg).toContain("from the side, facing right");
  await page.goto("/bars/K20");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "PNG" }).click();
  expect((await download).suggestedFilename()).toBe("K20-drawing.png");
});
