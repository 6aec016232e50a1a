import { groupBy } from "@/core/collections/groupBy";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { sessionKinds, type SessionBar } from "./measuring";

const MAX_LISTED = 100;

/** Which bars a session takes: those of one place, those never measured, or one by one from the wall. */
export function MeasureChooser({
  bars,
  unknown,
  offersSimulated,
}: {
  /** Whether there are simulated instruments: in a demonstration only. */
  offersSimulated: boolean;
  bars: readonly (SessionBar & { placeOrder: number })[];
  unknown: readonly string[];
}) {
  const byPlace = [...groupBy([...bars], ({ place }) => place ?? "no place").entries()].sort(
    ([, a], [, b]) => a[0]!.placeOrder - b[0]!.placeOrder,
  );
  const unweighed = bars.filter(({ bar }) => bar.quantities.mass?.source !== "measured");
  const sets: [string, string, readonly SessionBar[]][] = [
    ...(unweighed.length > 0
      ? ([["Never weighed", "start with the scale: every sum needs the mass", unweighed]] as const).map(
          (one) => [...one] as [string, string, readonly SessionBar[]],
        )
      : []),
    ...byPlace.map(([place, all]) => [place, "in the order they hang", all] as [string, string, readonly SessionBar[]]),
  ];
  return (
    <>
      {unknown.length > 0 && (
        <p role="alert" className="text-error mb-2 text-sm">
          There is no bar {unknown.join(", ")} on the wall.
        </p>
      )}
      <ul className="sheet divide-base-300 max-w-4xl divide-y">
        {sets.map(([name, about, all]) => {
          const open = all.reduce(
            (sum, { bar }) =>
              sum + sessionKinds(bar).filter((kind) => bar.quantities[kind]?.source !== "measured").length,
            0,
          );
          return (
            <li key={name} className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-3">
              <div className="min-w-0 grow basis-72">
                <p className="font-semibold">
                  {name} <span className="text-quiet text-sm font-normal">{about}</span>
                </p>
                <p className="text-quiet text-sm">
                  {all.length} {all.length === 1 ? "bar" : "bars"}:{" "}
                  {all
                    .slice(0, 12)
                    .map(({ bar }) => bar.tag)
                    .join(", ")}
                  {all.length > 12 && " …"}; {open} quantities not measured yet
                </p>
              </div>
              <Link
                href={href("/bars/measure", {
                  bars: all
                    .slice(0, MAX_LISTED)
                    .map(({ bar }) => bar.tag)
                    .join(","),
                })}
                className="btn btn-neutral"
                aria-label={`Measure: ${name}`}
              >
                Measure them
              </Link>
            </li>
          );
        })}
      </ul>
      <p className="text-quiet mt-3 max-w-4xl text-sm">
        One bar alone: open it from the wall and choose Measure.
        {offersSimulated &&
          " No instrument? This demonstration has a simulated caliper, tape, scale, dial gauge and stopwatch."}
      </p>
    </>
  );
}
