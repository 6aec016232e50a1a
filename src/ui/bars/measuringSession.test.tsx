// @vitest-environment jsdom
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { QUANTITIES, type QuantityKind } from "@/core/bars/quantities";
import { MENS_BAR, stated, testBar } from "@/core/bars/testBar.fixture";
import { STARTING_TOLERANCES } from "@/core/bars/tolerances";
import { convertTyped } from "@/core/units/typedQuantity";
import { METRIC } from "@/core/units/shown";
import "../dom.fixture";
import { ShownProvider } from "../kit/ShownProvider";
import { sessionKinds, type SessionBar } from "./measuring";
import { MeasuringSession } from "./MeasuringSession";
import type { KeepReadings } from "./useMeasuring";

/* A measuring session as the manager touches it: keys, tabs, instruments, and a server that may say no. */

const BARS: SessionBar[] = [
  { bar: testBar({ ...MENS_BAR }, { tag: "T1", name: "First bar" }), place: "Rack wall" },
  { bar: testBar({ mass: stated(15) }, { tag: "T2", name: "Second bar" }), place: null },
];

const CAMBERED: SessionBar = {
  bar: testBar({ ...MENS_BAR }, { tag: "T3", name: "Cambered bar", family: "cambered" }),
  place: null,
};

function session(
  answer: (kept: KeepReadings) => { ok: boolean; message: string } | Promise<never> = () => OK,
  { units = METRIC, tag = "T1", kind = "mass" as QuantityKind } = {},
) {
  const kept: KeepReadings[] = [];
  render(
    <ShownProvider units={units} today="2026-11-27" locale="en-GB">
      <MeasuringSession
        bars={tag === "T3" ? [CAMBERED] : BARS}
        start={{ tag, kind }}
        tolerances={STARTING_TOLERANCES}
        seed={7}
        offersSimulated
        action={async (one) => {
          kept.push(one);
          return answer(one);
        }}
      />
    </ShownProvider>,
  );
  return { kept, user: userEvent.setup() };
}

const OK = { ok: true, message: "" };
const step = () => within(screen.getByRole("form", { name: "One quantity" }));
const boxes = () => step().getAllByRole<HTMLInputElement>("textbox");
const heading = () => step().getByRole("heading").textContent;
const keep = () => step().getByRole("button", { name: "Save and next" });

