import type { ClimateClass } from "@/core/care/climateClass";
import type { MeetingSpec } from "@/core/matching/meetingSpec";
import type { PlaceKind } from "@/core/setups/storage";
/** The made-up hall around the bars: plates, clamps, stations, people. Everyone and everything is invented. */
export const DEMO_HALL = {
  name: "Kestrel Reach Rowing Club",
  timeZone: "Europe/London",
  climateClass: "salt-humid" as ClimateClass,
  currency: "GBP",
};

/** Colours of competition discs (IWF Technical and Competition Rules, from memory). */
export const DEMO_PLATES = [
  ["r25", "25 kg", "bumper", 450, 62, 2, "red"],
  ["r20", "20 kg", "bumper", 450, 54, 3, "blue"],
  ["r15", "15 kg", "bumper", 450, 45, 2, "yellow"],
  ["r10", "10 kg", "bumper", 450, 38, 1, "green"],
  ["s25", "25 kg", "steel", 450, 27, 4, "red"],
  ["s20", "20 kg", "steel", 450, 22, 2, "blue"],
  ["i45lb", "45 lb", "iron", 445, 38, 4, "grey"],
  ["i35lb", "35 lb", "iron", 360, 35, 2, "grey"],
  ["i25lb", "25 lb", "iron", 285, 33, 3, "grey"],
  ["i10lb", "10 lb", "iron", 228, 25, 3, "grey"],
  ["i5lb", "5 lb", "iron", 190, 20, 2, "grey"],
  ["i2.5lb", "2.5 lb", "iron", 160, 15, 2, "grey"],
  ["s5", "5 kg", "steel", 228, 22, 3, "white"],
  ["s2.5", "2.5 kg", "steel", 190, 18, 3, "red"],
  ["s1.25", "1.25 kg", "steel", 160, 14, 2, "grey"],
  ["s0.5", "0.5 kg", "steel", 134, 10, 2, "white"],
] as const;

export const DEMO_CLAMPS = [
  ["spring", "spring clamps", "0.5 kg", 18, 8],
  ["meet", "meet clamps", "5 kg", 42, 2],
] as const;

/** Key, name, kind, support spacing, hole pitch, first hole, J-cup pairs, nearest place; lengths in mm. */
export const DEMO_STATIONS = [
  ["rack-1", "Rack 1", "rack", 1090, 50, 430, 2, "Rack wall A"],
  ["rack-2", "Rack 2", "rack", 1090, 50, 430, 1, "Rack wall A"],
  ["rack-3", "Rack 3, river side", "rack", 1180, 75, 500, 1, "Floor cradle"],
  ["rack-4", "Rack 4, river side", "rack", 1180, 75, 500, 1, "Rack wall B"],
  ["platform-1", "Platform 1", "platform", null, null, null, 0, "Rack wall A"],
  ["platform-2", "Platform 2", "platform", null, null, null, 0, "Rack wall B"],
  ["bench-1", "Bench 1", "bench", 1100, 50, 700, 1, "Rack wall B"],
  ["bench-2", "Bench 2", "bench", 1100, 50, 700, 1, "Rack wall B"],
  ["floor", "Open floor", "floor", null, null, null, 0, "Floor cradle"],
] as const;

/** Where stations stand on the floor sketch. */
export const DEMO_STATION_PLAN = {
  "rack-1": [60, 430],
  "rack-2": [250, 430],
  "rack-3": [480, 850],
  "rack-4": [950, 430],
  "platform-1": [60, 640],
  "platform-2": [950, 600],
  "bench-1": [730, 430],
  "bench-2": [830, 430],
  floor: [180, 930],
} as const;

export const DEMO_PEOPLE = [
  ["Odile Marchbank", "owner"],
  ["Maren Tidewell", "manager"],
  ["Joss Kettleby", "coach"],
  ["Ada Ferrow", "coach"],
  ["Pim Larkspur", "care"],
  ["Bettany Quoin", "care"],
  ["Runa Dellby", "lifter"],
  ["Wall screen", "wall"],
] as const;

