import { readFileSync } from "node:fs";

/* A gym's evening on one server: people who look at a page every few seconds, touch something every ten, and plan a
 * session now and then. What each waits is told; what was acknowledged must be there afterwards. */

const PAGE_EVERY_MS = 5_000;
const TOUCH_EVERY_MS = 10_000;
/** Every so manieth touch is a plan instead. */
const PLAN_EVERY = 20;

const PLAN = {
  bar: { massKg: 20 },
  plates: [25, 20, 15, 10, 5, 2.5, 1.25].map((massKg) => ({ id: `p${massKg}`, massKg, pairs: 3 })),
  sets: Array.from({ length: 24 }, (_, i) => ({ id: `s${i}`, targetKg: 60 + 2.5 * ((7 * i) % 33) })),
  endEmpty: true,
};

/**
 * @param options.pages addresses that people look at.
 * @param options.tags bars on which something is found.
 * @param options.pid the server's process, whose memory is looked at.
 * @param options.visitor headers of somebody who is signed in.
 * @returns waits in ms by kind, how many failed, the notes that were acknowledged, and memory in MB as it went.
 */
export async function evening(base, { people = 60, minutes = 5, pages, tags, pid, visitor = {} }) {
  const waits = { page: [], touch: [], plan: [] };
  const failed = [];
  const noted = [];
  const memory = [];
  const until = Date.now() + minutes * 60_000;
  const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
  const ask = async (kind, url, options) => {
    const started = performance.now();
    try {
      const headers = { ...visitor, ...options?.headers };
      const response = await fetch(`${base}${url}`, { ...options, headers, signal: AbortSignal.timeout(30_000) });
      await response.arrayBuffer();
      waits[kind].push(performance.now() - started);
      if (!response.ok) failed.push(`${kind} ${url} ${response.status}`);
      return response.ok;
    } catch (error) {
      failed.push(`${kind} ${url} ${error.name}`);
      return false;
    }
  };
  const json = (body) => ({
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  const looking = async (n) => {
    await pause((n * PAGE_EVERY_MS) / people);
    for (let i = 0; Date.now() < until; i += 1) {
      const next = Date.now() + PAGE_EVERY_MS;
      await ask("page", pages[(n + i) % pages.length]);
      await pause(Math.max(0, next - Date.now()));
    }
  };
  const touching = async (n) => {
    await pause((n * TOUCH_EVERY_MS) / people);
    for (let i = 0; Date.now() < until; i += 1) {
      const next = Date.now() + TOUCH_EVERY_MS;
      if ((n + i) % PLAN_EVERY === 0) await ask("plan", "/api/v1/session-plan", json(PLAN));
      else {
        const note = `evening ${n}.${i}`;
        const touch = { key: `evening-${n}-${i}`, kind: "wrong", tag: tags[(n + i) % tags.length], tasks: [], note };
        if (await ask("touch", "/care/rounds/touch", json({ ...touch, madeAt: new Date().toISOString() })))
          noted.push(note);
      }
      await pause(Math.max(0, next - Date.now()));
    }
  };
  const watching = async () => {
    while (Date.now() < until) {
      const kb = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1];
      memory.push(Number(kb) / 1024);
      await pause(5_000);
    }
  };
  await Promise.all([watching(), ...Array.from({ length: people }, (_, n) => [looking(n), touching(n)]).flat()]);
  return { waits, failed, noted, memory };
}

/** The value that so large a share is not above. */
export function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}
