// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { KG_PER_LB } from "@/core/units/constants";
import { sent, serve } from "../dom.fixture";
import { POUNDS, show } from "../touch.fixture";
import { IncidentForm } from "./IncidentForm";
import { WalkerForm } from "./WalkerForm";

/* What is written on the floor in a hurry: what happened with a bar, and who stands at a shared tablet. */

describe("what happened with a bar", () => {
  const fill = async (user: ReturnType<typeof show>["user"], load: string) => {
    await user.click(screen.getAllByRole("radio")[0]!);
    await user.type(screen.getByLabelText("How"), "slid off the hooks");
    await user.type(screen.getByLabelText(/^Load on the bar/), load);
    await user.click(screen.getByRole("button", { name: "Save" }));
  };

  it("needs what and how, and a load that can be read; nothing is sent before", async () => {
    const { user } = show(<IncidentForm tag="K01" />);
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect((await screen.findByRole("alert")).textContent).toContain("what happened");
    await fill(user, "heavy");
    await waitFor(() => expect(screen.getByRole("alert").textContent).toContain("“heavy”"));
    expect(sent).toHaveLength(0);
  });
  it("counts a bare load in the person's unit and sends kg", async () => {
    const { user } = show(<IncidentForm tag="K01" />, POUNDS);
    await fill(user, "225");
    await screen.findByText(/K01 is under watch/);
    expect(sent[0]!.url).toBe("/care/incidents/new");
    expect(sent[0]!.body).toMatchObject({ tag: "K01", note: "slid off the hooks" });
    expect(sent[0]!.body.loadKg).toBeCloseTo(225 * KG_PER_LB, 9);
    expect(screen.getByRole("link", { name: "Inspect K01" }).getAttribute("href")).toBe("/bars/K01/inspect");
  });
  it("that was not saved keeps every word, and is sent again under its key", async () => {
    const { user } = show(<IncidentForm tag="K01" />);
    serve(() => undefined);
    await fill(user, "80");
    await waitFor(() => expect(screen.getByRole("alert").textContent).toContain("still here"));
    serve(() => ({ status: 409, body: { error: { message: "K01 is retired." } } }));
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(screen.getByRole("alert").textContent).toBe("K01 is retired."));
    expect(screen.getByLabelText<HTMLTextAreaElement>("How").value).toBe("slid off the hooks");
    expect(sent[1]!.body.key).toBe(sent[0]!.body.key);
  });
});

describe("who walks the round on a shared tablet", () => {
  const PEOPLE = [{ id: "p1", name: "Ada" }];
  const walker = (part: Partial<Parameters<typeof WalkerForm>[0]> = {}) => {
    const setWalker = vi.fn();
    return {
      setWalker,
      ...show(<WalkerForm {...{ people: PEOPLE, walker: null, isAsked: false, setWalker, ...part }} />),
    };
  };
  const confirm = async (user: ReturnType<typeof show>["user"]) => {
    await user.selectOptions(screen.getByRole("combobox"), "p1");
    await user.type(screen.getByLabelText("PIN"), "1234");
    await user.click(screen.getByRole("button", { name: "Confirm" }));
  };

  it("is let in by their PIN, which does not stay in the field", async () => {
    serve(() => ({ status: 200, body: { name: "Ada", ticket: "t-1" } }));
    const { user, setWalker } = walker();
    await confirm(user);
    await waitFor(() => expect(setWalker).toHaveBeenCalledWith({ name: "Ada", ticket: "t-1" }));
    expect(sent[0]!.body).toEqual({ personId: "p1", pin: "1234" });
    expect(screen.getByLabelText<HTMLInputElement>("PIN").value).toBe("");
  });
  it("is told why not: a wrong PIN, or no connection", async () => {
    serve(() => ({ status: 403, body: { error: { message: "That PIN is wrong." } } }));
    const { user, setWalker } = walker({ isAsked: true });
    await confirm(user);
    await screen.findByText("That PIN is wrong.");
    serve(() => undefined);
    await confirm(user);
    await screen.findByText(/no connection/);
    expect(setWalker).not.toHaveBeenCalled();
  });
  it("says whose ticks these are, and lets the next one have the tablet", async () => {
    const { user, setWalker } = walker({ walker: { name: "Ada", ticket: "t-1" } });
    await user.click(screen.getByRole("button", { name: "Not Ada" }));
    expect(setWalker).toHaveBeenCalledWith(null);
  });
  it("without any PIN in the gym, what may take a bar out is said as something wrong", () => {
    walker({ people: [], isAsked: true });
    expect(screen.getByRole("alert").textContent).toContain("Something is wrong");
    expect(screen.queryByLabelText("PIN")).toBeNull();
  });
});
