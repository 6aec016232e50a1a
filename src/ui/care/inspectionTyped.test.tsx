// @vitest-environment jsdom
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { testBar } from "@/core/bars/testBar.fixture";
import { INSPECTION_LIMITS } from "@/core/care/inspection";
import { readInspection } from "@/core/care/readInspection";
import type { Units } from "@/core/units/shown";
import "../dom.fixture";
import { CheckProvider } from "../kit/formCheck";
import type { FormState } from "../kit/formState";
import { sentText, ShownProvider } from "../kit/ShownProvider";
import { InspectionSheet } from "./InspectionSheet";

/* A bar inspected on the bench: figures as they are read off the gauge, in either unit, and what they come to meanwhile. */

const METRIC: Units = { mass: "kg", length: "mm" };
const INCHES: Units = { mass: "lb", length: "in" };

function setUp(units: Units, answer?: FormState) {
  const sent: Record<string, string>[] = [];
  const action = async (_: FormState, data: FormData): Promise<FormState> => {
    sent.push(Object.fromEntries([...data.entries()].map(([key, value]) => [key, String(value)])));
    return answer ?? { status: "done", message: "Saved.", problems: [], typed: {} };
  };
  const check = async (_: string, texts: Record<string, string>) => {
    const read = readInspection({ get: (name) => texts[name] ?? null });
    return read.ok ? [] : read.problems;
  };
  render(
    <ShownProvider units={units} today="2026-11-28" locale="en-GB">
      <CheckProvider check={check}>
        <InspectionSheet
          bar={testBar({}, { tag: "T1", name: "Test bar" })}
          parts={["end caps"]}
          limits={INSPECTION_LIMITS}
          past={[]}
          condition={{ care: [], looks: [], spans: [] }}
          today="2026-11-28"
          truth={{ tirMm: 0.4, spinS: 8, endPlayMm: 0.4 }}
          mayInspect
          mayOverride={false}
          idempotencyKey="key-for-a-test"
          action={action}
        />
      </CheckProvider>
    </ShownProvider>,
  );
  return { user: userEvent.setup(), sent };
}
const figure = (name: RegExp | string) => screen.getByLabelText<HTMLInputElement>(name);
const rule = () => screen.getByRole("region", { name: "The rule" });
const save = () => screen.getByRole("button", { name: "Save" });

describe("an inspection as it is typed", () => {
  it("judges inches as inches, at once, and sends them with their unit", async () => {
    const { user, sent } = setUp(INCHES);
    // Limits are 3 mm of end play to watch: an eighth of an inch is 3.2 mm.
    await user.type(figure(/^end play/), "1/8");
    await waitFor(() => expect(rule().textContent).toContain("under watch"));
    expect(sentText(figure(/^end play/), INCHES)).toBe("1/8 in");
    await user.click(save());
    await waitFor(() => expect(sent).toHaveLength(1));
  });
  it("in millimetres the same figure is nothing", async () => {
    const { user } = setUp(METRIC);
    await user.type(figure(/^end play/), "1/8");
    await waitFor(() => expect(rule().textContent).toContain("in service"));
  });
  it("says how many angles of a turn are still to be read, without calling it wrong", async () => {
    const { user, sent } = setUp(METRIC);
    await user.type(figure("dial at 0°"), "0.2");
    await user.type(figure("dial at 45°"), "0.4");
    await screen.findByText(/2 of 8 angles/);
    expect(figure("dial at 0°").getAttribute("aria-invalid")).toBe("false");
    expect(rule().textContent).toContain("something cannot be read");
    expect(sent).toEqual([]);
  });
  it("says at the field what is no figure, before anything is sent", async () => {
    const { user, sent } = setUp(METRIC);
    await user.type(figure(/^left spins/), "long");
    await user.tab();
    await screen.findByText(/left spins for.*long/);
    await user.click(save());
    await waitFor(() => expect(document.activeElement).toBe(figure(/^left spins/)));
    expect(sent).toEqual([]);
  });
  it("simulated instruments fill in what they find, and say so", async () => {
    const { user, sent } = setUp(INCHES);
    await user.click(screen.getByRole("button", { name: "Turn the simulated gauge" }));
    await user.click(screen.getByRole("button", { name: "Simulated stopwatch and gauge" }));
    // 0.4 mm of runout and of end play, in thousandths of an inch.
    const turn = Array.from({ length: 8 }, (_, i) => Number(figure(`dial at ${45 * i}°`).value));
    expect(Math.max(...turn) - Math.min(...turn)).toBeGreaterThan(0.013);
    expect(Math.max(...turn) - Math.min(...turn)).toBeLessThan(0.018);
    expect(Number(figure(/^end play/).value)).toBeCloseTo(0.016, 3);
    await user.click(save());
    await waitFor(() => expect(sent).toMatchObject([{ simulated: "yes", spinLeftS: "8" }]));
  });
  it("whoever may not override may be stricter than the rule, never milder", async () => {
    const { user } = setUp(METRIC);
    const open = () => [...screen.getByLabelText<HTMLSelectElement>("decide").options].map(({ value }) => value);
    await user.selectOptions(figure("a crack anywhere") as unknown as HTMLSelectElement, "yes");
    await waitFor(() => expect(rule().textContent).toContain("quarantine"));
    expect(open()).toEqual(["", "quarantine"]);
  });
});
