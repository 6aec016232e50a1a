// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { PlannedRound } from "@/server/care/rounds/planned";
import type { CheckedStation } from "@/server/equipment/stationChecks";
import type { MeterItem } from "@/server/care/planning/meters";
import { formAction, show, TODAY } from "../touch.fixture";
import { CrewHours } from "./CrewHours";
import { Meter } from "./MeterRow";
import { latenessOn, RoundWeeks } from "./RoundWeeks";
import { StationCare } from "./StationCare";
import { WrongForm } from "./WrongForm";

/* Care by touch where errands hardly come: rounds moved by their list, looks at racks, what is wrong, factors set by hand. */

const ROUND: PlannedRound = {
  ...{ id: "r1", version: 3, day: "2026-11-27", from: "17:00", person: "Ada Crew", personId: "p1", minutes: 24.2 },
  tasks: [{ key: "shaft", name: "brush the shaft", isOfStations: false, at: [{ name: "K01", late: 0 }] }],
  ...{ outOfUse: [], lateness: 0, dues: ["2026-11-27", "2026-11-28"] },
};
const DAYS = ["2026-11-27", "2026-11-28", "2026-11-29"];

describe("planned rounds", () => {
  const weeks = (answer?: Parameters<typeof formAction>[0], mayPlan = true) => {
    const { sent, action } = formAction(answer);
    return { sent, ...show(<RoundWeeks rounds={[ROUND]} days={DAYS} mayPlan={mayPlan} action={action} />) };
  };

  it("are moved by the list in them, under the version that was read", async () => {
    const { user, sent } = weeks();
    await user.selectOptions(screen.getByLabelText("Move to"), "2026-11-29");
    expect(sent[0]).toEqual({ id: "r1", day: "2026-11-29", version: "3" });
    expect(await screen.findByText("Saved.")).toBeTruthy();
  });
  it("that would clash are moved only when somebody says so", async () => {
    const { user, sent } = weeks(({ isSure }) =>
      isSure
        ? { message: "Moved." }
        : { status: "refused", message: "Ada is off then.", problems: [{ path: "isSure", message: "Move anyway?" }] },
    );
    await user.selectOptions(screen.getByLabelText("Move to"), "2026-11-28");
    await user.click(await screen.findByRole("button", { name: "Move anyway" }));
    await screen.findByText("Moved.");
    expect(sent[1]).toEqual({ id: "r1", day: "2026-11-28", version: "3", isSure: "yes" });
  });
  it("are only read by whoever does not plan", () => {
    weeks(undefined, false);
    expect(screen.queryByLabelText("Move to")).toBeNull();
    expect(screen.getByRole("link", { name: "Start" }).getAttribute("href")).toBe("/care/rounds?plan=r1");
  });
  it("grow later by a day for each job that was due before", () => {
    expect(latenessOn(ROUND, "2026-11-27")).toBe(0);
    expect(latenessOn(ROUND, "2026-11-28")).toBe(1);
    expect(latenessOn(ROUND, "2026-11-30")).toBe(5);
  });
});

const RACK: CheckedStation = {
  ...{ key: "rack-1", name: "Rack 1", outOfUse: null },
  parts: [
    {
      part: "bolts",
      name: "bolts",
      how: "Try each by hand.",
      doneOn: null,
      found: null,
      note: null,
      dueOn: "2026-11-20",
    },
    {
      ...{
        part: "liners",
        name: "liners",
        how: "Look for steel showing through.",
        doneOn: "2026-11-01",
        found: "worn",
      },
      ...{ note: "left one", dueOn: "2026-12-20" },
    },
  ],
};

