import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { MOMENT, openHouse, pause, startProgram, until, withOwner, type House } from "./program.fixture";

let house: House;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house?.close());

describe("several copies of the program on one database", () => {
  it("do what the program does by itself once, and tell everybody the same", async () => {
    const day = MOMENT.slice(0, 10);
    // A round today, so that somebody is to be reminded.
    await withOwner(house, (client) =>
      client.query(
        `insert into care_rounds (hall_id, person_id, day, from_minute, minutes, items)
         select b.hall_id, p.id, $1::date, 1080, 10, jsonb_build_array(jsonb_build_object('barId', b.id, 'taskId', t.id, 'dueOn', $1::date::text))
         from bars b join people p on p.hall_id = b.hall_id and p.role = 'care' join care_tasks t on t.hall_id = b.hall_id and t.key = 'shaft'
         where b.tag = 'K02' limit 1`,
        [day],
      ),
    );
    const copies = await Promise.all([1, 2, 3].map(() => startProgram(house)));
    try {
      const done = () =>
        withOwner(house, async (client) => {
          const { rows } = await client.query(
            "select hall_id, key, count(*)::int as n from idempotency_keys where action = 'housekeeping' group by 1, 2",
          );
          return rows as { key: string; n: number }[];
        });
      // Two halls, three pieces each.
      const pieces = await until(done, (rows) => rows.length >= 6);
      expect(pieces.every(({ n }) => n === 1)).toBe(true);
      const { rows } = await withOwner(house, (client) =>
        client.query("select subject, count(*)::int as n from messages group by 1"),
      );
      expect(rows).toMatchObject([{ n: 1 }]);

      const listed = await Promise.all(
        copies.map(async ({ ask }) => (await (await ask("/api/v1/bars")).json()) as unknown),
      );
      expect(listed[1]).toEqual(listed[0]);
      expect(listed[2]).toEqual(listed[0]);
    } finally {
      expect(await Promise.all(copies.map((copy) => copy.end()))).toEqual([0, 0, 0]);
    }
  });

  it("one may be stopped while the others go on", async () => {
    const [one, other] = [await startProgram(house), await startProgram(house)];
    expect(await one.end()).toBe(0);
    expect((await fetch(`${other.base}/readyz`)).status).toBe(200);
    expect(await other.end("SIGINT")).toBe(0);
  });
});

describe("a stop", () => {
  it("lets a transaction that is under way end, and takes nobody new", async () => {
    const program = await startProgram(house);
    const held = await withOwner(house, async (client) => {
      await client.query("begin; select 1 from bars where tag = 'K03' for update");
      const touched = program.ask(`/care/rounds/touch`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({
          key: "stop-while-under-way",
          kind: "wrong",
          tag: "K03",
          tasks: [],
          note: "end cap loose",
          madeAt: MOMENT,
        }),
      });
      const photo = program.ask(`/api/v1/bars/K03`);
      await photo;
      // A statement of its own that waits for this one: the program is busy when it is told to stop.
      const slow = program.ask(`/load/session/run/00000000-0000-4000-8000-000000000000/state`);
      await pause(300);
      const ended = program.end("SIGTERM");
      await pause(500);
      await client.query("rollback");
      return { code: await ended, status: (await touched).status, slow: (await slow.catch(() => null))?.status };
    });
    expect(held).toMatchObject({ code: 0, status: 200 });
    const { rows } = await withOwner(house, (client) =>
      client.query("select count(*)::int as n from care_findings where note = 'end cap loose'"),
    );
    expect(rows[0].n).toBe(1);
    await expect(fetch(`${program.base}/healthz`)).rejects.toThrow();
    expect(program.lines().at(-1)).toMatchObject({ msg: "stopped", isDrained: true });
  });
});

describe("the log", () => {
  it("is one line of JSON a request with an id, and holds no name, no parameter and no forged line", async () => {
    const program = await startProgram(house);
    const { ask } = program;
    const forged = 'forged-1\n{"level":"info","msg":"request","route":"/forged"}';
    await ask("/lifters/isla?note=secret-note");
    await ask(`/bars?q=${encodeURIComponent(forged)}`, { headers: { "x-request-id": "told-by-the-proxy-1" } });
    await ask(`/nothing/${encodeURIComponent(forged)}`);
    const bad = await ask("/api/v1/whip", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: '{"secretField":"secret-value"}',
    });
    expect(bad.status).toBe(400);
    expect(bad.headers.get("x-request-id")).toMatch(/^[\w-]{36}$/);
    await program.end();
    const requests = program.lines().filter(({ msg }) => msg === "request");
    // A line is written when its answer has ended, so a later request may come first.
    expect(
      requests
        .map(({ route }) => route)
        .filter((route) => route !== "/readyz")
        .sort(),
    ).toEqual(["/api/v1/whip", "/bars", "/lifters/[key]", "unknown"]);
    expect(requests.find(({ route }) => route === "/bars")!.id).toBe("told-by-the-proxy-1");
    for (const { id, method, status } of requests)
      expect([typeof id, typeof method, typeof status]).toEqual(["string", "string", "number"]);
    for (const secret of ["isla", "secret", "forged", "Isla"]) expect(program.printed()).not.toContain(secret);
  });

  it("of a failed statement says kind and place, never what it was given", async () => {
    await withOwner(house, (client) => client.query("alter table lifters rename column name to name_moved"));
    const program = await startProgram(house);
    try {
      expect((await program.ask(`/lifters`)).status).toBe(500);
      expect((await program.ask(`/api/v1/match?lift=bench&loadKg=60&lifter=isla-of-the-secret`)).status).toBe(500);
    } finally {
      await program.end();
      await withOwner(house, (client) => client.query("alter table lifters rename column name_moved to name"));
    }
    const errors = program.lines().filter(({ level }) => level === "error");
    expect(errors.length).toBeGreaterThan(1);
    expect(program.printed()).toContain('"code":"42703"');
    expect(program.printed()).not.toContain("isla-of-the-secret");
  });
});
