import "fake-indexeddb/auto";
import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import {
  forgetUnsent,
  keepUnsent,
  onAnySent,
  sendUnsent,
  unsentOf,
  unsentOfOthers,
  type Sent,
  type Unsent,
} from "./outbox";

/** What the server of a test does with a write; undefined is a line that is cut. */
type Server = (url: string, body: { n: number }) => { status: number; body?: unknown } | undefined;

let server: Server = () => ({ status: 200, body: {} });
let asked: string[] = [];
const heard: Sent[] = [];
let stop = () => {};

const entry = (key: string, n: number, url = "/touch"): Omit<Unsent, "at" | "by"> => ({
  key,
  url,
  label: `touch ${key}`,
  body: { n },
});

beforeEach(() => {
  asked = [];
  server = () => ({ status: 200, body: { ok: true } });
  vi.stubGlobal("fetch", async (url: string, { body }: { body: string }) => {
    asked.push(`${url} ${body}`);
    const answer = server(url, JSON.parse(body) as { n: number });
    if (!answer) throw new TypeError("Failed to fetch");
    return new Response(answer.body === undefined ? null : JSON.stringify(answer.body), { status: answer.status });
  });
  stop = onAnySent((sent) => heard.push(sent));
});
afterEach(async () => {
  stop();
  heard.length = 0;
  for (const { key } of await unsentOf()) await forgetUnsent(key);
  vi.unstubAllGlobals();
});

