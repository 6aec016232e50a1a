import { LADDER_WAYS, type LadderWay } from "@/core/loading/ladder";
import { readMass } from "../kit/massInput";

/** What the session page is asked, as its address says it. */
export interface RunState {
  bar: string | undefined;
  /** One lifter a line, as typed: "Runa 115". */
  who: string;
  lifters: { name: string; workKg: number }[];
  way: LadderWay;
  jumpKg: number;
  count: number;
  workSets: number;
  order: "named" | "lightest" | "fewest";
  only: "kg" | "lb" | null;
  clamps: string | undefined;
  at: string;
  /** On the floor: sets that are done, and what turned out otherwise. */
  done: number;
  changes: { done: number; id: string; kg: number | null }[];
  /** Lines that could not be read. */
  problems: string[];
}

export const MOST_LIFTERS = 8;
const START = "Runa 100\nIsla 110\nCato 55";

const whole = (text: string | undefined, least: number, most: number, start: number) => {
  const value = Number(text);
  return text !== undefined && text.trim() !== "" && Number.isInteger(value) && value >= least && value <= most
    ? value
    : start;
};

/** "Runa 115 kg", "Cato 120lb", "140" for nobody in particular; null when there is no load in it. */
export function readLifterLine(line: string): { name: string; workKg: number } | null {
  const found = /^(.*?)\s*(\d+(?:[.,]\d+)?)\s*(kg|lb)?$/.exec(line.trim());
  const mass = found && readMass(`${found[2]}${found[3] ?? "kg"}`, "kg");
  return mass && mass.kg > 0 && mass.kg <= 500 ? { name: found[1]!.slice(0, 40) || "lifter", workKg: mass.kg } : null;
}

export function readRunState(search: Record<string, string | undefined>): RunState {
  const who = (search.who ?? START).slice(0, 600);
  const lines = who
    .split(/\r?\n|;/)
    .map((line) => line.trim())
    .filter(Boolean);
  const problems: string[] = [];
  const lifters = lines.flatMap((line) => readLifterLine(line) ?? (problems.push(line), []));
  return {
    bar: search.bar,
    who,
    lifters: lifters.slice(0, MOST_LIFTERS),
    way: LADDER_WAYS.find((key) => key === search.way) ?? "percent",
    jumpKg: whole(search.jump, 1, 100, 20),
    count: whole(search.count, 1, 12, 5),
    workSets: whole(search.work, 1, 10, 3),
    order: search.order === "lightest" || search.order === "fewest" ? search.order : "named",
    only: search.only === "lb" ? "lb" : search.only === "all" ? null : "kg",
    clamps: search.clamps,
    at: search.at ?? "",
    done: whole(search.i, 0, 200, 0),
    changes: readChanges(search.x),
    problems: [
      ...problems.map((line) => `“${line}” names no load: write a name and a work set, as Runa 115.`),
      ...(lifters.length > MOST_LIFTERS ? [`At most ${MOST_LIFTERS} lifters share a bar here.`] : []),
      ...(lines.length === 0 ? ["Name at least one lifter with a work set, as Runa 115."] : []),
    ],
  };
}

const MOST_CHANGES = 60;

/** "3:2.1:105" is: after three sets, set 2.1 became 105 kg; "5:3.2:skip" leaves one out. */
function readChanges(text: string | undefined): RunState["changes"] {
  return (text ?? "")
    .split(",")
    .slice(0, MOST_CHANGES)
    .flatMap((part) => {
      const [, done, id, kg] = /^(\d{1,3}):(\d{1,3}\.\d{1,2}):(skip|\d{1,3}(?:\.\d{1,3})?)$/.exec(part) ?? [];
      if (!done || !id || !kg || (kg !== "skip" && !(Number(kg) > 0))) return [];
      return [{ done: Number(done), id, kg: kg === "skip" ? null : Number(kg) }];
    });
}

/** The changes as the address says them. */
export const changesText = (changes: RunState["changes"]) =>
  changes.map(({ done, id, kg }) => `${done}:${id}:${kg ?? "skip"}`).join(",");
