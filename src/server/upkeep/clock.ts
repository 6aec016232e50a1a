import "server-only";
import { contextOfEachHall, doorstepOfProgram, log } from "@/server/access";
import { forgetOldSessions, sendLetters } from "@/server/accounts";
import { keepCareCurrent } from "./housekeeping";
import { backUpWhenDue } from "./nightlyBackup";

/** So often the program looks whether an hour or a day has begun. */
const LOOK_EVERY = 60_000;

/**
 * Starts the program's clock: every hall is kept current whether anybody looks or not. Several copies of the program
 * may run on one database: whichever comes first does a piece, the others find it done.
 *
 * @param every milliseconds between two looks.
 * @returns how to stop it; the promise is kept once a look that is under way has ended.
 */
export function startClock(every = LOOK_EVERY): () => Promise<void> {
  let busy: Promise<void> | null = null;
  const look = () => {
    busy ??= lookOnce().finally(() => (busy = null));
  };
  const timer = setInterval(look, every);
  timer.unref();
  look();
  return async () => {
    clearInterval(timer);
    await busy;
  };
}

/** One look at every hall. One hall's trouble is not another's. */
async function lookOnce(): Promise<void> {
  // The database may be starting or being restored; the next look tries again.
  const contexts = await contextOfEachHall().catch(complain);
  for (const context of contexts ?? []) await keepCareCurrent(context).catch(complain);
  await sendLetters(doorstepOfProgram()).catch(complain);
  await forgetOldSessions(doorstepOfProgram()).catch(complain);
  const [first] = contexts ?? [];
  if (first) await backUpWhenDue(first);
}

function complain(error: unknown): void {
  log().error({ err: error }, "care was not brought up to date");
}
