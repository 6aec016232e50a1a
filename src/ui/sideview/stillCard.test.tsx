// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { CARRIES } from "@/core/balance/carry";
import { KG_PER_LB } from "@/core/units/constants";
import { sent, serve, visits } from "../dom.fixture";
import { POUNDS, show, TODAY } from "../touch.fixture";
import { StillCard } from "./StillCard";
import type { StillBar, StillLifter } from "./stillProps";

/* A still from the side: opened, asked about, and saved for a lifter; the picture only where somebody ticks it. */

const BARS: StillBar[] = [
  { tag: "K01", name: "Plain bar", massKg: 20, contactShare: 0, carry: CARRIES.high.carry, settings: [] },
  {
    ...{ tag: "K17", name: "Many ways", massKg: 31, contactShare: 0, carry: CARRIES.yoke.carry },
    settings: [{ words: "mark 6, pin B", carry: CARRIES.front.carry }],
  },
];
const HALE: StillLifter = {
  ...{ key: "hale", name: "Hale" },
  build: { heightMm: 1930, massKg: 95, thighLengthMm: null, trunkLengthMm: null, shankLengthMm: null },
};
const PICTURE = new File(["dots"], "still.jpg", { type: "image/jpeg" });

beforeEach(() => {
  vi.stubGlobal("createImageBitmap", async () => ({ width: 1000, height: 1500, close: () => {} }));
  vi.stubGlobal(
    "ResizeObserver",
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
  vi.stubGlobal("URL", Object.assign(URL, { createObjectURL: () => "blob:still", revokeObjectURL: () => {} }));
});

function card({ lifter = HALE as StillLifter | null, units = undefined as typeof POUNDS | undefined } = {}) {
  const opened = vi.fn();
  const tools = show(
    <StillCard
      {...{
        title: "Still",
        saved: null,
        isWide: true,
        lifter,
        bars: BARS,
        today: TODAY,
        maySave: true,
        close: null,
        opened,
      }}
      asked={{ lift: "back-squat-high", tag: "K17", setting: null, load: null }}
    />,
    units,
  );
  const open = () => tools.user.upload(screen.getByLabelText(/picture/), PICTURE);
  return { ...tools, opened, open };
}

describe("a still", () => {
  it("asks for its bar, its setting and its load, and shows marks to place once a picture is open", async () => {
    const { user, opened, open } = card();
    expect(screen.getByLabelText<HTMLSelectElement>("Bar").value).toBe("K17");
    expect(screen.getByLabelText("Setting")).toBeTruthy();
    await user.selectOptions(screen.getByLabelText("Bar"), "K01");
    expect(screen.queryByLabelText("Setting")).toBeNull();
    expect(screen.queryByRole("group", { name: "Mark to place" })).toBeNull();
    await open();
    const marks = within(await screen.findByRole("group", { name: "Mark to place" }));
    await user.click(marks.getByRole("button", { name: "hip" }));
    expect(marks.getByRole("button", { name: "hip" }).getAttribute("aria-pressed")).toBe("true");
    expect(opened).toHaveBeenCalledOnce();
    expect(screen.getByTestId("still-lead").textContent).not.toBe("");
  });
  it("says so when the browser cannot read the picture, and keeps what stands there", async () => {
    const { opened, open } = card();
    vi.stubGlobal("createImageBitmap", async () => Promise.reject(new Error("no picture")));
    await open();
    expect((await screen.findByRole("alert")).textContent).toContain("JPEG, PNG or WebP");
    expect(opened).not.toHaveBeenCalled();
  });
  it("is saved for the lifter in kg whatever it was typed in, without the picture unless somebody ticks it", async () => {
    const { user, open } = card({ units: POUNDS });
    const load = screen.getByLabelText<HTMLInputElement>(/^Load in all, lb/);
    expect(load.value).toBe("220.46");
    await user.clear(load);
    await user.type(load, "315");
    await user.selectOptions(screen.getByLabelText("Setting"), "mark 6, pin B");
    await open();
    await user.click(await screen.findByRole("button", { name: "Save for Hale" }));
    await screen.findByText("Saved for Hale.");
    expect(sent[0]!.body).toMatchObject({
      lifter: "hale",
      tag: "K17",
      setting: "mark 6, pin B",
      photo: null,
      takenOn: TODAY,
    });
    expect(sent[0]!.body.loadKg).toBeCloseTo(315 * KG_PER_LB, 9);
    expect(visits.refreshed).toBe(1);
  });
  it("that was refused, or had no answer, says why and is sent again under its key", async () => {
    const { user, open } = card();
    await open();
    const save = await screen.findByRole("button", { name: "Save for Hale" });
    serve(() => ({
      status: 422,
      body: { error: { message: "Not saved.", details: [{ message: "Load: up to 500 kg." }] } },
    }));
    await user.click(save);
    await screen.findByText("Load: up to 500 kg.");
    serve(() => undefined);
    await user.click(save);
    await screen.findByText(/The marks are still here/);
    serve(() => ({ status: 200, body: {} }));
    await user.click(save);
    await screen.findByText("Saved for Hale.");
    expect(new Set(sent.map(({ body }) => body.key)).size).toBe(1);
    await user.click(save);
    await waitFor(() => expect(sent).toHaveLength(4));
    expect(sent[3]!.body.key).not.toBe(sent[0]!.body.key);
  });
  it("of someone who is not on file is looked at by their height and saved for nobody", async () => {
    const { user, open } = card({ lifter: null });
    await user.type(screen.getByLabelText(/Their height/), "1.93 m");
    await open();
    await screen.findByRole("group", { name: "Mark to place" });
    expect(screen.queryByRole("button", { name: /^Save for/ })).toBeNull();
  });
  it("a load that cannot be read is marked, and nothing is saved with it", async () => {
    const { user, open } = card();
    await open();
    const load = screen.getByLabelText<HTMLInputElement>(/^Load in all, kg/);
    await user.clear(load);
    await user.type(load, "heavy");
    expect(load.getAttribute("aria-invalid")).toBe("true");
    expect((await screen.findByRole<HTMLButtonElement>("button", { name: "Save for Hale" })).disabled).toBe(true);
  });
});
