import { expect, test } from "./clock";
import Ajv, { type ValidateFunction } from "ajv/dist/2020";

/** What others rely on: the routes of /api/v1 on the built application, held to their own description. */

const WHIP = {
  bar: { shaftDiameterMm: 29, shaftLengthMm: 1310, collarThicknessMm: 30, yieldMPa: 1200 },
  supportHalfSpacingMm: 220,
  perSide: Array.from({ length: 5 }, () => ({ massKg: 25, thicknessMm: 27 })),
};
const LOAD = { targetKg: 100, bar: { massKg: 20 }, plates: [{ id: "r20", massKg: 20, pairs: 2 }] };

type Description = {
  paths: Record<string, Record<string, { responses: Record<string, { content: Record<string, { schema: object }> }> }>>;
  components: { schemas: { Error: object } };
};
let description: Description;
let isError: ValidateFunction;

test.beforeAll(async ({ request }) => {
  description = await (await request.get("/api/v1/openapi.json")).json();
  isError = new Ajv({ strict: false }).compile(description.components.schemas.Error);
});

function expectDescribed(path: string, method: string, body: unknown) {
  const { schema } = description.paths[path]![method]!.responses["200"]!.content["application/json"]!;
  const validate = new Ajv({ strict: false, allErrors: true }).compile(schema);
  expect(validate(body), JSON.stringify(validate.errors)).toBe(true);
}

for (const [path, address] of [
  ["/bars", "/bars?limit=3"],
  ["/bars/{tag}", "/bars/K04"],
  ["/plates", "/plates"],
  ["/stations", "/stations"],
  ["/lifts", "/lifts"],
  ["/lifters", "/lifters?limit=4"],
  ["/offers", "/offers?limit=5"],
  ["/match", "/match?lift=snatch&loadKg=60"],
  ["/match", "/match?lift=clean&loadKg=42.5&lifter=tove"],
  ["/match", "/match?lift=back-squat-high&loadKg=120&lifter=bram&purpose=hips"],
  ["/care/due", "/care/due"],
  ["/care/due", "/care/due?on=2030-01-01&limit=5"],
] as const)
  test(`GET ${address} answers what is described`, async ({ request }) => {
    const response = await request.get(`/api/v1${address}`, { headers: { Authorization: "Bearer demo-token" } });
    expect(response.status()).toBe(200);
    expect(response.headers()["cache-control"]).toContain("no-store");
    expectDescribed(path, "get", await response.json());
  });

test("POST /balance answers the handbook's check values, and refuses what cannot balance", async ({ request }) => {
  const ask = (data: object) => request.post("/api/v1/balance", { data });
  const lifter = { heightMm: 1800, massKg: 85 };
  const yoke = { alongTrunk: 1, alongTrunkMm: 30, forwardMm: -20, camberForwardMm: 90, camberDropMm: 80 };
  const response = await ask({ lifter, pose: { shankLeanDeg: 34 }, carry: yoke, loadKg: 100 });
  expect(response.status()).toBe(200);
  const body = await response.json();
  expectDescribed("/balance", "post", body);
  // Handbook §8: yoke at its own 34°: lean 33.4°, roll +30.5 N·m, hip to knee 1.31.
  expect(body.trunkLeanDeg).toBeCloseTo(33.4, 1);
  expect(body.rollTorqueNm).toBeCloseTo(30.5, 1);
  expect(body.hipToKnee).toBeCloseTo(1.31, 2);
  expect(body.correctionReachMm).toBeNull();
  const low = { alongTrunk: 1, alongTrunkMm: -60, forwardMm: -90 };
  const never = await ask({ lifter, pose: { shankLeanDeg: -20 }, carry: low, loadKg: 0.1 });
  expect(never.status()).toBe(422);
  const bad = await ask({ lifter: { heightMm: "1800", massKg: 10 }, carry: { ...low, camber: "loose", x: 1 } });
  expect(bad.status()).toBe(400);
  expect((await bad.json()).error.details.map(({ path }: { path: string }) => path).sort()).toEqual([
    "carry.camber",
    "carry.x",
    "lifter.heightMm",
    "lifter.massKg",
    "loadKg",
  ]);
});

