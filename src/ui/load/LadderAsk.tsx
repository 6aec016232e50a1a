import type { LadderWish } from "@/core/loading/rounds";
import { AskChoice } from "../kit/AskChoice";

/** How ladders to the work sets are made. */
export function LadderAsk({
  ladder: { way, jumpKg, count, workSets },
  repetitions,
}: {
  ladder: LadderWish;
  /** Of a work set, where they are asked. */
  repetitions?: number;
}) {
  return (
    <>
      <AskChoice
        name="way"
        word="warm-ups by"
        value={way}
        options={[
          ["percent", "percentages: 40, 55, 70, 80, 90"],
          ["jumps", "even jumps"],
          ["count", "a number of steps"],
        ]}
      />
      {way === "jumps" && (
        <label className="ask">
          of
          <input name="jump" defaultValue={jumpKg} key={jumpKg} inputMode="numeric" size={3} /> kg
        </label>
      )}
      {way === "count" && (
        <label className="ask">
          of
          <input name="count" defaultValue={count} key={count} inputMode="numeric" size={2} /> steps
        </label>
      )}
      <label className="ask">
        then
        <input name="work" defaultValue={workSets} key={workSets} inputMode="numeric" size={2} /> work sets
        {repetitions !== undefined && (
          <>
            {" of "}
            <input
              name="reps"
              aria-label="Repetitions of a work set"
              defaultValue={repetitions}
              key={repetitions}
              inputMode="numeric"
              size={2}
            />
          </>
        )}
      </label>
    </>
  );
}

/** Plates marked in one unit only, or all the hall has. */
export function PlatesAsk({ only }: { only: "kg" | "lb" | null }) {
  return (
    <AskChoice
      name="only"
      word="plates"
      value={only ?? "all"}
      options={[
        ["kg", "kg only"],
        ["lb", "lb only"],
        ["all", "kg and lb"],
      ]}
    />
  );
}
