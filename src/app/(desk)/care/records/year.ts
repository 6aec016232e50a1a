/** The year of an address; this year where it says none that can be. */
export function readYear(text: string | null | undefined, today: string): number {
  const now = Number(today.slice(0, 4));
  const year = Number(text);
  return Number.isInteger(year) && year >= 2000 && year <= now ? year : now;
}
