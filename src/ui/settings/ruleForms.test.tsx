// @vitest-environment jsdom
import "../dom.fixture";
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { describe, expect, it } from "vitest";
import { STARTING_TOLERANCES } from "@/core/bars/tolerances";
import { readClimate } from "@/core/care/readClimate";
import { readGym } from "@/core/house/gym";
import { readKeeping, STARTING_KEEPING } from "@/core/house/keeping";
import { readMeasuring } from "@/core/house/measuring";
import { readStrengthRules, strengthTexts } from "@/core/strength/strengthRuleFields";
import { START_STRENGTH_RULES } from "@/core/strength/strengthRules";
import { CheckProvider, type FormCheck } from "../kit/formCheck";
import type { FormAction, FormState } from "../kit/formState";
import { sentText, ShownProvider } from "../kit/ShownProvider";
import { ClimateForm } from "./ClimateForm";
import { GymForm } from "./GymForm";
import { KeepingForm } from "./KeepingForm";
import { RulesForm } from "./RulesForm";
import { StrengthForm } from "./StrengthForm";

/* The gym's rules as the manager changes them: checked by the readers that saving uses, in the reader's own units. */

const UNITS = { mass: "lb", length: "in" } as const;
const READERS = {
  gym: readGym,
  keeping: readKeeping,
  measuring: readMeasuring,
  climate: readClimate,
  strength: readStrengthRules,
};
const check: FormCheck = async (kind, texts) => {
  const read = READERS[kind as keyof typeof READERS](texts);
  return read.ok ? [] : read.problems;
};

function setUp(form: (action: FormAction) => ReactNode, answer?: FormState) {
  const sent: Record<string, string>[] = [];
  const action = async (_: FormState, data: FormData): Promise<FormState> => {
    sent.push(Object.fromEntries([...data.entries()].map(([key, value]) => [key, String(value)])));
    return answer ?? { status: "done", message: "Saved.", problems: [], typed: {} };
  };
  render(
    <ShownProvider units={UNITS} today="2026-11-28" locale="en-GB">
      <CheckProvider check={check}>{form(action)}</CheckProvider>
    </ShownProvider>,
  );
  return { user: userEvent.setup(), sent };
}
const save = () => screen.getByRole("button", { name: "Save" });
const field = (label: RegExp) => screen.getByLabelText<HTMLInputElement>(label);

describe("tolerances", () => {
  const form = (mayEdit: boolean) =>
    function Tolerances(action: FormAction) {
      return (
        <RulesForm tolerances={STARTING_TOLERANCES} noticeableMm={4} version={3} mayEdit={mayEdit} action={action} />
      );
    };
  it("are read and typed in the person's units, and what was not touched is sent as it is kept", async () => {
    const { user, sent } = setUp(form(true));
    expect(field(/noticeable difference/).value).toBe("0.157");
    await user.clear(field(/shaft diameter/));
    await user.type(field(/shaft diameter/), "1/64");
    await user.click(save());
    await waitFor(() => expect(sent).toMatchObject([{ version: "3" }]));
    // This document has no event of sent forms: what the browser puts into them is read from the fields.
    const fields = [...document.querySelectorAll<HTMLInputElement>("input[data-unit]")];
    const texts = Object.fromEntries(fields.map((one) => [one.name, sentText(one, UNITS)]));
    expect(texts).toMatchObject({ noticeableMm: "4", shaftDiameter: "1/64 in" });
    const read = readMeasuring({ ...sent[0]!, ...texts });
    expect(read.ok && read.value.tolerances.shaftDiameter).toBeCloseTo(25.4 / 64, 6);
    expect(read.ok && read.value.tolerances.mass).toBe(STARTING_TOLERANCES.mass);
  });
  it("say at the field what is wrong with it, and nothing is sent", async () => {
    const { user, sent } = setUp(form(true));
    await user.clear(field(/noticeable difference/));
    await user.type(field(/noticeable difference/), "a lot");
    await user.tab();
    await screen.findByText(/noticeable difference.*a lot/);
    await user.click(save());
    await waitFor(() => expect(document.activeElement).toBe(field(/noticeable difference/)));
    expect(sent).toEqual([]);
  });
  it("are only read by who may not change them", () => {
    setUp(form(false));
    expect(screen.queryByRole("button", { name: "Save" })).toBeNull();
    expect(field(/noticeable difference/).disabled).toBe(true);
    expect(screen.getByText(/manager changes house rules/)).toBeTruthy();
  });
});

describe("other rules of the gym", () => {
  it("name the version that stands now after someone else changed them", async () => {
    const { user, sent } = setUp(
      (action) => <KeepingForm {...STARTING_KEEPING} version={1} mayEdit action={action} />,
      { status: "refused", message: "Changed.", problems: [], typed: { accountLogDays: "90" }, version: 2 },
    );
    await user.clear(field(/signed in/));
    await user.type(field(/signed in/), "90");
    await user.click(save());
    await screen.findByText("Changed.");
    expect(field(/signed in/).value).toBe("90");
    await user.click(save());
    await waitFor(() => expect(sent.map(({ version }) => version)).toEqual(["1", "2"]));
  });
  it("ask for figures of the air only where they are the gym's own", async () => {
    const { user, sent } = setUp((action) => <ClimateForm climate="dry" version={1} mayEdit action={action} />);
    expect(screen.queryByLabelText(/Humidity/)).toBeNull();
    await user.click(screen.getByLabelText("Our own figures"));
    await user.type(field(/Humidity/), "120");
    await user.tab();
    await screen.findByText(/Humidity.*120/);
    await user.click(screen.getByLabelText("Temperate"));
    await user.click(save());
    await waitFor(() => expect(sent).toEqual([{ version: "1", climate: "temperate" }]));
  });
  it("say what is wrong at a field whose name has a dot, when it is left and when all is sent", async () => {
    const texts = strengthTexts(START_STRENGTH_RULES);
    const { user, sent } = setUp((action) => <StrengthForm texts={texts} version={1} mayEdit action={action} />);
    const spread = () => within(screen.getByRole("table")).getAllByLabelText<HTMLInputElement>(/, spread/)[0]!;
    await user.clear(spread());
    await user.type(spread(), "wide");
    await user.tab();
    await screen.findByText(/wide/);
    expect(spread().getAttribute("aria-invalid")).toBe("true");
    await user.click(save());
    await waitFor(() => expect(document.activeElement).toBe(spread()));
    expect(sent).toEqual([]);
    await user.clear(spread());
    await user.type(spread(), "0.05");
    await user.click(save());
    await waitFor(() => expect(sent).toHaveLength(1));
  });
  it("say what a currency would be before the gym is saved", async () => {
    const gym = { name: "Quay", timeZone: "Europe/Lisbon", massUnit: "kg", lengthUnit: "mm", locale: "en-GB" };
    const { user, sent } = setUp((action) => (
      <GymForm gym={{ ...gym, currency: "EUR" }} was="now" mayEdit action={action} />
    ));
    await user.clear(field(/Currency/));
    await user.type(field(/Currency/), "€");
    await user.tab();
    await screen.findByText(/Currency.*EUR/);
    await user.clear(field(/Currency/));
    await user.type(field(/Currency/), "gbp");
    await user.click(save());
    await waitFor(() => expect(sent).toMatchObject([{ currency: "gbp", was: "now" }]));
  });
});
