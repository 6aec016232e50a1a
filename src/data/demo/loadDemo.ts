import { createHash } from "node:crypto";
import { sql } from "drizzle-orm";
import { FIELD_KEYS, hasField, type FieldKey } from "@/core/bars/barFields";
import { readBarRecord, statedKey, type BarRecord } from "@/core/bars/barRecord";
import { FAMILIES } from "@/core/bars/families";
import { QUANTITIES, type QuantityKind } from "@/core/bars/quantities";
import type { ClimateClass } from "@/core/care/climateClass";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { addDays, daysBetween, hallDayAt, type HallDay } from "@/core/units/hallDay";
import { convertTyped, type TypedQuantity, type Unit } from "@/core/units/typedQuantity";
import { quantityRows, rowFromRecord } from "../barRecordRows";
import type { BarRow } from "../barRows";
import { carePlanRow, type CareTaskRow } from "../carePlanRows";
import type { Database } from "../client";
import { HallDb } from "../hallDb";
import * as schema from "../schema";
import { DEMO_BARS, DEMO_PLACES, type DemoBar } from "./demoBars";
import {
  DEMO_CLAMPS,
  DEMO_HALL,
  DEMO_PEOPLE,
  DEMO_PLACE_FACTS,
  DEMO_PLATES,
  DEMO_STATION_PLAN,
  DEMO_STATIONS,
  SECOND_HALL,
} from "./demoHall";
import { loadClimate, loadHours, loadInspections } from "./loadCareFacts";
import { insertUsualCare, insertUsualLifts } from "../newHall";
import type { Role } from "../schema";
import { loadFeel } from "./loadFeel";
import { loadPeople } from "./loadPeople";
import { seededRandom } from "./random";

/** What the demonstration's racks and its bench hold; invented. */
const DEMO_RACK_KG = 450;
const DEMO_BENCH_KG = 320;

const SEED = 20_260_301;
/** How far back the care log goes. */
/** So far back the log of care is by the random numbers that also say what is due today. */
const LOG_DAYS = 62;
/** So far back the hall has written down what it did. */
const YEAR_DAYS = 380;

type People = Record<string, string>;

/** Fills an empty database with the made-up halls; dates are relative to `now`. All of it or nothing. */
export async function loadDemo(db: Database, now: Date): Promise<void> {
  await db.transaction(async (tx) => {
    await loadHall(tx, DEMO_HALL, now, { bars: DEMO_BARS, people: DEMO_PEOPLE, isFull: true });
    const few = ["K02", "K15", "K16"].map((tag, i) => {
      const like = DEMO_BARS.find((bar) => bar.tag === tag)!;
      return { ...like, tag: `A${i + 1}`, name: `Yard ${like.family}`, place: "Back wall" };
    });
    await loadHall(tx, SECOND_HALL, now, {
      bars: few,
      people: [
        ["Hob Quillane", "manager"],
        ["Sel Arkwright", "coach"],
      ],
      isFull: false,
    });
  });
}

/** Whether the demo data, or anything else, is there already. */
export async function hasHall(db: Database): Promise<boolean> {
  return (await db.select({ id: schema.halls.id }).from(schema.halls).limit(1)).length > 0;
}

/** Takes everything out, for a fresh start of the demo. */
export async function emptyDatabase(db: Database): Promise<void> {
  await db.execute(sql`truncate table halls cascade`);
}

interface HallSpec {
  bars: readonly DemoBar[];
  people: readonly (readonly [string, Role])[];
  isFull: boolean;
}

