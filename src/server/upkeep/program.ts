import "server-only";
import { closeConnections, endNews } from "@/server/access";
import { endPress, endThreads } from "@/server/computing";
import { startClock } from "./clock";

/** Starts what the program does by itself. Answers how to stop it: what is under way ends, then its connections. */
export function startProgram(): () => Promise<void> {
  const stopClock = startClock();
  return async () => {
    await stopClock();
    await Promise.all([endNews(), endThreads(), endPress()]);
    await closeConnections();
  };
}