/** People who lift, as a coach would have entered them: texts by field, and what was confirmed. */
export const DEMO_LIFTERS: readonly (Record<string, string> & { confirmed?: string })[] = [
  {
    key: "isla",
    name: "Isla Fenwright",
    squad: "seniors",
    experience: "experienced",
    heightMm: "1890",
    massKg: "82",
    thighLengthMm: "478",
    handLengthMm: "192",
    coachNote: "Long thighs; sits back.",
    purposes: "general | hips",
    usualLoads: "back-squat-low 110 kg | deadlift 140 kg | bench 65 kg | good-morning 60 kg",
    confirmed: "hinge-on-straight",
  },
  {
    key: "bram",
    name: "Bram Okerlund",
    squad: "seniors",
    experience: "experienced",
    heightMm: "2020",
    massKg: "103",
    handLengthMm: "215",
    limits: "reach | shoulder",
    comfortNote: "Left arm does not go far back; overhead is fine.",
    coachNote: "Yoke or low-yoke for squats until spring.",
    purposes: "general | spare-joint",
    usualLoads: "back-squat-high 120 kg | deadlift 180 kg | bench 95 kg | box-squat 110 kg",
    confirmed: "hinge-on-straight",
  },
  {
    key: "tove",
    name: "Tove Marrack",
    squad: "juniors",
    experience: "learning",
    heightMm: "1620",
    massKg: "54",
    handLengthMm: "168",
    coachNote: "Learning the clean.",
    purposes: "general",
    usualLoads: "clean 35 kg | snatch 25 kg | front-squat 40 kg | deadlift 60 kg",
  },
  {
    key: "cato",
    name: "Cato Wrenfold",
    squad: "juniors",
    experience: "learning",
    heightMm: "1780",
    massKg: "66",
    handLengthMm: "188",
    usualLoads: "back-squat-high 55 kg | deadlift 80 kg | clean 45 kg | bench 45 kg",
  },
  {
    key: "nia",
    name: "Nia Saltmarsh",
    squad: "masters",
    experience: "regular",
    heightMm: "1680",
    massKg: "71",
    handLengthMm: "174",
    limits: "wrist",
    comfortNote: "Wrists sore after rowing blocks.",
    purposes: "spare-joint",
    usualLoads: "bench 50 kg | overhead-press 32.5 kg | deadlift 95 kg | row 50 kg",
  },
  {
    key: "emeric",
    name: "Emeric Vanholt",
    squad: "masters",
    experience: "experienced",
    heightMm: "1840",
    massKg: "95",
    handLengthMm: "200",
    purposes: "general | carry-over",
    usualLoads: "back-squat-low 190 kg | bench 140 kg | deadlift 230 kg",
    meetings: "+63 ipf Estuary open",
    confirmed: "hinge-on-straight",
  },
  {
    key: "runa",
    name: "Runa Dellby",
    squad: "seniors",
    experience: "regular",
    heightMm: "1740",
    massKg: "68",
    handLengthMm: "180",
    purposes: "carry-over",
    usualLoads: "back-squat-low 115 kg | bench 70 kg | sumo-deadlift 150 kg",
    meetings: "+28 ipf Harbour qualifier | +63 ipf Estuary open",
  },
  {
    key: "oskar",
    name: "Oskar Pellin",
    squad: "adaptive",
    experience: "regular",
    heightMm: "1710",
    massKg: "77",
    handLengthMm: "190",
    limits: "back",
    comfortNote: "Prefers to start from the rack.",
    usualLoads: "bench 80 kg | row 60 kg | carry 80 kg | lunge 50 kg",
  },
  {
    key: "hale",
    name: "Hale Corrin",
    squad: "seniors",
    experience: "experienced",
    heightMm: "1960",
    massKg: "98",
    handLengthMm: "206",
    usualLoads: "back-squat-high 150 kg | deadlift 200 kg | clean 100 kg | jerk 95 kg",
  },
  {
    key: "wren",
    name: "Wren Ashby",
    squad: "juniors",
    experience: "regular",
    heightMm: "1580",
    massKg: "50",
    handLengthMm: "165",
    usualLoads: "snatch 40 kg | clean 52.5 kg | jerk 50 kg | front-squat 60 kg",
    meetings: "+49 iwf-women Junior open",
  },
];

