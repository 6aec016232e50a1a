// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { PairForm } from "../doors/PairForm";
import { PickPerson } from "../doors/PickPerson";
import { SignInForm } from "../doors/SignInForm";
import { formAction, show } from "../touch.fixture";
import { DeviceList, PairDeviceForm } from "./DeviceForms";
import { InviteForm } from "./InviteForm";
import { PeopleTable, type PersonRow } from "./PeopleTable";
import { SecondStepForm } from "./SecondStepForm";
import { TokenForms } from "./TokenForms";

/* The doors and whoever comes through them: what is shown once, what keeps being typed, what needs a second look. */

describe("signing in", () => {
  const refuse = { status: "refused" as const, message: "Name or passphrase is wrong." };

  it("keeps the name and not the passphrase when it was refused, and asks for a code where one is needed", async () => {
    const { sent, action } = formAction((form) => ({ ...refuse, typed: { name: form.name!, needsCode: "yes" } }));
    const { user } = show(<SignInForm action={action} to="/care" passkey={null} hasMail={false} />);
    expect(screen.queryByRole("button", { name: "Use a passkey" })).toBeNull();
    await user.type(screen.getByLabelText("Name or e-mail"), "maren");
    await user.type(screen.getByLabelText("Passphrase"), "a river runs");
    await user.click(screen.getByRole("button", { name: "Sign in" }));
    await screen.findByText("Name or passphrase is wrong.");
    expect(sent[0]).toEqual({ to: "/care", name: "maren", passphrase: "a river runs" });
    expect(screen.getByLabelText<HTMLInputElement>("Name or e-mail").value).toBe("maren");
    expect(screen.getByLabelText<HTMLInputElement>("Passphrase").value).toBe("");
    expect(screen.getByLabelText("Code")).toBeTruthy();
  });
  it("shows a passphrase only on purpose", async () => {
    const { user } = show(<SignInForm action={formAction().action} to="" passkey={null} hasMail />);
    const field = () => screen.getByLabelText<HTMLInputElement>("Passphrase");
    expect(field().type).toBe("password");
    await user.click(screen.getByRole("button", { name: "Show" }));
    expect([field().type, screen.getByRole("button", { name: "Hide" }).getAttribute("aria-pressed")]).toEqual([
      "text",
      "true",
    ]);
    expect(screen.getByRole("link", { name: "Forgot your passphrase?" })).toBeTruthy();
  });
  it("by a passkey says so where the address has none", async () => {
    const passkey = { ask: async () => null, answer: vi.fn() };
    const { user } = show(<SignInForm action={formAction().action} to="" passkey={passkey} hasMail={false} />);
    await user.click(screen.getByRole("button", { name: "Use a passkey" }));
    expect(await screen.findByText(/do not work at this address/)).toBeTruthy();
    expect(passkey.answer).not.toHaveBeenCalled();
  });
  it("in a demonstration is one touch on a name", async () => {
    const { sent, action } = formAction();
    const halls = [{ hallName: "Reach", people: [{ id: "p1", name: "Maren", role: "manager" }] }];
    const { user } = show(<PickPerson halls={halls} current="p1" asksCode={false} to="/" action={action} />);
    const maren = screen.getByRole("button", { name: /Maren/ });
    expect(maren.getAttribute("aria-pressed")).toBe("true");
    await user.click(maren);
    await waitFor(() => expect(sent[0]).toEqual({ to: "/", personId: "p1" }));
  });
  it("of a tablet is six digits", async () => {
    const { sent, action } = formAction();
    const { user } = show(<PairForm action={action} />);
    await user.type(screen.getByLabelText("Code"), "123 4567");
    await user.click(screen.getByRole("button", { name: "Pair" }));
    await waitFor(() => expect(sent[0]).toEqual({ code: "123 456" }));
  });
});

