import { expect, test } from "./clock";
import { serious } from "./serious";
import { unfold } from "./unfold";

/* Somebody who does not know the wall: which bar is this? And the labels that save the next one the question. */

/** What an eye and a hand find of K11, the stiff power bar of the demonstration. */
const K11: Record<string, string | number> = {
  "What shape is it?": "straight",
  "What colour is the shaft?": "bare grey steel",
  "How thick is the shaft?": 29,
  "Which ring marks does it have?": "rings further in, 810 mm apart",
  "What is in the middle?": "rough knurl",
  "How do the sleeves turn?": "a little, then it stops",
  "How long is it?": 2200,
};

/** Which of some answers is true: the word, or the sizes that lie nearest: "28 to 29 mm", "29 mm". */
function trueAnswer(texts: readonly string[], value: string | number | undefined): number {
  if (typeof value !== "number") return texts.indexOf(value ?? "");
  const off = (text: string) => {
    const [from, to = from] = [...text.matchAll(/\d+(?:\.\d+)?/g)].map(([figure]) => Number(figure));
    return from === undefined ? Infinity : Math.max(0, from - value, value - to!);
  };
  const offs = texts.map(off);
  return offs.indexOf(Math.min(...offs));
}

test("a stranger at the wall finds K11 in at most four answers, and reads what it carries", async ({ page }) => {
  await page.goto("/wall");
  await page.getByRole("link", { name: "Which bar is this?" }).click();
  await expect(page.getByRole("heading", { name: "Which bar is this?" })).toBeVisible();
  expect(await serious(page)).toEqual([]);
  const found = page.getByRole("region", { name: "It is K11" });
  let answers = 0;
  while (!(await found.isVisible())) {
    const question = await page.locator("#ask").innerText({ timeout: 10_000 });
    const known = K11[question];
    const buttons = page.getByRole("region", { name: question }).getByRole("button");
    const texts = await buttons.allInnerTexts();
    const at = trueAnswer(
      texts.map((text) => text.trim()),
      known,
    );
    await buttons.nth(at < 0 ? texts.length - 1 : at).click();
    answers += 1;
    expect(answers, `asked ${question} of ${texts.join(", ")}`).toBeLessThanOrEqual(4);
    await expect(page.getByRole("list", { name: "Said so far" }).getByRole("listitem")).toHaveCount(answers);
  }
  await expect(found).toContainText("20 kg 44 lb");
  await expect(found).toContainText("680 kg 1499 lb");
  await expect(found).toContainText("clean, jerk and snatch");
  await expect(found).toContainText("Rack wall A");
  await expect(found.getByRole("region", { name: "How to use it" })).toContainText("It scrapes shins and throat.");
  expect(await serious(page)).toEqual([]);
  await page.getByRole("button", { name: "One step back" }).click();
  await expect(page.getByRole("list", { name: "Said so far" }).getByRole("listitem")).toHaveCount(answers - 1);
});

test("on a telephone a bar is found by its tag or its drawing", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/bars");
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("link", { name: "Which bar is this?" }).click();
  await page.getByLabel("or its tag").fill("k2");
  await page.getByRole("button", { name: /^K20/ }).click();
  await expect(page.getByRole("region", { name: "It is K20" })).toContainText("safety squat bar");
  await page.getByRole("button", { name: "One step back" }).click();
  await page.getByLabel("or its tag").fill("zz");
  await expect(page.getByText("No bar here has this tag.")).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  expect(await serious(page)).toEqual([]);
});

test("the gym gives its families colours and prints their labels", async ({ page }) => {
  await page.goto("/bars/labels");
  await page.getByLabel("family").selectOption({ label: "power bar" });
  await expect(page).toHaveURL(/family=power/);
  await page.getByRole("checkbox", { name: "power bar" }).check();
  await page.getByLabel("Colour of power bar").fill("#0f6b78");
  await page.getByRole("button", { name: "Save colours" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  expect(await serious(page)).toEqual([]);
  const [paper] = await Promise.all([
    page.request.get("/bars/labels.pdf?kind=cap&family=power"),
    page.getByRole("link", { name: /^Print \d+ labels/ }).waitFor(),
  ]);
  expect(paper.headers()["content-type"]).toBe("application/pdf");
  expect((await paper.body()).subarray(0, 5).toString()).toBe("%PDF-");
  expect((await page.request.get("/bars/labels.pdf?kind=poster")).status()).toBe(400);
});

test("a coach says in the gym's own words how a family is used, and takes ours back", async ({ page }) => {
  await page.goto("/bars/K20");
  await unfold(page, "How to use it");
  await expect(page.getByText("The handles knock headphones off.")).toBeVisible();
  await page.getByRole("link", { name: "Change these lines" }).click();
  await page.getByLabel("What surprises").fill("Headphones off before you duck in.");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.goto("/wall/which");
  await page.getByRole("button", { name: /^K20/ }).click();
  await expect(page.getByText("Headphones off before you duck in.")).toBeVisible();
  await page.goto("/bars/K20/use");
  await page.getByRole("button", { name: "Use Garrison’s lines again" }).click();
  await expect(page.getByLabel("What surprises")).toHaveValue(
    "It pulls you forward. The handles knock headphones off.",
  );
});
