import type { FrameChart } from "@/core/setups/frame";
import { DROP_ORDER_WORDS, DROP_ORDERS, type DropOrder, MAX_DROPS, type Rung } from "@/core/setups/frameLadder";
import { ChangeLink } from "../kit/ChangeLink";
import { Mm } from "../kit/shown";

interface Props {
  chart: FrameChart;
  plateMm: number;
  rungs: readonly Rung[];
  wordsOf: (rung: Rung) => string;
  /** Heights of the drop set, and the order they are lifted in; null where none is planned. */
  drop: { heights: readonly number[]; order: DropOrder; rungs: readonly Rung[]; effort: number } | null;
  hrefOf: (change: Record<string, string | null>) => string;
}

const isOn = (heights: readonly number[], rung: Rung) => heights.includes(Math.round(rung.gripHeightMm));

/** Every height a frame gives, as a ladder of pictures; tapped heights become a drop set with the changes between. */
export function FrameLadder({ chart, plateMm, rungs, wordsOf, drop, hrefOf }: Props) {
  if (rungs.length < 2) return null;
  const heights = drop?.heights ?? [];
  const toggled = (rung: Rung) => {
    const mm = Math.round(rung.gripHeightMm);
    const next = heights.includes(mm) ? heights.filter((one) => one !== mm) : [...heights, mm];
    return { drop: next.length > 0 ? next.sort((a, b) => a - b).join(",") : null };
  };
  return (
    <section className="sheet px-4 py-3" aria-label="Ladder of heights">
      <h2 className="font-bold">Ladder of heights</h2>
      <p className="text-quiet mb-2 text-sm">
        From the lowest up, with the fewest changes from one to the next. Tap heights for a drop set.
      </p>
      <ol className="relative flex gap-2 overflow-x-auto pb-1">
        {rungs.map((rung) => {
          const isChosen = isOn(heights, rung);
          const change = toggled(rung);
          return (
            <li key={rung.gripHeightMm} className="w-28 shrink-0">
              <ChangeLink
                href={hrefOf(change)}
                change={change}
                className={`grid border-2 p-1 text-center ${isChosen ? "border-primary bg-primary/10" : "border-base-300"}`}
              >
                <RungPicture chart={chart} plateMm={plateMm} rung={rung} />
                <strong>
                  <Mm value={rung.gripHeightMm} decimals={0} />
                </strong>
                <span className="text-quiet text-xs">{rung.answer.kind}</span>
                <span className="sr-only">
                  {isChosen ? "; in the drop set, tap to take it out" : "; tap for the drop set"}
                </span>
              </ChangeLink>
              <p className="text-quiet px-1 text-xs">{wordsOf(rung)}</p>
            </li>
          );
        })}
      </ol>
      {drop && drop.rungs.length > 0 && (
        <div className="border-base-300 mt-2 border-t pt-2 text-sm">
          <div className="flex flex-wrap items-center gap-2">
            <h3 className="font-bold">
              Drop set across {drop.rungs.length} {drop.rungs.length === 1 ? "height" : "heights"}
            </h3>
            {DROP_ORDERS.map((order) => (
              <ChangeLink
                key={order}
                href={hrefOf({ order: order === "quickest" ? null : order })}
                change={{ order: order === "quickest" ? null : order }}
                className={`btn btn-sm ${order === drop.order ? "btn-neutral" : "btn-outline"}`}
                isCurrent={order === drop.order}
              >
                {DROP_ORDER_WORDS[order]}
              </ChangeLink>
            ))}
          </div>
          <ol className="mt-2 grid gap-2">
            {drop.rungs.map((rung, i) => (
              <li key={rung.gripHeightMm} className="grid gap-1">
                <p>
                  <strong>
                    {i + 1}. <Mm value={rung.gripHeightMm} decimals={0} />
                  </strong>{" "}
                  {wordsOf(rung)}
                </p>
                {rung.steps.length === 0 ? (
                  <p className="text-quiet text-xs">Nothing to change.</p>
                ) : (
                  <details>
                    <summary className="text-quiet min-h-8 cursor-pointer py-1 text-xs">
                      {rung.steps.length} steps {i === 0 ? "to begin" : "from the height before"}
                    </summary>
                    <ol className="list-decimal pl-5 text-xs">
                      {rung.steps.map((step) => (
                        <li key={step}>{step}</li>
                      ))}
                    </ol>
                  </details>
                )}
              </li>
            ))}
          </ol>
          <p className="text-quiet mt-1 text-xs">
            A frame is turned with what is on it only if its maker allows it; light first at a new height.
          </p>
        </div>
      )}
      {heights.length >= MAX_DROPS && <p className="text-quiet text-xs">Up to {MAX_DROPS} heights in a set.</p>}
    </section>
  );
}

/** The frame end on: plate on the floor, arms and handle turned as they are, the hand. */
function RungPicture({ chart, plateMm, rung }: { chart: FrameChart; plateMm: number; rung: Rung }) {
  const { setting, gripHeightMm } = rung.answer;
  const radius = plateMm / 2;
  const raise = chart.holes.find(({ name }) => name === setting.hole)?.raiseMm ?? 0;
  const mountY = radius + (setting.arms === "up" ? 1 : -1) * (chart.armOffsetMm + raise);
  const top = Math.max(2 * radius, gripHeightMm) + 60;
  return (
    <svg
      viewBox={`-260 ${-top} 520 ${top + 24}`}
      role="img"
      aria-label={`grip ${Math.round(gripHeightMm)} mm above the floor, arms ${setting.arms}, handles ${setting.handles}`}
      className="h-24 w-full"
    >
      <line x1={-260} x2={260} y1={0} y2={0} stroke="var(--color-base-content)" strokeWidth={8} />
      <circle cx={0} cy={-radius} r={radius} fill="none" stroke="var(--color-quiet)" strokeWidth={6} />
      <path
        d={`M0,${-radius}V${-mountY}M-70,${-mountY}H70M0,${-mountY}V${-gripHeightMm}`}
        stroke="var(--color-base-content)"
        strokeWidth={18}
        fill="none"
      />
      <line
        x1={-60}
        x2={60}
        y1={-gripHeightMm}
        y2={-gripHeightMm}
        stroke="var(--color-primary)"
        strokeWidth={30}
        strokeLinecap="round"
      />
    </svg>
  );
}
