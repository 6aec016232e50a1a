// @vitest-environment jsdom
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import type { RoundStop } from "@/server/care/rounds";
import { sent, serve } from "../dom.fixture";
import { unsentOf } from "../kit/outbox";
import { RoundScreen } from "./RoundScreen";

/* A round as it is walked: one bar at a time, three answers, and a connection that comes and goes. */

const URL = "/care/rounds/touch";
const stop = (tag: string, keys: string[] = ["shaft"], more: Partial<RoundStop["tasks"][number]> = {}): RoundStop => ({
  tag,
  barName: `Bar ${tag}`,
  place: "Rack wall",
  state: "in-service",
  tasks: keys.map((key) => ({
    key,
    name: `care for the ${key}`,
    steps: ["Do it."],
    cautions: [],
    reason: "weekly",
    overdueDays: 0,
    skipped: null,
    answers: [],
    ...more,
  })),
  minutes: 1,
});

function walk(stops: RoundStop[], task = "") {
  const screenOf = () => (
    <RoundScreen
      round={{ beyond: 0, day: "2026-03-20", stops, minutes: stops.length, materials: [] }}
      tasks={[{ key: "sleeves", name: "oil the sleeves" }]}
      task={task}
      ahead={0}
      mayTick
    />
  );
  const view = render(screenOf());
  return { user: userEvent.setup(), again: () => (view.unmount(), render(screenOf())) };
}

const now = () => within(screen.getByRole("region", { name: "Now" }));
const tagNow = () => now().getByRole("heading").textContent!.split(" ")[0];
const button = (name: string | RegExp) => now().getByRole("button", { name });
const touches = () => sent.filter(({ url }) => url === URL).map(({ body }) => body);

describe("the three answers", () => {
  it("done goes to the server with the bar's tasks and on to the next bar", async () => {
    const { user } = walk([stop("T1", ["shaft", "sleeves"]), stop("T2")]);
    expect(tagNow()).toBe("T1");
    await user.click(button("Done"));
    expect(tagNow()).toBe("T2");
    await waitFor(() => expect(touches()).toHaveLength(1));
    expect(touches()[0]).toMatchObject({ kind: "done", tag: "T1", tasks: ["shaft", "sleeves"] });
    await user.click(button("Done"));
    expect(screen.queryByRole("region", { name: "Now" })).toBeNull();
    expect(screen.getByText(/^That is all: 2 done/)).toBeTruthy();
  });

  it("a task that was left out is not sent as done, and with all left out nothing can be", async () => {
    const { user } = walk([stop("T1", ["shaft", "sleeves"])]);
    const boxes = now().getAllByRole("checkbox");
    await user.click(boxes[1]!);
    await user.click(boxes[0]!);
    expect(button(/^0 of 2/)).toHaveProperty("disabled", true);
    await user.click(boxes[0]!);
    await user.click(button(/^1 of 2/));
    await waitFor(() => expect(touches()).toHaveLength(1));
    expect(touches()[0]).toMatchObject({ kind: "done", tasks: ["shaft"] });
  });

  it("not now asks why, can be undone, and says so for every task of the bar", async () => {
    const { user } = walk([stop("T1", ["shaft", "sleeves"]), stop("T2")]);
    await user.click(button("Not now"));
    await user.click(button("Back"));
    expect(tagNow()).toBe("T1");
    await user.click(button("Not now"));
    await user.click(button("in use"));
    expect(tagNow()).toBe("T2");
    await waitFor(() => expect(touches()).toHaveLength(1));
    expect(touches()[0]).toMatchObject({ kind: "skip", tag: "T1", tasks: ["shaft", "sleeves"], note: "in use" });
    await user.click(button("Done"));
    expect(screen.getByText(/1 done, 1 left/)).toBeTruthy();
  });

  it("something wrong wants words, is listed as found, and the bar is still in hand", async () => {
    const { user } = walk([stop("T1"), stop("T2")]);
    await user.click(button("Something is wrong"));
    await user.click(button("Save"));
    expect(now().getByRole("alert")).toBeTruthy();
    await user.type(now().getByRole("textbox"), "hops when it rolls");
    await user.click(button("Save"));
    expect((await screen.findByRole("list", { name: "Found" })).textContent).toContain("hops when it rolls");
    expect(tagNow()).toBe("T1");
    await waitFor(() => expect(touches()).toHaveLength(1));
    expect(touches()[0]).toMatchObject({ kind: "wrong", tag: "T1", tasks: [], note: "hops when it rolls" });
  });
});

