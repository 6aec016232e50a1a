import { describe, expect, it } from "vitest";
import { testBar } from "@/core/bars/testBar.fixture";
import type { PlacedEntry, PlannedClass } from "@/core/classes/planClass";
import type { ClassDetails, ClassItem } from "@/server/classes/classes";
import type { ListedPlace, ListedStored, Storage } from "@/server/setups/storage";
import { noAction, part, shown } from "../screen.fixture";
import { StorageSheet } from "../setups/StorageSheet";
import { PrintedSheet } from "./PrintedSheet";
import { TonightSheet } from "./TonightSheet";

/* What the coach sees of a class and what everybody does; where bars hang. */

const item = (id: string, more: Partial<ClassItem> = {}): ClassItem => ({
  id,
  lifter: id,
  lifterName: `Lifter ${id}`,
  lift: "bench",
  liftName: "bench press",
  load: "80 kg",
  loadKg: 80,
  purpose: "general",
  lockedBlock: null,
  lockedStation: null,
  lockedTag: null,
  ...more,
});
const placed = (id: string, more: Partial<PlacedEntry> = {}): PlacedEntry => ({
  id,
  block: 0,
  station: "r1",
  tag: "T1",
  verdict: "good",
  best: "made-for",
  tradeOff: "",
  ...more,
});
const details = (items: ClassItem[], plan: Partial<PlannedClass> | null, more: Partial<ClassDetails> = {}) =>
  ({
    row: { id: "c1", name: "Evening", heldOn: "2026-03-20", blockMinutes: 20, blocks: 2, capacities: { r1: 2 } },
    items,
    plan: plan && { entries: [], isProven: true, fit: 0.914, ...plan },
    reasons: new Map(),
    settings: new Map(),
    breaks: new Map(),
    warnings: [],
    bars: [testBar({}, { tag: "T1", name: "Test bar" })],
    ...more,
  }) as unknown as ClassDetails;
const TIMES = ["18:30", "18:50"];
const STATIONS = [{ key: "r1", name: "Rack 1" }];

describe("a class as the coach sees it", () => {
  const sheet = (of: ClassDetails, lifters = [{ key: "ann", name: "Ann" }]) =>
    shown(
      <TonightSheet
        details={of}
        times={TIMES}
        stations={STATIONS}
        lifters={lifters}
        lifts={[{ key: "bench", name: "bench press" }]}
        usual={{}}
        plates={new Map([["a", ["r20"]]])}
        faces={{ r20: { label: "20 kg", mark: "20 kg", colour: "blue", thicknessMm: 30, diameterMm: 450 } }}
        actions={{
          add: noAction,
          lock: noAction,
          assign: noAction,
          reassign: noAction,
          move: noAction,
          brush: noAction,
        }}
      />,
    );
  it("says what is missing first: lifters, entries, an assignment", () => {
    expect(part(sheet(details([], null)), "The plan")).toContain("Nobody is in this class yet");
    expect(part(sheet(details([item("a")], null)), "The plan")).toContain("1 lift to assign.");
    expect(part(sheet(details([], null), []), "Who wants what")).toContain("No lifters yet. Add the first.");
  });
  it("names whoever has no place and why, and claims proof only where there is one", () => {
    const plan = {
      entries: [
        placed("a"),
        placed("b", { block: null, station: null, tag: null, verdict: null, tradeOff: "Every rack is full." }),
      ],
      isProven: false,
    };
    const text = part(sheet(details([item("a"), item("b")], plan)), "The plan");
    expect(text).toContain("1 of 2 are placed, with 91 % of the fit");
    expect(text).toContain("It could not be proven that nothing better can be done.");
    expect(text).toContain("Lifter b, bench press is unassigned. Every rack is full.");
    const all = part(sheet(details([item("a")], { entries: [placed("a")] })), "The plan");
    expect(all).toContain("All 1 are placed");
    expect(all).toContain("it is proven");
  });
  it("says what was given up, how the rack is set and why the bar, for the coach", () => {
    const reasons = new Map([
      [
        "a",
        [
          {
            factor: "family",
            text: "A power bar is good for the bench press.",
            atBest: "good",
            basis: "common-practice",
          },
        ],
      ],
    ]);
    const settings = new Map([["a", "J-cups in hole 14"]]);
    const of = details(
      [item("a")],
      { entries: [placed("a", { tradeOff: "T2 would fit better; another needs it." })] },
      { reasons: reasons as never, settings },
    );
    const { text, html } = sheet(of);
    expect(part({ text, html }, "Board")).toContain("80 kg");
    expect(html).toContain('aria-label="Lifter a, bench press"');
    expect(html).toContain('aria-label="Rack 1 at 18:30"');
    expect(html).toContain('aria-label="20 kg"');
    expect(part({ text, html }, "Board")).toContain("J-cups 14");
    // The hour without anybody says so.
    expect(part({ text, html }, "Board")).toMatch(/free$/);
  });
});

