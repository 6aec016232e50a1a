import { expect, it } from "vitest";
import { changeBetween, plateLabel, stackWords } from "./plateWords";

const plates = new Map([
  ["r25", { massValue: "25", massUnit: "kg" }],
  ["s25", { massValue: "25", massUnit: "kg" }],
  ["s1.25", { massValue: "1.250", massUnit: "kg" }],
  ["i45lb", { massValue: "45", massUnit: "lb" }],
]);

it("labels plates as they are marked", () =>
  expect([...plates.values()].map(plateLabel)).toEqual(["25", "25", "1.25", "45 lb"]));

it("says a stack as a person would", () => {
  expect(stackWords(["r25", "s25", "i45lb", "s1.25"], plates)).toBe("2 × 25, 45 lb, 1.25");
  expect(stackWords([], plates)).toBe("");
});

it("takes off from the outside and puts on from the inside", () => {
  expect(changeBetween(["r25", "i45lb", "s1.25"], ["r25", "s25"])).toEqual({ off: ["s1.25", "i45lb"], on: ["s25"] });
  expect(changeBetween([], ["r25"])).toEqual({ off: [], on: ["r25"] });
  expect(changeBetween(["r25"], ["r25"])).toEqual({ off: [], on: [] });
});
