// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { RECEIVING_CHECKS } from "@/core/buying/receiving";
import { LOOK_STEPS, NO_WARRANTY_PCT } from "@/core/buying/usedBar";
import { formAction, POUNDS, show, TODAY } from "../touch.fixture";
import { BudgetSteps } from "./BudgetSteps";
import { CostTable } from "./CostTable";
import { ReceiveForm } from "./ReceiveForm";
import { UsedLook } from "./UsedLook";

/* Buying as the manager does it: a used bar in a stranger's garage, a box that arrived, a budget that is moved. */

const answer = (step: number, which: number) =>
  within(screen.getByRole("group", { name: LOOK_STEPS[step]!.ask })).getAllByRole("button")[which]!;
const verdict = () => screen.getByRole("status").textContent!;

describe("the look at a used bar", () => {
  const look = (house = {}) =>
    show(<UsedLook currency="GBP" house={house} news={[{ id: "o1", name: "New one", minor: 40_000 }]} />);

  it("starts from a new one's price, without its warranty, and takes off what is found", async () => {
    const { user } = look();
    const start = 400 * (1 - NO_WARRANTY_PCT / 100);
    expect(verdict()).toContain(`£${Math.floor(start)}`);
    for (let i = 0; i < LOOK_STEPS.length; i += 1) await user.click(answer(i, 0));
    expect(verdict()).not.toContain("to go");
    expect(verdict()).toContain(`£${Math.floor(start)}`);
    await user.click(screen.getByRole("checkbox"));
    expect(verdict()).toContain("£400");
    const rust = LOOK_STEPS.findIndex(({ key }) => key === "rust");
    await user.click(answer(rust, 1));
    expect(verdict()).toContain(`£${400 * (1 - LOOK_STEPS[rust]!.answers[1]!.offPct / 100)}`);
  });
  it("by the gym's own deduction where it has one", async () => {
    const { user } = look({ "rust.surface": 50 });
    await user.click(screen.getByRole("checkbox"));
    await user.click(
      answer(
        LOOK_STEPS.findIndex(({ key }) => key === "rust"),
        1,
      ),
    );
    expect(verdict()).toContain("£200");
  });
  it("ends at a crack whatever the price, and can be started again", async () => {
    const { user } = look();
    await user.click(answer(0, 1));
    expect(verdict()).toMatch(/^Don’t buy: /);
    await user.click(screen.getByRole("button", { name: "Start again" }));
    expect(verdict()).not.toMatch(/^Don’t buy/);
  });
  it("says that it needs the price of a new one, and which field cannot be read", async () => {
    const { user } = look();
    const price = screen.getByLabelText(/A new one, delivered/);
    await user.clear(price);
    await user.type(price, "cheap");
    expect(price.getAttribute("aria-invalid")).toBe("true");
    expect(verdict()).toContain("a new one");
    await user.clear(price);
    await user.type(price, "£410");
    expect(price.getAttribute("aria-invalid")).toBe("false");
  });
  it("is shared as words, with the deductions", async () => {
    const { user } = look();
    const write = vi.spyOn(navigator.clipboard, "writeText");
    await user.click(answer(1, 1));
    await user.click(screen.getByRole("button", { name: "Share" }));
    await screen.findByRole("button", { name: "Shared" });
    expect(write.mock.calls[0]![0]).toContain("−20 %");
  });
});

