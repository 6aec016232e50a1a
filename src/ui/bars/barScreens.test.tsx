import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { BAR_STATES } from "@/core/bars/bar";
import { FAMILY_KEYS } from "@/core/bars/families";
import { measured, MENS_BAR, stated, testBar } from "@/core/bars/testBar.fixture";
import { STARTING_TOLERANCES } from "@/core/bars/tolerances";
import { NEVER } from "@/core/care/needMeter";
import type { BarDetails } from "@/server/bars/barPage";
import type { LogItem } from "@/server/care/log/careLog";
import type { DueItem } from "@/server/care/due/careDue";
import { QuantityText } from "../kit/QuantityText";
import { StateText } from "../kit/StateText";
import { shown } from "../screen.fixture";
import { CareOfBar, Facts } from "./BarFacts";
import { BarNumbers } from "./BarNumbers";
import { BarWarnings, warningsOf } from "./BarWarnings";
import { historyWords } from "./historyWords";
import { PicksProvider } from "./PickBox";
import { WallRow } from "./WallRow";

/* What screens of bars say of bars that errands do not have: nothing known, every family and state, texts that look like code. */

const TODAY = "2026-03-20";
const TOLERANCES = { ...STARTING_TOLERANCES, mass: 0.1, shaftDiameter: 0.15 };

describe("a quantity", () => {
  const quantity = (value: Parameters<typeof QuantityText>[0]["quantity"], more = {}) =>
    shown(<QuantityText quantity={value} decimals={1} unit="" {...more} />);
  it("is upright when measured, leaning when stated, a dash when unknown", () => {
    expect(quantity(measured(20.04)).html).not.toContain("stated");
    expect(quantity(stated(20)).html).toContain('class="stated"');
    expect(quantity(null).text).toBe("–");
    expect(quantity(undefined).text).toBe("–");
  });
  it("lines up in a column, and drops noughts in a sentence", () => {
    expect(quantity(stated(20), { isAligned: true }).text).toBe("20.0");
    expect(quantity(stated(20)).text).toBe("20");
    expect(quantity(stated(20.25), { unit: "kg" }).text).toBe("20.3 kg");
  });
});

it("every state is a word and not only a colour; a reason is said where it matters", () => {
  const words = BAR_STATES.map((state) => shown(<StateText state={state} reason="bent" />).text);
  expect(new Set(words).size).toBe(BAR_STATES.length);
  expect(shown(<StateText state="quarantined" reason="bent, 3.4 mm" />).text).toBe("quarantined: bent, 3.4 mm");
  expect(shown(<StateText state="in-service" reason="was bent" />).text).toBe("in service");
});

describe("a row of the wall", () => {
  const row = (more: Partial<Parameters<typeof WallRow>[0]["item"]> = {}) =>
    shown(
      <PicksProvider picked={[]} address="/bars">
        <table>
          <tbody>
            <tr>
              <WallRow
                item={{
                  bar: testBar({}, { tag: "T1", name: "Test bar" }),
                  place: null,
                  due: null,
                  findings: [],
                  ...more,
                }}
                today={TODAY}
                extra="mass"
              />
            </tr>
          </tbody>
        </table>
      </PicksProvider>,
    );
  it.each(FAMILY_KEYS)("of a %s of which nothing is known has its drawing and no number made up", (family) => {
    const { html, text } = row({ bar: testBar({}, { tag: "T1", name: "Test bar", family }) });
    expect(html).toContain("<svg");
    expect(html).not.toMatch(/NaN|undefined|Infinity/);
    expect(text).toContain("T1 Test bar");
    expect(text.match(/–/g)!.length).toBeGreaterThanOrEqual(3);
  });
  it("says what is due, but not of a bar that nobody may use", () => {
    const due = { taskName: "oil the sleeves", dueOn: "2026-03-18" };
    expect(row({ due }).text).toContain("oil the sleeves: 2 days late");
    const out = row({ due, bar: testBar({}, { tag: "T1", state: "quarantined", stateReason: "cracked" }) });
    expect(out.text).toContain("quarantined: cracked");
    expect(out.text).not.toContain("oil the sleeves");
  });
  it("writes a name as it is, however it looks", () => {
    const { html } = row({ bar: testBar({}, { tag: "A/B", name: '<img src="x"> & "co"' }) });
    expect(html).not.toContain("<img");
    expect(html).toContain("/bars/A%2FB");
  });
});

describe("what is flagged", () => {
  it("is nothing of a bar that is as stated, and there is no box for it", () => {
    const bar = testBar({ ...MENS_BAR, mass: measured(20.02, 20) });
    expect(warningsOf(bar, TOLERANCES)).toEqual([]);
    expect(shown(<BarWarnings bar={bar} tolerances={TOLERANCES} />).html).toBe("");
  });
  it("is a gap over the gym’s tolerance, with what it changes", () => {
    const heavy = testBar({ ...MENS_BAR, mass: measured(20.4, 20) });
    expect(warningsOf(heavy, TOLERANCES).join()).toMatch(/mass.*0\.4/i);
    expect(warningsOf(heavy, { ...TOLERANCES, mass: 0.5 })).toEqual([]);
  });
  it("is the state of a bar that is not in service, also where nothing else is", () => {
    const bar = testBar(MENS_BAR, { state: "watch", stateReason: "turned again in May" });
    expect(shown(<BarWarnings bar={bar} tolerances={TOLERANCES} />).text).toBe("under watch: turned again in May");
  });
  it("is a length that does not add up, naming the culprit and why", () => {
    const bar = testBar({ ...MENS_BAR, sleeveLength: stated(480) });
    expect(warningsOf(bar, TOLERANCES).join(" ")).toMatch(
      /add up to 130 mm more than the overall length; most likely the/,
    );
  });
});

