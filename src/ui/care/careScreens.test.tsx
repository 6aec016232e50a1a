import { describe, expect, it } from "vitest";
import { INSPECTION_LIMITS, type InspectionFacts } from "@/core/care/inspection";
import { NOT_LOOKED_AT } from "@/core/care/checks";
import { testBar } from "@/core/bars/testBar.fixture";
import type { LogItem } from "@/server/care/log/careLog";
import type { DueItem } from "@/server/care/due/careDue";
import type { PlannedRound } from "@/server/care/rounds/planned";
import type { CareRecords } from "@/server/care/records/records";
import type { RoundStop } from "@/server/care/rounds/round";
import type { MeterItem } from "@/server/care/planning/meters";
import type { SpotCheck } from "@/server/care/rounds/spotChecks";
import { noAction, part, shown } from "../screen.fixture";
import { AirSheet } from "./AirSheet";
import { CareSheet } from "./CareSheet";
import { Findings } from "./Findings";
import { InspectionSheet } from "./InspectionSheet";
import { MeterSheet } from "./MeterSheet";
import { PlanSheet } from "./PlanSheet";
import { RecordsSheet } from "./RecordsSheet";
import { RoundScreen } from "./RoundScreen";
import { SpotChecks } from "./SpotChecks";

/* What screens of care say where errands hardly come: empty halls, other roles, large numbers, things left out. */

const TODAY = "2026-03-20";

const dueItem = (more: Partial<DueItem> = {}): DueItem => ({
  barId: "b1",
  tag: "T1",
  barName: "Test bar",
  family: "power",
  state: "in-service",
  place: "Rack wall",
  placeOrder: 1,
  task: "shaft",
  taskName: "brush and wipe the shaft",
  steps: ["Brush.", "Wipe."],
  dueOn: "2026-03-11",
  lastDoneOn: "2026-03-01",
  overdueDays: 9,
  drivers: [],
  reason: "bare shaft in salt-humid air: every 10 days",
  minutes: 3,
  ...more,
});

