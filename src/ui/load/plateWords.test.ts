import { expect, it } from "vitest";
import { changeBetween, plateLabel, stackWords } from "./plateWords";

const plates = new Map([
  ["r25", { massValue: "25", massUnit: "kg", material: "bumper" as const }],
  ["s25", { massValue: "25", massUnit: "kg", material: "steel" as const }],
  ["i25lb", { massValue: "25", massUnit: "lb", material: "iron" as const }],
  ["s1.25", { massValue: "1.250", massUnit: "kg", material: "steel" as const }],
  ["i45lb", { massValue: "45", massUnit: "lb", material: "iron" as const }],
  ["s20", { massValue: "20", massUnit: "kg", material: "steel" as const }],
  ["t20", { massValue: "20", massUnit: "kg", material: "steel" as const }],
]);

it("names every plate with its unit, and with its material where the mark alone does not tell", () =>
  expect([...plates.keys()].map((key) => plateLabel(key, plates))).toEqual([
    ...["25 kg rubber", "25 kg steel", "25 lb", "1.25 kg", "45 lb", "20 kg", "20 kg"],
  ]));

it("says a stack as a person would", () => {
  expect(stackWords(["r25", "r25", "s25", "i45lb", "s20", "t20", "s1.25"], plates)).toBe(
    "2 × 25 kg rubber, 25 kg steel, 45 lb, 2 × 20 kg, 1.25 kg",
  );
  expect(stackWords([], plates)).toBe("");
});

it("takes off from the outside and puts on from the inside", () => {
  expect(changeBetween(["r25", "i45lb", "s1.25"], ["r25", "s25"])).toEqual({ off: ["s1.25", "i45lb"], on: ["s25"] });
  expect(changeBetween([], ["r25"])).toEqual({ off: [], on: ["r25"] });
  expect(changeBetween(["r25"], ["r25"])).toEqual({ off: [], on: [] });
});
