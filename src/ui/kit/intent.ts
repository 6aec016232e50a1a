/**
 * The address this tab is on its way to. A server-made page answers a moment after it was asked; somebody who touches
 * twice in that moment means the second touch on top of the first, so changes start from here and not from the page.
 */
let intended: { href: string; at: number } | null = null;

/** After this long an intention that never arrived no longer counts. */
const FORGET_MS = 4000;

/** The parameters of the address the tab is on its way to, or is at. */
export function latestParams(): URLSearchParams {
  const here = window.location;
  if (intended && Date.now() - intended.at < FORGET_MS) {
    const url = new URL(intended.href, here.href);
    if (url.pathname === here.pathname) return url.searchParams;
  }
  return new URLSearchParams(here.search);
}

/** Remembers where the tab is going. */
export function intend(href: string): void {
  intended = { href, at: Date.now() };
}

/** The tab arrived at an address: if it is the one intended, nothing is on its way any more. */
export function arrived(href: string): void {
  if (intended && new URL(intended.href, window.location.href).href === new URL(href, window.location.href).href)
    intended = null;
}

/** Forgets what was intended; for steps back and forth in the history. */
export function forgetIntent(): void {
  intended = null;
}

/** A path with changed parameters; null takes one away. */
export function changedHref(path: string, params: URLSearchParams, change: Record<string, string | null>): string {
  const next = new URLSearchParams(params);
  for (const [name, value] of Object.entries(change))
    if (value === null || value === "") next.delete(name);
    else next.set(name, value);
  const text = next.toString().replaceAll("%2C", ",");
  return text ? `${path}?${text}` : path;
}

/**
 * A link's address, with parameters taken over from those of this page where it has them.
 *
 * @example carriedHref("/load?bar=K07&target=100", new URLSearchParams("load=35"), { target: "load" }) // "/load?bar=K07&target=35"
 */
export function carriedHref(href: string, params: URLSearchParams, carry: Record<string, string>): string {
  const [path = "", query = ""] = href.split("?");
  const taken = Object.entries(carry).flatMap(([to, from]) => (params.has(from) ? [[to, params.get(from)]] : []));
  return changedHref(path, new URLSearchParams(query), Object.fromEntries(taken));
}