/** Lifter, bar, days since first and last used, setting. */
export const DEMO_USE = [
  ["isla", "K11", 200, 5, null],
  ["isla", "K21", 90, 12, null],
  ["bram", "K20", 45, 3, "handles long, pads up"],
  ["bram", "K04", 300, 6, null],
  ["emeric", "K11", 400, 2, null],
  ["emeric", "K04", 180, 4, null],
  ["runa", "K11", 120, 4, null],
  ["tove", "K26", 40, 2, null],
  ["wren", "K07", 100, 2, null],
  ["hale", "K02", 150, 9, null],
] as const;

/** What a federation of the demo world asks, beside the rules that come with the program. */
export const DEMO_MEETING_SPECS: readonly {
  rules: string;
  source: string;
  lifts: string[];
  ranges: Record<string, { least?: number; most?: number }>;
  marks: MeetingSpec["marks"];
}[] = [
  {
    rules: "River Federation",
    source: "River Federation, equipment sheet",
    lifts: ["deadlift", "sumo-deadlift"],
    ranges: { shaftDiameter: { least: 26.5, most: 27.5 }, overallLength: { most: 2350 } },
    marks: null,
  },
  {
    rules: "River Federation",
    source: "River Federation, equipment sheet",
    lifts: ["back-squat-high", "back-squat-low"],
    ranges: { mass: { least: 24.8, most: 25.2 }, shaftDiameter: { least: 30, most: 32.5 } },
    marks: null,
  },
  {
    rules: "River Federation",
    source: "River Federation, equipment sheet",
    lifts: ["bench"],
    ranges: { shaftDiameter: { least: 28, most: 29.5 } },
    marks: "powerlifting",
  },
];

/** Tonight's class: stations with how many share them, and lifter, lift, load, purpose, fixed block, fixed bar. */
export const DEMO_CLASS = {
  name: "Evening class",
  startsAt: "18:30",
  blockMinutes: 25,
  blocks: 3,
  capacities: { "rack-1": 2, "rack-2": 2, "rack-3": 1, "platform-1": 2, "bench-1": 2 },
  entries: [
    ["bram", "back-squat-high", "120 kg", "spare-joint", 1, null],
    ["isla", "back-squat-high", "80 kg", "upper-back", 1, null],
    ["hale", "back-squat-high", "150 kg", "general", null, null],
    ["emeric", "back-squat-low", "190 kg", "carry-over", 1, null],
    ["runa", "back-squat-low", "115 kg", "carry-over", null, null],
    ["cato", "back-squat-high", "55 kg", "learning", null, null],
    ["tove", "clean", "35 kg", "learning", null, null],
    ["wren", "snatch", "40 kg", "general", null, null],
    ["hale", "clean", "100 kg", "general", null, null],
    ["nia", "bench", "50 kg", "spare-joint", null, null],
    ["emeric", "bench", "140 kg", "carry-over", null, null],
    ["oskar", "bench", "80 kg", "general", null, null],
    ["bram", "deadlift", "180 kg", "general", null, null],
    ["isla", "deadlift", "140 kg", "general", null, null],
  ] as const,
};

/** The second, small hall, to show that neither sees the other. */
export const SECOND_HALL = {
  name: "Alder Yard",
  timeZone: "Europe/Lisbon",
  climateClass: "dry" as ClimateClass,
  currency: "EUR",
};

/** Facts of the places, by name: kind, pegs, longest bar, height, free room in front, walkway, where on the sketch. */
export const DEMO_PLACE_FACTS: Readonly<
  Record<
    string,
    {
      kind: PlaceKind;
      slots: number;
      lengthMm: number | null;
      heightMm: number;
      reachMm: number;
      isByWalkway: boolean;
      planX: number;
      planY: number;
    }
  >