describe("readings", () => {
  it("are typed, averaged as they are typed, kept with their unit and instrument, and the next quantity is asked", async () => {
    const { kept, user } = session();
    await user.type(boxes()[0]!, "20.1");
    expect(screen.getByTestId("mean").textContent).toBe(`${(20.1).toFixed(QUANTITIES.mass.decimals)}kg`);
    await user.click(keep());
    expect(kept).toHaveLength(1);
    expect(kept[0]).toMatchObject({ tag: "T1", kind: "mass", instrument: QUANTITIES.mass.instrument });
    expect(kept[0]!.readings.map(({ value, unit }) => [Number(value), unit])).toEqual([[20.1, "kg"]]);
    expect(heading()).toContain(QUANTITIES.shaftDiameter.label);
    expect(boxes().every(({ value }) => value === "")).toBe(true);
    expect(window.location.search).toContain("kind=shaftDiameter");
  });

  it("come from the big keys into the box in hand, and the last digit can be taken away", async () => {
    const { user } = session();
    await user.click(step().getByRole("button", { name: "Skip" }));
    const keys = within(screen.getByRole("group", { name: "Number keys" }));
    await user.click(boxes()[1]!);
    for (const key of ["2", "8", ".", "0", "5"]) await user.click(keys.getByRole("button", { name: key }));
    await user.click(keys.getByRole("button", { name: /last digit/ }));
    expect(boxes()[1]!.value).toBe("28.0");
    expect(boxes()[0]!.value).toBe("");
  });

  it("are looked at before they are kept: nothing typed, a word, two units and a bar that cannot be are refused here", async () => {
    const { kept, user } = session();
    await user.click(keep());
    expect(screen.getByRole("alert")).toBeTruthy();
    for (const wrong of ["heavy", "2000"]) {
      await user.clear(boxes()[0]!);
      await user.type(boxes()[0]!, wrong);
      await user.click(keep());
      expect(screen.getByRole("alert")).toBeTruthy();
    }
    expect(kept).toHaveLength(0);
    expect(heading()).toContain(QUANTITIES.mass.label);
  });

  it("that lie outside the tolerance are flagged while they can still be read again", async () => {
    const { user } = session();
    await user.type(boxes()[0]!, "20.0");
    expect(step().queryByText("Flagged.")).toBeNull();
    await user.clear(boxes()[0]!);
    await user.type(boxes()[0]!, "21.5");
    expect(step().getByText("Flagged.")).toBeTruthy();
  });

  it("that the server refuses stay in their boxes, and the second try carries the same key", async () => {
    let tries = 0;
    const { kept, user } = session(() => (++tries === 1 ? { ok: false, message: "Someone else is at it." } : OK));
    await user.type(boxes()[0]!, "20.1");
    await user.click(keep());
    expect((await screen.findByRole("alert")).textContent).toContain("Someone else is at it.");
    expect(boxes()[0]!.value).toBe("20.1");
    await user.click(keep());
    expect(kept[1]!.idempotencyKey).toBe(kept[0]!.idempotencyKey);
    expect(heading()).not.toContain(QUANTITIES.mass.label);
  });

  it("stay when no answer comes at all", async () => {
    const { user } = session(() => Promise.reject(new TypeError("Failed to fetch")));
    await user.type(boxes()[0]!, "20.1");
    await user.click(keep());
    expect(await screen.findByRole("alert")).toBeTruthy();
    expect(boxes()[0]!.value).toBe("20.1");
  });

  it("of two steps have two keys", async () => {
    const { kept, user } = session();
    for (const reading of ["20.1", "28.1"]) {
      await user.type(boxes()[0]!, reading);
      await user.click(keep());
    }
    expect(new Set(kept.map(({ idempotencyKey }) => idempotencyKey)).size).toBe(2);
    expect(kept.map(({ kind }) => kind)).toEqual(["mass", "shaftDiameter"]);
  });
});

describe("in pounds and inches", () => {
  const OTHER = { mass: "lb", length: "in" } as const;

  it("a bare number is in the person's unit, and is kept as it was typed", async () => {
    const { kept, user } = session(undefined, { units: OTHER });
    await user.type(boxes()[0]!, "44.5");
    expect(screen.getByTestId("mean").textContent).toBe("44.5lb");
    await user.click(keep());
    expect(kept[0]!.readings).toEqual([{ value: "44.5", unit: "lb" }]);
    await user.type(boxes()[0]!, "28.1 mm");
    await user.click(keep());
    expect(kept[1]!.readings).toEqual([{ value: "28.1", unit: "mm" }]);
  });

  it("fractions are read and have keys of their own", async () => {
    const { kept, user } = session(undefined, { units: OTHER, kind: "shaftLength" });
    const keys = within(screen.getByRole("group", { name: "Number keys" }));
    const press = (name: string | RegExp) => user.click(keys.getByRole("button", { name }));
    for (const key of ["5", "1", /Space/, "9", /Fraction/, "1", "6"]) await press(key);
    expect(boxes()[0]!.value).toBe("51 9/16");
    expect(screen.getByTestId("mean").textContent).toBe("51 9/16in");
    await user.click(keep());
    expect(kept[0]!.readings).toEqual([{ value: "51.5625", unit: "in" }]);
  });

  it("what was typed stays in its unit when the other units are shown for a moment", async () => {
    const { kept, user } = session();
    await user.type(boxes()[0]!, "20");
    await user.click(screen.getByRole("group", { name: "Number keys" }));
    boxes()[0]!.blur();
    await user.keyboard("k");
    expect(screen.getByTestId("mean").textContent).toBe("44.09lb");
    await user.click(keep());
    expect(kept[0]!.readings).toEqual([{ value: "20", unit: "kg" }]);
  });

  it("a simulated instrument is switched to them too", async () => {
    const { kept, user } = session(undefined, { units: OTHER, kind: "shaftDiameter" });
    await user.click(screen.getByRole("checkbox", { name: "simulated instrument" }));
    await user.click(screen.getByRole("button", { name: "Zero it" }));
    await user.click(screen.getByRole("button", { name: "Read the bar" }));
    await user.click(keep());
    expect(kept[0]!.readings[0]!.unit).toBe("in");
    expect(Math.abs(convertTyped(kept[0]!.readings[0]!) - 28)).toBeLessThan(0.5);
  });
});

