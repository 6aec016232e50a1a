import type { Build } from "@/core/balance/body";
import { mostAlike } from "@/core/setups/similarLifters";

interface Person {
  row: { key: string; name: string };
  build: Build | null;
}

/** Whom a saved setting may be copied to: those of much the same size first, with how far apart they are, then the rest. */
export function copyChoices(
  lifterKey: string,
  people: readonly Person[],
): { key: string; name: string; apartMm: number | null }[] {
  const from = people.find(({ row }) => row.key === lifterKey);
  const to = people.filter(({ row }) => row.key !== lifterKey);
  const alike = from?.build ? mostAlike(from.build, to) : [];
  const far = to.filter(({ row }) => !alike.some((one) => one.row.key === row.key));
  return [
    ...alike.map(({ row, apartMm }) => ({ key: row.key, name: row.name, apartMm })),
    ...far.map(({ row }) => ({ key: row.key, name: row.name, apartMm: null })),
  ];
}
