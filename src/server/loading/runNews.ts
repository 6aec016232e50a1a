import "server-only";
import { type Context, onNews } from "@/server/access";
import { runOf, type RunView } from "./runView";

/** News that may change what a run sheet shows. */
const MATTERS = new Set(["run", "bar", "plate"]);

interface Followed {
  context: Context;
  barId: string;
  readers: Set<(view: RunView) => void>;
  stop: () => void;
  /** Whether somebody reads the run just now, and whether something happened since. */
  isReading: boolean;
  isStale: boolean;
}

const followed = new Map<string, Followed>();

/**
 * Tells whenever a run changes, whoever changed it. However many tablets of this process follow it, it is read once for
 * all of them, and once more when something happened meanwhile. Only for whoever was let in by `runOf`.
 *
 * @returns how to stop
 */
export function followRun(
  context: Context,
  run: { id: string; barId: string },
  read: (view: RunView) => void,
): () => void {
  const key = `${context.actor.hallId} ${run.id}`;
  let one = followed.get(key);
  if (!one) {
    const begun: Followed = {
      // The request that began it ends long before the last reader leaves.
      context: { ...context, signal: new AbortController().signal },
      barId: run.barId,
      readers: new Set(),
      stop: onNews(context, (news) => {
        if (news && (!MATTERS.has(news.entity) || !concerns(news, run))) return;
        void readAgain(begun, run.id);
      }),
      isReading: false,
      isStale: false,
    };
    followed.set(key, (one = begun));
  }
  const { readers, stop } = one;
  readers.add(read);
  return () => {
    readers.delete(read);
    if (readers.size > 0 || followed.get(key)?.readers !== readers) return;
    followed.delete(key);
    stop();
  };
}

const concerns = ({ entity, id }: { entity: string; id: string | null }, run: { id: string; barId: string }) =>
  id === null || entity === "plate" || id === (entity === "bar" ? run.barId : run.id);

async function readAgain(one: Followed, id: string): Promise<void> {
  if (one.isReading) {
    one.isStale = true;
    return;
  }
  one.isReading = true;
  try {
    do {
      one.isStale = false;
      const result = await runOf({ ...one.context }, id);
      if (result.ok) for (const read of [...one.readers]) read(result.view);
    } while (one.isStale);
  } catch (error) {
    one.context.log.warn({ err: error }, "a run could not be read for those who follow it");
  } finally {
    one.isReading = false;
  }
}
