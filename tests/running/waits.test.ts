import { get } from "node:http";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import {
  everyAddress,
  openHouse,
  pause,
  startProgram,
  until,
  withOwner,
  type House,
  type Program,
} from "./program.fixture";

let house: House;
let program: Program;
beforeAll(async () => {
  house = await openHouse();
  program = await startProgram(house);
});
afterAll(async () => {
  await program?.end();
  await house?.close();
});

describe("what stands around a page", () => {
  /** An answer as it comes, part by part, as a browser asks that opens a page. */
  const partsOf = (path: string) =>
    new Promise<string[]>((resolve, reject) => {
      const headers = { cookie: program.visitor.cookie, "sec-fetch-dest": "document", accept: "text/html" };
      get(`${program.base}${path}`, { headers }, (answer) => {
        const parts: string[] = [];
        answer.setEncoding("utf8");
        answer.on("data", (part: string) => parts.push(part));
        answer.on("end", () => resolve(parts));
        answer.on("error", reject);
      }).on("error", reject);
    });
  const [sections, plates] = ['aria-label="Sections"', 'aria-label="Plates"'];

  it("is on its way before what is worked out for it", async () => {
    const first: string[] = [];
    for (let visit = 0; visit < 10; visit += 1) {
      const parts = await partsOf("/bars/equipment");
      const whole = parts.join("");
      expect(whole).toContain(plates);
      first.push(parts[0]!.includes(sections) && !parts[0]!.includes(plates) ? "frame" : "all");
    }
    // On a machine that is busy enough two parts may be read as one, now and then.
    expect(first.filter((one) => one === "frame").length, first.join(" ")).toBeGreaterThan(4);
  });
});

describe("when the database cannot answer", () => {
  const MAX_ROUNDS_MS = 240_000;

  /** Every address at once, and whether the program called itself unready before they were all answered. */
  async function askedWhileReadinessIsLookedAt() {
    let isOver = false;
    const all = Promise.all(everyAddress().map(asked)).finally(() => (isOver = true));
    let saidBusy = false;
    while (!isOver && !saidBusy) {
      saidBusy = (await asked("/readyz")).status === 503;
      await pause(100);
    }
    return { saidBusy, answers: await all };
  }

  it("every route still answers, or says 503 in time, while every connection waits for someone else", async () => {
    expect(everyAddress().length).toBeGreaterThan(60);
    const answers = await withOwner(house, async (client) => {
      await client.query("begin; lock table people, places, bars, lifts in access exclusive mode");
      try {
        const { answers } = await until(
          askedWhileReadinessIsLookedAt,
          ({ saidBusy }) => saidBusy,
          // A busy machine comes to readiness before the last connection is taken, or after the first is free again.
          MAX_ROUNDS_MS,
        );
        return answers;
      } finally {
        await client.query("rollback");
      }
    });
    expect(
      answers.filter(({ status }) => status === 500),
      program.printed(),
    ).toEqual([]);
    const busy = answers.filter(({ status }) => status === 503);
    expect(busy.length).toBeGreaterThan(40);
    expect(busy.filter(({ retryAfter }) => !retryAfter)).toEqual([]);
    expect(answers.find(({ path }) => path === "/healthz")).toMatchObject({ status: 200 });
    // Nobody holds it up any more: it goes on by itself.
    await until(
      async () => (await program.ask(`/bars`)).status,
      (status) => status === 200,
    );
  });

  it("fourteen touches of one run sheet at once all count, each once", async () => {
    const runId = await beginRun();
    const key = (i: number) => `touch-at-once-${i}`;
    const state = (await runState(runId)) as { state: { sets: { id: string }[] } };
    const sets = state.state.sets.map(({ id }) => id);
    const answers = await Promise.all(
      Array.from({ length: 14 }, (_, i) =>
        program.ask(`/load/session/run/${runId}/touch`, {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify({
            kind: "skip",
            set: sets[i % sets.length],
            key: key(i),
            madeAt: new Date().toISOString(),
          }),
        }),
      ),
    );
    expect(answers.map(({ status }) => status)).toEqual(Array(14).fill(200));
    const { rows } = await withOwner(house, (client) =>
      client.query("select count(*)::int as n from run_steps where run_id = $1", [runId]),
    );
    expect(rows[0].n).toBe(14);
  });

  it("goes on after the database was restarted, without being restarted itself", async () => {
    expect((await program.ask(`/api/v1/plates`)).status).toBe(200);
    await house.restart();
    await until(
      async () => (await program.ask(`/api/v1/plates`)).status,
      (status) => status === 200,
    );
    expect(program.process.exitCode).toBeNull();
  });
});

/** How a page was answered, asked as somebody who is signed in. */
async function asked(path: string): Promise<{ path: string; status: number; retryAfter: string | null }> {
  const response = await program.ask(path, { redirect: "manual" });
  await response.text();
  return { path, status: response.status, retryAfter: response.headers.get("retry-after") };
}

/** A run sheet as the page makes one: straight into the database, since its buttons are another test's. */
async function beginRun(): Promise<string> {
  return withOwner(house, async (client) => {
    const { rows: bars } = await client.query(
      "select b.id, b.hall_id, p.id as person from bars b join people p on p.hall_id = b.hall_id and p.role = 'manager' where b.tag = 'K02' limit 1",
    );
    const set = (id: number) => ({
      id: `1.${id}`,
      lifter: "Ann",
      isWork: true,
      setup: null,
      jCupHole: null,
      targetUnits: 600_000_000_000,
      achievedUnits: 600_000_000_000,
      perSide: [],
      state: "open",
    });
    const state = {
      bar: { barUnits: 200_000_000_000, clampPairUnits: 0, roomMm: 400, changesSetupEmpty: false },
      plates: [],
      start: [],
      sets: Array.from({ length: 14 }, (_, i) => set(i + 1)),
      isProven: true,
    };
    const { rows } = await client.query(
      "insert into runs (hall_id, bar_id, state, started_by, started_at, plan_address, lifter_ids) values ($1, $2, $3, $4, $5, '', '{}') returning id",
      [
        bars[0].hall_id,
        bars[0].id,
        state,
        bars[0].person,
        new Date(Date.now() + Number(process.env.GARRISON_CLOCK_OFFSET_MS)),
      ],
    );
    return rows[0].id as string;
  });
}

const runState = async (id: string): Promise<unknown> =>
  (await withOwner(house, (client) => client.query("select state from runs where id = $1", [id]))).rows[0];
