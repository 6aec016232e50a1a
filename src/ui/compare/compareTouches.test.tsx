// @vitest-environment jsdom
import { fireEvent, screen, within } from "@testing-library/react";
import { beforeAll, beforeEach, describe, expect, it } from "vitest";
import { MENS_BAR, stated, testBar } from "@/core/bars/testBar.fixture";
import { readCandidate } from "@/core/bars/candidate";
import { bendUnder, loadWhereTheyDiffer } from "@/core/whip/compareWhip";
import { STANDARD_DISC } from "@/core/whip/assumedPlates";
import { visits } from "../dom.fixture";
import { forgetIntent } from "../kit/intent";
import { POUNDS, show } from "../touch.fixture";
import { BentBars } from "./BentBars";
import { CandidateForm } from "./CandidateForm";
import { ComparisonTable } from "./ComparisonTable";
import { DifferenceFinder } from "./DifferenceFinder";

/* Comparing by touch: from which load on two bars differ, a bar that nobody owns yet, and the table on any width. */

const bar = (tag: string, mm: number) =>
  testBar({ ...MENS_BAR, shaftDiameter: stated(mm) }, { tag, name: `Bar ${tag}` });
const [A, B, C] = [bar("K01", 28), bar("K02", 29), bar("K03", 28.5)];

beforeAll(() => {
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function () {
    this.open = false;
  };
});
beforeEach(() => {
  forgetIntent();
  visits.path = "/compare";
  window.history.replaceState(null, "", "/compare?bars=K01");
});

describe("from which load on two bars differ", () => {
  const finder = (units?: typeof POUNDS) =>
    show(
      <DifferenceFinder
        bars={[A, B, C].map((one, ink) => ({ bar: one!, ink }))}
        handsMm={440}
        disc={STANDARD_DISC}
        noticeableMm={1.5}
        isFloor
      />,
      units,
    );
  const said = () => screen.getByTestId("differ-from").textContent!;
  const between = (a: typeof A, b: typeof A, differenceMm: number) =>
    loadWhereTheyDiffer(a!, b!, { supportHalfSpacingMm: 220, differenceMm, mostKg: 500, disc: STANDARD_DISC });

  it("is worked out for the first and the last, and for any two that are chosen", async () => {
    const { user } = finder();
    expect(said()).toContain(`${Math.round(between(A, C, 1.5)!)} kg`);
    await user.selectOptions(screen.getByLabelText("second bar"), "K02");
    expect(said()).toContain(`${Math.round(between(A, B, 1.5)!)} kg`);
    await user.selectOptions(screen.getByLabelText("first bar"), "K02");
    expect(said()).toContain("two different bars");
  });
  it("follows the slider, up to where no load does it", () => {
    finder(POUNDS);
    const slider = screen.getByRole("slider", { name: "Difference" });
    fireEvent.change(slider, { target: { value: "20" } });
    expect(between(A, C, 20)).toBeNull();
    expect(said()).toContain("at no load");
    expect(said()).toContain("lb");
    expect(slider.getAttribute("aria-valuetext")).toContain("in");
  });
});

describe("a bar that nobody owns yet", () => {
  const open = async (units?: typeof POUNDS) => {
    const tools = show(<CandidateForm />, units);
    await tools.user.click(screen.getByRole("button", { name: "Try an offer" }));
    return { ...tools, form: within(screen.getByRole("dialog")) };
  };
  it("is put into the link, with its figures in kg and mm", async () => {
    const { user, form } = await open();
    await user.type(form.getByLabelText("name"), "thin; one");
    await user.click(form.getByRole("button", { name: "Compare" }));
    const asked = new URL(visits.went.at(-1)!, "http://x").searchParams;
    expect(asked.get("bars")).toBe("K01");
    const candidate = readCandidate(asked.get("try")!);
    expect(candidate).toMatchObject({ massKg: 20, shaftDiameterMm: 28.5, shaftLengthMm: 1310 });
    expect(screen.getByRole<HTMLDialogElement>("dialog", { hidden: true }).open).toBe(false);
  });
  it("says at each field what cannot be, and stays open with what was typed", async () => {
    const { user, form } = await open();
    const shaft = form.getByLabelText<HTMLInputElement>(/^shaft diameter/);
    await user.clear(shaft);
    await user.type(shaft, "290");
    await user.click(form.getByRole("button", { name: "Compare" }));
    expect(form.getByRole("alert").textContent).toMatch(/shaft diameter/i);
    expect(shaft.getAttribute("aria-invalid")).toBe("true");
    expect(visits.went).toEqual([]);
  });
});

