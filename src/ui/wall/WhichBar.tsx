"use client";

import { useMemo, useState } from "react";
import { drawBar } from "@/core/drawing/drawBar";
import { nextQuestion } from "@/core/telling/nextQuestion";
import { answerText, TRAIT_QUESTIONS } from "@/core/telling/traitWords";
import { seenBar, type Trait } from "@/core/telling/traits";
import { BarDrawing, KnurlPatterns } from "../kit/BarDrawing";
import Link from "../kit/Link";
import { Say } from "../kit/shown";
import { AnswerPicture } from "./AnswerPicture";
import { FoundBar, type WallBarFacts } from "./FoundBar";

interface Props {
  bars: readonly WallBarFacts[];
  /** Where [Back] leads, and what it is called there. */
  back: { href: string; text: string };
}

/** What was said so far: an answer, or that they cannot tell. */
type Step = { trait: Trait; text: string | null; left: readonly number[] };

/** Which bar is this? By its tag, by its drawing, or by as few questions as tell this wall's own bars apart. */
export function WhichBar({ bars, back }: Props) {
  const seen = useMemo(() => bars.map(({ bar }) => seenBar(bar)), [bars]);
  const everything = useMemo(() => bars.map((_, i) => i), [bars]);
  const [steps, setSteps] = useState<readonly Step[]>([]);
  const [chosen, setChosen] = useState<number | null>(null);
  const [tag, setTag] = useState("");
  const left = steps.at(-1)?.left ?? everything;
  const skipped = useMemo(() => new Set(steps.filter(({ text }) => text === null).map(({ trait }) => trait)), [steps]);
  const asked = useMemo(() => nextQuestion(seen, left, skipped), [seen, left, skipped]);
  const typed = tag.trim().toLowerCase();
  const byTag = typed === "" ? [] : everything.filter((i) => bars[i]!.bar.tag.toLowerCase().startsWith(typed));
  const found = chosen ?? (left.length === 1 ? left[0]! : null);
  const start = () => {
    setSteps([]);
    setChosen(null);
    setTag("");
  };
  const shown = typed === "" ? left : byTag;
  return (
    <main className="mx-auto flex min-h-screen max-w-[110rem] flex-col px-[3vw] py-[2vh]">
      <KnurlPatterns />
      <header className="mb-[1.5vh] flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[clamp(1.5rem,3vw,2.6rem)]">Which bar is this?</h1>
        <p className="flex flex-wrap gap-2">
          {(steps.length > 0 || found !== null) && (
            <button
              type="button"
              className="btn btn-outline min-h-12"
              onClick={() => (chosen === null ? setSteps(steps.slice(0, -1)) : setChosen(null))}
            >
              One step back
            </button>
          )}
          {steps.length > 1 && (
            <button type="button" className="btn btn-outline min-h-12" onClick={start}>
              Start again
            </button>
          )}
          <Link href={back.href} className="btn btn-outline min-h-12">
            {back.text}
          </Link>
        </p>
      </header>
      {steps.length > 0 && (
        <ol aria-label="Said so far" className="text-quiet mb-2 flex flex-wrap gap-x-4">
          {steps.map(({ trait, text }) => (
            <li key={trait}>
              {TRAIT_QUESTIONS[trait].ask}{" "}
              <strong className="text-base-content">
                <Say text={text ?? "cannot tell"} />
              </strong>
            </li>
          ))}
        </ol>
      )}
      {found !== null ? (
        <FoundBar facts={bars[found]!} />
      ) : (
        <>
          {asked ? (
            <section aria-labelledby="ask" className="mb-[2vh]">
              <h2 id="ask" className="text-[clamp(1.3rem,2.4vw,2rem)]">
                {TRAIT_QUESTIONS[asked.trait].ask}
              </h2>
              <p className="text-quiet mb-2">
                {TRAIT_QUESTIONS[asked.trait].how} At most {asked.atMost} {asked.atMost === 1 ? "answer" : "answers"} to
                go.
              </p>
              <div className="grid grid-cols-2 gap-2 md:grid-cols-[repeat(auto-fit,minmax(11rem,1fr))]">
                {asked.cells.map((cell) => {
                  const text = answerText(asked.trait, cell);
                  // A bar of which it is known, so that the picture is true; a straight one shows it best.
                  const known = cell.bars.filter((i) => seen[i]!.traits[asked.trait] !== null);
                  const shownBar = known.find((i) => seen[i]!.traits.shape === "straight") ?? known[0]!;
                  return (
                    <button
                      key={text}
                      type="button"
                      onClick={() => setSteps([...steps, { trait: asked.trait, text, left: cell.bars }])}
                      className="sheet hover:border-primary grid min-h-20 content-center gap-1 px-3 py-2 text-center"
                    >
                      <AnswerPicture trait={asked.trait} bar={bars[shownBar]!.bar} />
                      <span className="text-[clamp(1.05rem,1.5vw,1.4rem)] leading-tight font-bold">
                        <Say text={text} />
                      </span>
                    </button>
                  );
                })}
                <button
                  type="button"
                  onClick={() => setSteps([...steps, { trait: asked.trait, text: null, left }])}
                  className="border-base-content/40 hover:border-primary min-h-20 border border-dashed px-3 text-lg"
                >
                  I cannot tell
                </button>
              </div>
            </section>
          ) : (
            <p className="sheet border-l-accent mb-[2vh] border-l-4 px-4 py-3 text-lg">
              These look alike here. Their tags tell them apart: look at the end cap.
            </p>
          )}
          <section aria-labelledby="left">
            <div className="mb-1 flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
              <h2 id="left" className="font-bold" aria-live="polite">
                {typed !== "" && byTag.length === 0
                  ? "No bar here has this tag."
                  : `${shown.length} ${shown.length === 1 ? "bar" : "bars"}: touch it if you see it`}
              </h2>
              <label className="ask">
                or its tag
                <input
                  value={tag}
                  onChange={(event) => setTag(event.target.value)}
                  autoComplete="off"
                  className="uppercase"
                  placeholder="on the end cap"
                />
              </label>
            </div>
            <ul className="grid gap-1.5 sm:grid-cols-2 xl:grid-cols-3">
              {shown.map((i) => {
                const { bar, place } = bars[i]!;
                return (
                  <li key={bar.tag}>
                    <button
                      type="button"
                      onClick={() => setChosen(i)}
                      className="sheet hover:border-primary grid min-h-14 w-full grid-cols-[auto_minmax(0,1fr)] items-center gap-x-3 px-3 py-1.5 text-left"
                    >
                      <span className="bar-tag">{bar.tag}</span>
                      <BarDrawing drawing={drawBar(bar)} label={`${bar.name}, drawn to scale`} className="max-h-14" />
                      <span className="col-span-2 flex flex-wrap justify-between gap-x-3 text-sm">
                        <strong>{bar.name}</strong>
                        <span className="text-quiet">{place}</span>
                      </span>
                    </button>
                  </li>
                );
              })}
            </ul>
          </section>
        </>
      )}
    </main>
  );
}
