import "server-only";
import { closeConnections } from "@/server/access";
import { startClock } from "./clock";

/** Starts what the program does by itself. Answers how to stop it: what is under way ends, then its connections. */
export function startProgram(): () => Promise<void> {
  const stopClock = startClock();
  return async () => {
    await stopClock();
    await closeConnections();
  };
}
