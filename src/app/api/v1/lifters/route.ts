import { lifterItemOf } from "@/api/lifters";
import { cursorParts, isText, isUuid, wireCursor } from "@/api/fields";
import { ROUTES } from "@/api/routes";
import { listLifterPage } from "@/server/lifters";
import { endpoint, refusalOf } from "../../_http/endpoint";
import { badCursor, type PageQuery } from "../../_http/paging";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<PageQuery>(
  ROUTES.lifters,
  async ({ context, query }) => {
    const after = query.cursor === undefined ? undefined : cursorParts(query.cursor, isText, isUuid);
    if (after === null) return badCursor;
    const page = await listLifterPage(context, { limit: query.limit, after: after as [string, string] | undefined });
    return page.ok
      ? { body: { items: page.items.map(lifterItemOf), nextCursor: wireCursor(page.nextCursor) } }
      : refusalOf(page);
  },
);
