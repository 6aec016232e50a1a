"use client";

import { useId, useMemo, useState } from "react";
import { againstModel } from "@/core/sideview/againstModel";
import type { SideView } from "@/server/sideview";
import { SaveStill } from "./SaveStill";
import { StillMarks } from "./StillMarks";
import { StillOptions } from "./StillOptions";
import type { StillAsked, StillBar, StillLifter } from "./stillProps";
import { StillQuestion } from "./StillQuestion";
import { StillSays } from "./StillSays";
import { useStill } from "./useStill";
import { useStillQuestion } from "./useStillQuestion";

interface Props {
  title: string;
  saved: SideView | null;
  /** Alone on the sheet: picture and figures side by side. */
  isWide: boolean;
  lifter: StillLifter | null;
  bars: readonly StillBar[];
  asked: StillAsked;
  today: string;
  maySave: boolean;
  close: (() => void) | null;
  /** Told when a picture is in it. */
  opened: () => void;
}

/** Someone who is not on file. */
const ANYBODY = { heightMm: 1750, massKg: 80 };

/** One still: its picture with the marks, what it says, the model beside it, and saving it for the lifter. */
export function StillCard({ title, saved, isWide, lifter, bars, asked, today, maySave, close, opened }: Props) {
  const id = useId();
  const question = useStillQuestion({ saved, lifter, bars, asked });
  const { bar, carry, loadKg, heightMm } = question;
  const still = useStill(
    heightMm,
    saved?.marks ?? null,
    saved?.hasPhoto ? `/match/balance/still/${saved.id}/photo` : null,
  );
  const [hasModel, setModel] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const { marks, reading, picture } = still;
  const against = useMemo(() => {
    if (!reading || !bar || !carry || loadKg === null) return null;
    const contactKg = bar.massKg * bar.contactShare;
    const build = lifter?.build ?? { ...ANYBODY, heightMm: heightMm ?? ANYBODY.heightMm };
    return againstModel(
      reading,
      { build, carry, loadKg: Math.max(0, loadKg - contactKg), contactKg },
      asked.lift === "good-morning",
    );
  }, [reading, bar, carry, loadKg, lifter, heightMm, asked.lift]);
  const choose = async (file: File | undefined) => {
    if (!file) return;
    const isOpen = await still.open(file);
    if (isOpen) opened();
    setProblem(isOpen ? null : "This browser cannot read the picture: choose a JPEG, PNG or WebP.");
  };
  return (
    <section aria-label={title} className="sheet grid gap-3 p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-auto text-lg font-bold">{title}</h2>
        <label htmlFor={`${id}-file`} className="btn btn-neutral">
          {picture ? "Another picture" : "Choose or take a picture"}
        </label>
        <input
          id={`${id}-file`}
          type="file"
          accept="image/jpeg,image/png,image/webp"
          className="sr-only"
          onChange={({ target }) => void choose(target.files?.[0])}
        />
        {close && (
          <button type="button" className="btn btn-ghost" onClick={close}>
            Close<span className="sr-only"> {title}</span>
          </button>
        )}
      </div>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      <StillQuestion question={question} bars={bars} lifter={lifter} />
      {marks && (
        <div className={`grid items-start gap-4 ${isWide ? "lg:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]" : ""}`}>
          <StillMarks
            still={still}
            marks={marks}
            title={title}
            model={hasModel ? (against?.balance.figure ?? null) : null}
          />
          <div className="grid content-start gap-3">
            <StillSays still={still} against={against} hasBar={bar !== null} />
            <label className="flex min-h-11 items-center gap-2 text-sm">
              <input
                type="checkbox"
                className="toggle toggle-sm"
                checked={hasModel}
                onChange={({ target }) => setModel(target.checked)}
              />
              the model’s figure over the picture
            </label>
            <StillOptions still={still} />
            {maySave && lifter && (
              <SaveStill
                still={still}
                lifter={lifter}
                lift={asked.lift}
                tag={bar?.tag ?? null}
                setting={bar && bar.settings.length > 0 ? question.setting : ""}
                loadKg={loadKg}
                today={today}
              />
            )}
          </div>
        </div>
      )}
    </section>
  );
}
