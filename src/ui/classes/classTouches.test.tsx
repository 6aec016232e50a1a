// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { ClassItem, MoveCost } from "@/server/classes";
import { formAction, show } from "../touch.fixture";
import { Cost, Elsewhere, OtherBar } from "./BoardCost";
import { BrushDuty } from "./BrushDuty";
import { AddEntryForm, AssignForm, ReassignForm } from "./EntryForms";
import { LockForm } from "./LockForm";

/* A class by touch: who comes, what is fixed, what a move costs, who brushes. */

const CHOICES = {
  lifters: [
    { key: "tove", name: "Tove" },
    { key: "hale", name: "Hale" },
  ],
  lifts: [
    { key: "squat", name: "back squat" },
    { key: "bench", name: "bench press" },
  ],
};

describe("a lift of a class", () => {
  it("starts with the lifter's usual load for it, whatever was typed for another", async () => {
    const { sent, action } = formAction();
    const { user } = show(
      <AddEntryForm
        classId="c1"
        {...CHOICES}
        usual={{ "tove squat": "140 kg", "hale bench": "90 kg" }}
        action={action}
      />,
    );
    const load = () => screen.getByLabelText<HTMLInputElement>("load");
    expect(load().value).toBe("140 kg");
    await user.clear(load());
    await user.type(load(), "150 kg");
    await user.selectOptions(screen.getByLabelText("lifter"), "hale");
    expect(load().value).toBe("");
    await user.selectOptions(screen.getByLabelText("lift"), "bench");
    expect(load().value).toBe("90 kg");
    await user.click(screen.getByRole("button", { name: "Add" }));
    await waitFor(() => expect(sent[0]).toMatchObject({ classId: "c1", lifter: "hale", lift: "bench", load: "90 kg" }));
  });
  it("says what is wrong with it, each thing once", async () => {
    const problem = { path: "load", message: "Load: 100 kg, or 225 lb." };
    const { action } = formAction(() => ({ status: "refused", message: "Not added.", problems: [problem, problem] }));
    const { user } = show(<AddEntryForm classId="c1" {...CHOICES} usual={{}} action={action} />);
    await user.click(screen.getByRole("button", { name: "Add" }));
    expect((await screen.findAllByText(problem.message)).length).toBe(1);
  });
  it("is fixed by one choice, which says what stood there before", async () => {
    const item = {
      id: "e1",
      lifterName: "Tove",
      liftName: "back squat",
      lockedBlock: 2,
      lockedStation: null,
      lockedTag: "K01",
    };
    const { sent, action } = formAction();
    const { user } = show(
      <LockForm
        classId="c1"
        item={item as ClassItem}
        blocks={["18:00", "18:20"]}
        stations={[{ key: "rack-1", name: "Rack 1" }]}
        tags={["K01", "K02"]}
        action={action}
      />,
    );
    expect(screen.getByLabelText<HTMLSelectElement>("Block").value).toBe("2");
    await user.selectOptions(screen.getByLabelText("Station"), "rack-1");
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      ...{ entryId: "e1", block: "2", station: "rack-1", tag: "K01" },
      ...{ "was.block": "2", "was.station": "", "was.tag": "K01" },
    });
    await user.click(screen.getByRole("button", { name: "Remove Tove, back squat" }));
    await waitFor(() => expect(sent[1]).toMatchObject({ remove: "1" }));
  });
});

describe("the evening", () => {
  it("is worked out by one button, and again once something of it broke", async () => {
    const { sent, action } = formAction();
    const { user, again } = show(<AssignForm classId="c1" isAgain={false} action={action} />);
    await user.click(screen.getByRole("button", { name: "Assign stations and bars" }));
    again(<ReassignForm classId="c1" action={action} />);
    await user.click(screen.getByRole("button", { name: "Reassign" }));
    await waitFor(() => expect(sent.map(({ classId }) => classId)).toEqual(["c1", "c1"]));
  });
  it("keeps the name that was typed for the brush when somebody else was quicker", async () => {
    const { sent, action } = formAction(({ version }) =>
      version === "1" ? { status: "refused", message: "Changed since you opened it.", version: 2 } : {},
    );
    const { user } = show(
      <BrushDuty classId="c1" version={1} brushBy={null} names={["Tove"]} isBusy action={action} />,
    );
    expect(screen.getByText(/busy evening/)).toBeTruthy();
    await user.type(screen.getByLabelText("Brush duty"), "Hale");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await screen.findByText("Changed since you opened it.");
    expect(screen.getByLabelText<HTMLInputElement>("Brush duty").value).toBe("Hale");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(sent[1]).toMatchObject({ id: "c1", version: "2", brushBy: "Hale" }));
  });
});

