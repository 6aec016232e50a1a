import { eq } from "drizzle-orm";
import sharp from "sharp";
import { addDays, type HallDay } from "@/core/units/hallDay";
import type { HallDb } from "../hallDb";
import * as schema from "../schema";
import { drawnStill } from "./drawnStill";

interface World {
  personId: string;
  bars: ReadonlyMap<string, string>;
  today: HallDay;
  now: Date;
}

type Note = Pick<typeof schema.barNotes.$inferInsert, "stage" | "comfort" | "balance" | "knurl" | "noise"> & {
  again: boolean;
  buy: boolean;
  words: string | null;
};

/** What people of the demonstration say of its bars; invented. */
const NOTES: readonly [lifter: string, tag: string, daysBack: number, note: Note][] = [
  [
    "emeric",
    "K04",
    150,
    {
      stage: "three-weeks",
      comfort: 4,
      balance: 4,
      knurl: 5,
      noise: 3,
      again: true,
      buy: true,
      words: "Takes the slack out by itself, once you wait for it.",
    },
  ],
  [
    "bram",
    "K04",
    200,
    {
      stage: "three-months",
      comfort: 4,
      balance: 4,
      knurl: 3,
      noise: 4,
      again: true,
      buy: false,
      words: "Hard on the hands after forty pulls.",
    },
  ],
  [
    "isla",
    "K11",
    100,
    { stage: "three-months", comfort: 5, balance: 4, knurl: 4, noise: 4, again: true, buy: true, words: null },
  ],
  [
    "emeric",
    "K11",
    300,
    {
      stage: "three-months",
      comfort: 4,
      balance: 5,
      knurl: 4,
      noise: 5,
      again: true,
      buy: true,
      words: "Spins as if it were empty.",
    },
  ],
  [
    "runa",
    "K11",
    20,
    {
      stage: "three-months",
      comfort: 3,
      balance: 4,
      knurl: 2,
      noise: 4,
      again: true,
      buy: false,
      words: "A little thick for my hands.",
    },
  ],
  [
    "bram",
    "K20",
    20,
    {
      stage: "three-weeks",
      comfort: 5,
      balance: 3,
      knurl: 4,
      noise: 2,
      again: true,
      buy: true,
      words: "The shoulder does not complain. The handles rattle.",
    },
  ],
];

/** The floor of the demonstration, paced out; invented. */
const DEMO_FLOOR = { widthMm: 18_500, depthMm: 9200 };

/** Looks at stations some days back; what was never looked at is due. */
const STATION_LOOKS: readonly [
  station: string,
  part: "bolts" | "pins" | "liners",
  daysBack: number,
  found: "sound" | "worn",
][] = [
  ["rack-1", "bolts", 8, "sound"],
  ["rack-1", "pins", 8, "sound"],
  ["rack-1", "liners", 8, "worn"],
  ["rack-2", "bolts", 12, "sound"],
  ["rack-2", "pins", 18, "sound"],
];

/** Notes of feel, a still that is drawn and nobody's picture, and looks at stations. */
export async function loadFeel(hall: HallDb, { personId, bars, today, now }: World): Promise<void> {
  const lifters = new Map((await hall.rows(schema.lifters)).map(({ key, id }) => [key, id]));
  await hall.insert(
    schema.barNotes,
    NOTES.map(([lifter, tag, back, { again, buy, ...note }]) => ({
      ...{ barId: bars.get(tag)!, lifterId: lifters.get(lifter)!, personId, ...note },
      ...{ wouldUseAgain: again, wouldBuyAgain: buy, notedOn: addDays(today, -back), enteredAt: now },
    })),
  );
  const still = drawnStill({
    build: { heightMm: 1960, massKg: 98 },
    ...{ shankDeg: 30, thighDeg: 8, leanDeg: 41, bar: [-20, -20], distanceMm: 4200 },
  });
  await hall.insert(schema.sideViews, {
    ...{ lifterId: lifters.get("hale")!, barId: bars.get("K17")!, liftKey: "back-squat-high", loadKg: 100 },
    ...{
      setting: "mark 6, pin B",
      takenOn: addDays(today, -20),
      marks: { ...still.marks, cameraSide: "square" as const },
    },
    photo: await sharp(Buffer.from(still.svg)).jpeg({ quality: 82 }).toBuffer(),
    photoType: "image/jpeg",
    personId,
    enteredAt: now,
  });
  const stations = new Map((await hall.rows(schema.stations)).map(({ key, id }) => [key, id]));
  await hall.insert(
    schema.stationChecks,
    STATION_LOOKS.flatMap(([station, part, back, found]) => {
      const stationId = stations.get(station);
      return stationId
        ? [{ stationId, part, found, doneOn: addDays(today, -back), personId, enteredAt: now, note: null }]
        : [];
    }),
  );
  await hall.insert(schema.houseRules, { key: "floor", value: DEMO_FLOOR, version: 1 });
  const dragging = bars.get("K03");
  if (dragging)
    await hall.update(schema.careFindings, eq(schema.careFindings.barId, dragging), { zone: "right-sleeve" });
}
