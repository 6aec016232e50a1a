// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { addDays } from "@/core/units/hallDay";
import type { LogItem } from "@/server/logbook";
import { formAction, show, TODAY } from "../touch.fixture";
import { LogSheet } from "./LogSheet";

/* A long log: the latest sets at first, all of them on demand, the same as a table. */

/** Seven sets a day, every third day, newest first. */
const sets = (count: number): LogItem[] =>
  Array.from({ length: count }, (_, i) => ({
    ...{ id: `s${i}`, liftKey: "squat", variant: "", barId: "b1", family: "power", setting: "", handsHelped: false },
    ...{ on: addDays(TODAY, -3 * Math.floor(i / 7)), loadKg: 100, loadValue: "100", loadUnit: "kg" as const },
    ...{ repetitions: 5, reserve: null, isMade: true, tag: "K01", barName: "Plain bar", note: null },
    ...{ source: "typed" as const, version: 1 },
  }));

function sheet(count: number, { isWhole = false, variant = "" } = {}) {
  const { action } = formAction();
  const log = {
    ...{ lifts: [{ liftKey: "squat", variant, sets: count }], strength: null, sets: sets(count), weeks: [] },
    ...{ effort: null, expect: () => null },
  };
  show(
    <LogSheet
      lifter={{ key: "tove", name: "Tove" }}
      log={log}
      lifts={[{ key: "squat", name: "back squat" }]}
      lift={{ key: "squat", name: "back squat", variant }}
      bars={[{ tag: "K01", name: "Plain bar" }]}
      ask={{ tag: "K01", repetitions: 5, reserve: 2 }}
      expected={[]}
      isWhole={isWhole}
      today={TODAY}
      undo={null}
      actions={{ add: action, edit: action, remove: action, undo: action, import: action }}
    />,
  );
  const part = within(screen.getByRole("region", { name: "Sets" }));
  const shown = part
    .getAllByRole("listitem")
    .map(({ textContent }) => textContent.split("× 5").length - 1)
    .reduce((sum, one) => sum + one, 0);
  return { part, shown };
}

describe("a lifter's log", () => {
  it("shows the latest sets by whole days, says how many there are, and leads to all of them", () => {
    const { part, shown } = sheet(100);
    // The sixtieth is the fourth of its day: the three after it belong to the same session.
    expect(shown).toBe(63);
    expect(part.getByText(/63 of 100/)).toBeTruthy();
    expect(part.getByRole("link", { name: "Show all" }).getAttribute("href")).toBe(
      "/lifters/tove/log?lift=squat&sets=all",
    );
  });
  it("leads to all sets of the variant that is looked at", () => {
    const { part } = sheet(100, { variant: "pause" });
    expect(part.getByRole("link", { name: "Show all" }).getAttribute("href")).toContain("lift=squat~pause&");
  });
  it("lists every set where all are asked for", () => {
    const { part, shown } = sheet(100, { isWhole: true });
    expect(shown).toBe(100);
    expect(part.queryByRole("link", { name: "Show all" })).toBeNull();
  });
  it("says nothing of more where there is no more", () => {
    const { part, shown } = sheet(20);
    expect(shown).toBe(20);
    expect(part.queryByRole("link", { name: "Show all" })).toBeNull();
  });
  it("leads to the same sets as a table, as far back as the table goes", () => {
    const { part } = sheet(20);
    expect(part.getByRole("link", { name: "Show as a table" }).getAttribute("href")).toBe(
      "/logbook?lifter=tove&lift=squat&days=365",
    );
  });
});
