// @vitest-environment jsdom
import { act, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { MENS_BAR, testBar } from "@/core/bars/testBar.fixture";
import type { RunSet, RunState } from "@/core/loading/run/runState";
import { stepRun } from "@/core/loading/run/runStep";
import { stepOfTouch, type RunTouch } from "@/core/loading/run/runTouch";
import { massUnitsFromKg } from "@/core/units/exactMass";
import type { RunView } from "@/server/loading";
import { sent, serve } from "../dom.fixture";
import { unsentOf } from "../kit/outbox";
import { noAction } from "../screen.fixture";
import { RunScreen } from "./RunScreen";

/* The run sheet on a tablet: its own touches at once, the server's word in the end, and what other tablets did. */

const URL = "/load/session/run/r1/touch";
const PLATES = Object.fromEntries(
  [
    ["r20", 20],
    ["r10", 10],
    ["c5", 5],
  ].map(([key, kg]) => [
    key as string,
    {
      label: String(kg),
      mark: String(kg),
      colour: null,
      thicknessMm: 20,
      diameterMm: 300,
      massUnits: massUnitsFromKg(kg as number),
    },
  ]),
);

const set = (id: string, totalKg: number, perSide: string[], more: Partial<RunSet> = {}): RunSet => ({
  id,
  lifter: `Lifter ${id}`,
  isWork: true,
  targetUnits: massUnitsFromKg(totalKg),
  setup: null,
  jCupHole: null,
  achievedUnits: massUnitsFromKg(totalKg),
  perSide,
  state: "open",
  ...more,
});

const START: RunState = {
  bar: { barUnits: massUnitsFromKg(20), clampPairUnits: 0, roomMm: 400, changesSetupEmpty: false },
  plates: Object.entries(PLATES).map(([id, { massUnits }]) => ({ id, massUnits, pairs: 4, thicknessMm: 20 })),
  start: [],
  sets: [set("a", 60, ["r20"]), set("b", 80, ["r20", "r10"]), set("c", 60, ["r20"])],
  isProven: true,
};

const view = (more: Partial<RunView> = {}): RunView => ({
  id: "r1",
  seq: 0,
  stamp: "s0",
  state: START,
  stop: null,
  warnings: [],
  isOver: false,
  notices: [],
  ...more,
});

/** A server that keeps a run by the same rules, as ours does. */
function runServer(first = view()) {
  const keys = new Set<string>();
  const held = { view: first };
  serve((url, body) => {
    if (url !== URL) return { status: 200, body: { view: held.view } };
    const { key, ...touch } = body as RunTouch & { key: string };
    if (!keys.has(key)) {
      const { state } = stepRun(held.view.state, stepOfTouch(touch));
      held.view = { ...held.view, state, seq: held.view.seq + 1, stamp: `s${held.view.seq + 1}` };
    }
    keys.add(key);
    return { status: 200, body: { view: held.view } };
  });
  return held;
}

function tablet(first = view(), endAction = noAction) {
  const bar = testBar(MENS_BAR, { tag: "T1", name: "Test bar" });
  const props = { bar, stationName: null, rack: null, clamp: null, plates: PLATES, planHref: "/load/session" };
  render(<RunScreen first={first} {...props} endAction={endAction} />);
  return userEvent.setup({ advanceTimers: (ms) => vi.advanceTimersByTime(ms) });
}

const now = () => within(screen.getByRole("region", { name: "Now" }));
const button = (name: string | RegExp) => now().getByRole<HTMLButtonElement>("button", { name });
const [off, on] = [0, 1].map((i) => () => now().getAllByRole("definition")[i]!.textContent);
const lifter = () => now().getByText(/^Lifter /).textContent;
const touches = () => sent.filter(({ url }) => url === URL).map(({ body }) => body);

beforeEach(() => {
  vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"], now: undefined });
});
afterEach(() => vi.useRealTimers());

/** Until the tablet asks the others again. */
const twoSeconds = () => act(async () => void (await vi.advanceTimersByTimeAsync(2000)));

describe("a set after the other", () => {
  it("says what comes off and goes on each side, and done brings the next one", async () => {
    const server = runServer();
    const user = tablet();
    expect([lifter(), off!(), on!()]).toEqual(["Lifter a", "nothing", "20"]);
    await user.click(button("Done"));
    expect([lifter(), off!(), on!()]).toEqual(["Lifter b", "nothing", "10"]);
    await user.click(button("Done"));
    expect([lifter(), off!(), on!()]).toEqual(["Lifter c", "10", "nothing"]);
    await waitFor(() => expect(server.view.seq).toBe(2));
    expect(touches().map(({ kind, set: id, perSide }) => [kind, id, perSide])).toEqual([
      ["done", "a", ["r20"]],
      ["done", "b", ["r20", "r10"]],
    ]);
  });

  it("ends with an empty bar: what is to come off, outside first", async () => {
    runServer();
    const user = tablet();
    for (let i = 0; i < 3; i += 1) await user.click(button("Done"));
    const done = within(screen.getByRole("region", { name: "Done" }));
    expect(done.getByText(/Empty the bar/).textContent).toContain("20");
    expect(done.getByRole("button", { name: "The bar is empty" })).toBeTruthy();
  });

  it("is taken back as often as it was done", async () => {
    const server = runServer();
    const user = tablet();
    expect(button("Back").disabled).toBe(true);
    await user.click(button("Done"));
    await user.click(button("Done"));
    await user.click(button("Back"));
    await user.click(button("Back"));
    expect(lifter()).toBe("Lifter a");
    expect(button("Back").disabled).toBe(true);
    await waitFor(() => expect(server.view.state.sets.every(({ state }) => state === "open")).toBe(true));
  });

  it("that is left out leaves the bar as it is", async () => {
    runServer();
    const user = tablet();
    await user.click(button("Done"));
    await user.click(button("Skip"));
    expect([lifter(), off!(), on!()]).toEqual(["Lifter c", "nothing", "nothing"]);
  });
});

describe("another load", () => {
  it("by a jump is planned on the tablet itself, with what the hall has", async () => {
    const server = runServer();
    const user = tablet();
    await user.click(button("10 kg more"));
    await waitFor(() => expect(on!()).toBe("20, 5"));
    await waitFor(() => expect(server.view.seq).toBe(1));
    expect(touches()[0]).toMatchObject({ kind: "load", set: "a", targetKg: 70 });
    expect(server.view.state.sets[0]!.perSide).toEqual(["r20", "c5"]);
  });
  it("can be typed, with a comma too, and nonsense changes nothing", async () => {
    runServer();
    const user = tablet();
    await user.click(button("Other…"));
    const box = () => now().getByRole("textbox", { name: "Load in kg" });
    for (const wrong of ["", "-5", "heavy", "5000"]) {
      await user.clear(box());
      if (wrong) await user.type(box(), wrong);
      await user.keyboard("{Enter}");
    }
    expect(touches()).toHaveLength(0);
    await user.clear(box());
    await user.type(box(), "70,0{Enter}");
    await waitFor(() => expect(touches()).toHaveLength(1));
    expect(touches()[0]).toMatchObject({ kind: "load", targetKg: 70 });
  });
  it("that the hall cannot make says how far it is off", async () => {
    runServer();
    const user = tablet();
    await user.click(button("Other…"));
    const box = now().getByRole("textbox", { name: "Load in kg" });
    await user.clear(box);
    await user.type(box, "63{Enter}");
    expect(await now().findByText(/off target/)).toBeTruthy();
  });
});

describe("with other tablets", () => {
  it("shows what they did within seconds", async () => {
    const server = runServer();
    tablet();
    const { state } = stepRun(START, stepOfTouch({ kind: "done", set: "a", perSide: ["r20"] }));
    server.view = view({ state, seq: 1, stamp: "s1" });
    await twoSeconds();
    await waitFor(() => expect(lifter()).toBe("Lifter b"));
  });
  it("never goes back to an answer that knows less", async () => {
    const server = runServer();
    const user = tablet();
    await user.click(button("Done"));
    await waitFor(() => expect(server.view.seq).toBe(1));
    server.view = view();
    await twoSeconds();
    expect(lifter()).toBe("Lifter b");
  });
  it("an alarm that they raised stops this one", async () => {
    const server = runServer();
    tablet();
    server.view = view({ stop: "T1 is quarantined.", stamp: "s1" });
    await twoSeconds();
    expect((await screen.findByRole("alert")).textContent).toBe("T1 is quarantined.");
    expect(button("Done").disabled).toBe(true);
  });
  it("says when they cannot be heard, and goes on", async () => {
    serve(() => undefined);
    const user = tablet();
    await twoSeconds();
    expect(await screen.findByText("No connection.")).toBeTruthy();
    await user.click(button("Done"));
    expect(lifter()).toBe("Lifter b");
    await waitFor(async () => expect(await unsentOf(URL)).toHaveLength(1));
  });
  it("a session that is over shows no more buttons", () => {
    tablet(view({ isOver: true }));
    expect(screen.queryByRole("region", { name: "Now" })).toBeNull();
    expect(screen.queryByRole("button", { name: "End the session" })).toBeNull();
  });
});

it("ending is sent once with the run's own number", async () => {
  runServer();
  const asked: (string | null)[] = [];
  const user = tablet(view(), async (_before?: unknown, form?: FormData) => {
    asked.push(form!.get("id") as string);
    return noAction();
  });
  await user.click(screen.getByRole("button", { name: "End the session" }));
  await waitFor(() => expect(asked).toEqual(["r1"]));
});
