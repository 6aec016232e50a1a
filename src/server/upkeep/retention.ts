import "server-only";
import { and, eq, isNotNull, lt, ne } from "drizzle-orm";
import { accountLog, invitations, letters, lifters, pairingCodes } from "@/data/schema";
import type { Context } from "@/server/access";
import { eraseRow } from "@/server/lifters";
import { keepingRules } from "@/server/rules";

const DAY = 86_400_000;
/** Letters, invitations and codes are of no use to anybody after so long. */
const SHORT_DAYS = 90;
/** So many are erased in one go; the rest come the next day. */
const AT_ONCE = 50;

/** Carries out, once a day, how long what is kept: by the house's rule, and what nobody needs after a season. */
export async function forgetWhatIsOld(context: Context): Promise<void> {
  const { hall, clock } = context;
  const { accountLogDays, retiredLifterMonths } = await keepingRules(context);
  const before = (days: number) => new Date(clock.now().getTime() - days * DAY);
  await hall.remove(accountLog, lt(accountLog.at, before(accountLogDays)));
  await hall.remove(letters, lt(letters.createdAt, before(SHORT_DAYS)));
  await hall.remove(invitations, lt(invitations.endsAt, before(SHORT_DAYS)));
  await hall.remove(pairingCodes, lt(pairingCodes.endsAt, before(1)));
  if (retiredLifterMonths === null) return;
  const left = and(
    isNotNull(lifters.retiredAt),
    lt(lifters.retiredAt, before(retiredLifterMonths * 30.44)),
    ne(lifters.name, "erased"),
  );
  for (const { id } of await hall.rows(lifters, { where: left, limit: AT_ONCE }))
    await eraseRow(context, eq(lifters.id, id));
}
