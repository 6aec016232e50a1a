import "server-only";
import { keptReads } from "@/data/keptReads";
import type { Context } from "./context";
import { hearNews } from "./news";

/**
 * What every page shows and few writes change, kept for a while: until a table that it was worked out from is written,
 * by this copy of the program or another. The role is part of the name: what one may see another may not.
 *
 * @param read works it out with the context that it is given, which notes what is read; a failure is not kept.
 */
export function keptBriefly<T>(context: Context, name: string, read: (context: Context) => Promise<T>): Promise<T> {
  const { hallId, role, personId } = context.actor;
  hearNews();
  return keptReads().get(hallId, `${name} ${role} ${personId} ${context.clock.today}`, async () => {
    const tables = new Set<string>();
    return { value: await read({ ...context, hall: context.hall.noting(tables) }), tables };
  });
}
