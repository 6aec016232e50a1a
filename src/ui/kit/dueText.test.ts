import { expect, it } from "vitest";
import { NEVER } from "@/core/care/needMeter";
import { dueText } from "./dueText";

it("a due day is seen from today, across months and leap days", () => {
  const today = "2024-02-28";
  expect(
    ["2024-02-28", "2024-02-27", "2024-02-26", "2024-02-29", "2024-03-01", "2023-02-28"].map((on) =>
      dueText(on, today),
    ),
  ).toEqual(["today", "1 day late", "2 days late", "in 1 day", "in 2 days", "365 days late"]);
});

it("what waits to be asked for has no day", () => {
  expect(dueText(NEVER, "2026-03-01")).toBe("when asked for");
});