describe("what is due", () => {
  const sheet = (more: Partial<Parameters<typeof CareSheet>[0]> = {}) => {
    const items = more.items ?? [];
    return shown(
      <CareSheet
        items={items}
        count={items.length}
        late={items.filter(({ overdueDays }) => overdueDays > 0).length}
        minutes={3 * items.length}
        log={[]}
        query={{ task: "", bar: "", place: "", ahead: 0, by: "p1", on: TODAY }}
        tasks={[{ key: "shaft", name: "brush and wipe the shaft" }]}
        places={["Rack wall"]}
        crew={[{ id: "p1", name: "Ada" }]}
        today={TODAY}
        mayTick
        keys={items.map((_, i) => `key-${i}`)}
        tickAction={noAction}
        undoAction={noAction}
        findings={[]}
        settleAction={noAction}
        checks={[]}
        seenAction={noAction}
        {...more}
      />,
    );
  };
  it("is nothing in a hall that has caught up, and no count is made of it", () => {
    const { text } = sheet();
    expect(text).toContain("Nothing is due today. Look further ahead.");
    expect(text).not.toMatch(/0 due|NaN|undefined/);
    expect(sheet({ query: { task: "", bar: "", place: "", ahead: 31, by: "", on: TODAY } }).text).toContain(
      "Nothing is due in that time.",
    );
  });
  it("says how late, why in a few words, and where it hangs", () => {
    const { text } = sheet({
      items: [dueItem(), dueItem({ tag: "T2", place: null, lastDoneOn: null, overdueDays: 0, dueOn: TODAY })],
    });
    expect(text).toContain("2 due, 1 of them late · about 6 min in all");
    expect(text).toMatch(/T1 .*9 days late usual interval/);
    expect(text).toMatch(/T2 .*no place .*never done/);
  });
  it("of a hall with thousands of bars shows what needs it most, and says so", () => {
    const { text } = sheet({ items: [dueItem()], count: 12_345, late: 9876, minutes: 30_000 });
    expect(text).toContain("12345 due, 9876 of them late");
    expect(text).toContain("Shown are the 1 of 12345 that need it most. Choose a task or a place to see the others.");
    expect(sheet({ items: [dueItem()] }).text).not.toContain("Shown are");
  });
  it("gives whoever may not tick neither a button nor whom it would be done by", () => {
    const may = sheet({ items: [dueItem()] });
    expect(may.html).toContain("Done: brush and wipe the shaft on T1");
    const mayNot = sheet({ items: [dueItem()], mayTick: false });
    expect(mayNot.html).not.toContain("Done: brush and wipe the shaft on T1");
    expect(mayNot.text).not.toContain("done by");
    expect(mayNot.text).toContain("9 days late");
  });
  it("of one bar leads back to every bar; of one task its steps stand above", () => {
    const { text } = sheet({
      items: [dueItem()],
      query: { task: "", bar: "T1", place: "", ahead: 31, by: "", on: TODAY },
    });
    expect(text).toContain("only T1 every bar");
    expect(
      sheet({ items: [dueItem()], query: { task: "shaft", bar: "", place: "", ahead: 0, by: "", on: TODAY } }).text,
    ).toContain("Brush. Wipe.");
  });
  it("lists what was done lately; what was taken back says so and cannot be taken back again", () => {
    const entry = (id: string, more: Partial<LogItem> = {}): LogItem => ({
      id,
      tag: "T1",
      barName: "Test bar",
      taskName: "brush and wipe the shaft",
      doneOn: "2026-03-19",
      by: "Ada",
      note: null,
      isUndone: false,
      ...more,
    });
    const { html, text } = sheet({ log: [entry("a", { note: "rust at the collar" }), entry("b", { isUndone: true })] });
    expect(text).toContain("Thu 19 Mar, Ada: rust at the collar");
    expect(text).toContain("(undone)");
    expect(html.match(/aria-label="Undo:/g)).toHaveLength(1);
  });
});

describe("spot checks and findings", () => {
  const check = (more: Partial<SpotCheck> = {}): SpotCheck => ({
    tag: "T1",
    barName: "Test bar",
    place: "Rack wall",
    uses: 0,
    chalkSeenOn: null,
    isLookedAt: false,
    ...more,
  });
  const spot = (checks: SpotCheck[]) => shown(<SpotChecks checks={checks} today={TODAY} action={noAction} />);
  it("are not there where there is nothing to look at", () => {
    expect(spot([]).html).toBe("");
    expect(shown(<Findings today={TODAY} findings={[]} maySettle action={noAction} />).html).toBe("");
  });
  it("stand open only while chalk waits for someone", () => {
    expect(spot([check({ uses: 4 })]).html).not.toMatch(/<details[^>]* open/);
    expect(spot([check({ chalkSeenOn: "2026-03-19" })]).html).toMatch(/<details[^>]* open/);
    expect(spot([check({ chalkSeenOn: "2026-03-20", isLookedAt: true })]).html).not.toMatch(/<details[^>]* open/);
  });
  it("say why a bar is on the list", () => {
    expect(spot([check({ uses: 1, chalkSeenOn: "2026-03-19" })]).text).toContain(
      "Rack wall · chalk seen Thu 19 Mar · used or planned 1 time ",
    );
    expect(spot([check({ uses: 5, place: null, chalkSeenOn: "2026-03-19" })]).text).toContain(
      "used or planned 5 times",
    );
    expect(spot([check({ isLookedAt: true, uses: 2 })]).text).toContain("all its bars were checked today");
  });
  it("a finding has its photo only where there is one, and is settled only by those who may", () => {
    const finding = {
      id: "f1",
      tag: "T1",
      barName: "Test bar",
      note: "<b>cracked</b> weld",
      zone: null,
      hasPhoto: false,
      by: "Ada",
      foundAt: new Date("2026-03-18T22:30:00Z"),
      foundOn: "2026-03-19",
      settledAt: null,
      settledNote: null,
    };
    const { html, text } = shown(<Findings today={TODAY} findings={[finding]} maySettle={false} action={noAction} />);
    expect(text).toContain("<b>cracked</b> weld");
    expect(html).not.toContain("<b>");
    expect(html).not.toContain("/photo");
    expect(text).not.toContain("Resolve");
    const may = shown(
      <Findings today={TODAY} findings={[{ ...finding, hasPhoto: true }]} maySettle action={noAction} />,
    );
    expect(may.html).toContain("/care/findings/f1/photo");
    expect(may.text).toContain("Resolve T1");
  });
});

describe("a round", () => {
  const stop = (tag: string, more: Partial<RoundStop["tasks"][number]> = {}): RoundStop => ({
    tag,
    barName: "Test bar",
    place: null,
    state: "in-service",
    tasks: [
      {
        key: "sleeves",
        name: "oil the sleeves",
        steps: ["Oil."],
        cautions: [],
        reason: "monthly",
        overdueDays: 0,
        skipped: null,
        answers: [],
        ...more,
      },
    ],
    minutes: 0.75,
  });
  const screen = (stops: RoundStop[], task = "", mayTick = true, materials: string[] = []) =>
    shown(
      <RoundScreen
        round={{ beyond: 0, day: TODAY, stops, minutes: 0.75 * stops.length, materials }}
        tasks={[{ key: "sleeves", name: "oil the sleeves" }]}
        task={task}
        ahead={0}
        mayTick={mayTick}
      />,
    );
  it("of forty bars' sleeves takes half an hour, both sides (handbook §11: three quarters of a minute a bar)", () => {
    const { text } = screen(
      Array.from({ length: 40 }, (_, i) => stop(`K${String(i + 1).padStart(2, "0")}`)),
      "sleeves",
    );
    expect(text).toContain("40 bars to go, about 30 min; 0 done.");
    expect(text).toContain("first side, 1 of 40");
    expect(text).toContain("This side is done");
    expect(text).toContain("then K02, K03, K04, K05, K06, K07 …");
  });
  it("of everything goes bar by bar, and says where sleeves are quicker by themselves", () => {
    const { html, text } = screen([stop("T1"), stop("T2"), stop("T3")]);
    expect(text).not.toContain("first side");
    expect(text).toContain("3 of them want their sleeves oiled: quicker as a separate round");
    expect(html).toContain("task=sleeves");
    expect(screen([stop("T1"), stop("T2")]).text).not.toContain("quicker");
  });
  it("says what to take along, and a task's cautions beside its steps", () => {
    const { text } = screen([stop("T1", { cautions: ["No wire brush."] })], "", true, ["light oil", "a cloth"]);
    expect(text).toContain("Bring: light oil, a cloth.");
    expect(text).toMatch(/Oil\. No wire brush\. monthly/);
    expect(screen([], "", true, []).text).not.toContain("Bring:");
  });
  it("ticks each task of a bar by itself where it has several, all ticked to begin with", () => {
    const both = stop("T1");
    both.tasks.push({ ...both.tasks[0]!, key: "shaft", name: "brush and wipe the shaft" });
    const { html } = screen([both]);
    expect(html.match(/type="checkbox"[^>]*checked=""/g)).toHaveLength(2);
    expect(screen([stop("T1")]).html).not.toContain("checkbox");
  });
  it("passes over what was skipped today, and ends where nothing is left", () => {
    expect(screen([stop("T1", { skipped: "in use" }), stop("T2", { overdueDays: 3 })]).text).toMatch(
      /1 bar to go.* T2 Test bar oil the sleeves 3 days late/,
    );
    expect(screen([]).text).toContain("Nothing is due.");
    expect(screen([stop("T1", { skipped: "no time" })]).text).toContain("That is all: 0 done, 1 left.");
  });
  it("is not for those who may not, and always warns of what is dangerous", () => {
    expect(screen([stop("T1")], "", false).text).toContain("Your role may not tick off care.");
    expect(screen([stop("T1")], "", false).text).not.toContain("Not now");
    expect(screen([stop("T1")]).text).toContain("Never open a sleeve on a round: ask its maker. A crack,");
  });
});

describe("the plan of rounds", () => {
  const days = Array.from({ length: 28 }, (_, i) => new Date(Date.UTC(2026, 2, 20 + i)).toISOString().slice(0, 10));
  const round = (more: Partial<PlannedRound> = {}): PlannedRound => ({
    id: "r1",
    version: 1,
    day: "2026-03-20",
    from: "09:00",
    person: "Ada",
    personId: "p1",
    minutes: 12.4,
    tasks: [{ key: "shaft", name: "brush", isOfStations: false, at: [{ name: "T1", late: 9 }] }],
    outOfUse: [],
    lateness: 9,
    dues: ["2026-03-11"],
    ...more,
  });
  const sheet = (more: Partial<Parameters<typeof PlanSheet>[0]> = {}) =>
    shown(
      <PlanSheet
        rounds={[]}
        days={days}
        crew={[{ id: "p1", name: "Ada", text: "Mon 09:00-10:00" }]}
        links={[]}
        publicUrl="http://hall.test"
        mayPlan
        outbox={[]}
        actions={{ plan: noAction, move: noAction, hours: noAction, link: noAction, revoke: noAction, read: noAction }}
        {...more}
      />,
    );
  it("says that there is none, and offers to make one to those who may", () => {
    expect(part(sheet(), "In short")).toContain("No rounds are planned. Plan four weeks");
    const mayNot = sheet({ mayPlan: false });
    expect(part(mayNot, "In short")).toBe("No rounds are planned.");
    expect(mayNot.text).not.toContain("When someone is in");
    expect(mayNot.text).not.toContain("secret address");
  });
  it("does not count against the plan what was late before it was made", () => {
    expect(part(sheet({ rounds: [round()] }), "In short")).toContain(
      "1 round, about 13 min in all, nothing later than it is already.",
    );
    expect(part(sheet({ rounds: [round({ dues: ["2026-03-25"], lateness: 0 })] }), "In short")).toContain(
      "nothing later than its day",
    );
    expect(part(sheet({ rounds: [round({ day: "2026-03-23", lateness: 12 })] }), "In short")).toContain(
      "3 days later in all than it is already",
    );
  });
  it("shows who is reminded and what is unread, and every address that can be taken back", () => {
    const { text } = sheet({
      links: [{ id: "l1", person: null, since: "2026-03-01" }],
      outbox: [
        {
          id: "m1",
          to: "Ada",
          subject: "Care today at 09:00",
          body: "brush: T1",
          at: "2026-03-20 00:01",
          isRead: false,
        },
      ],
    });
    expect(text).toContain("Care today at 09:00");
    expect(text).toMatch(/everybody.*Sun 1 Mar/);
  });
});

describe("meters", () => {
  const item = (more: Partial<MeterItem> = {}): MeterItem => ({
    barId: "b1",
    tag: "T1",
    barName: "Test bar",
    finish: "bare",
    isUseSet: false,
    isFinishSet: false,
    chalkSeenOn: null,
    version: 0,
    tasks: [
      {
        task: "shaft",
        taskName: "brush and wipe the shaft",
        need: {
          need: 1.234,
          perDay: 0.1,
          factors: [],
          drivers: [],
          intervalDays: 10,
          dueOn: "2026-03-18",
          reason: "air × 2",
        },
        forecast: [1.2, 1.9, 2.6],
      },
    ],
    ...more,
  });
  const sheet = (rule: "calendar" | "meter" | "condition", items = [item()], may = true) =>
    shown(
      <MeterSheet
        total={1}
        from={0}
        items={items}
        rules={{ rule, limits: INSPECTION_LIMITS, hourMinor: null, quiet: [], version: 1 }}
        today={TODAY}
        mayRule={may}
        mayEdit={may}
        rulesAction={noAction}
        factorsAction={noAction}
      />,
    );
  it("show need in percent, when it is due and why, and what it will be", () => {
    const meter = sheet("meter");
    expect(part(meter, "Need of every bar")).toMatch(/T1 Test bar brush and wipe the shaft 123 % 2 days late; air × 2/);
    expect(meter.html).toContain("brush and wipe the shaft: 260 % in 14 days if nothing is done");
  });
  it("say when they decide nothing", () => {
    expect(sheet("meter").text).toContain("Due days follow these meters.");
    expect(sheet("calendar").text).toContain("The gym goes by the calendar: the meters are shown and decide nothing.");
    expect(sheet("condition").text).toContain("The gym goes on condition only");
  });
  it("are read only by whoever may not set them; chalk is said", () => {
    expect(sheet("meter", [item()], false).text).not.toContain("Factors");
    expect(sheet("meter", [item({ chalkSeenOn: "2026-03-19" })]).text).toMatch(/chalk left on, Thu 19 Mar/);
    expect(sheet("meter", []).text).not.toMatch(/NaN|undefined/);
  });
});

describe("an inspection", () => {
  const facts = (more: Partial<InspectionFacts>): InspectionFacts => ({ ...NOT_LOOKED_AT, ...more });
  const sheet = (more: Partial<Parameters<typeof InspectionSheet>[0]> = {}) =>
    shown(
      <InspectionSheet
        bar={testBar({}, { tag: "T1", name: "Test bar" })}
        parts={["end caps"]}
        limits={INSPECTION_LIMITS}
        past={[]}
        condition={{ care: [], looks: [], spans: [] }}
        today={TODAY}
        truth={{ tirMm: 0.4, spinS: 8, endPlayMm: 0.4 }}
        mayInspect
        mayOverride
        idempotencyKey="key-for-a-test"
        action={noAction}
        {...more}
      />,
    );
  it("of a bar never inspected says where trends begin, and does not call it good before anybody looked", () => {
    const { text } = sheet();
    expect(text).toContain("First inspection of this bar: trends start here.");
    expect(text).toContain("Nothing checked yet.");
    expect(text).not.toContain("The rule: in service.");
  });
  it("gives the deciding words only to those who may decide milder", () => {
    expect(sheet().html).toContain(">retire it<");
    expect(sheet({ mayOverride: false }).html).not.toContain(">retire it<");
  });
  it("lists those before, with what was decided against the rule", () => {
    const past = [
      {
        id: "i1",
        on: "2026-02-01",
        by: "Ada",
        tirMm: 3.4,
        suggested: "quarantine",
        decided: "watch",
        reason: "turned again, 1.2 mm",
        facts: facts({}),
      },
    ];
    expect(part(sheet({ past }), "Inspected before")).toContain(
      "Sun 1 Feb 2026 Ada: watch (the rule said quarantine), runout 3.40 mm: turned again, 1.2 mm",
    );
  });
  it("warns beside the decision", () => {
    expect(sheet().text).toContain("Only the manager takes one out of quarantine.");
    expect(sheet().text).toContain("how much a weld or a bent bar can still carry is for a specialist to judge");
  });
});

describe("records", () => {
  const records = (more: Partial<CareRecords> = {}): CareRecords => ({
    year: 2026,
    months: Array.from({ length: 12 }, (_, i) => ({
      month: `2026-${String(i + 1).padStart(2, "0")}`,
      jobs: 0,
      minutes: 0,
    })),
    bars: [],
    jobs: 0,
    minutes: 0,
    hourMinor: null,
    currency: "EUR",
    ...more,
  });
  const sheet = (more: Partial<CareRecords> = {}, rest: Partial<Parameters<typeof RecordsSheet>[0]> = {}) =>
    shown(<RecordsSheet records={records(more)} years={[2026, 2025]} rust={null} shown={null} {...rest} />);
  const bar = {
    tag: "T1",
    name: "Test bar",
    state: "in-service",
    jobs: 2,
    minutes: 90,
    tasks: [{ name: "brush", times: 2 }],
    firstTirMm: 0.4,
    lastTirMm: 1.2,
    lastRust: "specks",
    findings: 0,
  };
  it("of a year without any are noughts, not mistakes", () => {
    const { html, text } = sheet();
    expect(text).toContain("0 jobs in 0.0 hours.");
    expect(html).not.toMatch(/NaN|Infinity/);
  });
  it("count money only where an hour has a price", () => {
    expect(sheet({ bars: [bar], jobs: 2, minutes: 90 }).text).toContain("To see costs");
    const paid = sheet({ bars: [bar], jobs: 2, minutes: 90, hourMinor: 2400 });
    expect(paid.text).toContain("2 jobs in 1.5 hours, worth 36 EUR.");
    expect(paid.text).toMatch(/T1 Test bar brush 2× 90 36 EUR 0\.4 to 1\.2 specks/);
  });
  it("mark a bar that bends more, and one that was never turned", () => {
    expect(part(sheet({ bars: [bar] }), "Bar by bar")).toContain("0.4 to 1.2");
    const still = sheet({ bars: [{ ...bar, firstTirMm: 0.4, lastTirMm: 0.4, lastRust: null, tasks: [], jobs: 0 }] });
    expect(part(still, "Bar by bar")).toMatch(/nothing recorded 90 0\.4 – – over time T1/);
    expect(part(sheet({ bars: [{ ...bar, firstTirMm: null, lastTirMm: null }] }), "Bar by bar")).toContain("– specks");
  });
  it("of a long wall list the bars that took most", () => {
    const wall = Array.from({ length: 1000 }, (_, i) => ({ ...bar, tag: `L${i}`, minutes: i }));
    const { text } = sheet({ bars: wall });
    expect(text).toContain("Shown are the 300 of 1000 bars that took most.");
    expect(text).toContain("L999 Test bar");
    expect(text).not.toContain("L699 Test bar");
  });
  it("set rust against care in one sentence that claims no more than it knows", () => {
    const rust = {
      often: { spans: 4, done: 1.1, stepsPer100Days: 0.02 },
      seldom: { spans: 5, done: 0.4, stepsPer100Days: 0.75 },
    };
    expect(part(sheet({}, { rust }), "Bar by bar")).toContain(
      "Where 110 % of the due brushing was done, rust did not change in 100 days; where 40 % was done, it rose by 0.8 grades (from 4 and 5 pairs of looks at a bar). This is what happened, not why.",
    );
  });
});

it("the air of a place without readings says what to do, and nothing is drawn from nothing", () => {
  const { html, text } = shown(
    <AirSheet
      sensors={[{ key: "hall", name: "Hall" }]}
      sensor={{
        hallId: "h",
        id: "s",
        key: "hall",
        name: "Hall",
        kind: "entered",
        seed: null,
        so2: 5,
        chloride: 5,
        lagHours: 1,
        version: 1,
      }}
      months={[]}
      days={[]}
      depositionOf={{}}
      now={null}
      steel={[]}
      timeZone="UTC"
      extent={{ readings: 0, uploaded: 0, since: null }}
      today={TODAY}
      mayEdit
      importAction={noAction}
      sensorAction={noAction}
    />,
  );
  expect(html).not.toMatch(/NaN|Infinity|undefined/);
  expect(text).toContain("Readings from a file");
});