describe("a check", () => {
  const ANSWERS = [
    { key: "straight", name: "Straight", isSound: true },
    { key: "hops", name: "Hops", isSound: false },
  ];
  it("cannot be done without a result; the result goes with it", async () => {
    const { user } = walk([stop("T1", ["straightness"], { answers: ANSWERS }), stop("T2")]);
    expect(now().queryByRole("button", { name: "Done" })).toBeNull();
    expect(now().getByText("Choose a result.")).toBeTruthy();
    await user.click(now().getByRole("radio", { name: "Straight" }));
    await user.click(button("Done"));
    await waitFor(() => expect(touches()).toHaveLength(1));
    expect(touches()[0]).toMatchObject({ kind: "done", tag: "T1", results: { straightness: "straight" } });
    expect(tagNow()).toBe("T2");
  });
  it("beside work is left out where it has no result, and what is wrong is listed as found", async () => {
    const both = stop("T1", ["shaft", "straightness"]);
    both.tasks[1]!.answers = ANSWERS;
    const { user } = walk([both, { ...both, tag: "T2" }]);
    await user.click(button("1 of 2 done"));
    await user.click(now().getByRole("radio", { name: "Hops" }));
    await user.click(button("Done"));
    await waitFor(() => expect(touches()).toHaveLength(2));
    expect(touches()[0]).toMatchObject({ tag: "T1", tasks: ["shaft"] });
    expect(touches()[0]).not.toHaveProperty("results");
    expect(touches()[1]).toMatchObject({ tasks: ["shaft", "straightness"], results: { straightness: "hops" } });
    expect(screen.getByRole("list", { name: "Found" }).textContent).toContain("T2: Hops");
  });
});

describe("a connection that is lost", () => {
  it("keeps what was touched, goes on, and sends all of it in order when it is back", async () => {
    serve(() => undefined);
    const { user } = walk([stop("T1"), stop("T2"), stop("T3")]);
    await user.click(button("Done"));
    await user.click(button("Done"));
    expect(tagNow()).toBe("T3");
    expect(await screen.findByText("No connection.")).toBeTruthy();
    sent.length = 0;
    serve(() => ({ status: 200, body: {} }));
    window.dispatchEvent(new Event("online"));
    await waitFor(() => expect(touches().map(({ tag }) => tag)).toEqual(["T1", "T2"]));
    await waitFor(() => expect(screen.queryByText("No connection.")).toBeNull());
  });

  it("a page that is opened again meanwhile goes on where it was", async () => {
    serve(() => undefined);
    const { user, again } = walk([stop("T1"), stop("T2")]);
    await user.click(button("Done"));
    await waitFor(async () => expect(await unsentOf(URL)).toHaveLength(1));
    again();
    await waitFor(() => expect(tagNow()).toBe("T2"));
  });

  it("the same touch carries the same key however often it is sent", async () => {
    serve(() => ({ status: 503 }));
    const { user } = walk([stop("T1"), stop("T2")]);
    await user.click(button("Done"));
    await waitFor(() => expect(touches().length).toBeGreaterThan(0));
    window.dispatchEvent(new Event("online"));
    await waitFor(() => expect(touches().length).toBeGreaterThan(1));
    expect(new Set(touches().map(({ key }) => key)).size).toBe(1);
  });

  it("what the server refuses is said until it was read, and is not tried again", async () => {
    serve(() => ({ status: 409, body: { error: { message: "T1 is quarantined." } } }));
    const { user } = walk([stop("T1"), stop("T2")]);
    await user.click(button("Done"));
    expect(await screen.findByText(/T1 is quarantined\./)).toBeTruthy();
    expect(await unsentOf(URL)).toHaveLength(0);
    await user.click(screen.getByRole("button", { name: "Dismiss" }));
    expect(screen.queryByText(/T1 is quarantined\./)).toBeNull();
  });
});

describe("a round of sleeves by sides", () => {
  const sleeves = () => walk([stop("T1", ["sleeves"]), stop("T2", ["sleeves"])], "sleeves");
  it("does one side of every bar, turns them all, then the other; a bar is done after both", async () => {
    const { user } = sleeves();
    await user.click(button("This side is done"));
    expect(tagNow()).toBe("T2");
    await user.click(button("This side is done"));
    expect(touches()).toHaveLength(0);
    await user.click(button("All turned"));
    expect(tagNow()).toBe("T1");
    await user.click(button("Done"));
    await user.click(button("Done"));
    await waitFor(() => expect(touches().map(({ tag }) => tag)).toEqual(["T1", "T2"]));
    expect(screen.getByText(/^That is all: 2 done/)).toBeTruthy();
  });
  it("goes on at the side where it was when the page is opened again", async () => {
    const { user, again } = sleeves();
    await user.click(button("This side is done"));
    again();
    expect(tagNow()).toBe("T2");
    expect(button("This side is done")).toBeTruthy();
  });
});
