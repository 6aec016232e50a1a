import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { beforeAll, describe, expect, it, vi } from "vitest";
import { LIFTS } from "@/core/matching/lifts";
import { massUnitsFromKg } from "@/core/units/exactMass";
import { lifters, lifts, plates, stations } from "@/data/schema";
import { makeContexts } from "@/server/access/context.fixture";
import { edge, Redirected } from "./edge.fixture";
import { HOSTILE_TEXTS, seededNumbers } from "./hostile.fixture";

vi.mock("@/server/access", async (original) => {
  const { contextOfTest } = await import("./edge.fixture");
  return { ...(await original<object>()), requestContext: contextOfTest, requestContextOf: contextOfTest };
});
vi.mock("next/headers", () => ({
  cookies: async () => ({ get: () => undefined, set: () => {}, delete: () => {} }),
  headers: async () => new Headers(),
}));
vi.mock("next/cache", () => ({ revalidatePath: () => {} }));
vi.mock("next/navigation", async () => {
  const { Redirected } = await import("./edge.fixture");
  return {
    redirect: (to: string) => {
      throw new Redirected(to);
    },
  };
});

const SEED = Number(process.env.TEST_SEED ?? 20_261_127);
const ROUNDS = 12;
/** Called by screens with values and not with a form. */
const OF_VALUES = new Set(["hangAction", "movePlaceAction"]);

const files = readdirSync("src/app", { recursive: true, encoding: "utf8" }).filter((file) =>
  file.endsWith("actions.ts"),
);
const modules = import.meta.glob<Record<string, unknown>>("./**/actions.ts", { eager: true });

/** Names of fields that an action's file, or what reads its forms, asks for. */
const fieldsOf = (file: string) =>
  [...readFileSync(join("src/app", file), "utf8").matchAll(/["'`]([a-zA-Z][\w.]{0,30})["'`]/g)].map(
    ([, name]) => name!,
  );

let made: Awaited<ReturnType<typeof makeContexts>>;
beforeAll(async () => {
  made = await makeContexts("hostile");
  const { hall } = made;
  await hall.insert(
    lifts,
    Object.values(LIFTS).map((lift, i) => ({ ...lift, listOrder: i + 1 })),
  );
  await hall.insert(lifters, { key: "ann", name: "Ann", heightMm: 1700, massKg: 70, usualLoads: {} });
  await hall.insert(stations, { key: "r1", name: "Rack 1", kind: "rack", jCupPairs: 2 });
  await hall.insert(plates, {
    key: "r20",
    massValue: "20",
    massUnit: "kg",
    massUnits: massUnitsFromKg(20),
    pairs: 2,
  });
});

describe("every action, sent what nobody types", () => {
  it.each(files)("%s answers or leads on, and never breaks", async (file) => {
    const actions = modules[`./${file}`]!;
    const names = [...new Set([...fieldsOf(file), "id", "tag", "key", "version", "reason"])];
    const next = seededNumbers(SEED);
    const text = () =>
      next() < 0.15
        ? made.bar.tag
        : next() < 0.15
          ? made.bar.id
          : HOSTILE_TEXTS[Math.floor(next() * HOSTILE_TEXTS.length)]!;
    for (const [name, action] of Object.entries(actions)) {
      if (typeof action !== "function") continue;
      for (let round = 0; round < ROUNDS; round += 1) {
        edge.context = made.context(round % 4 === 3 ? "care" : "manager");
        const data = new FormData();
        for (const field of names) if (next() < 0.6) data.append(field, text());
        const sent = [...data].map(([key, value]) => `${key}=${JSON.stringify(value).slice(0, 60)}`).join("&");
        try {
          // Those of forms take the state before; others a form alone, or values of a touch.
          const all = action as (...args: unknown[]) => Promise<unknown>;
          if (action.length === 2 && !OF_VALUES.has(name)) await all({}, data);
          else if (action.length === 1 && !OF_VALUES.has(name)) await all(data);
          else await all(...Array.from({ length: action.length }, () => (next() < 0.5 ? text() : Number(text()))));
        } catch (error) {
          if (error instanceof Redirected) continue;
          throw new Error(`seed ${SEED}, ${name}(${sent})`, { cause: error });
        }
      }
    }
    expect(Object.keys(actions).length).toBeGreaterThan(0);
  });
});
