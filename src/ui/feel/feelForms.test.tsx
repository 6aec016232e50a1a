// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ASPECT_KEYS, NOTE_ASPECTS } from "@/core/feel/barNote";
import { ConfirmForm, EraseForm, UseForm } from "../lifters/LifterForms";
import { formAction, show, TODAY } from "../touch.fixture";
import { NoteForm } from "./NoteForm";

/* What people say of bars, and what coaches say of lifters. */

describe("how a bar feels", () => {
  const note = (answer?: Parameters<typeof formAction>[0], lifters = [{ key: "tove", name: "Tove" }]) => {
    const { sent, action } = formAction(answer);
    const asked = { lifter: "tove", stage: null };
    return { sent, ...show(<NoteForm tag="K01" lifters={lifters} asked={asked} action={action} />) };
  };
  const first = NOTE_ASPECTS[ASPECT_KEYS[0]!].label;

  it("is said in steps and words, for whom it was asked", async () => {
    const { user, sent } = note();
    await user.click(screen.getByLabelText(`${first} 4 of 5`));
    await user.click(screen.getAllByLabelText("yes")[0]!);
    await user.type(screen.getByLabelText("In your words"), "sits lower");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      tag: "K01",
      lifter: "tove",
      stage: "first-day",
      wouldUseAgain: "yes",
      words: "sits lower",
    });
    expect(sent[0]![ASPECT_KEYS[0]!]).toBe("4");
  });
  it("that was refused stays as it was said, with the version to send it under", async () => {
    const { user, sent } = note(({ version }) =>
      version === "0" ? { status: "refused", message: "Changed meanwhile.", version: 4, problems: [] } : {},
    );
    await user.click(screen.getByLabelText(`${first} 2 of 5`));
    await user.click(screen.getByRole("button", { name: "Save" }));
    await screen.findByText("Changed meanwhile.");
    expect(screen.getByLabelText<HTMLInputElement>(`${first} 2 of 5`).checked).toBe(true);
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(sent[1]).toMatchObject({ version: "4" }));
  });
  it("of a lifter themselves asks for nobody else", () => {
    note(undefined, []);
    expect(screen.queryByLabelText("Whose feel")).toBeNull();
  });
});

describe("a lifter", () => {
  it("has confirmed what a coach ticks, all at once", async () => {
    const { sent, action } = formAction();
    const confirmable = [
      { key: "hinge", words: "hinge on the straight bar" },
      { key: "squat", words: "steady squat" },
    ];
    const { user } = show(
      <ConfirmForm lifter="tove" confirmed={["hinge"]} confirmable={confirmable} action={action} />,
    );
    expect(screen.getByLabelText<HTMLInputElement>("hinge on the straight bar").checked).toBe(true);
    await user.click(screen.getByLabelText("steady squat"));
    await user.click(screen.getByRole("button", { name: "Confirm" }));
    await waitFor(() => expect(sent[0]).toEqual({ lifter: "tove", confirmed: "hinge squat" }));
  });
  it("used a bar on a day, today unless another is chosen", async () => {
    const { sent, action } = formAction();
    const { user } = show(<UseForm lifter="tove" tags={["K01", "K20"]} today={TODAY} action={action} />);
    await user.selectOptions(screen.getByLabelText("bar"), "K20");
    await user.type(screen.getByLabelText("note"), "mark 6");
    await user.click(screen.getByRole("button", { name: "Note" }));
    await waitFor(() => expect(sent[0]).toMatchObject({ lifter: "tove", tag: "K20", setting: "mark 6" }));
  });
  it("is erased only with a tick that says what goes", async () => {
    const { sent, action } = formAction();
    const { user } = show(<EraseForm lifter="tove" action={action} />);
    await user.click(screen.getByRole("button", { name: "Erase" }));
    expect(sent).toHaveLength(0);
    await user.click(screen.getByRole("checkbox"));
    await user.click(screen.getByRole("button", { name: "Erase" }));
    await waitFor(() => expect(sent[0]).toEqual({ lifter: "tove", sure: "on" }));
  });
});