describe("what may lie on either side of zero", () => {
  it("has a key for its sign, which turns what stands in the box", async () => {
    const { kept, user } = session(undefined, { tag: "T3", kind: "camberForward" });
    const press = (name: string) =>
      user.click(within(screen.getByRole("group", { name: "Number keys" })).getByRole("button", { name }));
    for (const key of ["4", "0", "Plus or minus"]) await press(key);
    expect(boxes()[0]!.value).toBe("-40");
    await press("Plus or minus");
    expect(boxes()[0]!.value).toBe("40");
    await press("Plus or minus");
    await user.click(keep());
    expect(kept[0]!.readings).toEqual([{ value: "-40", unit: "mm" }]);
  });
  it("and nothing else has one", () => {
    session();
    expect(screen.queryByRole("button", { name: "Plus or minus" })).toBeNull();
  });
});

describe("the walk from bar to bar", () => {
  it("goes through every quantity of a bar to the first of the next one, and back, and stops at both ends", async () => {
    const { user } = session();
    const [first, second] = BARS.map(({ bar }) => sessionKinds(bar));
    await user.click(step().getByRole("button", { name: "Back" }));
    expect(heading()).toContain(QUANTITIES.mass.label);
    for (let i = 0; i < first!.length; i += 1) await user.click(step().getByRole("button", { name: "Skip" }));
    expect(step().getByText("T2")).toBeTruthy();
    expect(heading()).toContain(QUANTITIES[second![0]!].label);
    await user.click(step().getByRole("button", { name: "Back" }));
    expect(step().getByText("T1")).toBeTruthy();
    for (let i = 0; i <= second!.length + 1; i += 1) await user.click(step().getByRole("button", { name: "Skip" }));
    expect(step().getByText("T2")).toBeTruthy();
  });

  it("is chosen from the list, which counts what is measured", async () => {
    const { user } = session();
    const list = within(screen.getByRole("navigation", { name: "Bars and quantities" }));
    const kinds = sessionKinds(BARS[0]!.bar).length;
    const counted = () => list.getByRole("button", { name: /T1/ }).textContent;
    expect(counted()).toContain(`0/${kinds}`);
    await user.type(boxes()[0]!, "20.1");
    await user.click(keep());
    expect(counted()).toContain(`1/${kinds}`);
    await user.click(list.getByRole("button", { name: /T2/ }));
    expect(step().getByText("Second bar")).toBeTruthy();
    expect(list.getByRole("button", { name: /T2/ }).getAttribute("aria-current")).toBe("step");
  });
});

describe("a simulated instrument", () => {
  it("fills the boxes one after the other, near the bar, and is named in what is kept", async () => {
    const { kept, user } = session();
    await user.click(screen.getByRole("checkbox", { name: "simulated instrument" }));
    await user.click(screen.getByRole("button", { name: "Zero it" }));
    expect(screen.getByText("nulled")).toBeTruthy();
    for (let i = 0; i < boxes().length; i += 1) await user.click(screen.getByRole("button", { name: "Read the bar" }));
    for (const { value } of boxes()) expect(Math.abs(Number(value) - 20)).toBeLessThan(0.5);
    await user.click(keep());
    expect(kept[0]!.instrument).toMatch(/^simulated /);
    expect(kept[0]!.readings).toHaveLength(QUANTITIES.mass.spots.length);
  });

  it("shows its zero error with nothing in it until it is zeroed", async () => {
    const { user } = session();
    await user.click(screen.getByRole("checkbox", { name: "simulated instrument" }));
    expect(screen.getByText("zero not checked")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Zero it" }));
    await user.click(screen.getByRole("button", { name: "With nothing in it" }));
    const shown = Number.parseFloat(screen.getByLabelText("It shows").textContent!);
    expect(Math.abs(shown)).toBeLessThan(0.1);
  });
});
