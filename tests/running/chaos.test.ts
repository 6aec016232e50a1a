import { readFileSync } from "node:fs";
import { join } from "node:path";
import { existsSync } from "node:fs";
import { afterAll, beforeAll, expect, it } from "vitest";
import { seededNumbers } from "../../src/app/hostile.fixture";
import { openHouse, pause, startProgram, until, withOwner, type House, type Program } from "./program.fixture";

/*
 * The server or the database is killed at a random instant while people touch things, and started again. What was
 * acknowledged is there once, nothing is there by half, and every screen opens. `npm run chaos` does it 200 times.
 */

const SEED = Number(process.env.TEST_SEED ?? 20_261_127);
const ERRANDS = Number(process.env.CHAOS_ERRANDS ?? 10);
const SCREENS = [
  "/",
  "/bars",
  "/bars/K04",
  "/load",
  "/care",
  "/care/rounds",
  "/classes",
  "/match",
  "/setups",
  "/lifters",
];
/** Touches on their way at once, and how many of them a killing finds. */
const HANDS = 4;
const TOUCHES = 8;

let house: House;
let program: Program;
beforeAll(async () => {
  // As a gym has it: what was committed is written.
  house = await openHouse({ isDurable: true });
  program = await startProgram(house);
});
afterAll(async () => {
  await program?.end();
  await house?.close();
});

const postmaster = () =>
  ["data/cluster/pg", "data/pg"].map((folder) => join(house.scratch, folder, "postmaster.pid")).find(existsSync)!;

it(
  `${ERRANDS} errands with a killing in each lose nothing, keep nothing by half, and every screen opens`,
  async () => {
    const next = seededNumbers(SEED);
    const acknowledged: string[] = [];
    for (let errand = 0; errand < ERRANDS; errand += 1) {
      const isDatabase = next() < 0.5;
      const instant = next() * 250;
      const waiting = Array.from({ length: TOUCHES }, (_, i) => `errand ${errand}.${i}`);
      const send = async (note: string) => {
        const response = await program
          .ask(`/care/rounds/touch`, {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: JSON.stringify({
              ...{ key: `chaos-${note.replace(/\W/g, "-")}`, kind: "wrong", tag: "K04", tasks: [], note },
              madeAt: "2026-03-18T16:20:00Z",
            }),
            signal: AbortSignal.timeout(20_000),
          })
          .catch(() => null);
        if (response?.ok) acknowledged.push(note);
        return response?.ok ?? false;
      };
      // Each hand sends what waits until it is taken, as the outbox of a tablet does.
      let isBack = false;
      const hand = async () => {
        for (let note = waiting.shift(); note !== undefined; note = waiting.shift())
          while (!(await send(note))) await pause(isBack ? 50 : 100);
      };
      const hands = Array.from({ length: HANDS }, hand);
      await pause(instant);
      if (isDatabase) {
        process.kill(Number(readFileSync(postmaster(), "utf8").split("\n")[0]), "SIGKILL");
        await pause(50);
        await house.restart();
      } else {
        await program.end("SIGKILL");
        program = await startProgram(house);
      }
      isBack = true;
      await Promise.all(hands);
      const { rows } = await withOwner(house, (client) =>
        client.query("select note, count(*)::int as n from care_findings where note like 'errand %' group by note"),
      );
      const kept = new Map((rows as { note: string; n: number }[]).map(({ note, n }) => [note, n]));
      const say = `seed ${SEED}, errand ${errand}, ${isDatabase ? "database" : "server"} killed after ${instant} ms`;
      expect(
        acknowledged.filter((note) => kept.get(note) !== 1),
        say,
      ).toEqual([]);
      expect(kept.size, say).toBe((errand + 1) * TOUCHES);
      // A finding and its line in the history are one: neither is there without the other.
      const { rows: halves } = await withOwner(house, (client) =>
        client.query(
          "select f.id from care_findings f where f.note like 'errand %' and not exists (select 1 from changes c where c.hall_id = f.hall_id and c.entity = 'finding' and c.entity_id = f.id)",
        ),
      );
      expect(halves, say).toEqual([]);
    }
    await until(
      async () => (await fetch(`${program.base}/readyz`).catch(() => null))?.status,
      (status) => status === 200,
      30_000,
    );
    for (const path of SCREENS) expect((await program.ask(`${path}`)).status, path).toBe(200);
  },
  ERRANDS * 30_000,
);
