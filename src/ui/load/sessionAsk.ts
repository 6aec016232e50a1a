import { LADDER_WAYS, type LadderWay } from "@/core/loading/ladder";
import { readMass } from "../kit/massInput";

/** What the session page is asked, as its address says it. */
export interface SessionAsk {
  bar: string | undefined;
  /** One lifter a line, as typed: "Runa 115". */
  who: string;
  lifters: { name: string; workKg: number; repetitions?: number }[];
  /** Repetitions of a work set. */
  repetitions: number;
  way: LadderWay;
  jumpKg: number;
  count: number;
  workSets: number;
  order: "named" | "lightest" | "fewest";
  only: "kg" | "lb" | null;
  clamps: string | undefined;
  at: string;
  /** How long the plan may take, in ms; absent for the usual time. */
  planMs?: number;
  /** Key of the lift, so that settings and J-cups are known; empty for none. */
  lift: string;
  /** Names without a load, and where they stand among the lifters: the log may know what they start with. */
  unloaded: { at: number; name: string; repetitions?: number }[];
  /** Lines that could not be read. */
  problems: string[];
}

export const MAX_LIFTERS = 8;
/** Time for a better plan, where somebody asked for it. */
const LONGER_MS = 10_000;
const START = "Runa 100\nIsla 110\nCato 55";

const whole = (text: string | undefined, least: number, most: number, start: number) => {
  const value = Number(text);
  return text !== undefined && text.trim() !== "" && Number.isInteger(value) && value >= least && value <= most
    ? value
    : start;
};

/** "Runa 115 kg", "Cato 120lb x3", "140" for nobody in particular; null when there is no load in it. */
export function readLifterLine(line: string): { name: string; workKg: number; repetitions?: number } | null {
  const found = /^(.*?)\s*(\d+(?:[.,]\d+)?)\s*(kg|lb)?(?:\s*[x×]\s*(\d{1,2}))?$/.exec(line.trim());
  const mass = found && readMass(`${found[2]}${found[3] ?? "kg"}`, "kg");
  const own = found?.[4] === undefined ? {} : { repetitions: Math.max(1, Number(found[4])) };
  return mass && mass.kg > 0 && mass.kg <= 500
    ? { name: found[1]!.slice(0, 40) || "lifter", workKg: mass.kg, ...own }
    : null;
}

/** Said of a line without a load. */
export const noLoad = (line: string): string =>
  `“${line}” names no load: write a name and a work set, as Runa 115. With a lift chosen, a name with a log is enough.`;

export function readSessionAsk(search: Record<string, string | undefined>): SessionAsk {
  const who = (search.who ?? START).slice(0, 600);
  const lines = who
    .split(/\r?\n|;/)
    .map((line) => line.trim())
    .filter(Boolean);
  const problems: string[] = [];
  const unloaded: SessionAsk["unloaded"] = [];
  const lifters: SessionAsk["lifters"] = [];
  for (const line of lines) {
    const read = readLifterLine(line);
    const named = /^(\D*[^\d\s×])\s*(?:[x×]\s*(\d{1,2}))?$/.exec(line);
    if (read) lifters.push(read);
    else if (named && named[1]!.length <= 40)
      unloaded.push({
        at: lifters.length + unloaded.length,
        name: named[1]!.trim(),
        ...(named[2] === undefined ? {} : { repetitions: Math.max(1, Number(named[2])) }),
      });
    else problems.push(line);
  }
  return {
    bar: search.bar,
    who,
    lifters: lifters.slice(0, MAX_LIFTERS),
    unloaded,
    way: LADDER_WAYS.find((key) => key === search.way) ?? "percent",
    jumpKg: whole(search.jump, 1, 100, 20),
    count: whole(search.count, 1, 12, 5),
    workSets: whole(search.work, 1, 10, 3),
    repetitions: whole(search.reps, 1, 20, 5),
    order: search.order === "lightest" || search.order === "fewest" ? search.order : "named",
    only: search.only === "lb" ? "lb" : search.only === "all" ? null : "kg",
    clamps: search.clamps,
    at: search.at ?? "",
    lift: search.lift ?? "",
    planMs: search.longer === "yes" ? LONGER_MS : undefined,
    problems: [
      ...problems.map(noLoad),
      ...(lifters.length > MAX_LIFTERS ? [`At most ${MAX_LIFTERS} lifters share a bar here.`] : []),
      // Whoever the log knows is taken out of here again.
      ...unloaded.map(({ name }) => noLoad(name)),
      ...(lines.length === 0 ? ["Name at least one lifter with a work set, as Runa 115."] : []),
    ],
  };
}