describe("a bar that arrived", () => {
  const KINDS = [
    { kind: "mass" as const, stated: 20, tolerance: 0.2 },
    { kind: "shaftDiameter" as const, stated: null, tolerance: 0.1 },
  ];
  const receive = (units?: typeof POUNDS, answer?: Parameters<typeof formAction>[0]) => {
    const { sent, action } = formAction(answer);
    return { sent, ...show(<ReceiveForm offerId="o1" wantedTag="K40" kinds={KINDS} action={action} />, units) };
  };

  it("is sent with every answer, the readings, its tag and what becomes of it, under one key", async () => {
    const { user, sent } = receive(undefined, () => ({ status: "refused", message: "Not saved.", problems: [] }));
    const [first, second] = RECEIVING_CHECKS;
    const asked = (check: typeof first) => within(screen.getByRole("group", { name: check!.ask }));
    await user.click(asked(first).getByRole("button", { name: "Right" }));
    await user.click(asked(second).getByRole("button", { name: second!.wrong }));
    await user.type(screen.getByLabelText(/^mass/), "20.05");
    await user.click(screen.getByRole("button", { name: "Claim" }));
    await user.click(screen.getByRole("button", { name: "Claim" }));
    expect(sent[0]).toMatchObject({ offerId: "o1", tag: "K40", verdict: "claim", "readings.mass": "20.05" });
    expect(JSON.parse(sent[0]!.answers!)).toEqual({ [first!.key]: "fine", [second!.key]: "wrong" });
    expect(sent[1]!.key).toBe(sent[0]!.key);
  });
  it("asks for figures in the reader's unit, with what the seller states", () => {
    receive(POUNDS);
    const mass = screen.getByLabelText<HTMLInputElement>(/^mass, lb/);
    expect(mass.dataset.unit).toBe("kg");
    expect(mass.closest("label")!.textContent).toContain("44.09");
    expect(screen.getByLabelText(/^shaft diameter, in/).closest("label")!.textContent).toContain("nothing stated");
  });
});

describe("a budget that is moved", () => {
  const STEPS = [
    { fromMinor: 20_000, names: "a technique bar", gain: 30 },
    { fromMinor: 50_000, names: "a stiff bar", gain: 80 },
  ];
  it("says what it buys and where that changes", async () => {
    show(<BudgetSteps steps={STEPS} budgetMinor={30_000} currency="GBP" />);
    const slider = screen.getByRole("slider", { name: "Budget to look at" });
    expect(slider.getAttribute("aria-valuetext")).toBe("£300: a technique bar");
    expect(screen.getByText(/from £500 another choice/)).toBeTruthy();
    const { fireEvent } = await import("@testing-library/react");
    fireEvent.change(slider, { target: { value: "10000" } });
    expect(slider.getAttribute("aria-valuetext")).toBe("£100: nothing");
    fireEvent.change(slider, { target: { value: "52000" } });
    expect(screen.getByText(/a stiff bar \(80 points\)/)).toBeTruthy();
  });
});

describe("what bars cost", () => {
  const bar = (tag: string, more: object) => ({
    ...{ tag, name: `Bar ${tag}`, priceMinor: 50_000, careMinutes: 60, repairsMinor: 0, sessions: 0 },
    ...{ resaleMinor: 20_000, perSessionMinor: null, lastUsedOn: null, missed: [], isUsable: true, ...more },
  });
  const table = (...items: ReturnType<typeof bar>[]) => {
    show(<CostTable items={items as never} currency="GBP" today={TODAY} />);
    return (tag: string) => screen.getByText(`Bar ${tag}`).closest("tr")!.textContent;
  };

  it("names as spare what nobody misses and nobody used lately, each by itself", () => {
    const row = table(
      bar("K01", {}),
      bar("K02", { lastUsedOn: "2026-11-20" }),
      bar("K03", { lastUsedOn: "2026-06-01" }),
      bar("K04", { missed: [{ lift: "snatch", person: "Tove" }] }),
      bar("K05", { isUsable: false }),
    );
    expect(screen.getByText(/^Any one of 2 bars could be sold/)).toBeTruthy();
    expect(screen.getByText(/sell one, then look again/)).toBeTruthy();
    expect(["K01", "K02", "K03", "K04"].map((tag) => row(tag).includes("could be sold"))).toEqual([
      true,
      false,
      true,
      false,
    ]);
    expect(row("K04")).toContain("snatch of Tove");
    // A bent bar is nobody's bargain.
    expect(row("K05")).not.toContain("could be sold");
    expect(row("K05")).toContain("repair or retire it");
  });
  it("advises nothing where every bar is used or missed", () => {
    table(bar("K02", { lastUsedOn: "2026-11-20" }));
    expect(screen.queryByText(/could be sold/)).toBeNull();
  });
});
