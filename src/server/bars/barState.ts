import "server-only";
import { eq } from "drizzle-orm";
import { BAR_STATES, type BarState, isUsable } from "@/core/bars/bar";
import type { Problem } from "@/core/problem";
import { bars } from "@/data/schema";
import { type Context, inTransaction, may } from "@/server/access";
import { careFollows } from "@/server/care/planning";
import { incidentLacks } from "@/server/care/findings";
import { type Outcome, failed, forbidden, notFound, recordChange } from "@/server/kit";
import { lockedByTag } from "./barRows";
import { returnLacks } from "./returnToService";

/** Quarantines a bar, puts it under watch, returns it to service or retires it. A stale version is refused. */
export async function changeBarState(
  context: Context,
  { tag, state, reason, version }: { tag: string; state: BarState; reason: string; version: number },
): Promise<Outcome<{ state: BarState }>> {
  if (!may(context, "bar.change-state")) return forbidden("change the state of a bar");
  const problems: Problem[] = [];
  if (!BAR_STATES.includes(state)) problems.push({ path: "state", message: "Choose a state." });
  if (reason.trim() === "")
    problems.push({ path: "reason", message: "Say why in a few words; it is saved with the bar." });
  if (reason.length > 200) problems.push({ path: "reason", message: "At most 200 characters." });
  if (problems.length > 0) return failed("invalid", "The state was not changed.", problems);
  return inTransaction(context, async (context) => {
    const { hall } = context;
    const row = await lockedByTag(hall, tag);
    if (!row) return notFound(`bar ${tag}`);
    if (row.version !== version)
      return failed(
        "stale",
        `Someone else changed ${tag} meanwhile: it is now ${row.state}${row.stateReason ? `, ${row.stateReason}` : ""}. You wanted ${state}, ${reason}.`,
      );
    if (!mayLeave(context, row.state, state)) return forbidden("lift a quarantine; only the manager may");
    const lack = isReturn(row.state, state) ? await returnLacks(context, row) : null;
    const happened = row.state === "watch" && state === "in-service" ? await incidentLacks(context, row) : null;
    const why = lack ?? happened;
    if (why) return failed("impossible", why, [{ path: "state", message: why }]);
    const stateReason = state === "in-service" ? null : reason.trim();
    await hall.update(bars, eq(bars.id, row.id), { state, stateReason, version: row.version + 1 });
    await recordChange(context, {
      entity: "bar",
      entityId: row.id,
      action: "state",
      reason: reason.trim(),
      before: { state: row.state, stateReason: row.stateReason },
      after: { state, stateReason },
    });
    // Which bars are in use makes what is usual.
    await careFollows(context);
    return { ok: true, state };
  });
}

/** Whether a change lets a bar that was quarantined be lifted with. */
export const isReturn = (from: BarState, to: BarState) => from === "quarantined" && isUsable(to);

export const mayLeave = (context: Context, from: string, to: string) =>
  from !== "quarantined" || to === "quarantined" || may(context, "bar.end-quarantine");
