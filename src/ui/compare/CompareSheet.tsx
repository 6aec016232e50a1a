import Link from "../kit/Link";
import type { ReactNode } from "react";
import type { Bar } from "@/core/bars/bar";
import { isUsable } from "@/core/bars/bar";
import type { Lift } from "@/core/matching/lifts";
import { trimmed } from "@/core/units/format";
import { bendUnder, loadWhereTheyDiffer, NOTICEABLE_MM } from "@/core/whip/compareWhip";
import { AskForm } from "../kit/AskForm";
import { BarTag } from "../kit/BarTag";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import { PageHead } from "../kit/PageHead";
import { href } from "../kit/search";
import { StateText } from "../kit/StateText";
import { drawBar } from "@/core/drawing/drawBar";
import { BentBars } from "./BentBars";
import { comparisonRows } from "./comparisonRows";
import { INKS } from "./inks";
import { SlackChart } from "./SlackChart";

export const MOST_COMPARED = 4;

interface Props {
  bars: Bar[];
  all: readonly { tag: string; name: string }[];
  unknownTags: string[];
  lifts: readonly Lift[];
  lift: Lift;
  loadKg: number;
  loadText: string;
  handsMm: number;
  isHandsSet: boolean;
}

const EXAGGERATION = 5;

/** Two to four bars over one another: what differs inked, what is equal faint, and whether it matters at this load. */
export function CompareSheet({ bars, all, unknownTags, lifts, lift, loadKg, loadText, handsMm, isHandsSet }: Props) {
  const tags = bars.map(({ tag }) => tag);
  const address = (list: string[]) =>
    href("/compare", { bars: list.join(","), lift: lift.key, load: loadText, hands: isHandsSet ? handsMm : undefined });
  const bent = bars.map((bar) => ({ bar, bent: bendUnder(bar, loadKg, handsMm / 2) }));
  const rows = comparisonRows(bent, lift);
  return (
    <>
      <KnurlPatterns />
      <PageHead
        title="Compare"
        about={
          <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
            {bars.map((bar, i) => (
              <span key={bar.tag} className="inline-flex items-center gap-1.5" style={{ color: INKS[i]!.color }}>
                <BarTag tag={bar.tag} /> <span>{bar.name}</span>
                {!isUsable(bar.state) && <StateText state={bar.state} />}
                <Link
                  href={address(tags.filter((tag) => tag !== bar.tag))}
                  aria-label={`Take ${bar.tag} out`}
                  className="text-quiet hover:text-base-content px-1"
                >
                  ×
                </Link>
              </span>
            ))}
          </span>
        }
      >
        {bars.length < MOST_COMPARED && (
          <AskForm
            action="/compare"
            label="Add a bar"
            keep={{ lift: lift.key, load: loadText, bars: tags.join(",") || undefined }}
          >
            <label className="sr-only" htmlFor="add">
              Add a bar
            </label>
            <select id="add" name="add" defaultValue="" className="select select-sm min-h-10 w-44">
              <option value="">add a bar …</option>
              {all
                .filter(({ tag }) => !tags.includes(tag))
                .map(({ tag, name }) => (
                  <option key={tag} value={tag}>
                    {tag} {name}
                  </option>
                ))}
            </select>
          </AskForm>
        )}
      </PageHead>
      {unknownTags.length > 0 && (
        <p role="alert" className="text-error mb-2 text-sm">
          There is no bar {unknownTags.join(", ")} on the wall.
        </p>
      )}
      <AskForm
        action="/compare"
        label="At which lift and load"
        keep={{ bars: tags.join(",") || undefined }}
        className="sheet mb-3 flex flex-wrap items-baseline gap-x-6 gap-y-1 px-4 py-1.5"
      >
        <label className="ask">
          lift
          <select name="lift" defaultValue={lift.key} key={lift.key}>
            {lifts.map(({ key, name }) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="ask">
          load
          <input name="load" defaultValue={loadText} key={loadText} inputMode="decimal" aria-label="Load in kg" /> kg in
          all
        </label>
        <label className="ask">
          {lift.contact === "back" ? "back" : "hands"}
          <input
            name="hands"
            defaultValue={handsMm}
            key={handsMm}
            inputMode="numeric"
            aria-label="Distance between the supports in mm"
          />{" "}
          mm {lift.contact === "back" ? "wide" : "apart"}
        </label>
        <span className="text-quiet ml-auto text-xs">
          plates as 25 kg discs, 27 mm each · bend drawn ×{EXAGGERATION}
        </span>
      </AskForm>

      {bars.length === 0 ? (
        <p className="sheet p-6">
          Nothing to compare yet. Pick bars on{" "}
          <Link className="link" href="/bars">
            the wall
          </Link>
          , or add one above.
        </p>
      ) : (
        <>
          {bent.some((item) => item.bent.ok) ? (
            <BentBars
              bent={bent}
              handsMm={handsMm}
              exaggeration={EXAGGERATION}
              supportWord={lift.contact === "back" ? "back" : "hands"}
            />
          ) : (
            <div className="sheet mb-3 grid gap-1 py-3">
              {bars.map((bar) => (
                <BarDrawing key={bar.tag} drawing={drawBar(bar)} label={`${bar.name} to scale`} />
              ))}
            </div>
          )}
          <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-2">
            <ComparisonTable bars={bars} rows={rows} />
            <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-3">
              <Judgement bent={bent} lift={lift} loadKg={loadKg} handsMm={handsMm} />
              <SlackChart
                bars={bent.flatMap(({ bar, bent: own }, i) =>
                  own.ok
                    ? [
                        {
                          tag: bar.tag,
                          color: INKS[i]!.color,
                          dash: INKS[i]!.dash,
                          points: slackPoints(bar, loadKg, handsMm),
                        },
                      ]
                    : [],
                )}
                loadKg={loadKg}
                title={lift.start === "floor" ? "slack against load" : "plates below the supports, against load"}
              />
            </div>
          </div>
        </>
      )}
    </>
  );
}

function slackPoints(bar: Bar, loadKg: number, handsMm: number) {
  const most = Math.max(200, Math.ceil((loadKg * 1.2) / 50) * 50);
  return Array.from({ length: 41 }, (_, i) => (most * i) / 40).flatMap((kg) => {
    const bent = bendUnder(bar, kg, handsMm / 2);
    return bent.ok ? [{ kg, mm: bent.whip.deflectionMm }] : [];
  });
}

function ComparisonTable({ bars, rows }: { bars: Bar[]; rows: ReturnType<typeof comparisonRows> }) {
  return (
    <section className="sheet" aria-label="What differs">
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of differences">
        <table className="w-full text-sm">
          <thead>
            <tr className="border-base-300 border-b text-xs">
              <th scope="col" className="text-quiet px-4 py-1.5 text-left font-normal">
                {bars.length > 1 ? "differs" : "quantity"}
              </th>
              {bars.map((bar, i) => (
                <th key={bar.tag} scope="col" className="px-2 py-1.5 text-right" style={{ color: INKS[i]!.color }}>
                  {bar.tag}
                </th>
              ))}
              {bars.length > 1 && (
                <th scope="col" className="text-quiet px-4 py-1.5 text-right font-normal">
                  by
                </th>
              )}
            </tr>
          </thead>
          <tbody className="divide-base-300 divide-y">
            {rows.map(({ name, cells, by, isEqual }) => (
              <tr key={name} className={isEqual ? "text-quiet" : "font-semibold"}>
                <th scope="row" className="px-4 py-1 text-left font-normal">
                  {name}
                </th>
                {cells.map(({ text, isStated }, i) => (
                  <td key={i} className={`px-2 py-1 text-right ${isStated ? "italic" : ""}`}>
                    {text}
                  </td>
                ))}
                {bars.length > 1 && <td className="px-4 py-1 text-right whitespace-nowrap">{by}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** A sentence that starts with whether it matters. */
function Judgement({
  bent,
  lift,
  loadKg,
  handsMm,
}: {
  bent: { bar: Bar; bent: ReturnType<typeof bendUnder> }[];
  lift: Lift;
  loadKg: number;
  handsMm: number;
}) {
  const unable = bent.flatMap(({ bar, bent: own }) => (own.ok ? [] : [`${bar.tag}: ${own.why}`]));
  const able = bent.flatMap(({ bar, bent: own }, i) => (own.ok ? [{ bar, own, ink: INKS[i]!.color }] : []));
  const sorted = able.toSorted((a, b) => b.own.whip.deflectionMm - a.own.whip.deflectionMm);
  const [most, least] = [sorted[0], sorted.at(-1)];
  const isFloor = lift.start === "floor" && lift.speed === "slow";
  const what = isFloor ? "the hands rise" : "the plates hang";
  const then = isFloor ? "before the weight leaves the floor" : "below the supports";
  let body: ReactNode = null;
  if (most && least && most !== least) {
    const gap = most.own.whip.deflectionMm - least.own.whip.deflectionMm;
    const matters = gap >= NOTICEABLE_MM;
    const at = loadWhereTheyDiffer(most.bar, least.bar, handsMm / 2, NOTICEABLE_MM, Math.max(500, loadKg));
    body = (
      <>
        <strong>{matters ? "It matters here." : "It hardly matters here."}</strong> At {trimmed(loadKg, 1)} kg {what}{" "}
        {trimmed(most.own.whip.deflectionMm, 1)} mm on <b style={{ color: most.ink }}>{most.bar.tag}</b> and{" "}
        {trimmed(least.own.whip.deflectionMm, 1)} mm on <b style={{ color: least.ink }}>{least.bar.tag}</b> {then}:{" "}
        {trimmed(gap, 1)} mm apart
        {at === null
          ? "; at no load a person lifts is that noticed."
          : `. Below ${trimmed(at, 0)} kg the two differ by less than the ${NOTICEABLE_MM} mm that this house calls noticeable.`}
      </>
    );
  } else if (most)
    body = (
      <>
        At {trimmed(loadKg, 1)} kg {what} <strong>{trimmed(most.own.whip.deflectionMm, 1)} mm</strong> on {most.bar.tag}{" "}
        {then}. The first plate leaves at {trimmed(most.own.firstPlateMm, 1)} mm, the last at{" "}
        {trimmed(most.own.lastPlateMm, 1)} mm.
      </>
    );
  return (
    <section className="sheet border-l-primary border-l-4 px-4 py-3" aria-label="Whether it matters">
      {body && <p>{body}</p>}
      {unable.length > 0 && <p className="text-quiet text-sm">No bending for {unable.join("; ")}.</p>}
      <p className="text-quiet mt-1 text-xs">
        Whip is not strength, and the margin is not a rating: never over the seller’s limit.
      </p>
    </section>
  );
}
