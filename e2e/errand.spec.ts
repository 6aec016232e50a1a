import { expect, test } from "./clock";

/** The small errand that the first slice is for: from Today, past the wall of bars, to a care task ticked off. */
test("the manager looks at the bars, compares two, finds the right one, loads it, and ticks off care", async ({
  page,
}) => {
  const errors: string[] = [];
  page.on("pageerror", (error) => errors.push(error.message));
  page.on(
    "console",
    (message) => message.type() === "error" && errors.push(`${message.text()} ${message.location().url}`),
  );

  await test.step("Today says what needs doing, the worst first", async () => {
    await page.goto("/");
    const items = page.getByRole("list", { name: "What needs doing" }).getByRole("listitem");
    await expect(items.first()).toContainText("K01 Old all-round is quarantined: bent, 3.4 mm runout");
    await expect(page.getByRole("link", { name: "Open the list" }).first()).toBeVisible();
  });

  await test.step("the wall shows every bar to scale; two are picked", async () => {
    await page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Bars" }).click();
    await expect(page.getByRole("img", { name: "Axle, drawn to scale" })).toBeVisible();
    // Other errands may have put bars up for a while.
    expect(await page.getByRole("row").count()).toBeGreaterThanOrEqual(28);
    await expect(page.getByRole("img", { name: "Long puller, drawn to scale" })).toBeVisible();
    await page.getByRole("checkbox", { name: "Compare K04" }).click();
    await page.getByRole("checkbox", { name: "Compare K11" }).click();
    await expect(page.getByText("seats differ 162 mm, shaft 2 mm")).toBeVisible();
    await page.locator("footer").getByRole("link", { name: "Compare" }).click();
  });

  await test.step("laid over one another, the answer starts with whether it matters", async () => {
    await expect(page.getByRole("heading", { name: "Compare" })).toBeVisible();
    await page.getByRole("textbox", { name: "Load" }).fill("270");
    await page.getByRole("textbox", { name: "Load" }).press("Enter");
    await expect(page).toHaveURL(/load=270/);
    const judgement = page.getByRole("region", { name: "Whether it matters" });
    await expect(judgement).toContainText("It matters here.");
    await expect(judgement).toContainText(/36\.[23] mm on K04 and 19\.[12] mm on K11/);
    await expect(page.getByRole("img", { name: /K04 bends 36\.[23] mm, K11 bends 19\.[12] mm/ })).toBeVisible();
  });

  await test.step("the right bar for a snatch and a junior", async () => {
    await page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Match" }).click();
    await expect(page.getByRole("heading", { name: "Match" })).toBeVisible();
    await page.getByRole("combobox", { name: "lift", exact: true }).selectOption("snatch");
    await page.getByRole("combobox", { name: "for", exact: true }).selectOption("tove");
    await page.getByLabel("load").fill("35");
    // Whoever types the load and goes on at once means the load typed, not the one before.
    const best = page.getByRole("list", { name: "Bars, best first" }).locator("> li").first();
    await expect(best).toContainText("made for");
    await expect(best).toContainText("K07");
    await best.getByText("Why?").click();
    await expect(best).toContainText("common practice");
    await best.getByRole("link", { name: "Load it" }).click();
  });

  await test.step("the plates for it", async () => {
    await expect(page).toHaveURL(/\/load\?bar=K07&target=35/);
    await page.getByLabel("Target, total on the bar").fill("55");
    await page.getByLabel("Target, total on the bar").press("Enter");
    await expect(page.getByTestId("achieved")).toContainText("kg");
    const words = await page.getByTestId("per-side").innerText();
    expect(words).toMatch(/each side/);
    await page.getByRole("link", { name: "Mark loaded" }).click();
    await page.getByRole("link", { name: "5 kg more", exact: true }).click();
    await page.getByRole("link", { name: "5 kg more", exact: true }).click();
    await expect(page.getByLabel("Target, total on the bar")).toHaveValue("65");
    await expect(page.getByText(/^On it now:/)).toContainText("Put on");
  });

  await test.step("care is ticked off, with who and when, and undone", async () => {
    await page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Care" }).click();
    // A bar of the demo's own: other errands put bars up and take them down meanwhile, and rounds begin at the top.
    const label = (await page
      .getByRole("button", { name: /^Done: brush and wipe the shaft on K\d\d$/ })
      .last()
      .getAttribute("aria-label"))!;
    const tag = label.split(" ").at(-1)!;
    const done = page.getByRole("button", { name: label });
    await page.getByRole("combobox", { name: "done by" }).selectOption({ label: "Pim Larkspur" });
    await expect(page).toHaveURL(/by=/);
    await done.click();
    await expect(page.getByRole("status")).toContainText(`${tag} done. Due again on`);
    await expect(done).toHaveCount(0);
    await expect(page.getByRole("region", { name: "Done lately" }).getByRole("listitem").first()).toContainText(
      "Pim Larkspur",
    );
    await page.getByRole("status").getByRole("button", { name: "Undo" }).click();
    await expect(page.getByRole("status")).toContainText("Undone.");
    await expect(done).toBeVisible();
    await done.click();
    await expect(page.getByRole("status")).toContainText(`${tag} done.`);
    await page.reload();
    await expect(done).toHaveCount(0);
  });

  expect(errors).toEqual([]);
});
