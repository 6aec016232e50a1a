// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { SetupOption } from "@/core/setups/setupOptions";
import { formAction, POUNDS, show } from "../touch.fixture";
import { CopyForm } from "./CopyForm";
import { KeepForm } from "./KeepForm";
import { SetupNumbers, lengthNumber, plainNumber } from "./SetupNumbers";
import { StandForm } from "./StandForm";
import { StepList } from "./StepList";
import { copyChoices } from "./copyChoices";

/* Setting a bar by touch: kept for a lifter, copied to one built alike, recorded side by side, ticked off step by step. */

const OPTIONS: SetupOption[] = [
  { key: "mark", label: "mark", choices: ["5", "6"].map((key) => ({ key, words: key })) },
  { key: "pin", label: "pin", choices: ["A", "B"].map((key) => ({ key, words: key })) },
  { key: "stands", label: "stands", choices: [{ key: "off", words: "off" }] },
] as SetupOption[];

describe("a setting that is saved for a lifter", () => {
  it("brings the hole that the chosen rack uses, which can be corrected, and leads to its card", async () => {
    const { sent, action } = formAction((form) => ({ typed: { ...form, id: "card-1" } }));
    const { user } = show(
      <KeepForm
        {...{ tag: "K17", lifter: "hale", lifterName: "Hale", lift: "squat", setting: { mark: "6", pin: "B" } }}
        {...{ at: "rack-1", totalKg: 140, plateMm: 450, action }}
        stations={[
          { key: "rack-1", name: "Rack 1", hole: 23 },
          { key: "rack-2", name: "Rack 2", hole: null },
        ]}
      />,
    );
    const hole = () => screen.getByLabelText<HTMLInputElement>("J-cup hole");
    expect(hole().value).toBe("23");
    await user.selectOptions(screen.getByLabelText("rack or bench"), "rack-2");
    expect(hole().value).toBe("");
    await user.type(hole(), "21");
    await user.type(screen.getByLabelText("note"), "sits well");
    await user.click(screen.getByRole("button", { name: "Save for Hale" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ station: "rack-2", jCupHole: "21", note: "sits well", totalKg: "140" });
    expect(JSON.parse(sent[0]!.setting!)).toEqual({ mark: "6", pin: "B" });
    const card = await screen.findByRole("link", { name: "Open the card" });
    expect(card.getAttribute("href")).toBe("/setups/card/card-1");
  });
});

describe("copying a setting", () => {
  const build = (heightMm: number, massKg = 90) => ({
    ...{ heightMm, massKg, thighLengthMm: null, trunkLengthMm: null, shankLengthMm: null },
  });
  const person = (key: string, own: ReturnType<typeof build> | null) => ({ row: { key, name: key }, build: own });
  const PEOPLE = [
    person("hale", build(1930)),
    person("tove", build(1600)),
    person("bram", build(1925)),
    person("ida", null),
  ];

  it("offers those built alike first with how far apart they are, then everybody else, never oneself", () => {
    const choices = copyChoices("hale", PEOPLE);
    expect(choices[0]).toMatchObject({ key: "bram" });
    expect(choices[0]!.apartMm).toBeGreaterThan(0);
    expect(choices.map(({ key }) => key)).not.toContain("hale");
    expect(choices.find(({ key }) => key === "ida")).toMatchObject({ apartMm: null });
    expect(choices).toHaveLength(3);
  });
  it("of someone without a size lists all without a measure", () => {
    expect(copyChoices("ida", PEOPLE).every(({ apartMm }) => apartMm === null)).toBe(true);
  });
  it("is one touch, and says at once what stands against it", async () => {
    const problem = { path: "lifter", message: "Bram has no height yet." };
    const { sent, action } = formAction(() => ({ status: "refused", message: "Not copied.", problems: [problem] }));
    const { user } = show(<CopyForm id="s1" lifters={copyChoices("hale", PEOPLE)} action={action} />, POUNDS);
    expect(screen.getByLabelText("Copy to").textContent).toMatch(/bram, build differs by .* in/);
    await user.click(screen.getByRole("button", { name: "Copy" }));
    expect(await screen.findByText(problem.message)).toBeTruthy();
    expect(sent[0]).toEqual({ id: "s1", lifter: "bram" });
  });
});

describe("how a bar is set now", () => {
  it("is asked for either side, opens with what was recorded, and is recorded or stored", async () => {
    const { sent, action } = formAction();
    const { user } = show(
      <StandForm tag="K17" options={OPTIONS} present={{ mark: "5", pin: "B" }} hasSides action={action} />,
    );
    const side = (name: string) => screen.getByLabelText<HTMLSelectElement>(name);
    expect([side("left: mark").value, side("right: pin").value]).toEqual(["5", "B"]);
    await user.selectOptions(side("right: mark"), "6");
    await user.click(screen.getByRole("button", { name: "Store it like this" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    // What cannot be chosen is sent too: the record is whole.
    expect(sent[0]).toMatchObject({ as: "stored", "left.mark": "5", "right.mark": "6", "left.stands": "off" });
  });
  it("where nobody recorded it, nothing is chosen for them", async () => {
    const { sent, action } = formAction();
    const { user } = show(<StandForm tag="K17" options={OPTIONS} present={null} hasSides={false} action={action} />);
    expect(screen.getByLabelText<HTMLSelectElement>("mark").value).toBe("");
    await user.click(screen.getByRole("button", { name: "It is set like this" }));
    expect(sent).toHaveLength(0);
  });
});

describe("steps at the bar", () => {
  it("are ticked in their order, and a step that is unticked takes those after it along", async () => {
    const { user } = show(<StepList steps={["empty it", "pull the pin", "turn", "lock"]} />);
    const box = (i: number) => screen.getAllByRole<HTMLInputElement>("checkbox")[i]!;
    const ticked = () => screen.getAllByRole<HTMLInputElement>("checkbox").map(({ checked }) => checked);
    expect(box(1).disabled).toBe(true);
    for (let i = 0; i < 4; i += 1) await user.click(box(i));
    expect(screen.getByRole("status").textContent).not.toBe("");
    await user.click(box(1));
    expect(ticked()).toEqual([true, false, false, false]);
    expect(screen.getByRole("status").textContent).toBe("");
  });
});

describe("the numbers of a setting", () => {
  const rows = [
    lengthNumber("load down", 102),
    lengthNumber("mass centre ahead", -51, true),
    lengthNumber("room at the knees", null),
    plainNumber("trunk lean", 41.37, 1, "°"),
    plainNumber("hip to knee", null, 2, ""),
  ];
  const text = (units?: typeof POUNDS) => show(<SetupNumbers rows={rows} />, units).container.textContent;
  it("are in the reader's unit where they are lengths, and a dash where there is none", () => {
    expect(text()).toBe("load down102 mmmass centre ahead−51 mmroom at the knees– mmtrunk lean41.4 °hip to knee– ");
    expect(text(POUNDS)).toContain("load down4 1/32 in");
  });
});
