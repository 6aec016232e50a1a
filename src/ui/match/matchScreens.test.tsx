import { describe, expect, it } from "vitest";
import { testBar } from "@/core/bars/testBar.fixture";
import { LIFTS } from "@/core/matching/lifts";
import { VERDICTS } from "@/core/matching/verdict";
import type { LifterRow } from "@/server/lifters/lifters";
import type { TodayBeside, TodayItem } from "@/server/today";
import { LiftersSheet } from "../lifters/LiftersSheet";
import { VerdictText } from "../kit/VerdictText";
import { noAction, part, shown } from "../screen.fixture";
import { TodayList } from "../today/TodayList";
import { ChalkScreen } from "../wall/ChalkScreen";
import { WallScreen } from "../wall/WallScreen";
import { CoverageSheet } from "./CoverageSheet";

/* What screens about lifts, people and the day say where errands hardly come. */

const BEST = { best: "good" as const, good: [] };

describe("coverage", () => {
  const [squat, bench] = [LIFTS["back-squat-high"], LIFTS.bench];
  const bars = [testBar({}, { tag: "T1" }), testBar({}, { tag: "T2" })];
  const sheet = (more: Partial<Parameters<typeof CoverageSheet>[0]> = {}) =>
    shown(
      <CoverageSheet
        bars={bars}
        total={bars.length}
        from={0}
        lifts={[squat, bench]}
        byLift={[
          { lift: squat.key, loadKg: 100, covered: "well", ...BEST, verdicts: ["made-for", "good"], people: 2 },
          { lift: bench.key, loadKg: 60, covered: "not", ...BEST, verdicts: ["poor", "never"], people: 0 },
        ]}
        byBar={[
          { tag: "T1", people: 2, alone: 1 },
          { tag: "T2", people: 0, alone: 0 },
        ]}
        demand={[]}
        busy={null}
        weak={[]}
        alone={{ T1: ["Ada Finch"] }}
        offered={[]}
        showsPeople
        {...more}
      />,
    );
  it("counts lifts that are covered, and names those that are not", () => {
    const { text } = sheet();
    expect(text).toContain("1 of 2 lifts are covered well");
    expect(text).toContain(`Not at all: ${bench.name}.`);
    expect(text).not.toContain("Barely");
    expect(text).toContain("T1 by Ada Finch, for whom nothing else is as good");
  });
  it("names who is behind a weak lift, what is on offer for it, and opens the reason of a cell", () => {
    const { text, html } = sheet({
      weak: [{ lift: bench.key, name: bench.name, best: "poor", people: ["Ada Finch", "Bo Reed"] }],
      offered: [{ id: "x", code: "O3", name: "Bench bar", lifts: [bench.name], verdicts: ["poor", "good"] }],
    });
    expect(text).toContain(`${bench.name}: nothing is better than poor for Ada Finch and Bo Reed.`);
    expect(text).toContain("O3 Bench bar");
    const cells = [...html.matchAll(/<td[^>]*><a href="([^"]*)"/g)].map(([, to]) => to!.replaceAll("&amp;", "&"));
    expect(cells).toHaveLength(4);
    expect(cells[1]).toBe(`/match?lift=${squat.key}&load=100#bar-T2`);
  });
  it("counts nobody for whoever may not read lifters", () => {
    const { text } = sheet({ showsPeople: false });
    expect(text).not.toContain("Leaned on");
    expect(text).not.toContain("people");
    expect(text).toContain("made for");
  });
  it("names the busy hour with those bars only that someone needs", () => {
    const busy = {
      name: "Tuesday",
      people: 9,
      byBar: [
        { tag: "T2", people: 0, alone: 0 },
        { tag: "T1", people: 4, alone: 2 },
      ],
    };
    expect(part(sheet({ busy: busy as never }), "What is covered")).toContain(
      "At the busy hour, Tuesday with 9 people: T1 is the best for 4, the only one for 2.",
    );
  });
  it("of a hall without a bar covers nothing, and says so", () => {
    const { html, text } = sheet({
      bars: [],
      byBar: [],
      byLift: [{ lift: squat.key, loadKg: 100, covered: "not", ...BEST, verdicts: [], people: 0 }],
    });
    expect(text).toContain("0 of 1 lifts are covered well");
    expect(html).not.toMatch(/NaN|undefined/);
  });
});

it("every verdict is a word with a mark of its own", () => {
  const all = VERDICTS.map((verdict) => shown(<VerdictText verdict={verdict} />));
  expect(new Set(all.map(({ text }) => text)).size).toBe(VERDICTS.length);
  expect(new Set(all.map(({ html }) => /<svg.*<\/svg>/s.exec(html)![0])).size).toBe(VERDICTS.length);
});

