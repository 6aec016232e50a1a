import { cursorParts, isUuid, wireCursor } from "@/api/fields";
import { logItemOf } from "@/api/log";
import { ROUTES } from "@/api/routes";
import { isHallDay } from "@/core/units/hallDay";
import { listLog } from "@/server/logbook";
import { endpoint, refusalOf } from "../../_http/endpoint";
import { badCursor, type PageQuery } from "../../_http/paging";

const isDay = (part: unknown) => typeof part === "string" && isHallDay(part);

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<PageQuery>(ROUTES.log, async ({ context, query }) => {
  const parts = query.cursor === undefined ? undefined : cursorParts(query.cursor, isDay, isUuid);
  if (parts === null) return badCursor;
  const page = await listLog(context, { limit: query.limit, after: parts as [string, string] | undefined });
  if (!page.ok) return refusalOf(page);
  return { body: { items: page.items.map(logItemOf), nextCursor: wireCursor(page.nextCursor) } };
});
