/* Which pages are kept on a device for when the server is away, and how; the worker and the pages say the same. */

/** Parts of the site that the worker looks after: others are not slowed by it. */
export const FLOOR_SCOPES = ["/load", "/care/rounds", "/wall", "/station"] as const;

const FLOOR = /^\/(load(\/session(\/run\/[\w-]+)?)?|care\/rounds|wall(\/(which|chalk))?|station)$/;

/** @returns whether a path is a screen of the floor */
export const isFloorPage = (path: string): boolean => FLOOR.test(path);

/** The store of kept pages, and of what they are drawn with. */
export const PAGES = "floor-pages";
export const PARTS = "floor-parts";

/** More pages than a device sees in an evening. */
export const MAX_PAGES = 40;
export const MAX_PARTS = 200;

/** When a page was kept, in milliseconds, in its head. */
export const KEPT_AT = "x-kept-at";

/**
 * Whether an answer is a page worth keeping.
 *
 * @returns true for a whole page of ours; false where it leads elsewhere, as to the sign-in, and for errors
 */
export const isKeepable = (response: Response): boolean =>
  response.status === 200 &&
  !response.redirected &&
  (response.headers.get("content-type") ?? "").startsWith("text/html");

/** Keeps a page as it was answered, with the time. */
export async function keepPage(url: string, response: Response, now: number): Promise<void> {
  const headers = new Headers(response.headers);
  headers.set(KEPT_AT, String(now));
  await (await caches.open(PAGES)).put(url, new Response(await response.blob(), { status: 200, headers }));
}

/**
 * The page that was kept of an address, or else the latest of its path: an address holds what somebody asked.
 *
 * @returns null where none was kept
 */
export async function keptPage(url: string): Promise<Response | null> {
  const store = await caches.open(PAGES);
  const same = await store.match(url);
  if (same) return same;
  const { pathname } = new URL(url);
  const like = (await store.keys()).filter((one) => new URL(one.url).pathname === pathname);
  const pages = await Promise.all(like.map((one) => store.match(one)));
  const keptAt = (page: Response) => Number(page.headers.get(KEPT_AT));
  return pages.flatMap((page) => page ?? []).sort((a, b) => keptAt(b) - keptAt(a))[0] ?? null;
}

/**
 * A kept page that says when it was kept, in an attribute of its root.
 *
 * @returns the page to show
 */
export async function asKept(page: Response): Promise<Response> {
  const html = (await page.text()).replace(/<html\b/, `<html data-kept-at="${page.headers.get(KEPT_AT) ?? ""}"`);
  return new Response(html, { status: 200, headers: page.headers });
}
