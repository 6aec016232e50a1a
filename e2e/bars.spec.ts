import type { Page } from "@playwright/test";
import { become } from "./become";
import { expect, test } from "./clock";
import { unfold } from "./unfold";

const openState = (page: Page) => page.getByText("Change the state").click();

test("a measured mass is kept as typed, counts everywhere, and a slip is shown while it is typed", async ({ page }) => {
  await page.goto("/bars/K22");
  await page.getByRole("link", { name: "Measure", exact: true }).click();
  const form = page.getByRole("form", { name: "One quantity" });
  await expect(form.getByRole("heading", { name: /^mass/ })).toBeVisible();
  await form.getByLabel("Reading 1, first").fill("twenty nine");
  await expect(form.getByText(/“twenty nine” is not a number/)).toBeVisible();
  await form.getByLabel("Reading 1, first").fill("59 lb");
  await form.getByLabel("Reading 2, again").fill("59.1 lb");
  await expect(form.getByTestId("mean")).toHaveText("26.78kg");
  await expect(
    form.getByText(/Mass is \+0\.28 kg from the stated 26\.5 .* every load worked out from the label is off/),
  ).toBeVisible();
  await form.getByRole("button", { name: "Save and next" }).click();
  await expect(form.getByText(/K22 mass 26\.78 kg saved/)).toBeVisible();
  await expect(form.getByRole("heading", { name: /^shaft diameter/ })).toBeVisible();
  await page.goto("/bars/K22");
  await unfold(page, "Numbers");
  const row = page.getByRole("region", { name: "Numbers, table" }).getByRole("row", { name: /^mass/ });
  await expect(row).toContainText("59 · 59.1 lb");
  await expect(row).toContainText("flagged");
  await page.goto("/load?bar=K22&target=100");
  await expect(page.getByText("26.78 kg measured")).toBeVisible();
});

test("a quarantine reaches matching and loading at once, a stale page is refused, and only the manager lifts it", async ({
  page,
  context,
}) => {
  const stale = await context.newPage();
  await stale.goto("/bars/K14");
  await page.goto("/bars/K14");
  const form = page.locator("#state");
  await openState(page);
  await form.getByRole("button", { name: "Change state" }).click();
  await expect(form.getByText("Say why in a few words")).toBeVisible();
  await form.getByLabel("New state").selectOption("quarantined");
  await form.getByLabel("Why").fill("crack at the collar");
  await form.getByRole("button", { name: "Change state" }).click();
  await expect(page.getByText("quarantined: crack at the collar").first()).toBeVisible();

  await openState(stale);
  await stale.locator("#state").getByLabel("New state").selectOption("watch");
  await stale.locator("#state").getByLabel("Why").fill("clicks");
  await stale.locator("#state").getByRole("button", { name: "Change state" }).click();
  await expect(
    stale
      .locator("#state")
      .getByText(
        /Someone else changed K14 meanwhile: it is now quarantined, crack at the collar\. You wanted watch, clicks/,
      ),
  ).toBeVisible();
  await expect(stale.locator("#state").getByLabel("Why")).toHaveValue("clicks");

  await page.goto("/match?lift=clean&load=60");
  await page.getByText(/never for this/).click();
  await expect(page.getByText("Quarantined: crack at the collar.")).toBeVisible();
  await page.goto("/load?bar=K14&target=60");
  await expect(page.locator("#load-problem")).toContainText("K14 is quarantined: crack at the collar");

  await become(page, "Joss Kettleby");
  await page.goto("/bars/K14");
  await expect(page.getByText("Change the state")).toHaveCount(0);
  await expect(page.getByText("Only the manager returns K14 to service.")).toBeVisible();

  await become(page, "Maren Tidewell");
  await page.goto("/bars/K14");
  await openState(page);
  const giveBack = async () => {
    await page.locator("#state").getByLabel("Why").fill("welded and gauged");
    await page.locator("#state").getByRole("button", { name: "Change state" }).click();
  };
  await giveBack();
  await expect(page.locator("#state")).toContainText("A crack is on record for K14.");
  await page.goto("/bars/K14/inspect");
  await page.getByLabel("a crack anywhere").selectOption("no");
  await page.getByRole("combobox", { name: "decide" }).selectOption("watch");
  await page.getByLabel(/^reason for overriding/).fill("welded");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Now: under watch")).toBeVisible();
  await page.goto("/bars/K14");
  await openState(page);
  await giveBack();
  await unfold(page, "History");
  await expect(page.getByRole("region", { name: "History" })).toContainText("→ in service, welded and gauged");
});

