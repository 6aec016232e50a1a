// @vitest-environment jsdom
import "../dom.fixture";
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { LIFTER_FIELDS } from "@/core/matching/lifterFields";
import { CheckProvider, type FormCheck } from "./formCheck";
import { CheckedForm } from "./CheckedForm";
import { FieldsForm } from "./FieldsForm";
import { Field } from "./FormParts";
import { FRESH, type FormState } from "./formState";

/* A form checked by the server when a field is left and when it is sent. */

const DEFS = { name: LIFTER_FIELDS.name, heightMm: LIFTER_FIELDS.heightMm, massKg: LIFTER_FIELDS.massKg };

function setUp(check: FormCheck, answer?: (form: FormData) => Promise<FormState>) {
  const sent: FormData[] = [];
  const asked: Record<string, string>[] = [];
  const action = async (_: FormState, form: FormData): Promise<FormState> => {
    sent.push(form);
    return answer ? answer(form) : { status: "done", message: "Saved.", problems: [], typed: {} };
  };
  render(
    <CheckProvider
      check={(kind, texts) => {
        asked.push(texts);
        return check(kind, texts);
      }}
    >
      <a href="/elsewhere">Elsewhere</a>
      <FieldsForm kind="lifter" defs={DEFS} id="x" version={1} texts={{ name: "Ann" }} action={action} />
    </CheckProvider>,
  );
  return { user: userEvent.setup(), sent, asked };
}
const tall: FormCheck = async (_kind, { heightMm = "", massKg = "" }) => [
  ...(massKg === "light" ? [{ path: "massKg", message: "body mass: “light” is no number" }] : []),
  ...(heightMm === "tall" ? [{ path: "heightMm", message: "height: “tall” is no number; 1.93 m is fine" }] : []),
];
const height = () => screen.getByLabelText(/^height/);
const mass = () => screen.getByLabelText(/^body mass/);
const save = () => screen.getByRole("button", { name: "Save" });

afterEach(() => vi.restoreAllMocks());

describe("a checked form", () => {
  it("says at the field what is wrong when it is left, and takes it back when it is right", async () => {
    const { user, sent } = setUp(tall);
    await user.type(height(), "tall");
    expect(screen.queryByText(/1\.93 m is fine/)).toBeNull();
    await user.tab();
    await screen.findByText(/1\.93 m is fine/);
    expect(height().getAttribute("aria-invalid")).toBe("true");
    expect(height().getAttribute("aria-describedby")).toContain("problem");
    await user.clear(height());
    await user.type(height(), "1.93 m");
    await user.tab();
    await waitFor(() => expect(screen.queryByText(/1\.93 m is fine/)).toBeNull());
    expect(sent).toHaveLength(0);
  });
  it("sends nothing that is wrong, lists every problem, and puts the focus on the first", async () => {
    const { user, sent } = setUp(tall);
    await user.type(height(), "tall");
    await user.type(mass(), "light");
    await user.click(save());
    await screen.findByText(/1\.93 m is fine/);
    await screen.findByText(/“light” is no number/);
    expect(sent).toHaveLength(0);
    await waitFor(() => expect(document.activeElement).toBe(height()));
    expect((mass() as HTMLInputElement).value).toBe("light");
  });
  it("says nothing of a field that was passed over empty", async () => {
    const { user } = setUp(async () => [{ path: "heightMm", message: "height: must be given" }]);
    await user.click(height());
    await user.tab();
    await user.tab();
    expect(screen.queryByText(/must be given/)).toBeNull();
    await user.click(save());
    await screen.findByText(/must be given/);
  });
  it("checks a field that was left before its script had come", async () => {
    setUp(tall);
    const field = height() as HTMLInputElement;
    field.focus();
    fireEvent.input(field, { target: { value: "tall" } });
    field.blur();
    await screen.findByText(/1\.93 m is fine/);
  });
  it("leaves boxes of one name as they stand", async () => {
    const sent: FormData[] = [];
    const send = (form: FormData) => void sent.push(form);
    render(
      <CheckProvider check={async () => []}>
        <CheckedForm kind="x" form={FRESH} send={send} isPending={false}>
          <Field state={FRESH} name="may" label="May">
            {({ id, ...attributes }) => (
              <span id={id}>
                {["read", "write"].map((one) => (
                  <label key={one}>
                    <input {...attributes} type="checkbox" value={one} defaultChecked={one === "read"} /> {one}
                  </label>
                ))}
              </span>
            )}
          </Field>
          <button>Save</button>
        </CheckedForm>
      </CheckProvider>,
    );
    screen.getByLabelText("write").focus();
    await userEvent.setup().click(save());
    await waitFor(() => expect(sent[0]!.getAll("may")).toEqual(["read"]));
  });
  it("is not held up by what it does not ask", async () => {
    const { user, sent } = setUp(async () => [{ path: "key", message: "short name: must be given" }]);
    await user.type(mass(), "80");
    await user.click(save());
    await screen.findByText("Saved.");
    expect(sent).toHaveLength(1);
  });
  it("is sent once, however often the button is pressed", async () => {
    let go = () => {};
    const { user, sent } = setUp(
      async () => [],
      () =>
        new Promise((resolve) => {
          go = () => resolve({ status: "done", message: "Saved.", problems: [], typed: {} });
        }),
    );
    await user.type(mass(), "80");
    await Promise.all([user.click(save()), user.click(save()), user.click(save())]);
    await waitFor(() => expect(sent).toHaveLength(1));
    go();
    await screen.findByText("Saved.");
    expect(sent).toHaveLength(1);
    expect(sent[0]!.get("massKg")).toBe("80");
  });
  it("is sent when the check gives no answer: saving checks again", async () => {
    const { user, sent } = setUp(() => Promise.reject(new TypeError("Failed to fetch")));
    await user.type(mass(), "80");
    await user.click(save());
    await screen.findByText("Saved.");
    expect(sent).toHaveLength(1);
  });
  it("shows what the server refused after all at its field, with the focus there", async () => {
    const { user } = setUp(
      async () => [],
      async (form) => ({
        status: "refused",
        message: "Not saved.",
        problems: [{ path: "massKg", message: "body mass: taken" }],
        typed: Object.fromEntries([...form].map(([name, value]) => [name, String(value)])),
      }),
    );
    await user.type(mass(), "80");
    await user.click(save());
    await screen.findByText("body mass: taken");
    await waitFor(() => expect(document.activeElement).toBe(mass()));
    expect((mass() as HTMLInputElement).value).toBe("80");
  });
  it("asks before what is not saved is left, and not otherwise", async () => {
    const { user } = setUp(async () => []);
    const confirm = vi.spyOn(window, "confirm").mockReturnValue(false);
    const left = vi.fn((event: Event) => event.preventDefault());
    screen.getByText("Elsewhere").addEventListener("click", left);
    await user.click(screen.getByText("Elsewhere"));
    expect([confirm.mock.calls.length, left.mock.calls.length]).toEqual([0, 1]);
    await user.type(mass(), "80");
    await user.click(screen.getByText("Elsewhere"));
    expect([confirm.mock.calls.length, left.mock.calls.length]).toEqual([1, 1]);
    confirm.mockReturnValue(true);
    await user.click(screen.getByText("Elsewhere"));
    expect(left.mock.calls.length).toBe(2);
    await user.click(save());
    await screen.findByText("Saved.");
    await user.click(screen.getByText("Elsewhere"));
    expect(confirm.mock.calls.length).toBe(2);
  });
});
