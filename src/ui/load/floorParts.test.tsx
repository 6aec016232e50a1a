// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { RunSet } from "@/core/loading/run/runState";
import type { RunTouch } from "@/core/loading/run/runTouch";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { visits } from "../dom.fixture";
import { forgetIntent } from "../kit/intent";
import { POUNDS, show } from "../touch.fixture";
import { EffortAsk } from "./EffortAsk";
import { OtherUnit } from "./OtherUnit";
import { StackTapper } from "./StackTapper";

/* Small parts of the floor by touch: how a set went, and a loaded bar that is tapped rather than typed. */

const SET: RunSet = {
  ...{
    id: "s1",
    lifter: "Tove",
    isWork: true,
    setup: null,
    jCupHole: null,
    perSide: [],
    state: "done",
    repetitions: 3,
  },
  ...{ targetUnits: massUnitsFromKg(100), achievedUnits: massUnitsFromKg(100) },
};

describe("how a set went", () => {
  const ask = (effort?: RunSet["effort"], units?: typeof POUNDS) => {
    const touches: { touch: RunTouch; label: string }[] = [];
    const set = effort ? { ...SET, effort } : SET;
    return { touches, ...show(<EffortAsk set={set} send={(touch, label) => touches.push({ touch, label })} />, units) };
  };
  const said = (reserve: number | null, more = {}) => ({
    repetitions: 3,
    reserve,
    isMade: true,
    handsHelped: false,
    ...more,
  });

  it("is one touch, with the repetitions that were planned", async () => {
    const { user, touches } = ask();
    await user.click(screen.getByRole("button", { name: "2 left" }));
    expect(touches[0]!.touch).toEqual({ kind: "effort", set: "s1", effort: said(2) });
    expect(touches[0]!.label).toContain("100 kg");
  });
  it("repetitions are corrected first, and say nothing until how it went is said", async () => {
    const { user, touches } = ask();
    await user.click(screen.getByRole("button", { name: "One repetition more" }));
    expect(touches).toHaveLength(0);
    await user.click(screen.getByRole("button", { name: "Missed" }));
    expect(touches[0]!.touch).toMatchObject({ effort: { repetitions: 4, isMade: false, reserve: null } });
  });
  it("what was said is pressed, and what is corrected afterwards is sent with it", async () => {
    const { user, touches } = ask(said(1));
    expect(screen.getByRole("button", { name: "1 left" }).getAttribute("aria-pressed")).toBe("true");
    await user.click(screen.getByRole("checkbox"));
    await user.click(screen.getByRole("button", { name: "One repetition less" }));
    expect(touches.map(({ touch }) => touch)).toMatchObject([
      { effort: { reserve: 1, handsHelped: true } },
      { effort: { reserve: 1, repetitions: 2 } },
    ]);
  });
  it("never counts below one repetition, and says whose set it is in their unit", async () => {
    const { user, touches } = ask(said(0, { repetitions: 1 }), POUNDS);
    await user.click(screen.getByRole("button", { name: "One repetition less" }));
    expect(touches[0]!.touch).toMatchObject({ effort: { repetitions: 1 } });
    expect(touches[0]!.label).toContain("220.46 lb");
  });
});

describe("a loaded bar that is tapped", () => {
  const FACES = Object.fromEntries(
    ["p25", "p10"].map((key) => [key, { label: key, mark: key, colour: null, thicknessMm: 25, diameterMm: 450 }]),
  );
  const tapper = (left: string[] = [], right: string[] | null = null) => {
    forgetIntent();
    window.history.replaceState(null, "", "/load?bar=K01");
    const plates = ["p25", "p10"].map((key) => ({ key, words: `${key.slice(1)} kg` }));
    return show(
      <StackTapper plates={plates} faces={FACES} left={left} right={right} wordsOf={{ p25: "25", p10: "10" }} />,
    );
  };
  const asked = () => Object.fromEntries(new URL(visits.went.at(-1)!, "http://x").searchParams);
  const tap = (name: string) => screen.getByRole("button", { name });

  it("grows plate by plate, also before the page has answered", async () => {
    const { user } = tapper();
    await user.click(tap("25 kg"));
    await user.click(tap("10 kg"));
    expect(asked()).toEqual({ bar: "K01", stack: "25, 10" });
    await user.click(tap("Remove the outermost"));
    expect(asked()).toEqual({ bar: "K01", stack: "25" });
  });
  it("one side alone leaves the other as it stood", async () => {
    const { user } = tapper(["p25"]);
    await user.click(
      within(screen.getByRole("group", { name: "Which side is tapped" })).getByRole("button", { name: "right side" }),
    );
    await user.click(tap("10 kg"));
    expect(asked()).toEqual({ bar: "K01", stack: "25", other: "25, 10" });
    await user.click(tap("left side"));
    await user.click(tap("Remove the outermost"));
    expect(asked()).toEqual({ bar: "K01", other: "25, 10" });
  });
  it("has nothing to take off an empty bar", () => {
    tapper();
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Remove the outermost" }).disabled).toBe(true);
  });
  it("stands beside a picture of it that stays in this browser", async () => {
    const revoke = vi.fn();
    vi.stubGlobal("URL", Object.assign(URL, { createObjectURL: () => "blob:bar", revokeObjectURL: revoke }));
    const { user } = tapper();
    await user.upload(screen.getByLabelText(/picture of it/), new File(["x"], "bar.jpg", { type: "image/jpeg" }));
    expect(screen.getByRole("img", { name: "The bar as it stands" }).getAttribute("src")).toBe("blob:bar");
  });
});

describe("a load in the other unit", () => {
  const shown = (asked: "kg" | "lb", units?: typeof POUNDS) =>
    show(<OtherUnit kg={100} asked={asked} />, units).container.textContent!.trim();
  it("stands beside pounds always, beside kg for whoever reads pounds", () => {
    expect(shown("lb")).toBe("100 kg");
    expect(shown("kg")).toBe("");
    expect(shown("kg", POUNDS)).toBe("220.46 lb");
    expect(shown("lb", POUNDS)).toBe("100 kg");
  });
});
