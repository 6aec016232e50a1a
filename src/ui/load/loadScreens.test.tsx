import { describe, expect, it } from "vitest";
import type { RunSet } from "@/core/loading/run/runState";
import { KG_PER_LB } from "@/core/units/constants";
import { massUnitsFromKg } from "@/core/units/exactMass";
import type { LoadPlan } from "@/server/loading/planLoad";
import { ConnectionNote } from "../kit/ConnectionNote";
import { shown } from "../screen.fixture";
import { LoadAnswer } from "./LoadAnswer";
import { readLoadState } from "./loadState";
import { RunList } from "./RunList";
import { TippingNote } from "./TippingNote";

/* What screens of loading say where errands hardly come. */

const PLATES = new Map(
  [
    ["r25", "25", "kg"],
    ["r20", "20", "kg"],
    ["i45", "45", "lb"],
    ["c05", "0.5", "kg"],
  ].map(([key, massValue, massUnit]) => [key!, { massValue: massValue!, massUnit: massUnit! }]),
) as unknown as LoadPlan["plates"];

type Answer = LoadPlan["answer"] & { ok: true };

const answer = (more: Partial<Answer> = {}): Answer => ({
  ok: true,
  perSide: ["r25", "r20"],
  achievedUnits: massUnitsFromKg(110),
  errorUnits: 0,
  warnings: [],
  alternatives: [],
  ...more,
});

const said = (more: Partial<Answer> = {}, plan: Partial<LoadPlan> = {}, search: Record<string, string> = {}) =>
  shown(
    <LoadAnswer
      plan={
        {
          ...{ plates: PLATES, onBar: [], borrow: null, heldElsewhere: [], away: [] },
          question: { floorUnits: massUnitsFromKg(0.25) },
          ...plan,
        } as unknown as LoadPlan
      }
      answer={answer(more)}
      state={readLoadState({ bar: "K20", target: "110kg", ...search })}
    />,
  ).text;

describe("an answer to a wished load", () => {
  it("is the words a person would say, and whether it is exact", () => {
    expect(said()).toContain("25 kg, 20 kg each side Exactly 110 kg.");
    expect(said({ perSide: [], achievedUnits: massUnitsFromKg(20) })).toContain("The empty bar");
    expect(said({ achievedUnits: massUnitsFromKg(108), errorUnits: massUnitsFromKg(-2) })).toMatch(
      /108 kg: [−-]2 kg off target/,
    );
  });
  it("in pounds says the error in pounds, and the kilograms beside", () => {
    const text = said(
      {
        perSide: ["i45", "i45"],
        achievedUnits: massUnitsFromKg(225 * KG_PER_LB),
        errorUnits: massUnitsFromKg(-5 * KG_PER_LB),
      },
      {},
      { unit: "lb", target: "230lb" },
    );
    expect(text).toContain("2 × 45 lb each side");
    expect(text).toMatch(/225 lb: [−-]5 lb off target\. 102\.06 kg/);
  });
  it("says what to take off and put on from what is there, outside first", () => {
    expect(said({}, { onBar: ["r25", "c05"] })).toContain("On it now: 25 kg, 0.5 kg. Take off 0.5 kg. Put on 20 kg.");
    const loaded = said({}, { onBar: ["r25", "r20"] });
    expect(loaded).toContain("On it now: 25 kg, 20 kg. Already loaded.");
    expect(loaded).not.toContain("Mark loaded");
    expect(loaded).toContain("The bar is empty");
  });
  it("says from whom to borrow and what that would make, else which plates are held elsewhere", () => {
    const borrow = {
      achievedUnits: massUnitsFromKg(110),
      errorUnits: 0,
      from: [{ key: "r20", pairs: 2, where: ["Rack 1", "Platform"] }],
    };
    expect(said({}, { borrow })).toContain("Borrow 2 pairs of 20 kg from Rack 1 or Platform and it is exactly 110 kg.");
    const held = [{ key: "i45", pairs: 1, where: "Rack 2" }];
    expect(said({}, { heldElsewhere: held })).toContain(
      "Not counted, since they are on other bars now: 1 × 45 lb (Rack 2).",
    );
    expect(said({}, { borrow, heldElsewhere: held })).not.toContain("Not counted");
  });
  it("puts warnings and loads near it beside the answer", () => {
    const text = said({
      warnings: [{ code: "iron-outside", message: "Iron outside rubber does not touch the floor." } as never],
      alternatives: [{ perSide: ["r25"], achievedUnits: massUnitsFromKg(70) } as never],
    });
    expect(text).toContain("Iron outside rubber does not touch the floor.");
    expect(text).toContain("Near it: 70 kg");
  });
});