test("POST /whip and /load answer what is described", async ({ request }) => {
  const whip = await request.post("/api/v1/whip", { data: WHIP });
  expect(whip.status()).toBe(200);
  const body = await whip.json();
  expectDescribed("/whip", "post", body);
  expect(body.deflectionMm).toBeCloseTo(19.2, 1);
  expect(body.safetyFactor).toBeCloseTo(1200 / body.maxStressMPa, 9);
  const load = await request.post("/api/v1/load", { data: LOAD });
  expectDescribed("/load", "post", await load.json());
  expect(await load.json()).toMatchObject({ achievedKg: 100, errorKg: 0, exact: true, perSide: ["r20", "r20"] });
});

test("a list is paged by cursor, without losing or doubling an item", async ({ request }) => {
  for (const path of ["/bars", "/plates", "/stations", "/lifts", "/care/due"]) {
    const all = (await (await request.get(`/api/v1${path}?limit=500`)).json()).items;
    const seen: unknown[] = [];
    let cursor: string | null = "";
    while (cursor !== null) {
      const page = await (await request.get(`/api/v1${path}?limit=4${cursor ? `&cursor=${cursor}` : ""}`)).json();
      seen.push(...page.items);
      cursor = page.nextCursor;
    }
    expect(seen).toEqual(all);
    expect(all.length).toBeGreaterThan(4);
  }
});

test("quarantined, retired and ordered bars come last, as never", async ({ request }) => {
  const { items } = await (await request.get("/api/v1/match?lift=bench&loadKg=100")).json();
  const isIdle = ({ state }: { state: string }) => ["quarantined", "retired", "on-order"].includes(state);
  const idle = items.filter(isIdle);
  expect(idle.length).toBeGreaterThanOrEqual(2);
  expect(items.slice(-idle.length)).toEqual(idle);
  expect(idle.every(({ verdict }: { verdict: string }) => verdict === "never")).toBe(true);
});

const REFUSED: [
  string,
  string,
  { method: string; data?: string; headers?: Record<string, string> },
  number,
  string[],
][] = [
  ["an unknown path", "/nope", { method: "GET" }, 404, []],
  ["an unknown path with another method", "/bars/K04/x", { method: "DELETE" }, 404, []],
  ["an unknown bar", "/bars/ZZZ", { method: "GET" }, 404, []],
  ["an unknown lift", "/match?lift=hop&loadKg=60", { method: "GET" }, 404, []],
  ["the wrong method", "/whip", { method: "GET" }, 405, []],
  ["the wrong method, too", "/bars", { method: "POST", data: "{}" }, 405, []],
  [
    "a form",
    "/whip",
    { method: "POST", data: "a=1", headers: { "content-type": "application/x-www-form-urlencoded" } },
    415,
    [],
  ],
  ["broken JSON", "/whip", { method: "POST", data: "{" }, 400, [""]],
  [
    "a number in quotes",
    "/whip",
    { method: "POST", data: JSON.stringify({ ...WHIP, supportHalfSpacingMm: "220" }) },
    400,
    ["supportHalfSpacingMm"],
  ],
  [
    "an overflowing number",
    "/whip",
    { method: "POST", data: JSON.stringify(WHIP).replace("220", "1e999") },
    400,
    ["supportHalfSpacingMm"],
  ],
  [
    "two problems at once",
    "/load",
    { method: "POST", data: '{"bar":{"massKg":-1},"targetKg":5,"plates":[],"x":1}' },
    400,
    ["bar.massKg", "x"],
  ],
  [
    "supports outside the load",
    "/whip",
    { method: "POST", data: JSON.stringify({ ...WHIP, supportHalfSpacingMm: 900 }) },
    422,
    [],
  ],
  ["a bar over the target", "/load", { method: "POST", data: JSON.stringify({ ...LOAD, targetKg: 19 }) }, 422, []],
  [
    "a load over the rating",
    "/load",
    { method: "POST", data: JSON.stringify({ ...LOAD, bar: { massKg: 20, ratedLoadKg: 90 } }) },
    422,
    [],
  ],
  [
    "a plate on the bar that is not there",
    "/load",
    { method: "POST", data: JSON.stringify({ ...LOAD, onBar: ["r25"] }) },
    400,
    ["onBar.0"],
  ],
  ["a body over 256 KiB", "/load", { method: "POST", data: `{"x":"${"x".repeat(256 * 1024)}"}` }, 413, []],
  ["a limit that is none", "/bars?limit=0", { method: "GET" }, 400, ["limit"]],
  ["an unknown parameter", "/bars?colour=red", { method: "GET" }, 400, ["colour"]],
  ["a parameter twice", "/bars?limit=1&limit=2", { method: "GET" }, 400, ["limit"]],
  ["a foreign cursor", "/bars?cursor=abc", { method: "GET" }, 400, ["cursor"]],
  ["a day that does not exist", "/care/due?on=2026-02-30", { method: "GET" }, 400, ["on"]],
  ["no load", "/match?lift=bench", { method: "GET" }, 400, ["loadKg"]],
  ["a load of nothing", "/match?lift=bench&loadKg=0", { method: "GET" }, 400, ["loadKg"]],
];

