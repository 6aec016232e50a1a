// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { LogItem } from "@/server/logbook";
import { formAction, show, TODAY } from "../touch.fixture";
import { SetList } from "./SetList";

/* A lifter's sets as two people read them, and what is done with one of them. */

const [KG, LB] = [{ mass: "kg", length: "mm" } as const, { mass: "lb", length: "in" } as const];

const set = (id: string, more: Partial<LogItem> = {}): LogItem => ({
  ...{ id, liftKey: "squat", variant: "", barId: "b1", family: "power", setting: "", handsHelped: false },
  ...{ on: "2026-11-20", loadKg: 100, loadValue: "100", loadUnit: "kg", repetitions: 5, reserve: 2, isMade: true },
  ...{ tag: "K01", barName: "Plain bar", note: null, source: "typed", version: 3, ...more },
});
const pounds = (id: string, more: Partial<LogItem> = {}) =>
  set(id, { loadKg: 225 * 0.45359237, loadValue: "225", loadUnit: "lb", repetitions: 3, reserve: null, ...more });

function list(groups: LogItem[][], units: typeof KG | typeof LB = KG) {
  const { sent, action } = formAction();
  const shown = show(
    <SetList
      lifter="tove"
      groups={groups}
      bars={[{ tag: "K01", name: "Plain bar" }]}
      lifts={[{ key: "squat", name: "back squat" }]}
      today={TODAY}
      actions={{ edit: action, remove: action }}
    />,
    units,
  );
  return { ...shown, sent, rows: screen.getAllByRole("listitem").map(({ textContent }) => textContent) };
}

describe("sets of a lifter", () => {
  it("stand in the unit of the person who reads, with what was typed behind it where that is another", () => {
    const kg = list([[set("a"), pounds("b")]]).rows[0];
    expect(kg).toContain("100 kg × 5");
    expect(kg).toContain("102.06 kg (225 lb) × 3");
  });
  it("are the same sets in pounds", () => {
    const lb = list([[set("a"), pounds("b")]], LB).rows[0];
    expect(lb).toContain("220.46 lb (100 kg) × 5");
    expect(lb).toContain("225 lb × 3");
    expect(lb).not.toContain("(225 lb)");
  });
  it("say what the whole session came to once, missed sets left out", () => {
    const { rows } = list([
      [set("a"), set("b", { isMade: false })],
      [set("c", { tag: "K02", loadKg: 60, loadValue: "60" })],
      [set("d", { on: "2026-11-18" })],
    ]);
    // 5 × 100 and 5 × 60 that day.
    expect(rows.map((row) => row!.includes("800 kg"))).toEqual([true, false, false]);
    expect(rows[0]).toContain("missed");
    expect(rows[2]).toContain("500 kg");
  });
  it("say what was set and noted, and where they come from", () => {
    const [row] = list([[set("a", { setting: "mark 6", note: "belt", handsHelped: true, source: "run" })]]).rows;
    expect(row).toContain("mark 6, hands helped, belt, run sheet");
  });
  it("are opened to be changed or deleted, under the version that was read", async () => {
    const { user, sent } = list([[set("a"), pounds("b")]]);
    expect(screen.queryByRole("button", { name: /^Delete/ })).toBeNull();
    await user.click(screen.getByText("Edit"));
    const row = within(screen.getByRole("listitem"));
    expect(row.getAllByLabelText<HTMLInputElement>("Set").map(({ value }) => value)).toEqual([
      "100 kg x 5 @2",
      "225 lb x 3",
    ]);
    await user.click(row.getByRole("button", { name: /^Delete 225 lb × 3/ }));
    expect(sent).toEqual([expect.objectContaining({ lifter: "tove", id: "b" })]);
  });
});
