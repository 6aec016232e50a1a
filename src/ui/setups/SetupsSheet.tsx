import { FAMILIES } from "@/core/bars/families";
import { Say } from "../kit/shown";
import { drawBar } from "@/core/drawing/drawBar";
import { barAtSetting } from "@/core/setups/barAtSetting";
import { settingWords } from "@/core/setups/setupOptions";
import type { StorageConflict } from "@/core/setups/storage";
import type { KeptSetting, SetBar } from "@/server/setups";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import { BarTag } from "../kit/BarTag";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { StateText } from "../kit/StateText";
import { KeptList } from "./KeptList";
import { SetupsNav } from "./SetupsNav";

interface Props {
  bars: readonly SetBar[];
  kept: readonly KeptSetting[];
  counts: ReadonlyMap<string, number>;
  conflicts: readonly StorageConflict[];
  mayRead: boolean;
}

/** Every bar that can be set: how it adjusts, how it stands now, and whose settings are kept. */
export function SetupsSheet({ bars, kept, counts, conflicts, mayRead }: Props) {
  const wanting = bars.filter(({ wantsChart, chart }) => wantsChart && !chart);
  return (
    <>
      <KnurlPatterns />
      <PageHead title="Setups" about="adjustable bars, and how each is set for whom">
        <SetupsNav here="/setups" />
      </PageHead>
      {wanting.length > 0 && (
        <p className="sheet border-l-accent mb-3 border-l-4 px-4 py-2 text-sm">
          Without a chart:{" "}
          {wanting.map(({ bar }) => (
            <Link key={bar.tag} className="link mr-3" href={`/setups/${encodeURIComponent(bar.tag)}/calibrate`}>
              calibrate {bar.tag} {bar.name}
            </Link>
          ))}
        </p>
      )}
      <ul className="sheet divide-base-300 mb-3 divide-y" aria-label="Bars that can be set">
        {bars.map((set) => {
          const { bar, chart, options, present, calibratedOn, id } = set;
          const adjusts = chart
            ? chart.kind === "arm"
              ? `${chart.marks.length} marks${chart.hasHalfMarks ? " and the halves between" : ""}, ${chart.pins.length} pins`
              : `${chart.holes.length} ${chart.holes.length === 1 ? "hole" : "holes"} a side, arms and handles turn`
            : set.wantsChart
              ? "not calibrated yet"
              : options.length > 0
                ? options.map(optionWords).join("; ")
                : "racks at its own height";
          const wrong = conflicts.filter(({ tags }) => tags.includes(bar.tag));
          return (
            <li
              key={bar.tag}
              className="grid items-center gap-x-4 gap-y-1 px-4 py-2 md:grid-cols-[13rem_minmax(0,15rem)_minmax(0,1fr)_auto]"
            >
              <div className="flex items-center gap-2">
                <BarTag tag={bar.tag} />
                <span>
                  <span className="block text-sm font-semibold">{bar.name}</span>
                  <span className="text-quiet block text-xs">{FAMILIES[bar.family].name}</span>
                </span>
              </div>
              <BarDrawing
                drawing={drawBar(present ? barAtSetting(bar, chart, present) : bar)}
                label={`${bar.name} to scale`}
                className="hidden md:block"
              />
              <div className="text-sm">
                {adjusts}
                <span className="text-quiet block text-xs">
                  <Say
                    text={[
                      ...(present
                        ? [`set now: ${settingWords(options, present)}`]
                        : options.some(({ choices }) => choices.length > 1)
                          ? ["setting not recorded"]
                          : []),
                      ...(calibratedOn ? [`calibrated ${calibratedOn}`] : []),
                      ...(counts.get(id)
                        ? [`${counts.get(id)} saved ${counts.get(id) === 1 ? "setting" : "settings"}`]
                        : []),
                    ].join("; ")}
                  />
                </span>
                {bar.state !== "in-service" && (
                  <span className="block text-xs">
                    <StateText state={bar.state} reason={bar.stateReason} />
                  </span>
                )}
                {wrong.map(({ key, text, isDangerous }) => (
                  <span
                    key={key + text}
                    className={`block text-xs font-semibold ${isDangerous ? "text-error" : "text-accent"}`}
                  >
                    <Say text={text} />
                  </span>
                ))}
              </div>
              <Link
                href={`/setups/${encodeURIComponent(bar.tag)}`}
                className="btn btn-sm btn-neutral justify-self-start"
              >
                Set it up
              </Link>
            </li>
          );
        })}
        {bars.length === 0 && (
          <li className="p-4 text-sm">
            No bar here adjusts. Yokes, cambered and bowed bars, frames and multi-grip bars appear here.
          </li>
        )}
      </ul>
      {mayRead && (
        <section className="sheet px-4 py-3" aria-label="Saved settings">
          <div className="flex flex-wrap items-baseline justify-between gap-3">
            <h2 className="font-bold">Saved settings</h2>
            <a href="/setups/cards.pdf" className="link min-h-10 py-2 text-sm">
              Print them as small cards
            </a>
          </div>
          <KeptList kept={kept} showsBar />
        </section>
      )}
    </>
  );
}

/** "load hanging or held back", "3 grips": what can be chosen, short. */
function optionWords({ label, choices }: SetBar["options"][number]): string {
  if (choices.length > 2) return `${choices.length} ${label}s`;
  return `${label} ${choices.map(({ words }) => words).join(" or ")}`;
}
