// @vitest-environment jsdom
import { fireEvent, screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { bodyOf } from "@/core/balance/body";
import { readBalance } from "@/core/balance/balanceState";
import { CARRIES } from "@/core/balance/carry";
import { POUNDS, show } from "../touch.fixture";
import { BalanceSheet } from "./BalanceSheet";

/* The balance page as a coach moves it: sliders, a lifter's lengths, another carry, a hinge, and the link that says it. */

const TALL = { heightMm: 2010, massKg: 104, thighLengthMm: 520, trunkLengthMm: null, shankLengthMm: null };
const sheet = (units?: typeof POUNDS, who: string | null = null) =>
  show(
    <BalanceSheet start={readBalance({})} lifters={[{ name: "Hale", build: TALL }]} handTorqueNm={30} who={who} />,
    units,
  );
const lead = () => screen.getByTestId("balance-lead").textContent!;
const carries = () => screen.getAllByRole("region", { name: /^Carry: / });

describe("the balance of a lifter, a bar and a load", () => {
  it("says in one sentence who is looked at with what, and what a lifter on file changes", async () => {
    const { user } = sheet();
    expect(lead()).toMatch(/^A lifter 1.80 m tall with 100 kg/);
    await user.selectOptions(screen.getByLabelText("Use a lifter’s lengths"), "Hale");
    expect(lead()).toMatch(/^Hale with 100 kg/);
    expect(screen.getByLabelText<HTMLInputElement>("height, typed").value).toBe("2010");
    expect(screen.getByLabelText<HTMLInputElement>("thigh, typed").value).toBe("520");
  });
  it("whose lengths were moved is no longer that lifter; the load alone leaves them who they are", async () => {
    const { user } = sheet(undefined, "Hale");
    fireEvent.change(screen.getByRole("slider", { name: "load" }), { target: { value: "140" } });
    expect(lead()).toMatch(/^Hale with 140 kg/);
    fireEvent.change(screen.getByRole("slider", { name: "trunk" }), { target: { value: "600" } });
    expect(lead()).toMatch(/^A lifter 1.80 m tall/);
    await user.click(screen.getByRole("button", { name: "reset to height" }));
    expect(screen.getByLabelText<HTMLInputElement>("trunk, typed").value).toBe(
      String(Math.round(bodyOf({ heightMm: 1800, massKg: 85 }).trunkMm)),
    );
    expect(screen.queryByRole("button", { name: "reset to height" })).toBeNull();
  });
  it("takes a typed length in feet and inches and keeps to what a person can be", async () => {
    const { user } = sheet(POUNDS);
    const typed = screen.getByLabelText<HTMLInputElement>("height, typed");
    await user.clear(typed);
    await user.type(typed, "6 ft 2");
    expect(lead()).toMatch(/^A lifter 6 ft 2 in tall with 220 lb/);
    await user.clear(typed);
    await user.type(typed, "300");
    await user.tab();
    expect(lead()).toMatch(/^A lifter 6 ft 2 in tall/);
  });
  it("puts up to three carries beside one another, never the same one twice unasked, and keeps one", async () => {
    const { user } = sheet();
    while (carries().length > 1) await user.click(within(carries()[0]!).getByRole("button", { name: /^Remove/ }));
    expect(within(carries()[0]!).queryByRole("button", { name: /^Remove/ })).toBeNull();
    const more = () => screen.queryByRole("button", { name: "Compare another carry" });
    while (more()) await user.click(more()!);
    const names = carries().map((one) => one.getAttribute("aria-label"));
    expect(names).toHaveLength(3);
    expect(new Set(names).size).toBe(3);
  });
  it("at one pose, carries share the first one's shank", async () => {
    const { user } = sheet();
    await user.click(screen.getByLabelText("all at one pose"));
    const shank = (i: number) =>
      within(carries()[i]!).getByRole<HTMLInputElement>("slider", { name: "shank lean", hidden: true });
    expect(shank(1).disabled).toBe(true);
    fireEvent.change(shank(0), { target: { value: "30" } });
    expect(shank(1).value).toBe("30");
  });
  it("a hinge asks for the trunk's lean instead of the shank's", async () => {
    const { user } = sheet();
    await user.click(screen.getByRole("button", { name: "hinge" }));
    expect(screen.getByRole("button", { name: "hinge" }).getAttribute("aria-pressed")).toBe("true");
    expect(screen.getByRole("slider", { name: "trunk lean" })).toBeTruthy();
    expect(screen.queryByLabelText("all at one pose")).toBeNull();
  });
  it("a carry that is chosen starts as that carry does, moved or not", async () => {
    const { user } = sheet();
    const first = () => within(carries()[0]!);
    const down = () => first().getByRole<HTMLInputElement>("slider", { name: "load down", hidden: true });
    fireEvent.change(down(), { target: { value: "200" } });
    await user.selectOptions(first().getByLabelText("Carry"), "front");
    expect(down().value).toBe(String(CARRIES.front.carry.camberDropMm));
  });
  it("its link says what is shown, but only once somebody moved something", async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    window.history.replaceState(null, "", "/match/balance");
    sheet();
    await vi.advanceTimersByTimeAsync(600);
    expect(window.location.search).toBe("");
    fireEvent.change(screen.getByRole("slider", { name: "load" }), { target: { value: "150" } });
    await vi.advanceTimersByTimeAsync(600);
    const search = Object.fromEntries(new URLSearchParams(window.location.search));
    expect(readBalance(search).loadKg).toBe(150);
    vi.useRealTimers();
  });
});
