// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { formAction, POUNDS, show } from "../touch.fixture";
import { RotationGrid, type GridRow } from "./RotationGrid";

/* The weeks of a rotation by keys and by touch: bars change places, are pinned and let go; who only reads changes nothing. */

const cell = (tag: string, part: Partial<GridRow["cells"][number]> = {}): GridRow["cells"][number] => ({
  ...{ tag, form: "straight", loadKg: 100, ratioPct: 96, targetPct: 95, isLight: false, isLearning: false },
  ...{ place: null, isCompetition: false, isPinned: false, lifted: null, isOver: false },
  ...part,
});
const ROWS: GridRow[] = [
  {
    ...{ lifterId: "l1", lifterKey: "tove", name: "Tove", session: 1, sessionName: "Tuesday" },
    cells: [cell("K01"), cell("K20", { isPinned: true }), cell("K30", { loadKg: null })],
  },
  {
    ...{ lifterId: "l2", lifterKey: "hale", name: "Hale", session: 1, sessionName: "Tuesday" },
    cells: [
      cell("K20"),
      cell("K01", { lifted: { tag: "K02", loadKg: 90, repetitions: 5 }, isOver: true }),
      cell("K01"),
    ],
  },
];
const WEEKS = [1, 2, 3].map((number) => ({ number, from: `${number} Dec`, targetPct: 80 + 5 * number }));

function grid({ mayEdit = true, units = undefined as typeof POUNDS | undefined, refuse = false } = {}) {
  const { sent, action } = formAction(() =>
    refuse
      ? { status: "refused", message: "Not planned.", problems: [{ path: "changes", message: "K20 is out of use." }] }
      : { message: "Planned again." },
  );
  const tools = show(
    <RotationGrid
      {...{ id: "r1", version: 4, weeks: WEEKS, rows: ROWS, tags: ["K01", "K20", "K30"], mayEdit, action }}
    />,
    units,
  );
  return { ...tools, sent, changes: () => sent.map(({ changes }) => JSON.parse(changes!) as unknown) };
}
const week = (name: RegExp) => screen.getByRole("button", { name });

describe("the weeks of a rotation", () => {
  it("two bars of a lifter change places with Shift and an arrow, under the version that was read", async () => {
    const { user, sent, changes } = grid();
    week(/^Tove, Tuesday, week 1/).focus();
    await user.keyboard("{Shift>}{ArrowRight}{/Shift}");
    expect(sent[0]).toMatchObject({ id: "r1", version: "4" });
    expect(changes()[0]).toEqual([
      { lifterId: "l1", session: 1, week: 2, tag: "K01" },
      { lifterId: "l1", session: 1, week: 1, tag: "K20" },
    ]);
    expect((await screen.findByText("Planned again.")).closest("[role=status]")).toBeTruthy();
  });
  it("an arrow alone only moves along the grid, and stops at its edges", async () => {
    const { user, sent } = grid();
    week(/^Tove, Tuesday, week 1/).focus();
    await user.keyboard("{ArrowDown}{ArrowRight}");
    expect(document.activeElement?.getAttribute("aria-label")).toMatch(/^Hale, Tuesday, week 2/);
    await user.keyboard("{ArrowDown}{ArrowDown}");
    expect(document.activeElement?.getAttribute("aria-label")).toMatch(/^Hale, Tuesday, week 2/);
    await user.keyboard("{Shift>}{ArrowUp}{/Shift}");
    expect(sent).toHaveLength(0);
  });
  it("a chosen week is pinned, let go and given another bar", async () => {
    const { user, changes } = grid();
    await user.click(week(/^Tove, Tuesday, week 1/));
    const chosen = within(screen.getByRole("group", { name: "The chosen week" }));
    await user.click(chosen.getByRole("button", { name: "Pin K01 here" }));
    await user.click(week(/^Tove, Tuesday, week 2/));
    await user.click(screen.getByRole("button", { name: "Unpin" }));
    await user.selectOptions(screen.getByLabelText("Bar"), "K30");
    expect(changes()).toEqual([
      [{ lifterId: "l1", session: 1, week: 1, tag: "K01" }],
      [{ lifterId: "l1", session: 1, week: 2, tag: null }],
      [{ lifterId: "l1", session: 1, week: 2, tag: "K30" }],
    ]);
  });
  it("says why nothing was planned", async () => {
    const { user } = grid({ refuse: true });
    await user.click(week(/^Tove, Tuesday, week 1/));
    await user.click(screen.getByRole("button", { name: /^Pin/ }));
    expect((await screen.findByText(/K20 is out of use/)).textContent).toContain("Not planned.");
  });
  it("whoever only reads it can look at a week and change none", async () => {
    const { user, sent } = grid({ mayEdit: false });
    await user.click(week(/^Tove, Tuesday, week 1/));
    expect(screen.queryByRole("group", { name: "The chosen week" })).toBeNull();
    week(/^Tove, Tuesday, week 1/).focus();
    await user.keyboard("{Shift>}{ArrowRight}{/Shift}");
    expect(sent).toHaveLength(0);
  });
  it("says loads in the reader's unit, an unknown one too, and what was lifted instead", () => {
    grid({ units: POUNDS });
    expect(week(/^Tove, Tuesday, week 1/).getAttribute("aria-label")).toContain("220 lb");
    expect(week(/^Tove, Tuesday, week 3/).getAttribute("aria-label")).toContain("load unknown");
    expect(week(/^Hale, Tuesday, week 2/).getAttribute("aria-label")).toContain("lifted 198 lb on K02");
  });
});
