import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { expect, test } from "./clock";
import Papa from "papaparse";

test("three deadlift bars over one another: which gives most slack at 220 kg, and by how much", async ({
  page,
  request,
}, info) => {
  await page.goto("/bars?family=deadlift");
  await page.getByRole("checkbox", { name: "Compare K04" }).click();
  await page.getByRole("checkbox", { name: "Compare K05" }).click();
  await page.locator("footer").getByRole("link", { name: "Compare" }).click();

  await test.step("the third is an offer that nobody owns yet", async () => {
    await page.getByRole("button", { name: "Try an offer" }).click();
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("name").fill("Offer, thin");
    await dialog.getByLabel("shaft diameter, mm").fill("27");
    await dialog.getByLabel("between collars, mm").fill("1470");
    await dialog.getByLabel("collar thickness, mm").fill("much");
    await dialog.getByRole("button", { name: "Compare", exact: true }).click();
    await expect(dialog.getByRole("alert")).toContainText("must be a number");
    await dialog.getByLabel("collar thickness, mm").fill("50");
    await dialog.getByRole("button", { name: "Compare", exact: true }).click();
    await expect(page.getByText("Offer, thin")).toBeVisible();
  });
  await test.step("the sentence names the one with most slack, and the table the difference", async () => {
    const judgement = page.getByRole("region", { name: "Whether it matters" });
    await expect(judgement).toContainText(/At 220 kg the hands rise 29\.7 mm on A\? and 24\.8 mm on K05/);
    const row = page.getByRole("region", { name: "Table of differences" }).getByRole("row", { name: /^slack/ });
    await expect(row.getByRole("cell").last()).toHaveText("4.9");
    await expect(row).toContainText("24.8");
  });
  await test.step("the bench works it out in a worker, for every load and grip", async () => {
    const bench = page.getByRole("region", { name: "Whip bench" });
    await expect(bench.getByRole("status")).toContainText(/[\d,]+ bends in \d+ ms/);
    await expect(bench.getByRole("figure", { name: "slack, by load" }).locator("path.recharts-line-curve")).toHaveCount(
      3,
    );
    await bench.getByLabel("show").selectOption("stiffness");
    await expect(bench.getByRole("figure", { name: /^stiffness against K04, by load/ })).toBeVisible();
    await bench.getByLabel("second bar").selectOption("K05");
    await expect(bench.getByTestId("differ-from")).toContainText(/from \d+ kg on/);
    await bench.getByLabel("Difference", { exact: true }).fill("20");
    await expect(bench.getByTestId("differ-from")).toContainText("at no load up to 500 kg");
  });
  await test.step("the link shows the next person the same; grip and plates change the numbers", async () => {
    await page.goto(page.url());
    await expect(page.getByText("Offer, thin")).toBeVisible();
    await page.getByLabel("plates").selectOption("r25");
    await expect(page).toHaveURL(/plates=r25/);
    await expect(page.getByRole("region", { name: "Whether it matters" })).not.toContainText("29.7 mm on A?");
  });
  await test.step("an offer on file stands beside them in dashes, a shaped one too, and goes again", async () => {
    const before = page.url();
    await page.getByRole("combobox", { name: "Add a bar" }).selectOption({ label: "O3 Needle bar" });
    await expect(page).toHaveURL(/offers=O3/);
    await expect(page.getByRole("img", { name: /O3 bends/ }).locator("polyline[stroke-dasharray]")).toHaveCount(2);
    await page.getByRole("combobox", { name: "Add a bar" }).selectOption({ label: "O8 Multi-grip bar" });
    await expect(page.getByRole("img", { name: "Multi-grip bar to scale" })).toBeVisible();
    await page.getByRole("link", { name: "Remove O8 from the comparison" }).click();
    await expect(page.getByRole("img", { name: "Multi-grip bar to scale" })).toBeHidden();
    await page.goto(before);
  });
  await test.step("as CSV, SVG and a one-page PDF", async () => {
    const query = new URL(page.url()).search.replace("plates=r25", "");
    const csv = await (await request.get(`/compare/sheet.csv${query}`)).text();
    const { data } = Papa.parse<string[]>(csv.trim());
    expect(data[0]).toEqual(["quantity", "K04 Long puller", "K05 Short puller", "A? Offer, thin", "differ by", "unit"]);
    expect(data.find(([name]) => name === "slack before lift-off")).toEqual([
      "slack before lift-off",
      "27.5",
      "24.8",
      "29.7",
      "4.9 mm",
      "mm",
    ]);
    const svg = await (await request.get(`/compare/sheet.svg${query}`)).text();
    expect(svg).toContain("bend drawn ×5");
    expect(svg).toContain("K04 27.5 mm");
    const pdf = await request.get(`/compare/sheet.pdf${query}`);
    const path = info.outputPath("comparison.pdf");
    writeFileSync(path, await pdf.body());
    const words = execFileSync("pdftotext", ["-layout", path, "-"], { encoding: "utf8" });
    expect(words).toContain("At 220 kg the hands rise 29.7 mm on A? and 24.8 mm on K05");
    expect(words).toMatch(/slack before lift-off mm\s+27\.5\s+24\.8\s+29\.7\s+4\.9 mm/);
    expect(words).toContain("never over the seller");
    expect(words.split("\f").filter((one) => one.trim() !== "")).toHaveLength(1);
  });
});

test("every figure of four bars, and of six, stands in the table without moving it sideways", async ({ page }) => {
  for (const bars of ["K04,K05,K11,K16", "K04,K05,K11,K16,K20,K21"]) {
    await page.goto(`/compare?bars=${bars}&load=220`);
    const table = page.getByRole("region", { name: "Table of differences" });
    await expect(table.getByRole("columnheader")).toHaveCount(bars.split(",").length + 2);
    expect(await table.evaluate((box) => box.scrollWidth - box.clientWidth), bars).toBe(0);
  }
});
