import { beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { ROUTES } from "@/api/routes";
import type { HallFileParts } from "@/core/hallFileParts";
import { LIFTS } from "@/core/matching/lifts";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { barQuantities, lifters, lifts, plates, stations } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { edge } from "../edge.fixture";
import { GET as anythingElse } from "./[[...path]]/route";
import * as balance from "./v1/balance/route";
import * as bar from "./v1/bars/[tag]/route";
import * as bars from "./v1/bars/route";
import * as barsCsv from "./v1/bars.csv/route";
import * as careDue from "./v1/care/due/route";
import * as careIcs from "./v1/care.ics/route";
import * as corrosion from "./v1/corrosion/route";
import * as exportJson from "./v1/export.json/route";
import * as importRoute from "./v1/import/route";
import * as liftersRoute from "./v1/lifters/route";
import * as liftsRoute from "./v1/lifts/route";
import * as load from "./v1/load/route";
import * as logRoute from "./v1/log/route";
import * as match from "./v1/match/route";
import * as openapi from "./v1/openapi.json/route";
import * as platesRoute from "./v1/plates/route";
import * as platesCsv from "./v1/plates.csv/route";
import * as offersRoute from "./v1/offers/route";
import * as purchase from "./v1/purchase/route";
import * as rotation from "./v1/rotation/route";
import * as sessionPlan from "./v1/session-plan/route";
import * as stationsRoute from "./v1/stations/route";
import * as strength from "./v1/strength/route";
import * as tipping from "./v1/tipping/route";
import * as whip from "./v1/whip/route";

vi.mock("@/server/access", async (original) => {
  const { contextOfTest } = await import("../edge.fixture");
  return { ...(await original<object>()), requestContext: contextOfTest, requestContextOf: contextOfTest };
});

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;
type Module = Record<"GET" | "HEAD" | "POST" | "PUT" | "PATCH" | "DELETE", Handler>;

const MODULES: Record<keyof typeof ROUTES, Module> = {
  whip,
  load,
  sessionPlan,
  tipping,
  balance,
  corrosion,
  strength,
  rotation,
  purchase,
  bars,
  bar,
  plates: platesRoute,
  stations: stationsRoute,
  lifts: liftsRoute,
  lifters: liftersRoute,
  log: logRoute,
  offers: offersRoute,
  match,
  careDue,
  careIcs,
  barsCsv,
  platesCsv,
  exportJson,
  import: importRoute,
  openapi,
};

let made: Awaited<ReturnType<typeof makeContexts>>;
beforeAll(async () => {
  made = await makeContexts("routes");
  const { hall, bar: power } = made;
  await hall.insert(
    lifts,
    Object.values(LIFTS).map((lift, i) => ({ ...lift, listOrder: i + 1 })),
  );
  await hall.insert(lifters, [
    { key: "ann", name: "Ann", heightMm: 1700, massKg: 70 },
    { key: "bo", name: "Bo" },
  ]);
  await hall.insert(stations, { key: "r1", name: "Rack 1", kind: "rack", jCupPairs: 1 });
  await hall.insert(barQuantities, {
    barId: power.id,
    kind: "mass",
    statedValue: "20",
    statedUnit: "kg",
    stated: 20,
    effective: 20,
    source: "stated",
  });
  await hall.insert(
    plates,
    [25, 20, 10, 5].map((kg) => ({
      key: `r${kg}`,
      massValue: String(kg),
      massUnit: "kg" as const,
      massUnits: massUnitsFromKg(kg),
      pairs: 2,
    })),
  );
});
beforeEach(() => {
  edge.fails = null;
  edge.context = made.context("manager");
});

const at = (path: string, init?: RequestInit) => new Request(`http://garrison.test/api/v1${path}`, init);
const ask = (module: Module, path: string, params: Record<string, string> = {}) =>
  module.GET(at(path), { params: Promise.resolve(params) });
const send = (module: Module, body: unknown, type = "application/json", path = "/x") =>
  module.POST(
    at(path, {
      method: "POST",
      headers: { "content-type": type },
      body: typeof body === "string" ? body : JSON.stringify(body),
    }),
    { params: Promise.resolve({}) },
  );
const json = async (response: Response | Promise<Response>) =>
  (await (await response).json()) as Record<string, unknown>;
interface ErrorBody {
  error: { code: string; message: string; details: { path: string; message: string }[] };
}
const errorOf = async (response: Response | Promise<Response>) =>
  ((await json(response)) as unknown as ErrorBody).error;

describe("every route of the interface", () => {
  it.each(Object.keys(ROUTES) as (keyof typeof ROUTES)[])(
    "%s answers its own method, and 405 with Allow to every other",
    async (name) => {
      const { method } = ROUTES[name];
      for (const other of ["GET", "POST", "PUT", "PATCH", "DELETE"] as const) {
        if (other === method) continue;
        const response = await MODULES[name][other](at("/x", { method: other }), { params: Promise.resolve({}) });
        expect(response.status, other).toBe(405);
        expect(response.headers.get("allow")).toContain(method);
        expect((await errorOf(response)).code).toBe("method-not-allowed");
      }
    },
  );
  it.each(Object.keys(ROUTES) as (keyof typeof ROUTES)[])(
    "%s refuses a query that it does not know, by name",
    async (name) => {
      const { method } = ROUTES[name];
      const request = at("/x?nonsense=1", {
        method,
        ...(method === "POST" ? { headers: { "content-type": "application/json" }, body: "{}" } : {}),
      });
      const response = await MODULES[name][method](request, { params: Promise.resolve({ tag: "T1" }) });
      expect(response.status).toBe(400);
      expect((await errorOf(response)).details.map(({ path }) => path)).toContain("nonsense");
    },
  );
  it.each(Object.keys(ROUTES) as (keyof typeof ROUTES)[])(
    "%s says 503 with Retry-After when the database is away, 500 without our inside when we fail",
    async (name) => {
      const { method } = ROUTES[name];
      const call = () =>
        MODULES[name][method](at("/x", { method, ...(method === "POST" ? { body: "{}" } : {}) }), {
          params: Promise.resolve({ tag: "T1" }),
        });
      edge.fails = new Error("timeout exceeded when trying to connect");
      const away = await call();
      expect([away.status, away.headers.get("retry-after")]).toEqual([503, "5"]);
      edge.fails = new Error("secret inside");
      const failed = await call();
      expect(failed.status).toBe(500);
      expect(JSON.stringify(await json(failed))).not.toContain("secret");
    },
  );
});

describe("bodies", () => {
  it.each([
    ["text", "text/plain", "{}", 415],
    ["nothing said", "", "{}", 415],
    ["another charset", "application/json; charset=latin1", "{}", 415],
    ["utf-8 said", "application/json; charset=utf-8", "{}", 400],
    ["no JSON", "application/json", "{", 400],
    ["a list", "application/json", "[]", 400],
  ])("%s", async (_, type, body, status) => {
    expect((await send(whip, body, type)).status).toBe(status);
  });
  it("over 256 KiB are refused before they are read", async () => {
    const long = JSON.stringify({ bar: "x".repeat(300 * 1024) });
    expect((await send(load, long)).status).toBe(413);
  });
  it("that are wrong are told every problem at its path", async () => {
    const { code, details } = await errorOf(
      send(whip, { bar: { shaftDiameterMm: "28" }, supportHalfSpacingMm: -1, perSide: [{ massKg: null }], extra: 1 }),
    );
    expect(code).toBe("bad-request");
    for (const path of ["bar.shaftDiameterMm", "supportHalfSpacingMm", "perSide.0.massKg", "extra"])
      expect(
        details.map((one) => one.path),
        path,
      ).toContain(path);
  });
});

describe("computing", () => {
  const WHIP = {
    bar: { shaftDiameterMm: 28, shaftLengthMm: 1310, collarThicknessMm: 30 },
    supportHalfSpacingMm: 220,
    perSide: Array(5).fill({ massKg: 25, thicknessMm: 27 }),
  };
  it("whip as the handbook has it: 22.1 mm and 303 MPa", async () => {
    const answer = await json(send(whip, WHIP));
    expect(answer.deflectionMm as number).toBeCloseTo(22.1, 1);
    expect(Math.round(answer.maxStressMPa as number)).toBe(303);
  });
  it("whip is impossible when the supports are not inside the load", async () => {
    expect((await send(whip, { ...WHIP, supportHalfSpacingMm: 900 })).status).toBe(422);
  });
  it("a load, exact, and one that is impossible", async () => {
    const plate = { id: "r20", massKg: 20, pairs: 2 };
    const ok = await json(send(load, { targetKg: 100, bar: { massKg: 20 }, plates: [plate] }));
    expect(ok).toMatchObject({ achievedKg: 100, exact: true, perSide: ["r20", "r20"] });
    expect((await send(load, { targetKg: 10, bar: { massKg: 20 }, plates: [plate] })).status).toBe(422);
    const doubled = await errorOf(send(load, { targetKg: 60, bar: { massKg: 20 }, plates: [plate, plate] }));
    expect(doubled.details.length).toBeGreaterThan(0);
  });
  it("a session, with its bound", async () => {
    const sets = [60, 100, 60].map((targetKg, i) => ({ id: String(i), targetKg }));
    const answer = await json(
      send(sessionPlan, { bar: { massKg: 20 }, plates: [{ id: "r20", massKg: 20, pairs: 2 }], sets }),
    );
    expect(answer).toMatchObject({ handledPerSide: 3, lowerBoundPerSide: 3, provenOptimal: true });
  });
  it("strength: one single, an empty log, and days, bars and fields that do not fit", async () => {
    const set = { on: "2026-03-02", bar: "P", family: "power", loadKg: 100, repetitions: 1, repetitionsInReserve: 0 };
    const ask = [{ bar: "Y", family: "yoke", repetitions: 5 }];
    const answer = await json(send(strength, { sets: [set], ask }));
    expect((answer.straight as { kg: number }).kg).toBeCloseTo(100, 6);
    expect(answer.bars).toEqual([{ bar: "P", ratio: 1, low: 1, high: 1, uses: 1, isLearning: false }]);
    const [first] = answer.expected as { loadKg: number; lowKg: number; highKg: number }[];
    expect(first!.loadKg).toBe(first!.lowKg);
    expect(first!.highKg).toBeGreaterThan(first!.lowKg);
    expect(await json(send(strength, { sets: [], ask }))).toEqual({ straight: null, bars: [], expected: null });
    const wrong = await errorOf(
      send(strength, {
        sets: [
          { ...set, on: "2026-02-30", loadKg: "100" },
          { ...set, family: "barbell", repetitions: 101 },
        ],
        level: 1,
        lifter: "ada",
      }),
    );
    expect(wrong.details.map(({ path }) => path).sort()).toEqual(
      ["level", "lifter", "sets.0.loadKg", "sets.0.on", "sets.1.family", "sets.1.repetitions"].sort(),
    );
    const two = await errorOf(send(strength, { sets: [set, { ...set, family: "yoke" }] }));
    expect(two.details.map(({ path }) => path)).toEqual(["sets.1.family"]);
    // As many as there may be, each of them with its limits.
    const many = Array.from({ length: 5000 }, (_, i) => ({ ...set, bar: `B${i % 200}`, family: "yoke" }));
    expect((await send(strength, { sets: many })).status).toBe(200);
    expect((await send(strength, { sets: [...many, set] })).status).toBe(400);
  });
  it("purchase: proven with what more money changes, and offers and needs that do not fit together", async () => {
    const question = {
      budgetMinor: 40_000,
      offers: [
        { id: "a", costMinor: 38_000 },
        { id: "b", costMinor: 21_000, atMost: 2 },
      ],
      needs: [
        { id: "n", weight: 1.5, owned: 40, offers: [{ id: "a", points: 100 }] },
        { id: "m", weight: 1, owned: 40, offers: [{ id: "b", points: 80, copies: 2 }] },
      ],
    };
    expect(await json(send(purchase, question))).toEqual({
      ...{ chosen: [{ id: "a", quantity: 1 }], costMinor: 38_000, gain: 90, bound: 90, provenOptimal: true },
      onlyOne: "a",
      next: {
        extraMinor: 40_000,
        chosen: [
          { id: "a", quantity: 1 },
          { id: "b", quantity: 2 },
        ],
      },
    });
    const wrong = await errorOf(
      send(purchase, {
        budgetMinor: 1.5,
        offers: [question.offers[0], question.offers[0], { id: "c", costMinor: "1", atMost: 0 }],
        needs: [{ id: "n", weight: -1, owned: 0, offers: [], note: "" }],
        currency: "EUR",
      }),
    );
    expect(wrong.details.map(({ path }) => path).sort()).toEqual(
      [
        ...["budgetMinor", "currency", "needs.0.note", "needs.0.weight"],
        ...["offers.1", "offers.2.atMost", "offers.2.costMinor"],
      ].sort(),
    );
    const unknown = { ...question.needs[0], offers: [{ id: "z", points: 1 }] };
    const other = await errorOf(send(purchase, { ...question, needs: [unknown] }));
    expect(other.details.map(({ path }) => path)).toEqual(["needs.0.offers.0.id"]);
  });
  it("rotation: proven, what contradicts, and what does not fit together", async () => {
    const own = [
      { id: "a", ratioPct: 100, points: 100 },
      { id: "b", ratioPct: 75, points: 100, learningWeeks: 1 },
    ];
    const question = {
      ...{
        weeks: 3,
        targets: [100, 70, 75],
        bars: [
          { id: "a", capacity: 1 },
          { id: "b", capacity: 1 },
        ],
      },
      lifters: ["Ada", "Ben"].map((id) => ({ id, bars: own })),
    };
    const impossible = await send(rotation, question);
    expect(impossible.status).toBe(422);
    const alone = await json(send(rotation, { ...question, lifters: [{ id: "Ada", bars: own }] }));
    expect(alone).toEqual({
      plan: [{ lifter: "Ada", bars: ["a", "b", "b"] }],
      ...{ value: 250, bound: 250, provenOptimal: true },
    });
    const wrong = await errorOf(
      send(rotation, {
        ...question,
        targets: [100],
        lifters: [{ id: "Ada", bars: [{ ...own[0], id: "c" }], pins: [{ week: 4, bar: "d" }] }],
      }),
    );
    expect(wrong.details.map(({ path }) => path)).toEqual([
      ...["targets", "lifters.0.bars.0.id", "lifters.0.pins.0.bar", "lifters.0.pins.0.week"],
    ]);
  });
  it("tipping, balance and corrosion", async () => {
    const stack = [{ massKg: 25, thicknessMm: 27 }];
    const bar20 = { massKg: 20, shaftLengthMm: 1310, collarThicknessMm: 30 };
    expect(await json(send(tipping, { bar: bar20, rackHalfSpacingMm: 545, left: stack, right: stack }))).toMatchObject({
      tips: null,
    });
    const carry = { alongTrunk: 1, alongTrunkMm: 20, forwardMm: -50 };
    const lean = await json(send(balance, { lifter: { heightMm: 1800, massKg: 85 }, carry, loadKg: 100 }));
    expect(lean.trunkLeanDeg as number).toBeCloseTo(41.4, 1);
    // ISO 9223:2012, the handbook's check value.
    const rate = await json(
      send(corrosion, {
        temperatureC: 10,
        relativeHumidityPct: 75,
        so2DepositionMgPerM2Day: 10,
        chlorideDepositionMgPerM2Day: 10,
      }),
    );
    expect([Math.round((rate.rateUmPerYear as number) * 10) / 10, rate.category]).toEqual([33.8, "C3"]);
  });
});

describe("lists", () => {
  it("come a page at a time, and a cursor of another list is refused", async () => {
    const first = await json(ask(liftsRoute, "/lifts?limit=2"));
    expect((first.items as unknown[]).length).toBe(2);
    const next = await json(ask(liftsRoute, `/lifts?limit=2&cursor=${encodeURIComponent(first.nextCursor as string)}`));
    const keys = [...(first.items as { key: string }[]), ...(next.items as { key: string }[])].map(({ key }) => key);
    expect(new Set(keys).size).toBe(4);
    for (const list of [bars, platesRoute, stationsRoute, liftsRoute, careDue]) {
      const day = list === careDue ? "&on=2026-03-20" : "";
      expect((await ask(list, `/x?cursor=nonsense${day}`)).status).toBe(400);
    }
  });
  it.each(["0", "501", "1.5", "x", ""])("a limit of %j is refused", async (limit) => {
    expect((await ask(bars, `/bars?limit=${limit}`)).status).toBe(400);
  });
  it("a bar by its tag, and none", async () => {
    expect(await json(ask(bar, "/bars/T1", { tag: "T1" }))).toMatchObject({
      tag: "T1",
      family: "power",
      massKg: { value: 20, source: "stated" },
    });
    expect((await ask(bar, "/bars/T9", { tag: "T9" })).status).toBe(404);
  });
  it("what is due names its days, and a day that is none is refused", async () => {
    const due = await json(ask(careDue, "/care/due?on=2026-03-20"));
    expect(due.items).toMatchObject([{ tag: "T1", task: "shaft", dueOn: "2026-03-11", overdueDays: 9 }]);
    expect((await ask(careDue, "/care/due?on=2026-02-30")).status).toBe(400);
  });
  it("as CSV and as a calendar, by their types", async () => {
    const csv = await ask(barsCsv, "/bars.csv");
    expect(csv.headers.get("content-type")).toContain("text/csv");
    expect(await csv.text()).toContain("T1");
    expect(await (await ask(platesCsv, "/plates.csv")).text()).toContain("r25");
    const ics = await ask(careIcs, "/care.ics");
    expect(ics.headers.get("content-type")).toContain("text/calendar");
    expect(await ics.text()).toMatch(/^BEGIN:VCALENDAR\r\n/);
  });
  it("describe themselves", async () => {
    expect(await json(ask(openapi, "/openapi.json"))).toMatchObject({ openapi: "3.1.0" });
  });
});

describe("who asks", () => {
  it("lifters are for coach and manager; a match for one of them too", async () => {
    for (const [role, status] of [
      ["manager", 200],
      ["coach", 200],
      ["care", 403],
      ["lifter", 403],
      ["wall", 403],
    ] as const) {
      edge.context = made.context(role);
      expect((await ask(liftersRoute, "/lifters")).status, role).toBe(status);
      expect((await ask(match, "/match?lift=bench&loadKg=60&lifter=ann")).status, role).toBe(status);
      expect((await ask(match, "/match?lift=bench&loadKg=60")).status, role).toBe(200);
    }
  });
  it("a match names what there is not", async () => {
    expect((await ask(match, "/match?lift=flying&loadKg=60")).status).toBe(404);
    expect((await ask(match, "/match?lift=bench&loadKg=60&lifter=nobody")).status).toBe(404);
    expect((await ask(match, "/match?lift=bench&loadKg=-1")).status).toBe(400);
  });
  it("the export is for coach and manager, and says lifters only to them", async () => {
    edge.context = made.context("lifter");
    expect((await ask(exportJson, "/export.json")).status).toBe(403);
    edge.context = made.context("coach");
    const file = (await json(ask(exportJson, "/export.json"))) as unknown as HallFileParts;
    expect(file.lifters!.length).toBe(2);
  });
});

describe("taking a file in", () => {
  const row = (tag: string) => `tag,name,family\n${tag},New bar,power\n`;
  const csv = (text: string, query = "") => send(importRoute, text, "text/csv", `/import${query}`);
  it("looks first: a dry run writes nothing, and its token does what it told", async () => {
    const looked = await json(csv(row("N1"), "?dryRun=true"));
    expect(looked).toMatchObject({ added: 1, changed: 0, token: expect.stringMatching(/^[\w-]{43}$/) as unknown });
    expect((await ask(bar, "/x", { tag: "N1" })).status).toBe(404);
    const done = await json(csv(row("N1"), `?token=${looked.token as string}`));
    expect(done).toMatchObject({ added: 1, token: looked.token });
    expect((await ask(bar, "/x", { tag: "N1" })).status).toBe(200);
  });
  it("with a token that no longer tells what would happen it is refused whole", async () => {
    const looked = await json(csv(row("N2"), "?dryRun=true"));
    await csv(row("N2"));
    const late = await csv(row("N2"), `?token=${looked.token as string}`);
    expect(late.status).toBe(409);
    expect((await csv(row("N3"), `?token=${looked.token as string}`)).status).toBe(409);
    expect((await ask(bar, "/x", { tag: "N3" })).status).toBe(404);
    expect((await csv(row("N3"), "?token=short")).status).toBe(400);
  });
  it("is the manager's, and every problem of every line is told", async () => {
    const wrong = await errorOf(csv("tag,name,family\n,x,power\nN4,x,flying\n"));
    expect(wrong.details.length).toBeGreaterThanOrEqual(2);
    expect((await csv("tag,colour\nN5,red\n")).status).toBe(400);
    expect((await send(importRoute, "{}", "application/json", "/import")).status).toBe(400);
    edge.context = made.context("coach");
    expect((await csv(row("N6"))).status).toBe(403);
  });
});

it("an unknown path is answered in the one shape", async () => {
  const response = await anythingElse(new Request("http://garrison.test/api/v1/nothing"));
  expect([response.status, (await errorOf(response)).code]).toEqual([404, "not-found"]);
});
