import { csvText } from "@/api/csvOut";
import { may, requestContext } from "@/server/access";
import { ACCOUNT_EVENTS, accountLines } from "@/server/accounts";

const MAX_LINES = 10_000;

/** What happened at the doors, as CSV for the owner. */
export async function GET() {
  const context = await requestContext();
  if (!may(context, "account-log.read")) return new Response("Only an owner may read this.", { status: 403 });
  const lines = await accountLines(context, { limit: MAX_LINES });
  const rows = lines.map(({ at, person, kind, subject, address, agent }) => [
    ...[at.toISOString(), person ?? "", ACCOUNT_EVENTS[kind] ?? kind, subject, address, agent],
  ]);
  return new Response(csvText(["at", "who", "what", "about", "address", "browser"], rows), {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": 'attachment; filename="account-log.csv"',
      "cache-control": "no-store",
    },
  });
}