for (const [what, path, { headers, ...options }, status, paths] of REFUSED)
  test(`refuses ${what} with ${status} in the one shape`, async ({ request }) => {
    const response = await request.fetch(`/api/v1${path}`, {
      ...options,
      headers: { "content-type": "application/json", ...headers },
    });
    expect(response.status()).toBe(status);
    const body = await response.json();
    expect(isError(body), JSON.stringify(isError.errors)).toBe(true);
    expect(body.error.details.map(({ path: at }: { path: string }) => at).toSorted()).toEqual(paths.toSorted());
    if (status === 405) expect(response.headers().allow).toBeTruthy();
  });

test("bad input is never slow and never a 500", async ({ request }) => {
  const bodies = [
    "[".repeat(100_000),
    `{"bar":${'{"a":'.repeat(40_000)}1${"}".repeat(40_000)}}`,
    `{${Array.from({ length: 15_000 }, (_, i) => `"k${i}":1`).join(",")}}`,
    JSON.stringify({ ...LOAD, plates: Array.from({ length: 5000 }, (_, i) => ({ id: `p${i}` })) }),
    JSON.stringify({
      targetKg: 1999.123456789,
      bar: { massKg: 20 },
      plates: Array.from({ length: 40 }, (_, i) => ({
        id: `p${i}`,
        massKg: 1 + ((i * 7919) % 1009) / 1009 + i / 97,
        pairs: 100,
        thicknessMm: 20 + i / 7,
      })),
      onBar: ["p1", "p2", "p3"],
      ending: "dropped",
    }),
    "null",
    "",
    "5",
    '"x"',
    "\uFEFF{}",
  ];
  for (const path of ["/whip", "/load"])
    for (const data of bodies) {
      const started = Date.now();
      const response = await request.fetch(`/api/v1${path}`, {
        method: "POST",
        data,
        headers: { "content-type": "application/json" },
      });
      expect(response.status(), `${path} ${data.slice(0, 40)}`).toBeLessThan(500);
      expect(Date.now() - started, `${path} ${data.slice(0, 40)}`).toBeLessThan(30_000);
      if (!response.ok()) expect(isError(await response.json())).toBe(true);
    }
});

test("a malformed percent escape and a strange tag are answered in the one shape", async ({ request }) => {
  for (const path of [
    "/api/v1/bars/%E0%A4%A",
    "/api/v1/bars/%00",
    "/api/v1/bars/a%2Fb",
    "/api",
    "/api/",
    "/api/v2/bars",
  ]) {
    const response = await request.get(path);
    expect(response.status(), path).toBeGreaterThanOrEqual(400);
    expect(response.status(), path).toBeLessThan(500);
    expect(isError(await response.json()), path).toBe(true);
  }
});