describe("a move on the board", () => {
  const at = (station: string, tag: string) => ({ station, time: "18:30", tag, verdict: "good" });
  const cost = (part: Partial<MoveCost>): MoveCost => ({
    ...{ fitBefore: 0.92, fitAfter: 0.92, changes: [], isPossible: true, clashes: [] },
    ...part,
  });
  const shown = (part: Partial<MoveCost>) => {
    const [onMove, onCancel] = [vi.fn(), vi.fn()];
    return { onMove, onCancel, ...show(<Cost cost={cost(part)} onMove={onMove} onCancel={onCancel} />) };
  };
  const change = (to: unknown) =>
    ({
      id: "e1",
      lifter: "Tove",
      lift: "back squat",
      from: at("Rack 1", "K01"),
      to,
      because: "",
    }) as MoveCost["changes"][number];

  it("that costs nothing says so and is done or left", async () => {
    const { user, onMove, onCancel } = shown({});
    await user.click(screen.getByRole("button", { name: "Cancel" }));
    await user.click(screen.getByRole("button", { name: "Move" }));
    expect([onMove.mock.calls.length, onCancel.mock.calls.length]).toEqual([1, 1]);
  });
  it("that suits people worse names them, with where they come from and go to", () => {
    shown({ fitAfter: 0.8, changes: [change(at("Rack 2", "K02"))] });
    const text = screen.getByTestId("move-cost").textContent!;
    for (const word of ["92 %", "80 %", "Tove", "Rack 1", "K01", "Rack 2", "K02"]) expect(text).toContain(word);
  });
  it("that leaves somebody without a place says it before anything is moved", () => {
    shown({ fitAfter: 0.95, changes: [change(null)], clashes: ["Hale and Tove at 18:30"] });
    expect(screen.getByText("unassigned")).toBeTruthy();
    expect(screen.getByTestId("move-cost").className).toContain("border-l-accent");
    expect(screen.getByText(/Hale and Tove at 18:30/)).toBeTruthy();
  });
  it("that cannot be is not offered", () => {
    shown({ isPossible: false });
    expect(screen.queryByRole("button", { name: "Move" })).toBeNull();
  });
  it("is asked about elsewhere and with another bar, not where it stands already", async () => {
    const onAsk = vi.fn();
    const rows = ["rack-1", "rack-2"].map((station) => ({ station, name: station, capacity: 2, cells: [] }));
    const { user, again } = show(
      <Elsewhere
        board={{ rows } as never}
        times={["18:00", "18:20"]}
        at={{ station: "rack-1", block: 0 }}
        onAsk={onAsk}
      />,
    );
    const ask = () => screen.getByRole<HTMLButtonElement>("button");
    expect(ask().disabled).toBe(true);
    await user.selectOptions(screen.getByLabelText("Block"), "18:20");
    await user.selectOptions(screen.getByLabelText("Station"), "rack-2");
    await user.click(ask());
    expect(onAsk).toHaveBeenCalledWith({ block: 1, station: "rack-2" });
    again(<OtherBar tag="K01" tags={["K01", "K02"]} onAsk={onAsk} />);
    const bars = within(screen.getByLabelText("Bar there")).getAllByRole("option");
    expect(bars.map(({ textContent }) => textContent)).toEqual(["K01", "K02"]);
    expect(ask().disabled).toBe(true);
    await user.selectOptions(screen.getByLabelText("Bar there"), "K02");
    await user.click(ask());
    expect(onAsk).toHaveBeenLastCalledWith("K02");
  });
});