async function loadHall(
  tx: Parameters<Parameters<Database["transaction"]>[0]>[0],
  facts: typeof DEMO_HALL,
  now: Date,
  spec: HallSpec,
) {
  // Within one transaction the database's clock stands still; the order of the halls must not depend on it.
  const createdAt = new Date(now.getTime() + (spec.isFull ? 0 : 1000));
  const [row] = await tx
    .insert(schema.halls)
    .values({ ...facts, createdAt, isDemo: true })
    .returning();
  const hall = new HallDb(tx, row!.id, { isNew: true });
  const today = hallDayAt(now, facts.timeZone);
  const people: People = {};
  for (const person of await hall.insert(
    schema.people,
    spec.people.map(([name, role]) => ({ name, role })),
  ))
    people[person.name] = person.id;
  const coach = spec.people.find(([, role]) => role === "coach")![0];
  if (spec.isFull)
    await hall.insert(
      schema.apiTokens,
      [
        ["demo-token", coach],
        ["demo-manager-token", spec.people.find(([, role]) => role === "manager")![0]],
      ].map(([token, name]) => ({
        personId: people[name!]!,
        tokenSha256: createHash("sha256").update(token!).digest("hex"),
        label: token!,
        scopes: token === "demo-token" ? (["read", "health"] as const).slice() : [...schema.TOKEN_SCOPES],
      })),
    );

  const places: Record<string, string> = {};
  const placeNames = spec.isFull ? DEMO_PLACES : (["Back wall"] as const);
  for (const place of await hall.insert(
    schema.places,
    placeNames.map((name, i) => ({ name, roundOrder: i + 1, ...DEMO_PLACE_FACTS[name] })),
  ))
    places[place.name] = place.id;

  await insertUsualLifts(hall);
  await hall.insert(schema.plates, (spec.isFull ? DEMO_PLATES : DEMO_PLATES.slice(0, 4)).map(plateRow));
  await hall.insert(
    schema.clamps,
    DEMO_CLAMPS.map(([key, name, mass, widthMm, pairs]) => {
      const typed = typedOf(mass);
      return {
        key,
        name,
        pairMassValue: typed.value,
        pairMassUnit: typed.unit,
        pairMassUnits: massUnitsFromKg(convertTyped(typed)),
        widthMm,
        pairs,
      };
    }),
  );
  await hall.insert(
    schema.stations,
    (spec.isFull ? DEMO_STATIONS : DEMO_STATIONS.slice(0, 1)).map(
      ([key, name, kind, supportSpacingMm, holePitchMm, firstHoleMm, jCupPairs, nearPlace]) => ({
        key,
        name,
        kind,
        supportSpacingMm,
        holePitchMm,
        firstHoleMm,
        jCupPairs,
        nearPlace,
        planX: DEMO_STATION_PLAN[key][0],
        planY: DEMO_STATION_PLAN[key][1],
        ratedKg: kind === "rack" ? DEMO_RACK_KG : kind === "bench" ? DEMO_BENCH_KG : null,
      }),
    ),
  );
  const tasks = await insertUsualCare(hall);
  const measurer = people[spec.people[0]![0]]!;
  const rows = [];
  for (const bar of spec.bars) rows.push(await loadBar(hall, bar, places[bar.place]!, measurer, today, now));
  if (spec.isFull) await loadPeople(hall, { people, bars: new Map(rows.map(({ tag, id }) => [tag, id])), today });
  if (spec.isFull) {
    await loadClimate(hall, facts.timeZone, now);
    await loadHours(
      hall,
      spec.people.map(([name, role]) => ({ id: people[name]!, role })),
    );
    await loadInspections(hall, rows, measurer, today, now);
    await loadFeel(hall, {
      ...{ personId: measurer, today, now },
      bars: new Map(rows.map(({ tag, id }) => [tag, id])),
    });
  }
  await loadCare(hall, rows, tasks, facts.climateClass, people, spec, today);
}

function plateRow([key, mass, material, diameterMm, thicknessMm, pairs, colour]: (typeof DEMO_PLATES)[number]) {
  const typed = typedOf(mass);
  return {
    key,
    material,
    diameterMm,
    thicknessMm,
    pairs,
    colour,
    massValue: typed.value,
    massUnit: typed.unit,
    massUnits: massUnitsFromKg(convertTyped(typed)),
    isDropRated: material === "bumper",
  };
}

async function loadBar(
  hall: HallDb,
  spec: DemoBar,
  placeId: string,
  personId: string,
  today: HallDay,
  now: Date,
): Promise<BarRow> {
  const record = demoRecord(spec, today);
  const measurements = (Object.entries(spec.measured ?? {}) as [QuantityKind, string][]).map(([kind, text]) => {
    const values = text.split(" ");
    const unit = values.pop() as Unit;
    return {
      kind,
      typedValues: values,
      typedUnit: unit,
      readings: values.map((value) => convertTyped({ value, unit })),
    };
  });
  const columns = {
    ...rowFromRecord(record, placeId, "GBP"),
    knownSince: spec.yearsAgo === 0 ? today : addDays(today, spec.family === "axle" ? -LOG_DAYS - 30 : -YEAR_DAYS),
  };
  const effective = quantityRows(columns, record.stated, measurements);
  const [row] = await hall.insert(schema.bars, { ...columns, ...effective.columns });
  await hall.insert(
    schema.barQuantities,
    effective.quantities.map((quantity) => ({ ...quantity, barId: row!.id })),
  );
  await hall.insert(
    schema.barMeasurements,
    measurements.map((measurement, i) => ({
      ...measurement,
      barId: row!.id,
      personId,
      instrument: QUANTITIES[measurement.kind].instrument,
      measuredAt: new Date(now.getTime() - (40 - (i % 5)) * 86_400_000),
    })),
  );
  await hall.insert(schema.changes, {
    personId,
    entity: "bar",
    entityId: row!.id,
    action: "entered",
    at: new Date(now.getTime() - 41 * 86_400_000),
    after: { tag: spec.tag, name: spec.name, family: spec.family },
  });
  return row!;
}

