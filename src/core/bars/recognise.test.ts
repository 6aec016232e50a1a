import { expect, it } from "vitest";
import { stated, testBar } from "./testBar.fixture";
import { recognisedBy } from "./recognise";

it("a bar is told apart by what an eye and a hand find, and what is unknown is not said", () => {
  const power = testBar(
    { shaftDiameter: stated(29.02), collarThickness: stated(30) },
    { family: "power", centreKnurl: "full", ringMarks: "powerlifting" },
  );
  expect(recognisedBy(power)).toEqual(["29 mm shaft", "slim collars", "knurled in the middle", "rings 810 mm apart"]);
  const puller = testBar(
    { shaftDiameter: stated(27.2), collarThickness: stated(48) },
    { family: "deadlift", centreKnurl: "none", ringMarks: "none" },
  );
  expect(recognisedBy(puller)).toEqual(["27 mm shaft", "thick collars", "smooth in the middle"]);
  expect(recognisedBy(testBar({}, { family: "yoke", centreKnurl: null, ringMarks: null }))[0]).toBe("safety squat bar");
});
