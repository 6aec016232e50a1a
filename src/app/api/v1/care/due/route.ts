import { cursorParts, isUuid, wireCursor } from "@/api/fields";
import { dueItemOf } from "@/api/lists";
import { ROUTES } from "@/api/routes";
import { isHallDay } from "@/core/units/hallDay";
import { type DueCursor, careDuePage } from "@/server/care/due";
import { keepCareCurrent } from "@/server/upkeep";
import { endpoint } from "../../../_http/endpoint";
import { badCursor, type PageQuery } from "../../../_http/paging";

const isDay = (part: unknown) => typeof part === "string" && isHallDay(part);

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<PageQuery & { on?: string }>(
  ROUTES.careDue,
  async ({ context, query }) => {
    const after = query.cursor === undefined ? undefined : cursorParts(query.cursor, isDay, isUuid, isUuid);
    if (after === null) return badCursor;
    await keepCareCurrent(context);
    const page = await careDuePage(context, query.on ?? context.clock.today, {
      limit: query.limit,
      after: after as DueCursor | undefined,
    });
    return { body: { items: page.items.map(dueItemOf), nextCursor: wireCursor(page.nextCursor) } };
  },
);