describe("the sheet that hangs on the wall", () => {
  const paper = (of: ClassDetails) => shown(<PrintedSheet details={of} times={TIMES} stations={STATIONS} use={[]} />);
  it("has names, bars and stations, and nothing that is anybody's own", () => {
    const plan = { entries: [placed("a", { tradeOff: "Sore shoulder: another bar." })] };
    const { text } = paper(details([item("a", { purpose: "learning" as never })], plan));
    expect(text).toContain("Station 18:30 18:50 Rack 1 T1 Test bar Lifter a bench press");
    for (const secret of ["80 kg", "Sore shoulder", "learning", "good"]) expect(text).not.toContain(secret);
    expect(text).toContain("Clamps on, safeties set, a spotter for heavy racked lifts.");
  });
  it("is not there before anything is assigned", () => {
    expect(paper(details([item("a")], null)).text).toBe("Nothing is assigned yet.");
  });
});

describe("where bars hang", () => {
  const place = (name: string, more: Partial<ListedPlace> = {}): ListedPlace => ({
    id: name,
    name,
    version: 1,
    texts: {},
    at: null,
    order: 1,
    kind: "wall-horizontal",
    slots: null,
    lengthMm: null,
    heightMm: null,
    reachMm: null,
    isByWalkway: null,
    jCupPairs: null,
    ...more,
  });
  const stored = (tag: string, more: Partial<ListedStored> = {}): ListedStored => ({
    tag,
    name: "Test bar",
    family: "power",
    place: "Wall",
    slot: null,
    overallMm: null,
    hangsWay: null,
    handlesPoint: null,
    sticksOutMm: null,
    swingMm: null,
    storedSetting: null,
    presentSetting: null,
    missingParts: [],
    looseParts: [],
    lastPutAway: null,
    ...more,
  });
  const sheet = (storage: Partial<Storage>, may = true) =>
    shown(
      <StorageSheet
        storage={{ places: [place("Wall", { slots: 6 })], stations: [], bars: [], conflicts: [], ...storage }}
        mayHang={may}
        mayPlan={may}
        hangAction={noAction}
        hangFormAction={noAction}
        moveAction={noAction}
        saveAction={noAction}
        putAwayAction={noAction}
      />,
    );
  it("of a hall where all is well says so, and an empty place is empty", () => {
    const { html, text } = sheet({});
    expect(text).toContain("Nothing is wrong with how the bars hang.");
    expect(text).toContain("Wall 0 of 6 empty");
    expect(html).not.toMatch(/NaN|undefined/);
  });
  it("marks danger with the word, and the bars it is about with more than a colour", () => {
    const { html, text } = sheet({
      bars: [stored("K17", { slot: 3 }), stored("K18")],
      conflicts: [
        { key: "walkway", isDangerous: true, place: "Wall", tags: ["K17"], text: "K17 sticks out at head height." },
        { key: "setting", isDangerous: false, place: "Wall", tags: ["K18"], text: "K18 hangs with its arms out." },
      ],
    });
    expect(text).toContain("danger K17 sticks out at head height.");
    expect(text).toContain("fix K18 hangs with its arms out.");
    expect(html).toContain('aria-label="K17 Test bar, peg 3, something is wrong"');
    expect(part({ html, text }, "Floor sketch")).toContain("! K17 3");
  });
  it("is only read by whoever may not hang bars", () => {
    const { html, text } = sheet({ bars: [stored("K17")] }, false);
    expect(html).toContain('href="/bars/K17"');
    for (const words of ["Hang a bar elsewhere", "Add place"]) expect(text).not.toContain(words);
  });
  it("asks only for bars with loose parts to be counted", () => {
    const text = part(
      sheet({ bars: [stored("K17", { looseParts: [{ name: "pin", count: 4 }] }), stored("K18")] }),
      "Put away",
    );
    expect(text).toContain("K17");
    expect(text).not.toContain("K18");
  });
});
