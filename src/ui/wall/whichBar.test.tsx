// @vitest-environment jsdom
import "../dom.fixture";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { Bar } from "@/core/bars/bar";
import { MENS_BAR, stated, testBar } from "@/core/bars/testBar.fixture";
import { MAX_LABELS } from "@/papers/labelKinds";
import { usageCardOf } from "@/core/use/useCards";
import { LabelsSheet } from "../bars/LabelsSheet";
import { ShownProvider } from "../kit/ShownProvider";
import { FoundBar } from "./FoundBar";
import { WhichBar } from "./WhichBar";

/* Somebody before a wall: what is asked, what is left, and what a bar says once it is found. */

const bar = (tag: string, more: Partial<Bar> = {}, quantities: Bar["quantities"] = {}) =>
  testBar({ ...MENS_BAR, ...quantities }, { tag, name: `Bar ${tag}`, ...more });
const facts = (one: Bar, more: object = {}) => ({
  ...{ bar: one, place: "Wall A", findings: [] as string[], use: usageCardOf(one.family) },
  ...more,
});

function open(bars: readonly Bar[], mass: "kg" | "lb" = "kg") {
  render(
    <ShownProvider units={{ mass, length: mass === "kg" ? "mm" : "in" }} today="2026-11-28" locale="en-GB">
      <WhichBar bars={bars.map((one) => facts(one))} back={{ href: "/wall", text: "Back" }} />
    </ShownProvider>,
  );
  return userEvent.setup();
}
const press = (name: RegExp | string) => screen.getByRole("button", { name });

describe("which bar is this", () => {
  it("asks what tells these bars apart, keeps what was said, and goes back a step at a time", async () => {
    const user = open([
      bar("A", { centreKnurl: "full", ringMarks: "powerlifting" }),
      bar("B", { centreKnurl: "none", ringMarks: "weightlifting" }),
      bar("C", { centreKnurl: "none", ringMarks: "weightlifting" }, { shaftDiameter: stated(25) }),
    ]);
    expect(screen.getByRole("heading", { name: "How thick is the shaft?" })).toBeTruthy();
    await user.click(press("28 mm"));
    expect(screen.getByRole("heading", { name: "What is in the middle?" })).toBeTruthy();
    await user.click(press("rough knurl"));
    expect(screen.getByRole("region", { name: "It is A" })).toBeTruthy();
    await user.click(press("One step back"));
    await user.click(press("One step back"));
    expect(screen.getAllByRole("button", { name: /drawn to scale/ })).toHaveLength(3);
  });
  it("asks something else where somebody cannot tell, and says when nothing tells them apart", async () => {
    const user = open([bar("A", { ringMarks: "dual" }), bar("B", { ringMarks: "none" })]);
    await user.click(press("I cannot tell"));
    expect(screen.getByText(/^These look alike here/)).toBeTruthy();
    await user.click(press(/^B/));
    expect(screen.getByRole("region", { name: "It is B" })).toBeTruthy();
  });
  it("finds a bar by the beginning of its tag, in any case", async () => {
    const user = open([bar("K1"), bar("K2"), bar("M1")]);
    await user.type(screen.getByRole("textbox", { name: "or its tag" }), "k");
    expect(screen.getAllByRole("button", { name: /drawn to scale/ })).toHaveLength(2);
    await user.type(screen.getByRole("textbox", { name: "or its tag" }), "9");
    expect(screen.getByText("No bar here has this tag.")).toBeTruthy();
  });
  it("asks sizes in the reader's unit", () => {
    open([bar("A"), bar("B", {}, { shaftDiameter: stated(50) })], "lb");
    expect(screen.getAllByRole("button", { name: /\d in$/ })).toHaveLength(2);
    expect(screen.queryByRole("button", { name: /mm$/ })).toBeNull();
  });
  it("has nothing to ask of one bar, or none", () => {
    open([]);
    expect(screen.queryByRole("heading", { level: 2, name: /\?$/ })).toBeNull();
  });
});

describe("the bar that it is", () => {
  const show = (one: Bar, more: object = {}) =>
    render(
      <ShownProvider units={{ mass: "kg", length: "mm" }} today="2026-11-28" locale="en-GB">
        <FoundBar facts={facts(one, more)} />
      </ShownProvider>,
    );
  it("says before anything that nobody lifts with it, and offers no load", () => {
    show(bar("Q", { state: "quarantined", stateReason: "a crack" }));
    expect(screen.getByRole("alert").textContent).toBe("Do not lift with it: quarantined, a crack.");
    expect(screen.queryByRole("link", { name: "Load it" })).toBeNull();
  });
  it("never takes what nobody knows for enough", () => {
    show(testBar({}, { tag: "U", rating: null, hardLimitKg: null }), { place: null, findings: ["end cap loose"] });
    const found = within(screen.getByRole("region", { name: "It is U" }));
    expect(found.getAllByText("not known: ask")).toHaveLength(2);
    expect(found.getByText("ask where")).toBeTruthy();
    expect(found.getByText("Not resolved: end cap loose")).toBeTruthy();
  });
});

describe("labels", () => {
  const sheet = (count: number) =>
    render(
      <LabelsSheet
        kind="cap"
        ask={{ family: undefined, place: undefined }}
        families={[]}
        places={[]}
        count={count}
        sample={{
          ...{ tag: "A", name: "x", family: "f", madeFor: "m", massKg: null, ratedKg: 100, colour: "#0f6b78" },
          ...{ address: "http://a.test", qr: { path: "M0 0h1v1h-1z", size: 9 } },
        }}
        colours={[{ key: "power", name: "power bar", colour: null }]}
        version={0}
        mayEdit
        action={async () => ({ status: "done", message: "", problems: [], typed: {} })}
      />,
    );
  it("are printed up to a number, beyond it by family or place; a family has a colour once it is ticked", async () => {
    sheet(1);
    expect(screen.getByRole("link", { name: "Print 1 label (PDF)" })).toBeTruthy();
    expect(screen.queryByLabelText("Colour of power bar")).toBeNull();
    await userEvent.setup().click(screen.getByRole("checkbox", { name: "power bar" }));
    expect(screen.getByLabelText("Colour of power bar")).toBeTruthy();
  });
  it("says when there are too many", () => {
    sheet(MAX_LABELS + 1);
    expect(screen.queryByRole("link", { name: /^Print/ })).toBeNull();
    expect(screen.getByText(/Choose a family or a place/)).toBeTruthy();
  });
});