> = {
  "Rack wall A": place("wall-horizontal", 12, 2300, 1400, 900, false, 260, 90),
  "Rack wall B": place("wall-horizontal", 10, 2325, 1500, 900, false, 740, 90),
  "Floor cradle": place("floor", 8, null, 400, 1200, false, 500, 520),
  "Slipway end": place("wall-vertical", 5, 2350, 1500, 450, true, 880, 830),
};

function place(
  kind: PlaceKind,
  slots: number,
  lengthMm: number | null,
  heightMm: number,
  reachMm: number,
  isByWalkway: boolean,
  planX: number,
  planY: number,
) {
  return { kind, slots, lengthMm, heightMm, reachMm, isByWalkway, planX, planY };
}

/** What was measured of the bars that adjust, as a coach would have entered it, and how they stand now. */
export const DEMO_CHARTS: Readonly<Record<string, { texts: Record<string, string>; present: Record<string, string> }>> =
  {
    K17: {
      texts: {
        marks:
          "1 = -81.0 -80.5 | 2 = -58.5 -58.0 | 3 = -34.0 -34.5 | 4 = -12.5 -12.5 | 5 = 3.0 3.5 | 6 = 21.0 20.5 | 7 = 39.5 40.0 | 8 = 57.0 57.0 | 9 = 75.5 75.0",
        pins: "A = 70 69.5 | B = 121 121 | C = 168 168.5 | D = 219 219 | E = 271 270.5",
        hasHalfMarks: "yes",
        changesEmptyOnly: "yes",
        padKg: "9",
      },
      present: { mark: "5", pin: "B" },
    },
    K23: {
      texts: {
        holes: "1 = 560 | 2 = 610 | 3 = 660",
        armOffsetMm: "100",
        mountAheadUpMm: "-120",
        mountAheadDownMm: "-120",
        handleOffsetMm: "50",
        gripFromMm: "15",
        gripToMm: "205",
        handlesTurn: "yes",
        handleKg: "1.2",
        frameAheadMm: "-60",
        frameAboveMm: "30",
        lowestUpMm: "20",
        lowestDownMm: "120",
        standMm: "300",
        pinMm: "40",
        insideMm: "600",
        changesEmptyOnly: "no",
      },
      present: { arms: "up", handles: "up", direction: "forward", hole: "1", pins: "out", stands: "off" },
    },
    K18: {
      texts: {
        holes: "fixed = 620",
        armOffsetMm: "50",
        mountAheadUpMm: "0",
        mountAheadDownMm: "0",
        handleOffsetMm: "50",
        gripFromMm: "-65",
        gripToMm: "65",
        handlesTurn: "no",
        handleKg: "0.8",
        frameAheadMm: "5",
        frameAboveMm: "8",
        lowestUpMm: "18",
        lowestDownMm: "118",
        standMm: "0",
        pinMm: "0",
        insideMm: "600",
        changesEmptyOnly: "no",
      },
      present: { arms: "up", handles: "up", hole: "fixed", pins: "out", stands: "off" },
    },
  };

/** Lifter, bar, lift, what is set, rack, J-cup hole used, note, days ago; of one lifter, bar and lift the last counts. */
export const DEMO_SETTINGS = [
  ["hale", "K17", "back-squat-high", { mark: "7", pin: "B" }, "rack-1", 22, "Felt heavy on the upper back.", 70],
  ["hale", "K17", "back-squat-high", { mark: "6", pin: "B" }, "rack-1", 23, null, 20],
  ["bram", "K17", "front-squat", { mark: "8", pin: "B" }, "rack-1", 24, "Sits well; wants it again.", 9],
  ["bram", "K20", "back-squat-high", {}, "rack-1", 25, "handles long, pads up", 3],
  ["isla", "K21", "good-morning", { load: "hanging" }, "rack-1", 16, null, 12],
  [
    "oskar",
    "K23",
    "deadlift",
    { arms: "up", handles: "up", direction: "forward", hole: "2", pins: "out", stands: "on", hand: "107" },
    null,
    null,
    "Starts from the stands.",
    15,
  ],
  ["emeric", "K24", "bench", { arch: "up", grip: "plain, any width" }, "bench-1", 5, null, 6],
] as const;