/** The bar as somebody would have entered it; what the demo says wrongly stops the load. */
function demoRecord(spec: DemoBar, today: HallDay): BarRecord {
  const { form } = FAMILIES[spec.family];
  const boughtOn = addDays(today, -Math.round(spec.yearsAgo * 365.25) - 40);
  const texts: Partial<Record<FieldKey, string>> = {
    tag: spec.tag,
    name: spec.name,
    family: spec.family,
    state: spec.state ?? "in-service",
    stateReason: spec.stateReason ?? "",
    place: spec.place,
    supplier: spec.supplier,
    batch: spec.batch,
    boughtOn: spec.yearsAgo === 0 ? "" : boughtOn,
    price: (spec.price / 100).toFixed(2),
    stock: spec.stock ?? "new",
    alloy: spec.alloy,
    tensileMPa: String(spec.tensileMPa ?? ""),
    yieldMPa: String(spec.yieldMPa ?? ""),
    finish: spec.finish,
    sleeveFinish: spec.sleeveFinish,
    areSleevesGrooved: spec.grooved ? "yes" : "no",
    knurl: spec.knurl,
    centreKnurl: spec.centreKnurl,
    ringMarks: spec.ringMarks,
    plainGapMm: String(spec.plainGapMm ?? ""),
    sleeveRotation: spec.sleeves,
    rating: spec.rating?.[0] ?? "",
    ratingBasis: spec.rating?.[1] ?? "",
    hardLimit: spec.hardLimit ?? "",
    note: spec.note ?? "",
    ...spec.more,
  };
  const own = Object.fromEntries(FIELD_KEYS.filter((key) => hasField(key, form)).map((key) => [key, texts[key]]));
  const stated = Object.entries(spec.stated).map(([kind, text]) => [statedKey(kind as QuantityKind), text]);
  const read = readBarRecord({ ...own, ...Object.fromEntries(stated) });
  if (!read.ok) throw new Error(`demo bar ${spec.tag}: ${read.problems.map(({ message }) => message).join("; ")}`);
  return read.record;
}

/** A year of care as people really do it: mostly in time, the cradle forgotten for weeks, the axle never. */
async function loadCare(
  hall: HallDb,
  bars: BarRow[],
  tasks: CareTaskRow[],
  climate: ClimateClass,
  people: People,
  spec: HallSpec,
  today: HallDay,
) {
  const [random, older] = [seededRandom(SEED), seededRandom(SEED + 1)];
  const house = { climate, isAllRoundBusiest: false };
  const crew = spec.people.filter(([, role]) => role !== "wall" && role !== "lifter").map(([name]) => people[name]!);
  const log: {
    barId: string;
    taskId: string;
    doneOn: HallDay;
    doneBy: string;
    enteredBy: string;
    enteredAt: Date;
    minutes: number;
  }[] = [];
  const plan = [];
  for (const bar of bars) {
    const demo = spec.bars.find(({ tag }) => tag === bar.tag)!;
    if (demo.state === "on-order") continue;
    for (const task of tasks) {
      const fresh = carePlanRow(bar, task, house, null);
      if (!fresh) continue;
      let last: HallDay | null = null;
      if (bar.family !== "axle") {
        // The cradle was forgotten; everything else was last done somewhere within its interval, or a little past it.
        const lapse = demo.place === "Floor cradle" ? 2.3 + 0.3 * random() : 0.15 + 0.93 * random();
        const write = (doneOn: HallDay, doneBy: string, minutes: number) =>
          log.push({
            barId: bar.id,
            taskId: task.id,
            doneOn,
            doneBy,
            enteredBy: doneBy,
            enteredAt: new Date(`${doneOn}T12:00:00Z`),
            minutes,
          });
        let first = 0;
        for (
          let back = Math.round(lapse * fresh.intervalDays);
          back <= LOG_DAYS;
          back += Math.round(fresh.intervalDays * (0.85 + 0.3 * random()))
        ) {
          const doneOn = addDays(today, -Math.max(back, 1));
          const doneBy = crew[Math.floor(random() * crew.length)]!;
          write(doneOn, doneBy, Math.round(task.minutes * (0.8 + 0.5 * random()) * 10) / 10);
          first = back;
          if (last === null || doneOn > last) last = doneOn;
        }
        // Long intervals reach back past the log; the first record is older.
        last ??= addDays(today, -Math.round(lapse * fresh.intervalDays));
        if (last < addDays(today, -LOG_DAYS)) {
          write(last, crew[0]!, task.minutes);
          first = daysBetween(last, today);
        }
        // Before that as the task comes round; the far wall was passed over now and then.
        const often = demo.place === "Rack wall B" ? 1.5 : 0.85;
        const every = () => Math.round(fresh.intervalDays * (often + 0.3 * older()));
        for (let back = first + every(); back < YEAR_DAYS; back += every())
          write(
            addDays(today, -back),
            crew[Math.floor(older() * crew.length)]!,
            Math.round(task.minutes * (0.8 + 0.5 * older()) * 10) / 10,
          );
      }
      plan.push(carePlanRow(bar, task, house, last)!);
    }
  }
  await hall.insert(schema.careLog, log);
  await hall.insert(schema.carePlan, plan);
}

function typedOf(text: string): TypedQuantity {
  const [value, unit] = text.split(" ");
  return { value: value!, unit: unit as Unit };
}