describe("facts and numbers of a bar", () => {
  const details = (more: Partial<BarDetails> = {}) =>
    ({
      bar: testBar({}, { tag: "T1", name: "Test bar" }),
      texts: {},
      currency: "EUR",
      measurements: [],
      history: [],
      ...more,
    }) as unknown as BarDetails;
  it("an unknown rating is said, not left out; the caution stands beside", () => {
    const { text } = shown(<Facts details={details()} />);
    expect(text).toContain("may carry unknown: ask the seller");
    expect(text).toContain("Never over the rating or the seller’s limit.");
  });
  it("a rating is for the whole bar; a choice reads as words, money with its currency, a list line by line", () => {
    const { text } = shown(
      <Facts
        details={details({
          bar: testBar({}, { ratingKg: 450, ratingBasis: "total" } as never),
          texts: { finish: "hard-chrome", price: "420.00", parts: "pin | cap" },
        })}
      />,
    );
    expect(text).toContain("hard chrome");
    expect(text).toContain("420.00 EUR");
  });
  it("names what is not known, so that someone measures it", () => {
    const { html, text } = shown(<BarNumbers details={details()} tolerances={TOLERANCES} today={TODAY} />);
    expect(html).not.toMatch(/NaN|undefined/);
    expect(text).toContain("Not stated or measured: mass, shaft diameter, shaft length,");
  });
  it("stands a measured value over the stated one with the gap", () => {
    const bar = testBar({ ...MENS_BAR, mass: measured(20.4, 20) });
    const { text } = shown(
      <BarNumbers
        details={details({ bar, texts: { "stated.mass": "20 kg" } })}
        tolerances={TOLERANCES}
        today={TODAY}
      />,
    );
    expect(text).toMatch(/mass 20\.40? kg 20 kg \+0\.40?/);
  });
});

describe("care of one bar", () => {
  const item = (more: Partial<DueItem>): DueItem =>
    ({ task: "shaft", taskName: "brush", overdueDays: 0, dueOn: TODAY, ...more }) as DueItem;
  const care = (items: DueItem[], log: LogItem[] = []) =>
    shown(<CareOfBar care={items} log={log} today={TODAY} tag="T1" />);
  it("is nothing yet for a bar nobody planned care for", () => {
    expect(care([]).text).toContain("Nothing is planned for this bar yet.");
  });
  it("is when asked for where the house goes by condition only, not in a million days", () => {
    const { text } = care([item({ dueOn: NEVER }), item({ task: "b", taskName: "oil", dueOn: "2026-03-21" })]);
    expect(text).toContain("brush when asked for");
    expect(text).toContain("oil in 1 day");
    expect(text).not.toMatch(/\d{5}/);
  });
  it("strikes out what was taken back", () => {
    const entry = { id: "a", tag: "T1", barName: "", taskName: "brush", doneOn: "2026-03-19", by: "Ada", note: null };
    const { html } = care([], [{ ...entry, isUndone: true }]);
    expect(html).toContain("line-through");
    expect(care([], [{ ...entry, isUndone: false }]).html).not.toContain("line-through");
  });
});

describe("history in words", () => {
  it("is a line for every field that changed, and what was not known is said", () => {
    expect(historyWords({ name: "Old", finish: "" }, { name: "New", finish: "ceramic" })).toEqual([
      expect.stringMatching(/name: “Old” → “New”$/),
      expect.stringMatching(/finish: not known → “ceramic”$/),
    ]);
  });
  it("is one line for a state or a measurement, and nothing for a first entry", () => {
    expect(historyWords({ state: "in-service" }, { state: "quarantined", stateReason: "bent" })).toEqual([
      "in service → quarantined (bent)",
    ]);
    expect(historyWords({ value: 20 }, { value: 20.125 })).toEqual(["20 → 20.13"]);
    expect(historyWords({ value: 20 }, null)).toEqual(["20, no longer counted"]);
    expect(historyWords(null, { tag: "K01", name: "New" })).toEqual([]);
    expect(historyWords(null, null)).toEqual([]);
  });
  it("never fails on what older versions of the program wrote", () =>
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (before, after) => {
        for (const line of historyWords(before, after)) expect(line).not.toContain("undefined");
      }),
    ));
  it("says what a stored row holds, whatever it is: also an object whose toString is none", () => {
    expect(historyWords({ "": { toString: 0 } }, { "": { toString: 1 } })).toEqual([
      expect.stringContaining('“{"toString":0}” → “{"toString":1}”'),
    ]);
    expect(historyWords({ note: ["a"] }, { note: null })).toEqual([expect.stringMatching(/“\["a"\]” → not known$/)]);
    expect(historyWords({ state: "watch", stateReason: { toString: 0 } }, null)).toEqual([
      'watch ({"toString":0}), no longer counted',
    ]);
  });
});
