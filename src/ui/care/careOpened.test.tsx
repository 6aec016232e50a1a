// @vitest-environment jsdom
import { fireEvent, render, screen, within } from "@testing-library/react";
import { renderToString } from "react-dom/server";
import { describe, expect, it } from "vitest";
import "../dom.fixture";
import { noAction } from "../screen.fixture";
import { NeverRows } from "../match/OtherRows";
import { type DueRow, DueRows } from "./DueRows";
import { LatelyRows } from "./LatelyRows";
import { SpotChecks } from "./SpotChecks";
import { TickBoard } from "./TickForms";

/* What is drawn only once somebody opens it. */

const TODAY = "2026-03-20";

/** Opens what folds away, as a browser does. */
function open(words: RegExp) {
  const details = screen.getByText(words).closest("details")!;
  details.open = true;
  fireEvent(details, new Event("toggle"));
}

const due = (i: number): DueRow => ({
  ...{ tag: `T${i}`, barName: "Test bar", family: "power", state: "in-service", place: "Rack wall" },
  ...{ task: "shaft", taskName: "brush and wipe the shaft", dueOn: "2026-03-11", lastDoneOn: "2026-03-19" },
  ...{ overdueDays: 9, drivers: [`driver ${i}`], reason: `bare shaft, bar ${i}: every 10 days` },
});

describe("folded away until it is opened", () => {
  it("the sum behind what is due, and when it was done last", () => {
    const items = [due(1), due(2)];
    render(
      <TickBoard tickAction={noAction} undoAction={noAction}>
        <DueRows items={items} keys={["a", "b"]} today={TODAY} mayTick by="p" on={TODAY} />
      </TickBoard>,
    );
    expect(screen.queryByText(/every 10 days/)).toBeNull();
    open(/driver 2/i);
    expect(screen.getByText(/every 10 days/).textContent).toMatch(/bar 2.*Last done yesterday/);
  });
  it("every row is there in the browser, of what is due and of what was done", () => {
    const items = Array.from({ length: 25 }, (_, i) => due(i));
    const log = items.map(({ tag, taskName }, i) => ({
      ...{ id: `l${i}`, tag, barName: "Test bar", taskName, doneOn: TODAY, by: "Ada", note: null, isUndone: i > 3 },
    }));
    render(
      <TickBoard tickAction={noAction} undoAction={noAction}>
        <DueRows items={items} keys={items.map(({ tag }) => tag)} today={TODAY} mayTick by="p" on={TODAY} />
        <LatelyRows log={log} today={TODAY} mayTick />
      </TickBoard>,
    );
    const rows = (name: RegExp) => within(screen.getByRole("region", { name })).getAllByRole("listitem");
    expect(rows(/^Due/)).toHaveLength(25);
    expect(rows(/Done lately/)).toHaveLength(25);
    expect(screen.getAllByRole("button", { name: /^Undo: / })).toHaveLength(4);
  });
  it("the day's spot checks, each with its reason and two answers", () => {
    const check = { tag: "T1", barName: "Test bar", place: "Rack wall", uses: 3, chalkSeenOn: null, isLookedAt: false };
    render(<SpotChecks checks={[check]} today={TODAY} action={noAction} />);
    expect(screen.queryByRole("button")).toBeNull();
    open(/Spot check/);
    expect(screen.getByText(/Rack wall · used or planned 3 times/)).toBeTruthy();
    expect(screen.getAllByRole("button").map(({ textContent }) => textContent)).toEqual(["Clean T1", "Chalk on it T1"]);
  });
  it("what was opened before the page listened is there once it does", () => {
    const check = { tag: "T1", barName: "Test bar", place: null, uses: 3, chalkSeenOn: null, isLookedAt: false };
    const sheet = <SpotChecks checks={[check]} today={TODAY} action={noAction} />;
    const container = document.createElement("div");
    document.body.append(container);
    container.innerHTML = renderToString(sheet);
    // A touch on a slow line: the browser opens it by itself.
    container.querySelector("details")!.open = true;
    expect(screen.queryByRole("button")).toBeNull();
    render(sheet, { container, hydrate: true });
    expect(screen.getAllByRole("button")).toHaveLength(2);
  });
  it("bars that can never be used, and the one that a link names", () => {
    const rows = ["T1", "T2"].map((tag) => ({
      tag,
      name: "Test bar",
      verdict: "never" as const,
      because: `no ${tag}`,
    }));
    const { unmount } = render(<NeverRows rows={rows} count={5} isOpen={false} />);
    expect(screen.queryByText("no T2")).toBeNull();
    open(/5 bars never for this/);
    expect(screen.getByText("no T2")).toBeTruthy();
    expect(screen.getByText("And 3 more.")).toBeTruthy();
    unmount();
    location.hash = "#bar-T2";
    render(<NeverRows rows={rows} count={2} isOpen={false} />);
    expect(screen.getByText("no T2")).toBeTruthy();
    location.hash = "";
  });
});