describe("people", () => {
  const row = (part: Partial<PersonRow> = {}): PersonRow => ({
    ...{ id: "p2", name: "Ada", role: "care", version: 3, signsIn: "signs in as ada" },
    ...{ mayManage: true, hasAccount: true },
    ...part,
  });
  const table = (rows: PersonRow[]) => {
    const [role, link, remove] = [
      formAction(),
      formAction(() => ({ message: "Valid for a week.", typed: { address: "https://x/join/1" } })),
      formAction(),
    ];
    const tools = show(
      <PeopleTable
        rows={rows}
        roles={["coach", "care"]}
        roleAction={role.action}
        linkAction={link.action}
        removeAction={remove.action}
      />,
    );
    return { ...tools, role, link, remove };
  };

  it("change their role by one choice, under the version that was read", async () => {
    const { user, role } = table([row()]);
    await user.selectOptions(screen.getByLabelText("Role of Ada"), "coach");
    await waitFor(() => expect(role.sent[0]).toEqual({ personId: "p2", version: "3", role: "coach" }));
  });
  it("get a link that is shown once and can be copied", async () => {
    const { user } = table([row()]);
    const write = vi.spyOn(navigator.clipboard, "writeText");
    await user.click(screen.getByRole("button", { name: "New link for Ada" }));
    await screen.findByText("https://x/join/1");
    expect(screen.getByText("For a new passphrase of Ada")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Copy" }));
    expect(await screen.findByRole("button", { name: "Copied" })).toBeTruthy();
    expect(write).toHaveBeenCalledWith("https://x/join/1");
  });
  it("are removed only after a second touch that says what it does", async () => {
    const { user, remove } = table([row()]);
    await user.click(screen.getByLabelText("Remove Ada"));
    expect(remove.sent).toHaveLength(0);
    expect(screen.getByText(/signed out everywhere/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Remove Ada" }));
    await waitFor(() => expect(remove.sent[0]).toEqual({ personId: "p2", version: "3" }));
  });
  it("who may not be managed are only named", () => {
    table([row({ mayManage: false, role: "owner" })]);
    expect(screen.queryByRole("button")).toBeNull();
    expect(screen.getByText("owner")).toBeTruthy();
  });
  it("are invited, and the form is empty for the next", async () => {
    const { sent, action } = formAction(({ name }) => ({ typed: { invited: name!, address: "https://x/join/2" } }));
    const { user } = show(<InviteForm roles={["coach", "care"]} action={action} />);
    await user.type(screen.getByLabelText("Name"), "Bo");
    await user.selectOptions(screen.getByLabelText("Role"), "care");
    await user.click(screen.getByRole("button", { name: "Invite" }));
    await screen.findByText("Invitation of Bo");
    expect(sent[0]).toMatchObject({ name: "Bo", role: "care", email: "" });
    expect(screen.getByLabelText<HTMLInputElement>("Name").value).toBe("");
  });
});

describe("what else may come in", () => {
  it("a program's token is shown once, and what works already can be revoked one by one", async () => {
    const [make, revoke] = [formAction(() => ({ typed: { label: "Stock", token: "secret-1" } })), formAction()];
    const rows = ["t1", "t2"].map((id) => ({ id, name: `Program ${id}`, about: "reads" }));
    const { user } = show(<TokenForms rows={rows} makeAction={make.action} revokeAction={revoke.action} />);
    await user.type(screen.getByLabelText("Program"), "Stock");
    await user.click(screen.getByLabelText("import files"));
    await user.click(screen.getByRole("button", { name: "Make token" }));
    expect(await screen.findByText("secret-1")).toBeTruthy();
    expect(make.sent[0]).toMatchObject({ label: "Stock", scopes: "read write", days: "90" });
    await user.click(screen.getByRole("button", { name: "Revoke Program t2" }));
    await waitFor(() => expect(revoke.sent).toEqual([{ id: "t2" }]));
  });
  it("a program may only look unless somebody ticks more, and keeps what was ticked when it was refused", async () => {
    const refuse = formAction((form) => ({ status: "refused", message: "Not made.", typed: form }));
    const { user } = show(<TokenForms rows={[]} makeAction={refuse.action} revokeAction={refuse.action} />);
    const ticked = () =>
      screen.getAllByRole<HTMLInputElement>("checkbox").map(({ value, checked }) => [value, checked]);
    expect(ticked()).toEqual([
      ["read", true],
      ["write", false],
      ["health", false],
    ]);
    await user.click(screen.getByLabelText("read what hurts whom"));
    await user.click(screen.getByRole("button", { name: "Make token" }));
    await screen.findByText("Not made.");
    expect(refuse.sent[0]!.scopes).toBe("read health");
    expect(ticked().filter(([, is]) => is)).toHaveLength(2);
  });
  it("a tablet is named, and its digits are shown with where they are typed", async () => {
    const { sent, action } = formAction(() => ({ typed: { code: "123456", until: "18:40" } }));
    const { user } = show(<PairDeviceForm pairAt="http://gym.local/pair" action={action} />);
    await user.type(screen.getByLabelText("Name"), "Tablet at rack 1");
    await user.click(screen.getByRole("button", { name: "Pair a tablet" }));
    const shown = within(await screen.findByRole("status"));
    expect([shown.getByText("123456"), shown.getByText("http://gym.local/pair")]).toHaveLength(2);
    expect(sent[0]!.name).toBe("Tablet at rack 1");
  });
  it("a list of devices says when one could not be revoked", async () => {
    const { action } = formAction(() => ({ status: "refused", message: "It is gone already." }));
    const { user } = show(<DeviceList rows={[{ id: "d1", name: "Wall", about: "" }]} action={action} verb="Unpair" />);
    await user.click(screen.getByRole("button", { name: "Unpair Wall" }));
    expect(await screen.findByText("It is gone already.")).toBeTruthy();
  });
});

describe("the second step", () => {
  const form = (part: Partial<Parameters<typeof SecondStepForm>[0]>) => {
    const [on, off] = [formAction(() => ({ typed: { spareCodes: "aa-11 bb-22" } })), formAction()];
    const fresh = { secret: "S3CRET", picture: "data:image/png;base64," };
    const node = (more: object = {}) => (
      <SecondStepForm
        {...{ isOn: false, spareCodes: 8, fresh, onAction: on.action, offAction: off.action, ...part, ...more }}
      />
    );
    return { on, off, node, ...show(node()) };
  };
  it("is turned on by a first code, and its spare codes are shown then", async () => {
    const { user, on, node, again } = form({});
    await user.type(screen.getByLabelText("Code"), "123456");
    await user.click(screen.getByRole("button", { name: "Turn on" }));
    await waitFor(() => expect(on.sent[0]).toEqual({ secret: "S3CRET", code: "123456" }));
    again(node({ isOn: true }));
    expect(screen.getAllByRole("listitem").map(({ textContent }) => textContent)).toEqual(["aa-11", "bb-22"]);
  });
  it("asks for the passphrase first, and says how many spare codes are left", () => {
    form({ fresh: null });
    expect(screen.queryByRole("button")).toBeNull();
    form({ isOn: true, spareCodes: 3 });
    expect(screen.getByText(/3 spare codes/)).toBeTruthy();
    expect(screen.getByRole("button", { name: "Turn off" })).toBeTruthy();
  });
});