describe("looks at a rack", () => {
  it("say what was never looked at, what is due and what was found last", () => {
    show(<StationCare stations={[RACK]} today={TODAY} mayCheck mayReturn action={formAction().action} />);
    const rack = within(screen.getByRole("region", { name: "Rack 1" }));
    expect(rack.getByText("never checked")).toBeTruthy();
    expect(rack.getByText(/worn, .*left one/)).toBeTruthy();
  });
  it("are saved part by part, each look under a key of its own", async () => {
    const { sent, action } = formAction();
    const { user } = show(<StationCare stations={[RACK]} today={TODAY} mayCheck mayReturn action={action} />);
    await user.selectOptions(screen.getByLabelText("Found: bolts of Rack 1"), "worn");
    await user.type(screen.getByLabelText("Note: bolts of Rack 1"), "one turns");
    await user.click(screen.getByRole("button", { name: /bolts of Rack 1/ }));
    await screen.findByText("Saved.");
    await user.click(screen.getByRole("button", { name: /bolts of Rack 1/ }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[0]).toMatchObject({ station: "rack-1", part: "bolts", found: "worn", note: "one turns" });
    expect(sent[1]!.key).not.toBe(sent[0]!.key);
  });
  it("stop everybody at a rack that is out of use, and tell who looks again", () => {
    const out = { ...RACK, outOfUse: "cracked upright" };
    show(
      <StationCare stations={[out]} today={TODAY} mayCheck={false} mayReturn={false} action={formAction().action} />,
    );
    const rack = screen.getByRole("region", { name: "Rack 1" });
    expect(rack.textContent).toMatch(/Out of use: cracked upright\. Nobody lifts here\..*manager/);
    expect(within(rack).queryByRole("button")).toBeNull();
  });
  it("of a gym without racks say where they are added", () => {
    const { container } = show(
      <StationCare stations={[]} today={TODAY} mayCheck mayReturn action={formAction().action} />,
    );
    expect(container.textContent).toContain("Settings, Plates and stations");
  });
});

describe("the crew's hours", () => {
  it("are read at a glance and changed one by one, under what they were", async () => {
    const { sent, action } = formAction();
    const crew = [
      { id: "p1", name: "Ada", text: "Mon 09:00-10:30\nWed 17:00-19:00" },
      { id: "p2", name: "Bo", text: "" },
    ];
    const { user } = show(<CrewHours crew={crew} action={action} />);
    expect(screen.getByText("Mon 09:00-10:30, Wed 17:00-19:00")).toBeTruthy();
    expect(screen.getByText("no hours yet")).toBeTruthy();
    expect(screen.queryByRole("textbox")).toBeNull();
    const fold = screen.getAllByText("Change")[0]!.closest("details")!;
    fold.open = true;
    fireEvent(fold, new Event("toggle"));
    const hours = await screen.findByLabelText<HTMLTextAreaElement>("Ada");
    await user.clear(hours);
    await user.type(hours, "Tue 09:00-10:00");
    await user.click(screen.getByRole("button", { name: /the hours of Ada/ }));
    await waitFor(() => expect(sent[0]).toMatchObject({ person: "p1", hours: "Tue 09:00-10:00" }));
    expect(sent[0]!.was!.replaceAll("\r\n", "\n")).toBe(crew[0]!.text);
  });
});

describe("what is wrong with a bar", () => {
  const wrong = () => {
    const send = vi.fn();
    const back = vi.fn();
    return { send, back, ...show(<WrongForm tag="K01" send={send} back={back} />) };
  };
  it("needs a word at least", async () => {
    const { user, send } = wrong();
    await user.click(screen.getByRole("button", { name: "Save" }));
    expect(await screen.findByRole("alert")).toBeTruthy();
    expect(send).not.toHaveBeenCalled();
  });
  it("is one touch, with words where somebody adds them", async () => {
    const { user, send } = wrong();
    await user.click(screen.getByLabelText("rust"));
    await user.type(screen.getByRole("textbox"), "under the collar");
    await user.click(screen.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(send).toHaveBeenCalledWith("rust: under the collar", null, null));
  });
  it("can be left without a word", async () => {
    const { user, back } = wrong();
    await user.click(screen.getByRole("button", { name: "Back" }));
    expect(back).toHaveBeenCalledOnce();
  });
});

describe("a meter", () => {
  const NEED = { need: 1.1, dueOn: TODAY, reason: "salt air", factors: [{ label: "use", value: 1.25 }] };
  const ITEM = {
    ...{ barId: "b1", tag: "K01", barName: "Plain bar", finish: "bare", isUseSet: true, isFinishSet: false },
    ...{ chalkSeenOn: null, version: 2 },
    tasks: [{ task: "shaft", taskName: "brush the shaft", need: NEED, forecast: [1.1, 1.4] }],
  } as unknown as MeterItem;

  it("opens its factors, shows what was set by hand, and leaves the rest to be worked out", async () => {
    const { sent, action } = formAction();
    const { user } = show(
      <ul>
        <Meter item={ITEM} today={TODAY} mayEdit action={action} />
      </ul>,
    );
    await user.click(screen.getByRole("button", { name: /Factors/ }));
    const use = screen.getByLabelText<HTMLInputElement>(/^use/);
    expect([use.value, screen.getByLabelText<HTMLInputElement>(/^finish/).value]).toEqual(["1.25", ""]);
    await user.clear(use);
    await user.click(screen.getByRole("button", { name: "Set" }));
    await waitFor(() => expect(sent[0]).toEqual({ tag: "K01", version: "2", use: "", finish: "" }));
  });
});