describe("today", () => {
  const item = (id: string, weight: TodayItem["weight"]): TodayItem => ({
    id,
    weight,
    title: `Title ${id}.`,
    because: `Because ${id}.`,
    action: { label: `Do ${id}`, href: `/${id}` },
  });
  const beside: TodayBeside = {
    running: [],
    nextClass: null,
    seesClasses: true,
    care: { count: 0, late: 0, minutes: 0, week: 0 },
    orders: [],
  };
  it("with nothing to do says so in a sentence", () => {
    expect(shown(<TodayList items={[]} beside={beside} today="2026-03-20" hallName="Test hall" />).text).toContain(
      "Today Fri 20 Mar · Test hall Nothing needs doing today. Every bar is in order and no care is due.",
    );
  });
  it("says beside it what is on, what comes next and what is late, and no classes to whoever may not see them", () => {
    const busy: TodayBeside = {
      running: [{ id: "r1", tag: "T7", where: "Rack 1", done: 3, sets: 8 }],
      nextClass: { id: "c1", name: "Juniors", heldOn: "2026-03-20", times: ["18:30"], stations: 1, isAssigned: false },
      seesClasses: true,
      care: { count: 4, late: 2, minutes: 11.2, week: 3 },
      orders: [{ id: "o1", code: "O1", name: "Test", quantity: 1, arrived: 0, expectedOn: "2026-03-18", lateDays: 2 }],
    };
    const { text, html } = shown(<TodayList items={[]} beside={busy} today="2026-03-20" hallName="Test hall" />);
    for (const words of [
      "T7Rack 13/8",
      "Juniors",
      "1 station, not assigned yet",
      "4 due, 2 late",
      "3 more",
      "2 d late",
    ])
      expect(text.replace(/\s+/g, " ").replaceAll(" ", "")).toContain(words.replaceAll(" ", ""));
    expect(html).toContain('href="/load/session/run/r1"');
    const blind = shown(
      <TodayList items={[]} beside={{ ...beside, seesClasses: false }} today="2026-03-20" hallName="Test hall" />,
    );
    expect(blind.text).not.toContain("class");
  });
  it("gives every sentence its one button and a word for how urgent it is", () => {
    const list = shown(
      <TodayList
        beside={beside}
        items={[item("a", "danger"), item("b", "now"), item("c", "soon")]}
        today="2026-03-20"
        hallName="Test hall"
      />,
    );
    expect(part(list, "What needs doing")).toBe(
      "Danger Title a. Because a. Do a Now Title b. Because b. Do b Soon Title c. Because c. Do c",
    );
  });
});

describe("lifters", () => {
  it("of a hall that has none leads to the first", () => {
    const { html, text } = shown(<LiftersSheet lifters={[]} today="2026-03-20" />);
    expect(text).toContain("No lifters yet. Add the first.");
    expect(html).toContain("/lifters/new");
  });
  it("of whom little is known have dashes, and the next competition is the next, not the first written", () => {
    const row = {
      id: "l1",
      key: "ann",
      name: "Ann Example",
      squad: null,
      experience: "regular",
      heightMm: null,
      massKg: null,
      handLengthMm: null,
      limits: null,
      meetings: [
        { on: "2026-09-01", rules: "x", name: "Autumn open" },
        { on: "2026-01-01", rules: "x", name: "Winter open" },
        { on: "2026-05-01", rules: "x", name: "Spring open" },
      ],
    } as unknown as LifterRow;
    const { html, text } = shown(<LiftersSheet lifters={[row]} today="2026-03-20" />);
    expect(text).toContain("Ann Example");
    expect(text).toContain("Spring open");
    expect(text).not.toContain("Winter open");
    expect(text).not.toContain("Autumn open");
    expect(html).not.toMatch(/NaN|undefined|null/);
  });
});

describe("the wall screen", () => {
  const lift = LIFTS["back-squat-high"];
  const screen = (answer: Parameters<typeof WallScreen>[0]["answer"]) =>
    shown(
      <WallScreen
        hallName="Test hall"
        lifts={[{ key: lift.key, name: lift.name, group: "squat" }]}
        answer={answer}
        returnAfter={45}
      />,
    );
  it("starts with the lifts, and says when no bar is for one", () => {
    expect(screen(null).text).toContain(
      `What do you want to lift? Which bar is this? Chalk left on a bar Test hall Squat ${lift.name}`,
    );
    expect(screen({ lift, take: [], leave: [] }).text).toContain("No bar here is for this lift.");
  });
  it("says what is not known rather than nothing: mass, rating and place", () => {
    const { html, text } = screen({
      lift,
      take: [
        {
          bar: testBar({}, { tag: "T1", name: "Test bar" }),
          place: null,
          ratedKg: null,
          because: "It is straight.",
          warning: "Under watch: dry.",
        },
      ],
      leave: [{ tag: "T2", name: "Bent bar", because: "Bent." }],
    });
    expect(text).toContain("ask where it hangs");
    expect(text).toContain("Under watch: dry.");
    expect(text).toContain("weighs not known");
    expect(text).toContain("carries at most not known: ask");
    expect(text).toMatch(/Not these T2 Bent bar Bent\./);
    expect(text).toContain("Clamps on, safeties set. Not sure? Ask the staff.");
    expect(html).not.toMatch(/NaN|undefined/);
  });
  it("asks for chalk place by place, and offers the day's spot checks until they are made", () => {
    const bars = [{ tag: "T1", name: "Test bar", place: null }];
    const none = shown(<ChalkScreen bars={bars} toLookAt={[]} action={noAction} />);
    expect(none.text).not.toContain("Looked at one of these?");
    expect(none.text).toContain("no place T1 Test bar");
    const check = { tag: "T1", barName: "Test bar", place: null, uses: 3, chalkSeenOn: null, isLookedAt: false };
    const some = shown(
      <ChalkScreen
        bars={bars}
        toLookAt={[check, { ...check, tag: "T2", chalkSeenOn: "2026-03-19" }]}
        action={noAction}
      />,
    );
    expect(some.html).toContain('value="clean T1"');
    expect(some.html).toContain('value="chalk T1"');
    expect(some.text).toContain("T2 chalk seen");
  });
});