test("neither hall sees the other, and lifters are shown to coach and manager only", async ({ page, request }) => {
  await become(page, "Hob Quillane");
  await page.goto("/bars");
  await expect(page.getByRole("row")).toHaveCount(4);
  const missing = await page.goto("/bars/K04");
  expect(missing!.status()).toBe(404);
  await become(page, "Pim Larkspur");
  await page.goto("/match?lift=snatch&load=60&lifter=tove");
  await expect(page.getByRole("combobox", { name: "for", exact: true }).locator("option")).toHaveText([
    "anyone",
    "someone not on file",
  ]);
  await expect(page.getByText("thick for this lifter")).toHaveCount(0);
  const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");
  expect((await request.get("/api/v1/match?lift=snatch&loadKg=60&lifter=tove", { headers: { cookie } })).status()).toBe(
    403,
  );
  await become(page, "Runa Dellby");
  await page.goto("/care");
  await expect(page.getByRole("button", { name: /^Done:/ })).toHaveCount(0);
});

test("what is not understood is said beside the field and stays as typed", async ({ page }) => {
  await page.goto("/load?bar=K11&target=heavy");
  await expect(page.locator("#load-problem")).toContainText("“heavy” is not a load");
  await expect(page.getByLabel("Target, total on the bar")).toHaveValue("heavy");
  await page.goto("/match?load=-3");
  await expect(page.getByRole("alert").filter({ hasText: "is not a load" })).toBeVisible();
  await page.goto("/load?bar=K08&target=300");
  await expect(page.locator("#load-problem")).toContainText("over what the bar may carry");
  await page.goto("/load?bar=K99");
  await expect(page.locator("#load-problem")).toContainText("There is no bar K99");
  await page.goto("/compare?bars=K04,K99");
  await expect(page.getByRole("alert").filter({ hasText: "K99" })).toBeVisible();
});

test("the wall is searched, sorted and filtered, and its address shows the next person the same", async ({ page }) => {
  await page.goto("/bars");
  await page.getByLabel("Family").selectOption("deadlift");
  await expect(page.getByRole("row")).toHaveCount(3);
  await expect(page).toHaveURL(/family=deadlift/);
  await page.goto("/bars?sort=mass");
  await expect(page.getByRole("row").nth(1)).toContainText("K26");
  await page.goto("/bars?q=stainless");
  await expect(page.getByRole("row")).toHaveCount(2);
  await page.goto("/bars?mass=24..30&sort=camberDrop");
  await expect(page.getByRole("columnheader", { name: /camber drop mm/ })).toBeVisible();
  await expect(page.getByRole("row").nth(1)).toContainText("K17");
  await page.getByRole("link", { name: /Show all again: mass 24–30 kg/ }).click();
  await expect(page.getByRole("list", { name: "Narrowed by" })).toHaveCount(0);
  await page.getByRole("link", { name: "mass kg" }).click();
  await expect(page).toHaveURL(/sort=mass/);
  await page.getByRole("link", { name: /mass kg/ }).click();
  await expect(page).toHaveURL(/down=1/);
  await expect(page.getByRole("row").nth(1)).toContainText("K19");
  await page.goto("/bars?q=unobtainium");
  await expect(page.getByText("No bars match.")).toBeVisible();
});

test("switching to pounds keeps the load, and plates of one unit can be asked for", async ({ page }) => {
  await page.goto("/load?bar=K11&target=100&only=lb&within=0");
  await expect(page.getByTestId("per-side")).toContainText("lb");
  await expect(page.getByTestId("per-side")).not.toContainText(/\d, \d+,/);
  await page.getByRole("combobox", { name: "in", exact: true }).selectOption("lb");
  await expect(page.getByLabel("Target, total on the bar")).toHaveValue("220.46");
  await expect(page.getByTestId("achieved")).toContainText("kg");
});