describe("what a floor screen wrote", () => {
  it("waits in the browser's own database, the oldest first, and by address", async () => {
    await keepUnsent(entry("a", 1));
    await keepUnsent(entry("b", 2));
    await keepUnsent(entry("c", 3, "/other"));
    expect((await unsentOf()).map(({ key }) => key)).toEqual(["a", "b", "c"]);
    expect((await unsentOf("/touch")).map(({ key }) => key)).toEqual(["a", "b"]);
    expect(await unsentOf("/nowhere")).toEqual([]);
    await forgetUnsent("b");
    expect((await unsentOf()).map(({ key }) => key)).toEqual(["a", "c"]);
  });

  it("is sent in the order it was made, told to whoever listens, and forgotten once it was taken", async () => {
    server = (_, { n }) => ({ status: 200, body: { seq: n } });
    await keepUnsent(entry("a", 1));
    await keepUnsent(entry("b", 2));
    await sendUnsent();
    expect(asked).toEqual(['/touch {"n":1}', '/touch {"n":2}']);
    expect(heard).toMatchObject([
      { kind: "taken", entry: { key: "a" }, answer: { seq: 1 } },
      { kind: "taken", entry: { key: "b" }, answer: { seq: 2 } },
    ]);
    expect(await unsentOf()).toEqual([]);
  });

  it("waits without a connection, and so does what comes after it at that address; others go on", async () => {
    server = (url) => (url === "/touch" ? undefined : { status: 200, body: {} });
    await keepUnsent(entry("a", 1));
    await keepUnsent(entry("b", 2));
    await keepUnsent(entry("c", 3, "/other"));
    await sendUnsent();
    expect(asked.filter((one) => one.startsWith("/touch"))).toEqual(['/touch {"n":1}']);
    expect((await unsentOf()).map(({ key }) => key)).toEqual(["a", "b"]);
    expect(heard.map(({ kind, entry: { key } }) => `${key} ${kind}`)).toEqual(["a waiting", "c taken"]);
    server = () => ({ status: 200, body: {} });
    await sendUnsent();
    expect(await unsentOf()).toEqual([]);
  });

  it("is put away with the server's reason when it is refused: it would be refused again", async () => {
    server = () => ({ status: 409, body: { error: { message: "K01 is quarantined." } } });
    await keepUnsent(entry("a", 1));
    await sendUnsent();
    expect(heard).toMatchObject([{ kind: "refused", message: "K01 is quarantined." }]);
    expect(await unsentOf()).toEqual([]);
    server = () => ({ status: 404, body: {} });
    await keepUnsent(entry("b", 2));
    await sendUnsent();
    expect(heard.at(-1)).toMatchObject({ kind: "refused", message: "refused (404)" });
  });

  it.each([500, 502, 503, 429, 408])("waits when the server is in trouble or busy (%i)", async (status) => {
    server = () => ({ status, body: {} });
    await keepUnsent(entry("a", 1));
    await sendUnsent();
    expect(heard).toMatchObject([{ kind: "waiting" }]);
    expect(await unsentOf()).toHaveLength(1);
  });

  it("waits when what answers is not our server: a sign-in page of the gym’s network", async () => {
    vi.stubGlobal("fetch", async () => new Response("<html>Welcome to the guest network</html>", { status: 200 }));
    await keepUnsent(entry("a", 1));
    await sendUnsent();
    expect(await unsentOf()).toHaveLength(1);
  });

  it("keeps its order when the tablet's clock is put right", async () => {
    vi.useFakeTimers({ toFake: ["Date"], now: new Date("2026-03-20T18:00:00Z") });
    await keepUnsent(entry("done", 1));
    vi.setSystemTime(new Date("2026-03-20T17:00:00Z"));
    await keepUnsent(entry("back", 2));
    vi.useRealTimers();
    await sendUnsent();
    expect(asked).toEqual(['/touch {"n":1}', '/touch {"n":2}']);
  });

  it("waits for whoever made it while another person is signed in on the tablet", async () => {
    const signIn = (id: string, name: string) =>
      vi.stubGlobal("document", { querySelector: () => ({ dataset: { person: id, personName: name } }) });
    signIn("p1", "Runa");
    await keepUnsent(entry("a", 1));
    signIn("p2", "Isla");
    await keepUnsent(entry("b", 2));
    await sendUnsent();
    expect(asked).toEqual(['/touch {"n":2}']);
    expect((await unsentOfOthers()).map(({ key, by }) => [key, by.name])).toEqual([["a", "Runa"]]);
    signIn("p1", "Runa");
    await sendUnsent();
    expect(asked).toEqual(['/touch {"n":2}', '/touch {"n":1}']);
    expect(await unsentOfOthers()).toEqual([]);
  });

  it("is sent by one sender at a time, however many ask", async () => {
    await keepUnsent(entry("a", 1));
    await keepUnsent(entry("b", 2));
    await Promise.all([sendUnsent(), sendUnsent(), sendUnsent()]);
    expect(asked).toHaveLength(2);
  });

  it("no longer tells a screen that went away", async () => {
    stop();
    await keepUnsent(entry("a", 1));
    await sendUnsent();
    expect(heard).toEqual([]);
  });
});

it("whatever the line does, every write arrives, at each address in order, and is counted once by its key", () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom("/touch", "/other"), { maxLength: 12 }),
      fc.infiniteStream(fc.constantFrom("taken", "cut", "busy", "lost answer")),
      async (urls, weather) => {
        const arrived: Record<string, number[]> = { "/touch": [], "/other": [] };
        let tries = 0;
        server = (url, { n }) => {
          tries += 1;
          const how = tries > 60 ? "taken" : weather.next().value;
          if (how === "cut") return undefined;
          if (how === "busy") return { status: 503, body: {} };
          // The server knows a key it has seen: what is sent again counts once.
          if (!arrived[url]!.includes(n)) arrived[url]!.push(n);
          return how === "lost answer" ? undefined : { status: 200, body: {} };
        };
        for (const [i, url] of urls.entries()) await keepUnsent(entry(`k${i}`, i, url));
        for (let i = 0; i < 200 && (await unsentOf()).length > 0; i += 1) await sendUnsent();
        expect(await unsentOf()).toEqual([]);
        for (const url of ["/touch", "/other"])
          expect(arrived[url]).toEqual(urls.flatMap((one, i) => (one === url ? [i] : [])));
      },
    ),
    { numRuns: 40 },
  ));
