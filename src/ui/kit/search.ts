/** What a page gets from its address. */
export type SearchParams = Promise<Record<string, string | string[] | undefined>>;

/** The parameters of an address, each once: of a repeated one the last counts. */
export async function readSearch(params: SearchParams): Promise<Record<string, string | undefined>> {
  return Object.fromEntries(
    Object.entries(await params).map(([key, value]) => [key, Array.isArray(value) ? value.at(-1) : value]),
  );
}

/** An address with parameters; empty ones are left out. */
export function href(path: string, params: Record<string, string | number | undefined | null>): string {
  const query = new URLSearchParams();
  for (const [key, value] of Object.entries(params))
    if (value !== undefined && value !== null && value !== "") query.set(key, String(value));
  const text = query.toString().replaceAll("%2C", ",");
  return text ? `${path}?${text}` : path;
}

/** A count that an address asks for: whole, from 0 to `most`; null for anything else. */
export function wholeIn(text: string | undefined, most: number): number | null {
  return text !== undefined && /^\d{1,9}$/.test(text) ? Math.min(Number(text), most) : null;
}
