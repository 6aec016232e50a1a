// @vitest-environment jsdom
import { fireEvent, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { BAR_STATES } from "@/core/bars/bar";
import { readWallQuery } from "@/core/bars/wallQuery";
import type { WallFacts } from "@/server/bars";
import { visits } from "../dom.fixture";
import { forgetIntent } from "../kit/intent";
import { LoadQuestion } from "../load/LoadQuestion";
import { readLoadState } from "../load/loadState";
import { WallFilters } from "./WallFilters";

/* Questions whose answer is the page at another address: nothing that the address said before is lost on the way. */

const FACTS: WallFacts = {
  total: 40,
  quarantined: 1,
  families: ["power", "weightlifting"],
  states: ["in-service", "quarantined"],
  finishes: ["bare"],
  places: ["Rack wall", "Platform"],
  spans: { mass: { least: 10, greatest: 25 }, shaftDiameter: { least: 28, greatest: 28 } },
};

/** The page's address, and what the screen asked it to be. */
function at(path: string, search: Record<string, string>): void {
  visits.path = path;
  window.history.replaceState(null, "", `${path}?${new URLSearchParams(search)}`);
}
const asked = () => {
  const url = new URL(visits.went.at(-1)!, window.location.href);
  return { path: url.pathname, ...Object.fromEntries(url.searchParams) };
};

beforeEach(() => forgetIntent());

describe("which bars", () => {
  function wall(search: Record<string, string> = {}) {
    at("/bars", search);
    render(<WallFilters query={readWallQuery(search)} facts={FACTS} states={BAR_STATES} isSearchFocused={false} />);
    return userEvent.setup();
  }

  it("a choice asks at once and keeps the others", async () => {
    const user = wall({ place: "Platform", q: "old" });
    await user.selectOptions(screen.getByLabelText("Family"), "power");
    expect(asked()).toMatchObject({ path: "/bars", family: "power", place: "Platform", q: "old" });
  });

  it("two choices in the moment before the page answers count both", async () => {
    const user = wall();
    await user.selectOptions(screen.getByLabelText("State"), "quarantined");
    await user.selectOptions(screen.getByLabelText("Place"), "Platform");
    expect(asked()).toMatchObject({ state: "quarantined", place: "Platform" });
  });

  it("words are asked for at Enter or when the box is left, not at every letter", async () => {
    const user = wall({ family: "power" });
    await user.type(screen.getByRole("searchbox", { name: "Search bars" }), "K0");
    expect(visits.went).toHaveLength(0);
    await user.keyboard("7{Enter}");
    expect(asked()).toMatchObject({ q: "K07", family: "power" });
  });

  it("what narrows the wall is listed, and each goes by itself", async () => {
    const user = wall({ q: "old", mass: "15..20", family: "power" });
    const list = within(screen.getByRole("list", { name: "Narrowed by" }));
    expect(list.getAllByRole("listitem")).toHaveLength(2);
    await user.click(list.getByRole("link", { name: /old/ }));
    expect(asked()).toEqual({ path: "/bars", mass: "15..20", family: "power" });
  });

  it("a quantity that is the same on every bar has no slider; others ask when the slider is let go", () => {
    wall();
    expect(screen.queryAllByRole("slider", { hidden: true })).toEqual([]);
    const numbers = screen.getByText("By numbers").closest("details")!;
    numbers.open = true;
    fireEvent(numbers, new Event("toggle"));
    expect(screen.queryByRole("slider", { name: /shaft/, hidden: true })).toBeNull();
    const from = screen.getByRole("slider", { name: "mass from", hidden: true });
    fireEvent.change(from, { target: { value: "15" } });
    expect(visits.went).toHaveLength(0);
    fireEvent.pointerUp(from);
    expect(readWallQuery(asked() as Record<string, string>).ranges.mass).toEqual({ from: 15, to: null });
  });

  it("a slider moved past the other pushes no further than it, and back at both ends nothing narrows", () => {
    wall({ mass: "15..20" });
    const [from, to] = ["from", "to"].map((word) => screen.getByRole("slider", { name: `mass ${word}`, hidden: true }));
    fireEvent.change(from!, { target: { value: "24" } });
    fireEvent.keyUp(from!);
    expect(readWallQuery(asked() as Record<string, string>).ranges.mass).toEqual({ from: 20, to: 20 });
    fireEvent.change(from!, { target: { value: "10" } });
    fireEvent.change(to!, { target: { value: "25" } });
    fireEvent.keyUp(to!);
    expect(asked()).toEqual({ path: "/bars" });
  });
});

describe("bar, clamps and ending", () => {
  function question(search: Record<string, string>) {
    at("/load", search);
    render(
      <LoadQuestion
        bars={[
          { tag: "K20", name: "Power bar" },
          { tag: "K07", name: "Squat bar" },
        ]}
        clamps={[{ key: "lever", name: "lever clamps", widthMm: 40, pairMassUnits: 0 }]}
        stations={[{ key: "rack-1", name: "Rack 1" }]}
        state={readLoadState(search)}
        houseToleranceKg={0.25}
      />,
    );
    return userEvent.setup();
  }

  it("another bar keeps the target and what is on the bar", async () => {
    const user = question({ bar: "K20", target: "100kg", on: "r20,r10" });
    await user.selectOptions(screen.getByLabelText("bar"), "K07");
    expect(asked()).toMatchObject({ path: "/load", bar: "K07", target: "100kg", on: "r20,r10" });
  });

  it("another unit leaves the mass what it is: a target without a unit meant the old one", async () => {
    const user = question({ bar: "K20", target: "100" });
    await user.selectOptions(screen.getByLabelText("in"), "lb");
    expect(asked()).toMatchObject({ unit: "lb", target: "100kg" });
  });

  it("every answer of the line can be given with the keyboard alone", async () => {
    const user = question({ bar: "K20", target: "100kg" });
    const names = ["bar", "at", "clamps", "the set ends", "in"];
    // On a telephone the last three stand behind a button, which is no answer.
    const fold = screen.getByRole("button", { name: "Clamps, ending, unit" });
    for (const name of names) {
      await user.tab();
      if (document.activeElement === fold) await user.tab();
      expect(document.activeElement).toBe(screen.getByLabelText(name));
    }
  });
});
