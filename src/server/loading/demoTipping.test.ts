import { beforeAll, expect, it } from "vitest";
import { isUsable, valueOf } from "@/core/bars/bar";
import { seatToSeatOf } from "@/core/bars/lengths";
import { fitAt, isRefused } from "@/core/bars/rackSpan";
import { planBreaks } from "@/core/bars/fitness";
import { turnsOver, type Disc } from "@/core/loading/statics.fixture";
import { platesOffOneSide } from "@/core/loading/tippingOf";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { DEMO_HALL } from "@/data/demo/demoHall";
import { loadDemo } from "@/data/demo/loadDemo";
import { halls } from "@/data/schema";
import { HallDb } from "@/data/hallDb";
import { inNewDatabase } from "@/data/database.fixture";
import { migrateDatabase } from "@/data/migrate";
import { openDatabase } from "@/data/client";
import { eq } from "drizzle-orm";
import { TEST_NOW, makeContexts } from "@/server/access/context.fixture";
import type { Context } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { listPlates, listStations } from "@/server/equipment";
import { planLoad } from "./planLoad";
import { tippingAt } from "./planRun";

let example: Context;
beforeAll(async () => {
  example = (await makeContexts("demo tipping")).context("manager");
});

/** Loads from an empty bar to heavy ones, in kg. */
const LOADS = [30, 42.5, 60, 72.5, 85, 100, 120, 142.5, 170, 200, 240];

it("every bar of the demonstration at every rack and load: what may come off one side is what statics written apart say", () =>
  inNewDatabase(async (url) => {
    await migrateDatabase(url);
    const { db, pool } = openDatabase(url);
    try {
      await loadDemo(db, TEST_NOW);
      const [row] = await db.select().from(halls).where(eq(halls.name, DEMO_HALL.name));
      const context: Context = { ...example, hall: new HallDb(db, row!.id) };
      const [wall, { items: plates }, { items: stations }] = [
        await barsOnTheWall(context),
        await listPlates(context),
        await listStations(context),
      ];
      const racks = stations.filter(({ supportSpacingMm }) => supportSpacingMm !== null);
      const discOf = (key: string): Disc => {
        const plate = plates.find((one) => one.key === key)!;
        return { kg: kgFromMassUnits(plate.massUnits), mm: plate.thicknessMm! };
      };
      let [compared, silent, refused] = [0, 0, 0];
      for (const listed of wall) {
        const { bar } = listed;
        if (!isUsable(bar.state)) continue;
        for (const targetKg of LOADS) {
          const loaded = await planLoad(context, listed, {
            ...{ targetKg, clamps: null, ending: "racked", rounding: "nearest", toleranceKg: 0.25, only: null },
            onBar: [],
          });
          if (!loaded.ok || !loaded.plan.answer.ok) continue;
          const { perSide } = loaded.plan.answer;
          const side = perSide.map(discOf);
          for (const station of racks) {
            const name = `${bar.tag} at ${station.name}, ${targetKg} kg: ${perSide.join("+")}`;
            if (isRefused(fitAt(bar, station))) {
              expect(planBreaks(bar, { station, stations: racks }), name).not.toEqual([]);
              refused += 1;
              continue;
            }
            const answer = tippingAt(bar, station, loaded.plan.plates, perSide, null);
            const seatToSeatMm = seatToSeatOf(bar)?.value;
            if (!answer || !seatToSeatMm) continue;
            const facts = { kg: valueOf(bar, "mass")!, seatToSeatMm };
            const half = station.supportSpacingMm! / 2;
            expect(answer.tips !== null, name).toBe(turnsOver(facts, half, side, side));
            if (answer.tips !== null) continue;
            let off = 0;
            while (off < side.length && !turnsOver(facts, half, side.slice(0, side.length - off - 1), side)) off += 1;
            const said = platesOffOneSide(answer, side.length, false);
            expect(said, name).toBe(off >= side.length ? null : off);
            compared += 1;
            if (said === null) silent += 1;
          }
        }
      }
      // The walk went somewhere: bars that are silent, bars that warn, racks that refuse.
      expect(compared).toBeGreaterThan(200);
      expect(silent).toBeGreaterThan(20);
      expect(compared - silent).toBeGreaterThan(20);
      expect(refused).toBeGreaterThan(20);
    } finally {
      await pool.end();
    }
  }));
