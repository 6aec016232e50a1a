import { cursorParts, isUuid, isWhole, wireCursor } from "@/api/fields";
import { offerItemOf } from "@/api/offers";
import { ROUTES } from "@/api/routes";
import { listOfferPage } from "@/server/offers";
import { endpoint, refusalOf } from "../../_http/endpoint";
import { badCursor, type PageQuery } from "../../_http/paging";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<PageQuery>(
  ROUTES.offers,
  async ({ context, query }) => {
    const parts = query.cursor === undefined ? undefined : cursorParts(query.cursor, isWhole, isUuid);
    if (parts === null) return badCursor;
    const page = await listOfferPage(context, { limit: query.limit, after: parts as [number, string] | undefined });
    if (!page.ok) return refusalOf(page);
    return { body: { items: page.items.map(offerItemOf), nextCursor: wireCursor(page.nextCursor) } };
  },
);
