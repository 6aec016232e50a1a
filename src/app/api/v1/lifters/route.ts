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
    const { door } = context;
    const showsHealth = door.kind !== "token" || door.scopes.includes("health");
    return page.ok
      ? {
          // What hurts whom needs a scope of its own.
          body: {
            items: page.items.map((row) => lifterItemOf(showsHealth ? row : { ...row, limits: null })),
            nextCursor: wireCursor(page.nextCursor),
          },
        }
      : refusalOf(page);
  },
);
