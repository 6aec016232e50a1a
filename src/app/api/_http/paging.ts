import "server-only";
import { cursorParts, isText, isUuid, isWhole, wireCursor } from "@/api/fields";
import type { RouteSpec } from "@/api/routes";
import type { Page } from "@/server/equipment";
import type { Context } from "@/server/access";
import { endpoint, refuse } from "./endpoint";

export interface PageQuery {
  limit: number;
  cursor?: string;
}

export const badCursor = refuse("bad-request", "One thing in the request is wrong.", [
  { path: "cursor", message: "cursor is not one that this list gave" },
]);

/** A list sorted by one column and the id, page by page. */
export function listEndpoint<Row>(
  route: RouteSpec,
  sortedBy: "text" | "whole",
  list: (context: Context, query: { limit: number; after?: [string | number, string] }) => Promise<Page<Row>>,
  toWire: (row: Row) => unknown,
) {
  return endpoint<PageQuery>(route, async ({ context, query }) => {
    const parts =
      query.cursor === undefined
        ? undefined
        : cursorParts(query.cursor, sortedBy === "text" ? isText : isWhole, isUuid);
    if (parts === null) return badCursor;
    const page = await list(context, { limit: query.limit, after: parts as [string | number, string] | undefined });
    return { body: { items: page.items.map(toWire), nextCursor: wireCursor(page.nextCursor) } };
  });
}
