// @vitest-environment jsdom
import "../dom.fixture";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { ARM_CHART_FIELDS, chartTexts, readChart } from "@/core/setups/chartFields";
import type { Units } from "@/core/units/shown";
import { CheckProvider, type FormCheck } from "../kit/formCheck";
import type { FormState } from "../kit/formState";
import { ShownProvider } from "../kit/ShownProvider";
import { CalibrateForm } from "./CalibrateForm";

/* A yoke bar's marks and pins, measured once: by hand in either unit, or with the simulated gauge and tape. */

const TEXTS = { marks: "A = 0 0\nB = 15 15", pins: "1 = 100 100\n2 = 125.4 125.4", hasHalfMarks: "no", padKg: "14" };
const check: FormCheck = async (_, texts) => {
  const read = readChart("arm", texts);
  return read.ok ? [] : read.problems;
};

function setUp(units: Units, truth: Parameters<typeof CalibrateForm>[0]["truth"] = null) {
  const sent: Record<string, string>[] = [];
  const action = async (_: FormState, data: FormData): Promise<FormState> => {
    sent.push(Object.fromEntries([...data.entries()].map(([key, value]) => [key, String(value)])));
    return { status: "done", message: "Saved.", problems: [], typed: {} };
  };
  render(
    <ShownProvider units={units} today="2026-11-28" locale="en-GB">
      <CheckProvider check={check}>
        <CalibrateForm
          {...{ tag: "K17", version: 2, kind: "arm", texts: TEXTS, defs: ARM_CHART_FIELDS, truth, seed: 5, action }}
        />
      </CheckProvider>
    </ShownProvider>,
  );
  return { user: userEvent.setup(), sent };
}
const cell = (name: RegExp) => screen.getByLabelText<HTMLInputElement>(name);
const save = () => screen.getByRole("button", { name: "Save calibration" });
const METRIC: Units = { mass: "kg", length: "mm" };

describe("calibrating a yoke bar", () => {
  it("shows and takes pins in inches, and keeps millimetres", async () => {
    const { user, sent } = setUp({ mass: "lb", length: "in" });
    expect(cell(/^pins 2, left/).value).toBe("4.937");
    for (const side of [/^pins 2, left/, /^pins 2, right/]) {
      await user.clear(cell(side));
      await user.type(cell(side), "5 1/2");
    }
    await user.click(save());
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ tag: "K17", version: "2", marks: TEXTS.marks });
    const read = readChart("arm", sent[0]!);
    expect(read.ok && read.chart.kind === "arm" && read.chart.pins[1]!.leftMm).toBeCloseTo(139.7, 9);
  });
  it("comes back unchanged in millimetres where nothing was touched", async () => {
    const { user, sent } = setUp(METRIC);
    await user.click(save());
    await waitFor(() => expect(sent).toHaveLength(1));
    const read = readChart("arm", sent[0]!);
    const before = readChart("arm", TEXTS);
    expect(read.ok && before.ok && chartTexts(read.chart)).toEqual(before.ok && chartTexts(before.chart));
  });
  it("says which line is wrong, and that both sides must agree, before it is sent", async () => {
    const { user, sent } = setUp(METRIC);
    await user.clear(cell(/^marks 2, right/));
    await user.type(cell(/^marks 2, right/), "25");
    await user.click(save());
    await screen.findByText(/both sides must agree/);
    expect(sent).toEqual([]);
    await user.clear(cell(/^marks 2, right/));
    await user.type(cell(/^marks 2, right/), "steep");
    await user.click(save());
    await screen.findByText(/line 2/);
    expect(sent).toEqual([]);
  });
  it("adds and deletes rows, and lets the simulated tape read what is there", async () => {
    const { user, sent } = setUp(METRIC, { deg: {}, mm: { "left.3": 150, "right.3": 150 } });
    const adds = screen.getAllByRole("button", { name: "Add" });
    await user.click(adds[1]!);
    await user.type(cell(/^pins 3, name/), "3");
    await user.click(screen.getByRole("button", { name: "Measure left of pins 3" }));
    await user.click(screen.getByRole("button", { name: "Measure right of pins 3" }));
    expect(Math.abs(Number(cell(/^pins 3, left/).value) - 150)).toBeLessThan(5);
    await user.click(screen.getByRole("button", { name: "Delete pins 1" }));
    await user.click(save());
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.pins!.split("\n").map((line) => line.split(" ")[0])).toEqual(["2", "3"]);
  });
});
