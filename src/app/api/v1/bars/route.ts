import { cursorParts, isText, isUuid, wireCursor } from "@/api/fields";
import { barItemOf } from "@/api/lists";
import { ROUTES } from "@/api/routes";
import { listBars } from "@/server/bars";
import { badCursor, type PageQuery } from "../../_http/paging";
import { endpoint } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<PageQuery>(ROUTES.bars, async ({ context, query }) => {
  const parts = query.cursor === undefined ? undefined : cursorParts(query.cursor, isText, isUuid);
  if (parts === null) return badCursor;
  const [tag, id] = (parts ?? []) as string[];
  const page = await listBars(context, { limit: query.limit, after: parts ? { tag: tag!, id: id! } : undefined });
  return {
    body: { items: page.items.map(({ bar, place }) => barItemOf(bar, place)), nextCursor: wireCursor(page.nextCursor) },
  };
});
