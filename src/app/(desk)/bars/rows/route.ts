import { wallBars } from "@/server/bars";
import { requestContext } from "@/server/access";
import { readWallQuery } from "@/core/bars/wallQuery";

const MAX_LISTED = 200;

/** Further rows of a long wall, for the page that shows it. */
export async function GET(request: Request) {
  const search = Object.fromEntries(new URL(request.url).searchParams);
  const whole = (text: string | undefined, most: number) => Math.min(most, Math.max(0, Math.floor(Number(text)) || 0));
  const { items, total } = await wallBars(await requestContext(), readWallQuery(search), {
    from: whole(search.from, 1_000_000),
    count: whole(search.count, MAX_LISTED),
  });
  return Response.json({ items, total });
}