describe("before a bar tips", () => {
  const note = (more: object, plates = 3, hasClamp = false) =>
    shown(
      <TippingNote
        at="Rack 1"
        plates={plates}
        hasClamp={hasClamp}
        tipping={
          {
            tips: null,
            share: 0.4,
            safeUnloadOrder: [],
            maxOneSidedRemoval: { left: 2, right: 1 },
            ...more,
          } as unknown as Parameters<typeof TippingNote>[0]["tipping"]
        }
      />,
    ).text;
  it("the smaller side counts, in plates: the clamp is off before them", () => {
    expect(note({})).toContain("Rack 1: at most 1 plate off one side, then the other.");
    expect(note({ maxOneSidedRemoval: { left: 2, right: 2 } })).toContain("at most 2 plates off one side");
    expect(note({ maxOneSidedRemoval: { left: 3, right: 3 } }, 3, true)).toContain("at most 2 plates off one side");
  });
  it("nothing may come off one side alone where the first plate would tip it", () => {
    expect(note({ maxOneSidedRemoval: { left: 0, right: 0 } })).toContain("no plate off one side alone");
    expect(note({ maxOneSidedRemoval: { left: 1, right: 1 } }, 3, true)).toContain("no plate off one side alone");
  });
  it("says nothing where one side may be stripped whole, nor of an empty bar", () => {
    expect(note({ maxOneSidedRemoval: { left: 3, right: 3 } })).toBe("");
    expect(note({ maxOneSidedRemoval: { left: 4, right: 4 } }, 3, true)).toBe("");
    expect(note({}, 0)).toBe("");
  });
  it("two people are asked where no order of single plates is safe, as an alarm", () => {
    expect(note({ safeUnloadOrder: null })).toContain("Two people, both sides at once");
    expect(note({ tips: "left" })).toContain("no order of one plate at a time is safe");
  });
});

describe("a run sheet", () => {
  const set = (id: string, state: RunSet["state"], more: Partial<RunSet> = {}): RunSet => ({
    id,
    lifter: `Lifter ${id}`,
    isWork: true,
    targetUnits: massUnitsFromKg(100),
    setup: null,
    jCupHole: null,
    achievedUnits: massUnitsFromKg(100),
    perSide: ["r25"],
    state,
    ...more,
  });
  it("lists every set with its change, what was done and what was left out", () => {
    const { text } = shown(
      <RunList
        sets={[set("1", "done"), set("2", "skipped"), set("3", "open", { setup: "pads up", jCupHole: 14 })]}
        changes={[
          { off: [], on: ["r25"] },
          { off: [], on: [] },
          { off: ["c05"], on: ["r20", "c05"] },
        ]}
        words={(stack) => stack.join("+")}
      />,
    );
    expect(text).toContain("All sets: 1 done, 1 to come");
    expect(text).toMatch(/Lifter 1 100 .*r25 done/);
    expect(text).toContain("left out");
    expect(text).toContain("Lifter 3 hole 14, pads up 100 kg c05 r20+c05");
  });
  it("says nothing of the connection while all is well, and counts what waits when it is not", () => {
    const note = (waiting: number, isCutOff: boolean, refused: { label: string; message: string }[] = []) =>
      shown(
        <ConnectionNote
          waiting={Array.from({ length: waiting }, (_, i) => ({
            ...{ key: `k${i}`, url: "/", body: {}, label: "x", at: i },
            by: { id: "", name: "" },
          }))}
          isCutOff={isCutOff}
          refused={refused}
          forget={() => {}}
        />,
      ).text;
    expect(note(0, false)).toBe("");
    expect(note(2, false)).toBe("");
    expect(note(0, true)).toContain("Carry on: what you touch is saved on this device");
    expect(note(1, true)).toContain("1 touch is saved on this device");
    expect(note(5, true)).toContain("5 touches are saved on this device");
    expect(note(0, false, [{ label: "K01 done", message: "K01 is quarantined." }])).toContain(
      "Not saved: K01 done: K01 is quarantined.",
    );
  });
});
