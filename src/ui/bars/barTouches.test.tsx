// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { serve, visits } from "../dom.fixture";
import { forgetIntent } from "../kit/intent";
import { formAction, POUNDS, show } from "../touch.fixture";
import { LabelColours } from "./LabelColours";
import { PictureLinks } from "./PictureLinks";
import { RangePickers } from "./RangePicker";

/* The wall's numbers as sliders, the families' colours, a drawing as a picture. */

beforeEach(() => {
  forgetIntent();
  visits.path = "/bars";
  window.history.replaceState(null, "", "/bars?family=power");
});

describe("bars by their numbers", () => {
  const SPANS = [
    ["mass", { least: 10, greatest: 30 }] as const,
    ["shaftDiameter", { least: 25, greatest: 32 }] as const,
  ];
  const pickers = (ranges = {}, units?: typeof POUNDS) =>
    show(<RangePickers spans={SPANS} ranges={ranges} className="" />, units);
  const open = async () => {
    const fold = screen.getByText(/By numbers/).closest("details")!;
    fold.open = true;
    fireEvent(fold, new Event("toggle"));
    return within(await screen.findByRole("group", { name: /^mass/ }));
  };
  const asked = () => Object.fromEntries(new URL(visits.went.at(-1)!, "http://x").searchParams);

  it("are drawn once they are opened, and ask when the slider is let go, beside what is asked already", async () => {
    pickers();
    expect(screen.queryByRole("group", { name: /^mass/ })).toBeNull();
    const mass = await open();
    const from = mass.getByRole("slider", { name: "mass from" });
    fireEvent.change(from, { target: { value: "18" } });
    expect(visits.went).toEqual([]);
    fireEvent.pointerUp(from);
    expect(asked()).toEqual({ family: "power", mass: "18.." });
  });
  it("from never passes to, and both at the ends ask nothing", async () => {
    pickers({ mass: { from: 18, to: 22 } });
    expect(screen.getByText("· 1 set")).toBeTruthy();
    const mass = within(screen.getByRole("group", { name: /^mass/ }));
    const from = mass.getByRole<HTMLInputElement>("slider", { name: "mass from" });
    fireEvent.change(from, { target: { value: "29" } });
    expect(from.value).toBe("22");
    fireEvent.change(from, { target: { value: "10" } });
    fireEvent.change(mass.getByRole("slider", { name: "mass to" }), { target: { value: "30" } });
    fireEvent.keyUp(from);
    expect(asked()).toEqual({ family: "power" });
  });
  it("are read in the reader's unit and asked in kg", async () => {
    pickers({}, POUNDS);
    const mass = await open();
    expect(screen.getByRole("group", { name: "mass, lb" })).toBeTruthy();
    const to = mass.getByRole("slider", { name: "mass to" });
    fireEvent.change(to, { target: { value: "20" } });
    expect(screen.getByRole("group", { name: "mass, lb" }).textContent).toContain("44.09");
    fireEvent.pointerUp(to);
    expect(asked()).toMatchObject({ mass: "..20" });
  });
});

describe("the families' colours", () => {
  const COLOURS = [
    { key: "power", name: "power bar", colour: "#aa0000" },
    { key: "curl", name: "curl bar", colour: null },
  ];
  it("are chosen family by family, and one that is unticked has none", async () => {
    const { sent, action } = formAction();
    const { user } = show(<LabelColours colours={COLOURS} version={2} mayEdit action={action} />);
    await user.click(screen.getByLabelText("curl bar"));
    fireEvent.change(screen.getByLabelText("Colour of curl bar"), { target: { value: "#00aa00" } });
    await user.click(screen.getByLabelText("power bar"));
    await user.click(screen.getByRole("button", { name: "Save colours" }));
    await waitFor(() => expect(sent[0]).toEqual({ version: "2", "has-curl": "on", curl: "#00aa00" }));
  });
  it("are only looked at by whoever may not choose", () => {
    show(<LabelColours colours={COLOURS} version={2} mayEdit={false} action={formAction().action} />);
    expect(screen.queryByRole("button")).toBeNull();
    expect(screen.getByLabelText<HTMLInputElement>("power bar").disabled).toBe(true);
  });
});

describe("a drawing as a file", () => {
  it("that cannot be made says why", async () => {
    serve(() => ({ status: 404 }));
    const { user } = show(<PictureLinks svg="/bars/K01/sheet.svg" name="K01" />);
    expect(screen.getByRole("link", { name: "SVG" }).getAttribute("download")).toBe("K01.svg");
    await user.click(screen.getByRole("button", { name: "PNG" }));
    expect((await screen.findByRole("alert")).textContent).toContain("404");
  });
});
