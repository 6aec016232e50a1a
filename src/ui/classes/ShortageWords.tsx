"use client";

import { kgFromMassUnits } from "@/core/units/exactMass";
import { trimmed } from "@/core/units/format";
import type { Shortage } from "@/core/loading/plan/poolQuestion";
import type { PoolStation } from "@/server/classes";
import { type PlateFaces } from "../load/Sleeve";
import { Say } from "../kit/shown";
import type { PoolSheetProps } from "./poolSheetProps";

export const kg = (units: number) => trimmed(kgFromMassUnits(units), 2);

/** The time of day so many minutes after the class begins. */
export function clock(startsAt: string, minutes: number): string {
  const [hours, past] = startsAt.split(":").map(Number);
  const at = Math.floor(60 * hours! + past! + minutes + 1e-9) % 1440;
  return `${String(Math.floor(at / 60)).padStart(2, "0")}:${String(at % 60).padStart(2, "0")}`;
}

interface ShortageProps {
  /** Sets at one station that miss the same plates. */
  group: readonly Shortage[];
  startsAt: string;
  lifterOf: PoolSheetProps["lifterOf"];
  faces: PlateFaces;
  stationOf: (key: string) => PoolStation;
}

export const pairsOf = ({ id, pairs }: { id: string; pairs: number }, faces: PlateFaces) =>
  `${pairs === 1 ? "a pair" : `${pairs} pairs`} of ${faces[id]?.label ?? id}`;

/** What is missing, when, who holds it, and the cheapest remedy in time. */
export function ShortageWords({ group, startsAt, lifterOf, faces, stationOf }: ShortageProps) {
  const [first, last] = [group[0]!, group.at(-1)!];
  const at = stationOf(first.station);
  const heldBy = [...new Set(group.flatMap(({ heldBy: own }) => own))].map((key) => stationOf(key).station);
  const waits = group.map(({ freeAtMinutes, atMinutes }) =>
    freeAtMinutes === null ? Infinity : freeAtMinutes - atMinutes,
  );
  const wait = Math.ceil(Math.max(...waits));
  const from = clock(startsAt, first.atMinutes);
  const until = clock(startsAt, last.atMinutes);
  return (
    <>
      <strong>
        {from === until ? from : `${from} to ${until}`}, {at.station} ({at.tag}):
      </strong>{" "}
      <Say
        text={group
          .map(
            ({ set, achievedUnits, wishedUnits }) =>
              `${lifterOf[set]} ${kg(achievedUnits)} instead of ${kg(wishedUnits)} kg`,
          )
          .filter((words, i, all) => all.indexOf(words) === i)
          .join(", ")}
      />
      . Missing: {first.missing.map((one) => pairsOf(one, faces)).join(" and ")}
      {heldBy.length > 0 && `, on bars at ${heldBy.join(" and ")}`}.{" "}
      {wait < Infinity && `Begun ${wait} min later ${group.length === 1 ? "it has" : "they have"} them.`}
    </>
  );
}
