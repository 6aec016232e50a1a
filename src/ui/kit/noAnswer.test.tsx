// @vitest-environment jsdom
import "../dom.fixture";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { FieldsForm } from "./FieldsForm";
import { refusedBy, type FormState } from "./formState";

const DEFS = { name: { label: "name", kind: "text" } } as never;

it("a form that gets no answer keeps what was typed, says so, and can be sent again", async () => {
  let isAway = true;
  const sent: string[] = [];
  const action = async (_: FormState, form: FormData): Promise<FormState> => {
    if (isAway) throw new TypeError("Failed to fetch");
    sent.push(String(form.get("name")));
    return { status: "done", message: "Saved.", problems: [], typed: {} };
  };
  const user = userEvent.setup();
  render(<FieldsForm kind="x" defs={DEFS} id="x" version={3} texts={{ name: "Old" }} action={action} />);
  await user.clear(screen.getByRole("textbox"));
  await user.type(screen.getByRole("textbox"), "New name");
  await user.click(screen.getByRole("button"));
  await screen.findByText(/there was no answer/);
  expect((screen.getByRole("textbox") as HTMLInputElement).value).toBe("New name");
  isAway = false;
  await user.click(screen.getByRole("button"));
  await screen.findByText("Saved.");
  expect(sent).toEqual(["New name"]);
});

it("a form that was refused because something changed names what stands now when it is sent again", async () => {
  const versions: string[] = [];
  const action = async (_: FormState, form: FormData): Promise<FormState> => {
    versions.push(String(form.get("version")));
    const typed = { name: String(form.get("name")) };
    return versions.length === 1
      ? refusedBy({ message: "Someone else changed it meanwhile.", problems: [], version: 7 }, typed)
      : { status: "done", message: "Saved.", problems: [], typed: {} };
  };
  const user = userEvent.setup();
  render(<FieldsForm kind="x" defs={DEFS} id="x" version={3} texts={{ name: "Old" }} action={action} />);
  await user.click(screen.getByRole("button"));
  await screen.findByText("Someone else changed it meanwhile.");
  await user.click(screen.getByRole("button"));
  await screen.findByText("Saved.");
  expect(versions).toEqual(["3", "7"]);
});
