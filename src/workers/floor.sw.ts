import { CacheExpiration, ExpirationPlugin } from "workbox-expiration";
import { registerRoute } from "workbox-routing";
import { CacheFirst } from "workbox-strategies";
import { asKept, isFloorPage, isKeepable, keepPage, keptPage, MAX_PAGES, MAX_PARTS, PAGES, PARTS } from "./floorPages";

/*
 * Between the floor's screens and the server: a page comes from the server wherever that answers, and as it was kept
 * where it does not. What pages are drawn with never changes under its name and is kept as it comes.
 */

const scope = globalThis as unknown as {
  skipWaiting: () => Promise<void>;
  clients: { claim: () => Promise<void> };
  addEventListener: (kind: string, listener: (event: { waitUntil: (work: Promise<unknown>) => void }) => void) => void;
};
/** A gateway answers so for a server that is away, and the server for a database that is. */
const AWAY = [502, 503, 504];
const pages = new CacheExpiration(PAGES, { maxEntries: MAX_PAGES });

scope.addEventListener("install", (event) => event.waitUntil(scope.skipWaiting()));
scope.addEventListener("activate", (event) => event.waitUntil(scope.clients.claim()));

async function keep(url: string, response: Response) {
  await keepPage(url, response, Date.now());
  await pages.updateTimestamp(url);
  await pages.expireEntries();
}

registerRoute(
  ({ request, url }) => request.mode === "navigate" && url.origin === location.origin && isFloorPage(url.pathname),
  async ({ request, event }) => {
    try {
      const response = await fetch(request);
      // A page that was cut on its way is not kept, and is nobody's trouble.
      if (isKeepable(response)) event.waitUntil(keep(request.url, response.clone()).catch(() => {}));
      if (!AWAY.includes(response.status)) return response;
      const page = await keptPage(request.url);
      return page ? await asKept(page) : response;
    } catch (error) {
      const page = await keptPage(request.url);
      if (page) return asKept(page);
      throw error;
    }
  },
);

registerRoute(
  ({ url }) => url.origin === location.origin && url.pathname.startsWith("/_next/static/"),
  new CacheFirst({ cacheName: PARTS, plugins: [new ExpirationPlugin({ maxEntries: MAX_PARTS })] }),
);