describe("the table of a comparison", () => {
  const ROWS = [
    { name: "mass", cells: [cell("20.1"), cell("19.9")], unit: "kg", by: "0.2 kg", isEqual: false },
    { name: "sleeve spin-down", cells: [cell("25.0"), cell("–")], unit: "s", by: "", isEqual: false },
    { name: "finish", cells: [cell("bare"), cell("bare")], unit: "", by: "", isEqual: true },
  ];
  const row = (name: RegExp) => screen.getByRole("row", { name });
  it("has every figure's unit beside its name, in the reader's unit", () => {
    const { again } = show(<ComparisonTable bars={[A, B]} rows={ROWS} />);
    expect(row(/^mass/).textContent).toBe("masskg20.119.90.2");
    expect(row(/^sleeve/).textContent).toBe("sleeve spin-downs25.0–");
    again(<></>);
    show(<ComparisonTable bars={[A, B]} rows={ROWS} />, POUNDS);
    expect(row(/^mass/).textContent).toMatch(/^masslb44\.3.*0\.4$/);
  });
  it("of one bar has no column for a difference", () => {
    show(<ComparisonTable bars={[A]} rows={ROWS.map((one) => ({ ...one, cells: one.cells.slice(0, 1) }))} />);
    expect(screen.getAllByRole("columnheader")).toHaveLength(2);
  });
});

function cell(text: string) {
  return { text, isStated: false };
}

describe("bars drawn bent over one another", () => {
  it.each([40, 220, 400])("under %d kg have every plate and every end inside the drawing", (loadKg) => {
    const bars = [
      testBar(MENS_BAR, { tag: "K11" }),
      testBar({ ...MENS_BAR, shaftDiameter: stated(27) }, { tag: "K04" }),
    ];
    show(
      <BentBars
        bent={bars.map((bar) => ({ bar, bent: bendUnder(bar, loadKg, 220), kind: "own" as const }))}
        handsMm={440}
        exaggeration={5}
        supportWord="hands"
      />,
    );
    const drawing = screen.getByRole("img");
    const [, top, , height] = drawing.getAttribute("viewBox")!.split(" ").map(Number) as [
      number,
      number,
      number,
      number,
    ];
    const plates = [...drawing.querySelectorAll("rect")];
    expect(plates.length).toBeGreaterThan(0);
    for (const plate of plates) {
      const [, y, turned] = /translate\(\S+ (\S+)\) rotate\((\S+)\)/
        .exec(plate.getAttribute("transform")!)!
        .map(Number);
      const angle = (Math.abs(turned!) * Math.PI) / 180;
      const [half, width] = ["height", "width"].map((name) => Number(plate.getAttribute(name)) / 2);
      const reach = half! * Math.cos(angle) + width! * Math.sin(angle);
      expect(y! - reach).toBeGreaterThanOrEqual(top);
      expect(y! + reach).toBeLessThanOrEqual(top + height);
    }
    for (const line of drawing.querySelectorAll("polyline"))
      for (const point of line.getAttribute("points")!.split(" ")) {
        const y = Number(point.split(",")[1]);
        expect(y).toBeGreaterThan(top);
        expect(y).toBeLessThan(top + height);
      }
  });
});
