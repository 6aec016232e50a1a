import {
  INSPECTION_LIMITS,
  dialReadings,
  judgeInspection,
  runoutOf,
  type InspectionFacts,
} from "@/core/care/inspection";
import { climateDay, steelReadings, type SteelReading } from "@/core/care/climateDay";
import { simulatedClimate } from "@/core/care/simulatedClimate";
import { addDays, hallDayAt, type HallDay } from "@/core/units/hallDay";
import type { BarRow } from "../barRows";
import type { HallDb } from "../hallDb";
import * as schema from "../schema";

const SEED = 20_260_302;
const HOURS = 365 * 24;
const HOUR = 3_600_000;

/** A year of the hall's air, hour by hour, from a fixed seed; and the house's choice of the need meter. */
export async function loadClimate(hall: HallDb, timeZone: string, now: Date): Promise<void> {
  const [sensor] = await hall.insert(schema.climateSensors, {
    key: "hall",
    name: "Strength hall, by the slipway doors",
    kind: "simulated",
    seed: SEED,
    so2: 5,
    chloride: 60,
    lagHours: 1,
  });
  const last = Math.floor(now.getTime() / HOUR);
  const readings = Array.from({ length: HOURS }, (_, i) => simulatedClimate(SEED, (last - HOURS + 1 + i) * HOUR));
  await hall.insertMany(
    schema.climateReadings,
    readings.map(({ at, temperatureC, relativeHumidityPct }) => ({
      sensorId: sensor!.id,
      at: new Date(at),
      temperatureC,
      humidityPct: relativeHumidityPct,
    })),
  );
  const byDay = new Map<HallDay, SteelReading[]>();
  for (const reading of steelReadings(readings, 1)) {
    const day = hallDayAt(new Date(reading.at), timeZone);
    const own = byDay.get(day);
    if (own) own.push(reading);
    else byDay.set(day, [reading]);
  }
  const { so2, chloride } = sensor!;
  await hall.insertMany(
    schema.climateDays,
    [...byDay].map(([day, own]) => ({
      sensorId: sensor!.id,
      day,
      so2,
      chloride,
      ...climateDay(own, { so2, chloride }),
    })),
  );
  await hall.insert(schema.houseRules, { key: "care", value: { rule: "meter", limits: INSPECTION_LIMITS } });
}

/** Inspections of the last year: bars that stay straight, one that bends more each time, and a finding that is open. */
export async function loadInspections(
  hall: HallDb,
  bars: readonly BarRow[],
  personId: string,
  today: HallDay,
  now: Date,
): Promise<void> {
  const straight = bars.filter(({ family, state }) => family !== "axle" && state === "in-service").slice(0, 4);
  const bent = bars.find(({ state }) => state === "quarantined");
  const rows = [
    ...straight.flatMap((bar, i) => [300, 160, 20].map((back, n) => [bar, back, 0.4 + 0.1 * i + 0.05 * n] as const)),
    ...(bent
      ? [
          [300, 1.1],
          [150, 1.9],
          [12, 3.6],
        ].map(([back, tir]) => [bent, back!, tir!] as const)
      : []),
  ];
  await hall.insert(
    schema.inspections,
    rows.map(([bar, back, tirMm], i) => {
      const dialMm = dialReadings({ tirMm, bendAtDeg: (i * 67) % 360 }, 8).map(
        (value) => Math.round(value * 100) / 100,
      );
      const facts: InspectionFacts = {
        dialMm,
        hops: tirMm > 3,
        crackSeen: false,
        spinLeftS: 11 - (i % 4),
        spinRightS: 10 - (i % 3),
        endPlayMm: 0.5,
        knurl: "sharp",
        rust: rustOf(bar, back),
        parts: {},
      };
      const { verdict } = judgeInspection(facts);
      const runout = runoutOf(dialMm);
      return {
        barId: bar.id,
        personId,
        inspectedOn: addDays(today, -back),
        enteredAt: new Date(`${addDays(today, -back)}T12:00:00Z`),
        facts,
        tirMm: runout.tirMm,
        bendAtDeg: runout.bendAtDeg,
        suggested: verdict,
        decided: verdict,
        reason: null,
      };
    }),
  );
  const dragging = straight[1];
  if (dragging)
    await hall.insert(schema.careFindings, {
      barId: dragging.id,
      note: "right sleeve drags when it is cold",
      foundBy: personId,
      foundAt: new Date(now.getTime() - 30 * HOUR),
    });
}

/** A bare shaft gathers rust over the year; one that is protected hardly does. */
function rustOf({ finish }: BarRow, back: number): InspectionFacts["rust"] {
  const isBare = finish === null || finish === "bare" || finish === "black-oxide";
  if (isBare) return back > 200 ? "none" : back > 100 ? "bloom" : "specks";
  return back > 100 ? "none" : "bloom";
}

/** When the crew is in: two mornings of the care hand, an evening of a coach. */
export async function loadHours(hall: HallDb, people: readonly { id: string; role: string }[]): Promise<void> {
  const care = people.find(({ role }) => role === "care");
  const coach = people.find(({ role }) => role === "coach");
  await hall.insert(schema.staffHours, [
    ...(care
      ? [
          { personId: care.id, weekday: 2, fromMinute: 9 * 60, toMinute: 9 * 60 + 40 },
          { personId: care.id, weekday: 5, fromMinute: 9 * 60, toMinute: 9 * 60 + 40 },
        ]
      : []),
    ...(coach ? [{ personId: coach.id, weekday: 3, fromMinute: 20 * 60 + 30, toMinute: 21 * 60 }] : []),
  ]);
}
