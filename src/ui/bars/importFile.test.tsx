// @vitest-environment jsdom
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { sent, serve, visits } from "../dom.fixture";
import { ImportFile } from "./ImportFile";

/* A file of bars in the hands of a manager, against a server that streams lines as ours does. */

interface Asked {
  isDryRun: boolean;
  token?: string;
  rows: Record<string, unknown>[];
}

const asked = () => sent.map(({ body }) => body as unknown as Asked);
const lines = (...all: object[]) => all.map((one) => `${JSON.stringify(one)}\n`).join("");
const report = (more = {}) => ({ added: 0, changed: 0, unchanged: 0, changes: [], ...more });

/** Counts every row as new and gives the token of what was shown. */
const accepting = (_url: string, body: unknown) => {
  const { isDryRun, rows } = body as Asked;
  const added = report({
    added: rows.length,
    changes: rows.map((row, i) => ({
      line: i + 2,
      tag: String((row as { texts?: { tag?: string } }).texts?.tag),
      what: "new",
    })),
  });
  return {
    status: 200,
    body: lines(
      { done: rows.length, of: rows.length },
      { outcome: { ok: true, token: isDryRun ? "t-1" : undefined, report: added } },
    ),
  };
};

const CSV = "tag,name,family,mass\nK90,Ninety,power,20\nK91,Ninety-one,power,15\n";
const file = (text: string, name = "bars.csv") => new File([text], name, { type: "text/csv" });

async function drop(text: string, name?: string) {
  const user = userEvent.setup();
  render(<ImportFile />);
  await user.upload(screen.getByLabelText(/Drop a file here/), file(text, name));
  return user;
}

const preview = () => screen.findByRole("region", { name: "What would change" });
const takeIn = { name: "Import" };

describe("a table", () => {
  it("is looked at first: nothing is written until the manager says so, and then what was shown", async () => {
    serve(accepting);
    const user = await drop(CSV);
    expect(within(await preview()).getAllByRole("listitem")).toHaveLength(2);
    expect(asked().map(({ isDryRun }) => isDryRun)).toEqual([true]);
    await user.click(screen.getByRole("button", takeIn));
    await waitFor(() => expect(asked()).toHaveLength(2));
    expect(asked()[1]).toMatchObject({ isDryRun: false, token: "t-1" });
    expect(asked()[1]!.rows).toEqual(asked()[0]!.rows);
    expect((await screen.findByText(/^Imported:/)).textContent).toContain("2 new");
    expect(visits.refreshed).toBe(1);
    expect(screen.queryByRole("button", takeIn)).toBeNull();
  });

  it("whose columns are mapped otherwise is looked at again, with a new token", async () => {
    let looks = 0;
    serve((_url, body) => ({
      status: 200,
      body: lines({
        outcome: { ok: true, token: `t-${(body as Asked).isDryRun ? ++looks : 0}`, report: report({ added: 2 }) },
      }),
    }));
    const user = await drop(CSV);
    await preview();
    await user.selectOptions(screen.getByLabelText("“name” is"), "left out");
    await waitFor(() => expect(looks).toBe(2));
    const texts = (look: number) => asked()[look]!.rows[0]!.texts;
    expect(texts(0)).toHaveProperty("name");
    expect(texts(1)).not.toHaveProperty("name");
    await preview();
    await user.click(screen.getByRole("button", takeIn));
    await waitFor(() => expect(asked().at(-1)).toMatchObject({ isDryRun: false, token: "t-2" }));
  });

  it("offers each of our columns once, and a unit for what is measured", async () => {
    serve(accepting);
    const user = await drop(CSV);
    await preview();
    const options = (label: string) =>
      within(screen.getByLabelText(label))
        .getAllByRole<HTMLOptionElement>("option")
        .map(({ value }) => value);
    expect(options("“tag” is")).toContain("tag");
    expect(options("“name” is")).not.toContain("tag");
    await user.selectOptions(screen.getByLabelText("Unit of “mass”"), "lb");
    await waitFor(() => expect(asked()).toHaveLength(2));
    expect(JSON.stringify(asked()[1]!.rows)).not.toBe(JSON.stringify(asked()[0]!.rows));
  });

  it("that brings nothing new has nothing to take in", async () => {
    serve(() => ({
      status: 200,
      body: lines({ outcome: { ok: true, token: "t", report: report({ unchanged: 2 }) } }),
    }));
    await drop(CSV);
    await preview();
    expect(screen.queryByRole("button", takeIn)).toBeNull();
  });

  it("in which the server finds problems shows every one, and cannot be taken in", async () => {
    const problems = [
      { path: "line 2, mass", message: "is no mass" },
      { path: "line 3, tag", message: "is twice in the file" },
    ];
    serve(() => ({ status: 200, body: lines({ outcome: { ok: false, message: "Two problems.", problems } }) }));
    await drop(CSV);
    const alert = await screen.findByRole("alert");
    for (const { path, message } of problems) {
      expect(alert.textContent).toContain(path);
      expect(alert.textContent).toContain(message);
    }
    expect(screen.queryByRole("button", takeIn)).toBeNull();
  });

  it("that changed under the manager's hands since it was shown is refused, and the file is still there", async () => {
    serve((url, body) =>
      (body as Asked).isDryRun
        ? accepting(url, body)
        : { status: 200, body: lines({ outcome: { ok: false, message: "The wall changed; look again." } }) },
    );
    const user = await drop(CSV);
    await preview();
    await user.click(screen.getByRole("button", takeIn));
    expect((await screen.findByRole("alert")).textContent).toContain("The wall changed; look again.");
    expect(screen.getByRole("region", { name: "Columns" })).toBeTruthy();
    expect(visits.refreshed).toBe(0);
  });

  it.each([
    ["no answer", () => undefined],
    ["an overloaded server", () => ({ status: 503, body: {} })],
    ["an answer that breaks off", () => ({ status: 200, body: lines({ done: 1, of: 2 }) })],
  ])("says so on %s, and nothing counts as taken in", async (_name, answer) => {
    serve(answer);
    await drop(CSV);
    expect(await screen.findByRole("alert")).toBeTruthy();
    expect(screen.queryByText(/^Imported:/)).toBeNull();
    expect(screen.queryByRole("button", takeIn)).toBeNull();
  });
});

describe("a file that is not what it should be", () => {
  it.each([
    ["a head alone", "tag,name\n"],
    ["broken JSON", "{ bars: "],
    ["JSON of something else", '{"format":"other","bars":[]}'],
    ["bytes that are no text", "tag,name\nK\u0000,x"],
  ])("is refused before anything is sent: %s", async (_name, text) => {
    await drop(text);
    expect(await screen.findByRole("alert")).toBeTruthy();
    expect(sent).toHaveLength(0);
  });

  it("gives way to the next file", async () => {
    serve(accepting);
    const user = await drop("tag,name\n");
    await screen.findByRole("alert");
    await user.upload(screen.getByLabelText(/Drop a file here/), file(CSV));
    await preview();
    expect(screen.queryByRole("alert")).toBeNull();
  });
});

it("a hall as exported goes whole, without a mapping", async () => {
  serve(accepting);
  await drop(
    JSON.stringify({ format: "garrison", version: 1, bars: [{ tag: "K90" }], plates: [{ key: "r20" }] }),
    "hall.json",
  );
  await preview();
  expect(screen.queryByRole("region", { name: "Columns" })).toBeNull();
  expect(sent[0]!.body).toMatchObject({ isDryRun: true, rows: [{ tag: "K90", line: 1 }], plates: [{ key: "r20" }] });
});
