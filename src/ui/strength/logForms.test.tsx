// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { formAction, show, TODAY } from "../touch.fixture";
import { AddSetsForm, EditSetForm, ImportSetsForm, OneTouchForm } from "./LogForms";

/* A lifter's log by hand: sets as people write them, a file looked at before it is imported, one touch that deletes. */

const CHOICES = {
  bars: [{ tag: "K01", name: "Plain bar" }],
  lifts: [{ key: "squat", name: "back squat" }],
  today: TODAY,
};

describe("sets that are logged", () => {
  it("are sent as they were written, under today unless another day is chosen", async () => {
    const { sent, action } = formAction();
    const { user } = show(
      <AddSetsForm lifter="tove" start={{ lift: "squat", tag: "K01" }} {...CHOICES} action={action} />,
    );
    await user.type(screen.getByLabelText("Sets, one line each"), "140x5 @2{enter}315 lb 3,3,2");
    await user.click(screen.getByRole("button", { name: "Add sets" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ lifter: "tove", lift: "squat", tag: "K01" });
    expect(sent[0]!.lines!.replaceAll("\r\n", "\n")).toBe("140x5 @2\n315 lb 3,3,2");
  });
  it("that look like a slip are asked about, and sent again with a tick", async () => {
    const { sent, action } = formAction(({ isSure }) =>
      isSure
        ? {}
        : {
            status: "refused",
            message: "Not added.",
            problems: [{ path: "isSure", message: "900 kg is far above the usual." }],
          },
    );
    const { user } = show(
      <AddSetsForm lifter="tove" start={{ lift: "squat", tag: "K01" }} {...CHOICES} action={action} />,
    );
    await user.type(screen.getByLabelText("Sets, one line each"), "900x5");
    await user.click(screen.getByRole("button", { name: "Add sets" }));
    await user.click(await screen.findByLabelText("It is right"));
    expect(screen.getByLabelText<HTMLTextAreaElement>("Sets, one line each").value).toBe("900x5");
    await user.click(screen.getByRole("button", { name: "Add sets" }));
    await waitFor(() => expect(sent[1]).toMatchObject({ lines: "900x5", isSure: "on" }));
  });
  it("one set is changed under the version that was read, and what is set beside it stands open", async () => {
    const { sent, action } = formAction();
    const start = { on: "2026-11-20", lift: "squat", tag: "K01", lines: "140x5", note: "belt", handsHelped: "on" };
    const { user, container } = show(
      <EditSetForm id="s1" version={3} lifter="tove" start={start} {...CHOICES} action={action} />,
    );
    expect(container.querySelector("details")!.open).toBe(true);
    await user.clear(screen.getByLabelText("Set"));
    await user.type(screen.getByLabelText("Set"), "142.5x5");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(sent[0]).toMatchObject({ id: "s1", version: "3", lines: "142.5x5", note: "belt" }));
  });
  it("one touch sends what it stands for and nothing else", async () => {
    const { sent, action } = formAction();
    const { user } = show(
      <OneTouchForm
        fields={{ id: "s1", version: "3" }}
        word="Delete"
        label="Delete 140 kg of 20 Nov"
        action={action}
      />,
    );
    await user.click(screen.getByRole("button", { name: "Delete 140 kg of 20 Nov" }));
    await waitFor(() => expect(sent).toEqual([{ id: "s1", version: "3" }]));
  });
});

describe("a file of sets", () => {
  const ROWS = "date,lift,bar,load\n2026-03-02,squat,K01,140 kg\n";
  const checking = (sets: string) =>
    formAction((form) => ({
      message: form.step === "check" ? `${sets} sets.` : "Imported.",
      typed: { ...form, checked: form.text!, sets },
    }));

  it("is looked at first and imported when it is still the same", async () => {
    const { sent, action } = checking("1");
    const { user } = show(<ImportSetsForm lifter="tove" action={action} />);
    const check = screen.getByRole<HTMLButtonElement>("button", { name: "Check" });
    expect(check.disabled).toBe(true);
    await user.upload(screen.getByLabelText("File"), new File([ROWS], "sets.csv", { type: "text/csv" }));
    const rows = screen.getByLabelText<HTMLTextAreaElement>("Or paste rows here");
    await waitFor(() => expect(rows.value).toBe(ROWS));
    await user.click(check);
    const take = await screen.findByRole("button", { name: "Import 1 set" });
    await user.type(rows, "2026-03-03,squat,K01,150 kg");
    expect(screen.queryByRole("button", { name: /^Import/ })).toBeNull();
    await user.clear(rows);
    await user.type(rows, ROWS);
    expect(take).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Import 1 set" }));
    await waitFor(() => expect(sent.map(({ step }) => step)).toEqual(["check", "import"]));
  });
  it("of which everything is in the log already is not offered", async () => {
    const { action } = checking("0");
    const { user } = show(<ImportSetsForm lifter="tove" action={action} />);
    await user.type(screen.getByLabelText("Or paste rows here"), "date,lift");
    await user.click(screen.getByRole("button", { name: "Check" }));
    await screen.findByText("0 sets.");
    expect(screen.queryByRole("button", { name: /^Import/ })).toBeNull();
  });
});
