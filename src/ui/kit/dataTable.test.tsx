// @vitest-environment jsdom
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import "../dom.fixture";
import { DataTable, type DataColumn, type DataRow } from "./DataTable";

/* One table for all lists: order, filter, columns, keys, and what is copied. */

const COLUMNS: DataColumn[] = [
  { key: "name", head: "name" },
  { key: "mass", head: "mass", isNumber: true },
  { key: "note", head: "note", isHidden: true },
  { key: "open", head: "Open", isPlain: true },
];
const row = (name: string, mass: number | null, note = ""): DataRow => ({
  id: name,
  cells: {
    name: { value: name },
    mass: { value: mass, node: mass === null ? undefined : `${mass} kg` },
    note: { value: note || null },
    open: { value: null, node: <a href={`#${name}`}>Open</a> },
  },
  more: <p>All about {name}</p>,
});
const ROWS = [
  row("Bar 10", 20, 'say "hi", friend'),
  row("Bar 2", 15),
  row("Élan", null),
  row("axle", 9.5),
  ...["f", "g", "h", "i"].map((name, i) => row(name, 100 + i)),
];

const names = () =>
  within(screen.getByRole("table"))
    .getAllByRole("row")
    .slice(1)
    .map((line) => within(line).getByRole("rowheader").textContent);
const setUp = (rows = ROWS) => {
  render(<DataTable label="things" columns={COLUMNS} rows={rows} empty="Nothing here." />);
  return userEvent.setup();
};

let copied = "";
beforeEach(() => {
  copied = "";
  const writeText = vi.fn((text: string) => Promise.resolve(void (copied = text)));
  Object.defineProperty(navigator, "clipboard", { value: { writeText }, configurable: true });
});
/** After `userEvent.setup`, which brings a clipboard of its own. */
const listen = () =>
  Object.defineProperty(navigator, "clipboard", {
    value: { writeText: (text: string) => Promise.resolve(void (copied = text)) },
    configurable: true,
  });

describe("a table", () => {
  it("sorts as people do, both ways, with what is unknown last, and says which way", async () => {
    const user = setUp();
    expect(names()).toEqual(ROWS.map(({ id }) => id));
    await user.click(screen.getByRole("button", { name: "name" }));
    expect(names()).toEqual(["axle", "Bar 2", "Bar 10", "Élan", "f", "g", "h", "i"]);
    expect(screen.getByRole("columnheader", { name: "name" }).getAttribute("aria-sort")).toBe("ascending");
    await user.click(screen.getByRole("button", { name: "mass" }));
    await user.click(screen.getByRole("button", { name: "mass" }));
    const ascending = screen.getByRole("columnheader", { name: "mass" }).getAttribute("aria-sort") === "ascending";
    const sorted = ["axle", "Bar 2", "Bar 10", "f", "g", "h", "i"];
    expect(names()).toEqual([...(ascending ? sorted : sorted.toReversed()), "Élan"]);
  });
  it("filters by what any column says, counts what is left, and says when nothing is", async () => {
    const user = setUp();
    await user.type(screen.getByRole("searchbox", { name: "Filter things" }), "FRIEND");
    expect(names()).toEqual(["Bar 10"]);
    expect(screen.getByRole("status").textContent).toBe("1 of 8");
    await user.type(screen.getByRole("searchbox"), "zzz");
    expect(screen.getByText("None match the filter.")).toBeTruthy();
  });
  it("shows and hides columns", async () => {
    const user = setUp();
    expect(screen.queryByRole("columnheader", { name: "note" })).toBeNull();
    await user.click(screen.getByText("Columns"));
    await user.click(screen.getByRole("checkbox", { name: "note" }));
    expect(screen.getByRole("columnheader", { name: "note" })).toBeTruthy();
    await user.click(screen.getByRole("checkbox", { name: "mass" }));
    expect(screen.queryByRole("columnheader", { name: "mass" })).toBeNull();
  });
  it("copies what is shown, in its order, quoted as CSV is, without buttons", async () => {
    const user = setUp();
    listen();
    await user.click(screen.getByText("Columns"));
    await user.click(screen.getByRole("checkbox", { name: "note" }));
    await user.type(screen.getByRole("searchbox"), "bar");
    await user.click(screen.getByRole("button", { name: "name" }));
    await user.click(screen.getByRole("button", { name: "Copy as CSV" }));
    await vi.waitFor(() => expect(copied).not.toBe(""));
    expect(copied.split("\r\n")).toEqual(["name,mass,note", "Bar 2,15,", 'Bar 10,20,"say ""hi"", friend"']);
  });
  it("moves from row to row by arrows and opens one", async () => {
    const user = setUp();
    const lines = within(screen.getByRole("table")).getAllByRole("row").slice(1);
    lines[0]!.focus();
    await user.keyboard("{ArrowDown}{ArrowDown}{ArrowUp}");
    expect(document.activeElement).toBe(lines[1]);
    await user.keyboard("{End}");
    expect(document.activeElement).toBe(lines.at(-1));
    await user.click(screen.getByRole("button", { name: "Bar 2" }));
    expect(screen.getByText("All about Bar 2")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Bar 2" }).getAttribute("aria-expanded")).toBe("true");
  });
  it("of a long list makes the first two hundred, and the rest when asked", async () => {
    const user = setUp(Array.from({ length: 450 }, (_, i) => row(`r${i}`, i)));
    expect(names()).toHaveLength(200);
    await user.click(screen.getByRole("button", { name: "Show all 450" }));
    expect(names()).toHaveLength(450);
  });
  it("without rows says what is written for that, and nothing else", () => {
    setUp([]);
    expect(screen.getByText("Nothing here.")).toBeTruthy();
    expect(screen.queryByRole("table")).toBeNull();
  });
});
