// @vitest-environment jsdom
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { MATCHING_RULES, RULE_NUMBER_KEYS, RULE_NUMBERS } from "@/core/matching/houseRules";
import { POLICIES, POLICY_KEYS } from "@/core/matching/policies";
import "../dom.fixture";
import { FRESH, type FormState } from "../kit/formState";
import { HouseForm, type Preview } from "./HouseForm";

/* House rules: what a change would flip is seen before it is kept, and what is refused is not lost. */

const FLIP = {
  tag: "K07",
  lift: "bench",
  liftName: "bench press",
  loadKg: 100,
  lifter: null,
  before: "good",
  after: "usable",
} as const;

function house({
  mayEdit = true,
  answers = [],
  looks = [{ ok: true, flips: [], graded: 40 }],
}: { mayEdit?: boolean; answers?: FormState[]; looks?: Preview[] } = {}) {
  const [kept, looked]: [FormData[], FormData[]] = [[], []];
  render(
    <HouseForm
      rules={MATCHING_RULES}
      version={3}
      mayEdit={mayEdit}
      action={async (_before, form) => {
        kept.push(form);
        return answers[kept.length - 1] ?? FRESH;
      }}
      preview={async (form) => {
        looked.push(form);
        return looks[Math.min(looked.length, looks.length) - 1]!;
      }}
    />,
  );
  return { kept, looked, user: userEvent.setup() };
}

const option = (key: "bars" | "sleeves", i: number) =>
  screen.getByRole<HTMLInputElement>("radio", { name: new RegExp(POLICIES[key].options[i]!.name) });
const aside = () => within(screen.getByRole("complementary", { name: "What would change" }));
const keep = () => aside().getByRole("button", { name: "Save" });
const number = RULE_NUMBER_KEYS[0]!;
const numberBox = () => screen.getByRole<HTMLInputElement>("textbox", { name: new RegExp(RULE_NUMBERS[number].label) });

describe("a choice between two sides", () => {
  it("shows what it would flip, of how many, and keeps nothing", async () => {
    const { kept, looked, user } = house({ looks: [{ ok: true, flips: [FLIP], graded: 40 }] });
    await user.click(option("bars", 1));
    const flips = await aside().findByRole("list", { name: "Changes" });
    expect(within(flips).getAllByRole("listitem")).toHaveLength(1);
    expect(flips.textContent).toContain("K07");
    expect(aside().getByText(/1 of 40/)).toBeTruthy();
    expect(looked.map((form) => form.get("bars"))).toEqual(["one-all-round"]);
    expect(looked[0]!.get("sleeves")).toBe("decides");
    expect(kept).toHaveLength(0);
  });

  it("is looked at again with each further change", async () => {
    const { looked, user } = house();
    await user.click(option("bars", 1));
    await user.click(option("sleeves", 1));
    await user.type(numberBox(), "1");
    await waitFor(() => expect(looked.length).toBeGreaterThanOrEqual(3));
    expect(looked.at(-1)!.get("sleeves")).toBe("hardly-matters");
    expect(looked.at(-1)!.get(number)).toBe(`${numberBox().defaultValue}1`);
  });

  it("that cannot be looked at says why", async () => {
    const { user } = house({ looks: [{ ok: false, message: "Give the heaviest load as a number." }] });
    await user.click(option("bars", 1));
    expect(await aside().findByText("Give the heaviest load as a number.")).toBeTruthy();
  });

  it("has one side chosen in every question", () => {
    house();
    for (const key of POLICY_KEYS) {
      const [all, chosen] = ["", ":checked"].map((state) => document.querySelectorAll(`input[name="${key}"]${state}`));
      expect([all!.length > 1, chosen!.length]).toEqual([true, 1]);
    }
  });
});

describe("keeping the rules", () => {
  it("sends every question, every number and the version that was seen", async () => {
    const { kept, user } = house({ answers: [{ ...FRESH, status: "done", message: "The house keeps these." }] });
    await user.click(option("sleeves", 1));
    await user.click(keep());
    await waitFor(() => expect(kept).toHaveLength(1));
    expect(kept[0]!.get("version")).toBe("3");
    expect(kept[0]!.get("sleeves")).toBe("hardly-matters");
    for (const name of [...POLICY_KEYS, ...RULE_NUMBER_KEYS]) expect(kept[0]!.get(name)).not.toBeNull();
    expect(await screen.findByText("The house keeps these.")).toBeTruthy();
    expect(aside().queryByRole("list", { name: "Changes" })).toBeNull();
  });

  it("that is refused leaves what was typed and chosen, with the problem beside its number", async () => {
    const typed = { bars: "one-all-round", [number]: "much" };
    const refused: FormState = {
      ...FRESH,
      status: "refused",
      message: "One problem.",
      problems: [{ path: number, message: "is no number" }],
      typed,
    };
    const { user } = house({ answers: [refused] });
    await user.clear(numberBox());
    await user.type(numberBox(), "much");
    await user.click(keep());
    expect(await screen.findByText("is no number")).toBeTruthy();
    expect(numberBox().value).toBe("much");
    expect(numberBox().getAttribute("aria-invalid")).toBe("true");
    expect(option("bars", 1).checked).toBe(true);
  });
});

it("whoever may not change them sees them, and nothing can be touched or sent", async () => {
  const { looked, user } = house({ mayEdit: false });
  expect(screen.queryByRole("button")).toBeNull();
  expect(numberBox().disabled).toBe(true);
  await user.click(option("bars", 1));
  expect(option("bars", 0).checked).toBe(true);
  expect(looked).toHaveLength(0);
});
