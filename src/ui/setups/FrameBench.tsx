import type { SvgSheet } from "@/core/drawing/svgText";
import type { FrameAnswer } from "@/core/setups/frame";
import type { FrameWay } from "@/core/setups/frameWays";
import { signed, trimmed } from "@/core/units/format";
import { ChangeLink } from "../kit/ChangeLink";
import { SheetDrawing } from "../kit/SheetDrawing";
import { Mm, Say } from "../kit/shown";
import { lengthNumber, plainNumber, SetupNumbers, type SetupNumber } from "./SetupNumbers";

interface Props {
  answer: FrameAnswer;
  drawing: SvgSheet;
  /** Ways to what is wished, or to every height when nothing is; and those that must not be used. */
  ways: readonly FrameWay[];
  refused: readonly FrameWay[];
  wish: { heightMm: number; widthMm: number | null } | null;
  hrefOf: (way: FrameWay) => string;
  changeOf: (way: FrameWay) => Record<string, string | null>;
  wordsOf: (way: FrameWay) => string;
  /** Whether somebody recorded how it is set now: steps start from there. */
  isRecorded: boolean;
  /** Every height as a ladder. */
  ladder?: React.ReactNode;
  children?: React.ReactNode;
}

/** A frame on its plates: where the hands come to be, whether it hangs level, and the ways to a wished height. */
export function FrameBench(props: Props) {
  const { answer, drawing, ways, refused, wish, hrefOf, changeOf, wordsOf, isRecorded, ladder, children } = props;
  const { refusals, warnings } = answer;
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
      <section className="sheet px-3 py-2 lg:col-span-2" aria-label="Drawn to scale">
        <SheetDrawing sheet={drawing} className="max-h-72" />
      </section>
      {ladder && <div className="min-w-0 lg:col-span-2">{ladder}</div>}
      <div className="grid content-start gap-3">
        <section className="sheet px-4 py-3" aria-label="Ways">
          <h2 className="mb-1 font-bold">
            {wish ? (
              <Say
                text={`Ways to a grip ${trimmed(wish.heightMm, 0)} mm above the floor${wish.widthMm === null ? "" : `, hands ${trimmed(wish.widthMm, 0)} mm apart`}`}
              />
            ) : (
              "Every way it can be set, by height"
            )}
          </h2>
          <ol className="divide-base-300 divide-y text-sm">
            {ways.slice(0, wish ? 6 : 40).map((way) => (
              <li
                key={JSON.stringify(way.answer.setting)}
                className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1.5"
              >
                <span className="w-24 text-right text-lg font-bold tabular-nums">
                  <Mm value={way.answer.gripHeightMm} decimals={0} isSmall />
                </span>
                <span className="min-w-60 flex-1">
                  {wordsOf(way)}
                  <span className="text-quiet block text-xs">
                    {way.answer.kind === "standard" ? (
                      "standard height"
                    ) : (
                      <Say
                        text={`${way.answer.kind}, ${signed(way.answer.againstStandardMm, 0)} mm against a full plate`}
                      />
                    )}
                    {wish && Math.abs(way.heightOffMm) >= 1 ? (
                      <Say text={`, ${signed(way.heightOffMm, 0)} mm off target`} />
                    ) : (
                      ""
                    )}
                    {", hands "}
                    <Mm value={way.answer.gripWidthMm} decimals={0} /> apart
                  </span>
                  {way.steps.length > 0 ? (
                    <details>
                      <summary className="text-quiet min-h-8 cursor-pointer py-1 text-xs">
                        {way.steps.length} steps from{" "}
                        {isRecorded ? "how it is set now" : "how it is built: not recorded yet"}
                      </summary>
                      <ol className="list-decimal pl-5 text-xs">
                        {way.steps.map((step) => (
                          <li key={step}>{step}</li>
                        ))}
                      </ol>
                    </details>
                  ) : (
                    isRecorded && <span className="text-success block text-xs">It is set like this now.</span>
                  )}
                </span>
                <ChangeLink href={hrefOf(way)} change={changeOf(way)} className="btn btn-sm btn-outline">
                  Show
                </ChangeLink>
              </li>
            ))}
            {ways.length === 0 && (
              <li className="py-2">None of these settings can be lifted with these plates. The reasons are below.</li>
            )}
          </ol>
          {refused.length > 0 && (
            <details className="mt-1" open={ways.length === 0}>
              <summary className="min-h-10 cursor-pointer py-2 text-sm font-semibold">
                {refused.length} that must not be used
              </summary>
              <ul className="divide-base-300 divide-y text-sm">
                {refused.map((way) => (
                  <li key={JSON.stringify(way.answer.setting)} className="py-1.5">
                    {wordsOf(way)}{" "}
                    <span className="text-error">
                      <Say text={way.answer.refusals.map(({ text }) => text).join(" ")} />
                    </span>
                  </li>
                ))}
              </ul>
            </details>
          )}
        </section>
      </div>
      <div className="grid content-start gap-3">
        <section className="sheet px-4 py-3" aria-label="As it is set">
          {refusals.length > 0 ? (
            <div role="alert" className="text-error mb-2">
              <p className="text-lg font-bold">Do not lift it like this.</p>
              {refusals.map(({ key, text }) => (
                <p key={key} className="text-sm">
                  <Say text={text} />
                </p>
              ))}
            </div>
          ) : (
            <p className="mb-1 text-lg leading-snug font-semibold">
              {answer.kind === "standard" ? (
                "Standard height"
              ) : (
                <Say
                  text={`${answer.kind === "deficit" ? "Deficit" : "Raised"}, ${trimmed(Math.abs(answer.againstStandardMm), 0)} mm ${answer.againstStandardMm > 0 ? "above" : "below"} a full plate’s`}
                />
              )}
              ; hands <Mm value={answer.handMm} decimals={0} /> along the handle.
            </p>
          )}
          {warnings.map((text) => (
            <p key={text} className="text-accent text-sm font-semibold">
              <Say text={text} />
            </p>
          ))}
          <SetupNumbers rows={numbersOf(answer)} />
          {children}
        </section>
      </div>
    </div>
  );
}

function numbersOf(answer: FrameAnswer): SetupNumber[] {
  return [
    lengthNumber("grip above the floor", answer.gripHeightMm),
    ...(answer.startHeightMm === null ? [] : [lengthNumber("hands start, on the stands", answer.startHeightMm)]),
    lengthNumber("between the grips", answer.gripWidthMm),
    lengthNumber("hand along the handle", answer.handMm),
    lengthNumber("mass centre ahead of the axis", answer.centre.aheadMm, true),
    lengthNumber("hands above the mass centre", answer.hands.aboveMm - answer.centre.aboveMm),
    answer.tipsDeg === null
      ? { label: "hung freely it tips", figure: "over", unit: "" }
      : plainNumber("hung freely it tips", Math.abs(answer.tipsDeg), 1, "°"),
    lengthNumber("clear under the arms", answer.floorClearanceMm),
    lengthNumber("room at the knees", answer.kneeRoomMm),
  ];
}
