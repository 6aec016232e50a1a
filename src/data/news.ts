import { Client } from "pg";
import { keptReads } from "./keptReads";
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

/** PostgreSQL carries somewhat under 8,000 bytes at once. */
const MAX_BYTES = 7_000;

/** What one piece of work wrote and says of it, for one notification once it is carried out. */
export class Told {
  readonly tables: Set<string>;

  constructor(
    tables: Iterable<string> = [],
    readonly things: Omit<News, "hall">[] = [],
  ) {
    this.tables = new Set(tables);
  }

  get isEmpty(): boolean {
    return this.tables.size === 0 && this.things.length === 0;
  }

  textOf(hall: string): string {
    const tables = [...this.tables];
    const text = JSON.stringify({ hall, tables, things: this.things } satisfies Message);
    if (text.length <= MAX_BYTES) return text;
    const things = [...new Set(this.things.map(({ entity }) => entity))].map((entity) => ({ entity, id: null }));
    return JSON.stringify({ hall, tables, things } satisfies Message);
  }
}

interface Message {
  hall: string;
  tables: string[];
  things: Omit<News, "hall">[];
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
    own.on("notification", ({ payload }) => pass(payload ?? "", hear));
    client = own;
    try {
      await own.connect();
      await own.query(`listen ${NEWS_CHANNEL}`);
      if (!isFirst) pass("", hear);
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

/** What was read is forgotten before anybody hears of it, and looks again. */
function pass(payload: string, hear: (news: News | null) => void): void {
  let message: Message;
  try {
    message = JSON.parse(payload) as Message;
    keptReads().forget(message.hall, message.tables);
  } catch {
    keptReads().forgetAll();
    return hear(null);
  }
  for (const thing of message.things) hear({ hall: message.hall, ...thing });
}
