import { expect, test } from "./clock";

const HEAD = "Bar;Name;Type;Status;Weight (lb);Diameter mm;Finish;Favourite song";
const GOOD = "F1;File one;power;in-service;45;28.5;bare;x";
const file = (...rows: string[]) => ({
  name: "bars.csv",
  mimeType: "text/csv",
  buffer: Buffer.from([HEAD, GOOD, ...rows].join("\r\n")),
});

test("a file with three bad rows is told of, mended, and taken in; a second time it changes nothing", async ({
  page,
  request,
}) => {
  await page.goto("/bars");
  await page.getByRole("link", { name: "Import / export" }).click();
  const input = page.locator('input[type="file"]');
  await input.setInputFiles(
    file(
      "F2;File two;sword;in-service;45;28.5;bare;",
      "F3;File three;power;in-service;heavy;28.5;bare;",
      "F1;Twice;power;in-service;45;28.5;bare;",
    ),
  );
  await test.step("columns are understood by their heads, with their units", async () => {
    await expect(page.getByLabel("“Weight (lb)” is")).toHaveValue("stated.mass");
    await expect(page.getByLabel("Unit of “Weight (lb)”")).toHaveValue("lb");
    await expect(page.getByLabel("“Favourite song” is")).toHaveValue("");
  });
  await test.step("every problem is named by its line, and nothing is written", async () => {
    const problems = page.getByRole("list", { name: "Problems" }).getByRole("listitem");
    await expect(problems).toHaveCount(3);
    await expect(problems.nth(0)).toContainText(/line 3, family: .*“sword” is none of/);
    await expect(problems.nth(1)).toContainText(/line 4, mass, stated: .*“heavy” is no number/);
    await expect(problems.nth(2)).toContainText("line 5, tag: F1 is already on line 2");
    expect((await request.get("/api/v1/bars/F1")).status()).toBe(404);
  });
  const mended = file("F2;=1+1;yoke;in-service;45;32;bare;", "F3;File three;power;in-service;45;28.5;bare;");
  await test.step("mended, it is looked at first and then taken in", async () => {
    await input.setInputFiles(mended);
    await expect(page.getByText("3 new, 0 changed, 0 as they are.")).toBeVisible();
    await page.getByRole("button", { name: "Import" }).click();
    await expect(page.getByText("Imported: 3 new, 0 changed, 0 as they were.")).toBeVisible();
    const bar = await (await request.get("/api/v1/bars/F1")).json();
    expect(bar.massKg.value).toBeCloseTo(20.41165665, 9);
  });
  await test.step("the same file changes nothing", async () => {
    await input.setInputFiles(mended);
    await expect(page.getByText("Nothing to import.")).toBeVisible();
  });
  await test.step("out again, formulas are neutral, and /import takes what /bars.csv and /export.json give", async () => {
    const csv = await (await request.get("/api/v1/bars.csv")).text();
    expect(csv).toContain("'=1+1");
    const asManager = { "content-type": "text/csv" };
    // Other errands change the same hall meanwhile: then it is taken out and looked at again.
    await expect(async () => {
      for (const [out, type] of [
        ["bars.csv", "text/csv"],
        ["export.json", "application/json"],
      ]) {
        const data = await (await request.get(`/api/v1/${out}`)).text();
        const looked = await request.post("/api/v1/import?dryRun=true", { data, headers: { "content-type": type! } });
        const { added, changed, token } = (await looked.json()) as Record<string, unknown>;
        expect([out, added, changed]).toEqual([out, 0, 0]);
        const taken = await request.post(`/api/v1/import?token=${String(token)}`, {
          data,
          headers: { "content-type": type! },
        });
        expect(await taken.json()).toMatchObject({ added: 0, changed: 0 });
      }
    }).toPass({ timeout: 60_000 });
    const wrong = await request.post("/api/v1/import", { data: "tag,sword\nK1,x\n", headers: asManager });
    expect(wrong.status()).toBe(400);
    expect((await wrong.json()).error.details).toEqual([{ path: "sword", message: "the column “sword” is not known" }]);
    expect(
      (await request.post("/api/v1/import", { data: "x", headers: { "content-type": "text/plain" } })).status(),
    ).toBe(415);
  });
  const gone = ["tag,state,stateReason", ...["F1", "F2", "F3"].map((tag) => `${tag},retired,a test`)].join("\n");
  await request.post("/api/v1/import", { data: gone, headers: { "content-type": "text/csv" } });
});
