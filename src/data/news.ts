import { Client } from "pg";
import { log } from "./log";

/** Where PostgreSQL carries what changed from one copy of the program to the others. */
export const NEWS_CHANNEL = "garrison_news";

/** That something of a hall changed, without what. */
export interface News {
  hall: string;
  entity: string;
  /** Null where several things changed at once. */
  id: string | null;
}

/** A connection that was lost is sought again so often. */
const RETRY_MS = 2_000;

/**
 * Listens on a connection of its own, as long as it takes.
 *
 * @param hear gets each piece of news; null after a gap in which some may have been missed.
 * @returns how to stop
 */
export function listenForNews(url: string, hear: (news: News | null) => void): () => Promise<void> {
  let isStopped = false;
  let client: Client | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const again = () => {
    client = null;
    if (!isStopped) timer = setTimeout(() => void open(false), RETRY_MS);
  };
  const open = async (isFirst: boolean): Promise<void> => {
    const own = new Client({ connectionString: url, application_name: "garrison", keepAlive: true });
    own.on("error", (error) => log().warn({ err: error }, "news connection lost"));
    own.on("end", again);
    own.on("notification", ({ payload }) => {
      try {
        hear(JSON.parse(payload ?? "null") as News | null);
      } catch {
        hear(null);
      }
    });
    client = own;
    try {
      await own.connect();
      await own.query(`listen ${NEWS_CHANNEL}`);
      if (!isFirst) hear(null);
    } catch {
      // "end" follows where it was connected; where it never was, nothing does.
      own.removeListener("end", again);
      await own.end().catch(() => {});
      again();
    }
  };
  void open(true);
  return async () => {
    isStopped = true;
    clearTimeout(timer);
    await client?.end().catch(() => {});
  };
}
