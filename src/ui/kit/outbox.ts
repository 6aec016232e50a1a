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
  /** Milliseconds since 1970, by this device; they are sent in this order. */
  at: number;
}

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

export async function keepUnsent(entry: Unsent): Promise<void> {
  const db = await opened();
  if (db) await db.put("unsent", entry);
  else inMemory.set(entry.key, entry);
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
    if (response.status >= 500 || response.status === 429 || response.status === 408) return { kind: "waiting", entry };
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
      const next = (await unsentOf()).find(({ url }) => !stuck.has(url));
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
