import { FloorKeeper } from "../kit/FloorKeeper";
import Link from "../kit/Link";
import { Refresh } from "../kit/Refresh";
import type { RunningSession } from "./RunningNow";

/** On a tablet at a station: sessions in progress, to follow one. */
export function StationScreen({
  hallName,
  isDemo,
  runs,
}: {
  hallName: string;
  isDemo: boolean;
  runs: readonly RunningSession[];
}) {
  return (
    <main className="mx-auto grid max-w-3xl gap-4 p-4">
      <FloorKeeper />
      <header className="flex flex-wrap items-baseline justify-between gap-2">
        <h1 className="text-2xl">Run sheets</h1>
        <p className="text-quiet text-sm">
          {hallName}
          {isDemo && <span className="text-warning ml-2 font-semibold">Demonstration: all made up</span>}
        </p>
      </header>
      {runs.length === 0 ? (
        <p className="sheet p-6 text-lg">
          No session is in progress. A coach starts one under Load, Warm-ups and sessions.
        </p>
      ) : (
        <ul className="grid gap-2">
          {runs.map(({ id, tag, where, by, done, sets }) => (
            <li key={id}>
              <Link
                href={`/load/session/run/${id}`}
                className="sheet flex min-h-20 items-center justify-between gap-4 p-4"
              >
                <span className="text-3xl font-bold">{where ?? tag}</span>
                <span className="text-right">
                  <span className="bar-tag">{tag}</span> {done} of {sets} sets
                  <span className="text-quiet block text-sm">started by {by}</span>
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      <Refresh seconds={15} />
    </main>
  );
}
