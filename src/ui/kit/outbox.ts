import { openDB, type DBSchema, type IDBPDatabase } from "idb";

/**
 * Writes of floor screens that the server has not confirmed. They live in the browser's own database, each with its
 * key, until it has: a lost connection, a reload or an empty battery loses nothing, and one sent twice counts once.
 */
export interface Unsent {
  key: string;
  url: string;
  body: unknown;
  /** What a person would call it. */
  label: string;
  /** A count of this device, whose clock may be put right; they are sent in this order. */
  at: number;
  /** Who made it; sent only while they are signed in. Empty on pages that know nobody. */
  by: Person;
}

export interface Person {
  id: string;
  name: string;
}

/** Who is signed in, as the page says it. */
export function personHere(): Person {
  const page = typeof document === "undefined" ? null : document.querySelector<HTMLElement>("[data-person]");
  return { id: page?.dataset.person ?? "", name: page?.dataset.personName ?? "" };
}

const isOf = (entry: Unsent, person: Person) => !entry.by?.id || !person.id || entry.by.id === person.id;

interface OutboxSchema extends DBSchema {
  unsent: { key: string; value: Unsent; indexes: { at: number } };
}

let opening: Promise<IDBPDatabase<OutboxSchema> | null> | null = null;
/** Where a browser gives no database (private windows of some): kept as long as the page is open. */
const inMemory = new Map<string, Unsent>();

function opened(): Promise<IDBPDatabase<OutboxSchema> | null> {
  opening ??= openDB<OutboxSchema>("garrison-outbox", 1, {
    upgrade: (db) => void db.createObjectStore("unsent", { keyPath: "key" }).createIndex("at", "at"),
  }).catch(() => null);
  return opening;
}

/** Keeps a write, after all that are kept. */
export async function keepUnsent(fresh: Omit<Unsent, "at" | "by">): Promise<void> {
  const by = personHere();
  const db = await opened();
  if (!db) {
    const last = Math.max(0, ...[...inMemory.values()].map(({ at }) => at));
    inMemory.set(fresh.key, { ...fresh, by, at: last + 1 });
    return;
  }
  // The last and the new one in one transaction: two touches at once do not get the same place.
  const keeping = db.transaction("unsent", "readwrite");
  const last = await keeping.store.index("at").openCursor(null, "prev");
  await keeping.store.put({ ...fresh, by, at: (last?.value.at ?? 0) + 1 });
  await keeping.done;
}

export async function forgetUnsent(key: string): Promise<void> {
  await (await opened())?.delete("unsent", key);
  inMemory.delete(key);
}

/** What waits, the oldest first; only that of one address when one is given. */
export async function unsentOf(url?: string): Promise<Unsent[]> {
  const db = await opened();
  const all = db ? await db.getAllFromIndex("unsent", "at") : [...inMemory.values()].sort((a, b) => a.at - b.at);
  return url === undefined ? all : all.filter((entry) => entry.url === url);
}

/** What somebody else made on this device, who is not signed in now: it waits for them. */
export async function unsentOfOthers(): Promise<Unsent[]> {
  const person = personHere();
  return (await unsentOf()).filter((entry) => !isOf(entry, person));
}

export type Sent =
  | { kind: "taken"; entry: Unsent; answer: unknown }
  /** The server understood and said no: it would say so again. */
  | { kind: "refused"; entry: Unsent; message: string }
  /** No answer, or none that means anything: it waits. */
  | { kind: "waiting"; entry: Unsent };

/** Longest that a write is waited for; in a hall a connection that hangs is no connection. */
const PATIENCE_MS = 8000;

async function sendOne(entry: Unsent): Promise<Sent> {
  try {
    const response = await fetch(entry.url, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(entry.body),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    // Signed out meanwhile: it waits until somebody signs in, as it does without a connection.
    if (response.status >= 500 || [401, 408, 429].includes(response.status)) return { kind: "waiting", entry };
    const answer: unknown = await response.json();
    if (response.ok) return { kind: "taken", entry, answer };
    const { error } = answer as { error?: { message?: string } };
    return { kind: "refused", entry, message: error?.message ?? `refused (${response.status})` };
  } catch {
    return { kind: "waiting", entry };
  }
}

let sending: Promise<void> | null = null;

/**
 * Sends what waits, oldest first; after one that gets no answer the rest of that address waits too, so that order holds.
 * A call while another sends is left to that one.
 */
export function sendUnsent(): Promise<void> {
  sending ??= (async () => {
    const stuck = new Set<string>();
    for (;;) {
      const person = personHere();
      const next = (await unsentOf()).find((entry) => !stuck.has(entry.url) && isOf(entry, person));
      if (!next) return;
      const sent = await sendOne(next);
      if (sent.kind === "waiting") stuck.add(next.url);
      else await forgetUnsent(next.key);
      for (const listen of listeners) listen(sent);
    }
  })().finally(() => (sending = null));
  return sending;
}

const listeners = new Set<(sent: Sent) => void>();

/** Tells of every write that gets an answer or none, whoever sent it; answers how to stop. */
export function onAnySent(listen: (sent: Sent) => void): () => void {
  listeners.add(listen);
  return () => void listeners.delete(listen);
}
