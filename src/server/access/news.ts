import "server-only";
import { environment } from "@/data/environment";
import { listenForNews, type News } from "@/data/news";
import type { Context } from "./context";

type Hear = (news: News | null) => void;

interface Hub {
  listeners: Set<{ hallId: string; hear: Hear }>;
  stop: () => Promise<void>;
}

/** One ear a process, whatever copies of this module the build makes. */
const held = globalThis as typeof globalThis & { garrisonNews?: Hub };

/**
 * Hears what changes in a hall, whoever of the program's copies changed it.
 *
 * @param hear gets null after a gap in which something may have been missed.
 * @returns how to stop
 */
export function onNews({ actor }: Pick<Context, "actor">, hear: Hear): () => void {
  const hub = (held.garrisonNews ??= begin());
  const listener = { hallId: actor.hallId, hear };
  hub.listeners.add(listener);
  return () => void hub.listeners.delete(listener);
}

/** Begins to listen, so that what other copies of the program write is not taken for what it was. */
export function hearNews(): void {
  held.garrisonNews ??= begin();
}

/** Stops listening; nobody hears anything any more. */
export async function endNews(): Promise<void> {
  const { garrisonNews } = held;
  delete held.garrisonNews;
  await garrisonNews?.stop();
}

function begin(): Hub {
  const listeners: Hub["listeners"] = new Set();
  const stop = listenForNews(environment().databaseUrl, (news) => {
    for (const { hallId, hear } of [...listeners]) if (!news || news.hall === hallId) hear(news);
  });
  return { listeners, stop };
}
