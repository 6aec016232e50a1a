// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { readMeeting } from "@/core/matching/readMeeting";
import { CheckProvider, type FormCheck } from "../kit/formCheck";
import { formAction, POUNDS, show } from "../touch.fixture";
import { MeetingForm } from "./MeetingForm";
import type { MeetingItem } from "./meetingItem";
import { MeetingsSheet } from "./MeetingsSheet";

/* What a federation asks of the bar, as the manager types it from its rules. */

const LIFTS = [
  { key: "bench", name: "bench press" },
  { key: "squat", name: "back squat" },
];
const OWN: MeetingItem = {
  ...{ id: "m1", version: 3, rules: "Lake League", lifts: ["bench"] },
  spec: { name: "Lake League", source: "sheet 2", marks: null, ranges: { shaftDiameter: { least: 28, most: 29 } } },
};
/** As the server checks it while it is typed. */
const check: FormCheck = async (_, { rules = "", source = "", marks = "", lifts = "", ...texts }) =>
  readMeeting({ rules, source, marks, lifts: lifts.split(" | ").filter(Boolean), texts }).problems;

function form(item: MeetingItem | null, units?: typeof POUNDS, answer?: Parameters<typeof formAction>[0]) {
  const { sent, action } = formAction(answer);
  const node = (
    <CheckProvider check={check}>
      <MeetingForm item={item} lifts={LIFTS} action={action} />
    </CheckProvider>
  );
  return { sent, ...show(node, units) };
}
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);

describe("rules of a competition", () => {
  it("are entered with their lifts and limits, under no version yet", async () => {
    const { user, sent } = form(null);
    await user.type(field("name of the rules"), "Lake League");
    await user.type(field("where it is written"), "sheet 2");
    await user.click(field("bench press"));
    await user.type(field("shaft diameter, least"), "28");
    await user.type(field("shaft diameter, most"), "29");
    await user.click(screen.getByRole("button", { name: "Add rules" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ id: "", version: "0", lifts: "bench", "least.shaftDiameter": "28" });
  });
  it("are refused at their fields, and nothing is sent", async () => {
    const { user, sent } = form(OWN);
    await user.clear(field("shaft diameter, most"));
    await user.type(field("shaft diameter, most"), "27");
    await user.click(field("bench press"));
    await user.click(screen.getByRole("button", { name: "Save" }));
    await screen.findByText(/the least is more than the most/);
    await screen.findByText(/choose at least one/);
    expect(sent).toHaveLength(0);
  });
  it("show their limits in the reader's unit", () => {
    form(OWN, POUNDS);
    expect(field("shaft diameter, least").value).toBe("1.102");
    expect(field("shaft diameter, least").dataset.kept).toBe("28");
  });
  it("are deleted by a button of their own, and built-in ones only read", async () => {
    const { sent, action } = formAction();
    const { user } = show(
      <MeetingsSheet items={[OWN, { ...OWN, id: null, rules: "built-in" }]} lifts={LIFTS} mayEdit action={action} />,
    );
    const own = within(screen.getAllByRole("region", { name: "Lake League" })[0]!);
    await user.click(own.getByText("Change"));
    await user.click(own.getByRole("button", { name: "Delete" }));
    await waitFor(() => expect(sent[0]).toMatchObject({ id: "m1", version: "3", remove: "1" }));
    expect(screen.getAllByText("Change")).toHaveLength(1);
  });
  it("cannot be entered by whoever only reads them", () => {
    show(<MeetingsSheet items={[OWN]} lifts={LIFTS} mayEdit={false} action={formAction().action} />);
    expect(screen.queryByRole("button")).toBeNull();
    expect(screen.getByRole("region", { name: "Lake League" }).textContent).toContain("28 to 29 mm");
  });
});
