"use client";

import { useId, useMemo, useState } from "react";
import { againstModel, againstWords } from "@/core/sideview/againstModel";
import { MARK_NAMES } from "@/core/sideview/marks";
import { marksOf } from "@/core/sideview/stillState";
import type { SideView } from "@/server/sideview";
import { StillPicture } from "./StillPicture";
import { StillReadout } from "./StillReadout";
import type { StillBar, StillLifter } from "./stillProps";
import { useStill } from "./useStill";
import { typed, StillOptions } from "./StillOptions";
import { SaveStill } from "./SaveStill";

interface Props {
  title: string;
  saved: SideView | null;
  /** Alone on the sheet: picture and figures side by side. */
  isWide: boolean;
  lifter: StillLifter | null;
  bars: readonly StillBar[];
  asked: { lift: string; tag: string | null; setting: string | null; load: string | null };
  today: string;
  maySave: boolean;
  close: (() => void) | null;
  /** Told when a picture is in it. */
  opened: () => void;
}

/** Somebody who is not on file. */
const ANYBODY = { heightMm: 1750, massKg: 80 };

const START_LOAD_KG = 100;

/** One still: its picture with the marks, what it says, the model beside it, and saving it for the lifter. */
export function StillCard({ title, saved, isWide, lifter, bars, asked, today, maySave, close, opened }: Props) {
  const id = useId();
  const [height, setHeight] = useState("");
  const heightMm = lifter?.build.heightMm ?? typed(height, "mm") ?? null;
  const still = useStill(
    heightMm,
    saved?.marks ?? null,
    saved?.hasPhoto ? `/match/balance/still/${saved.id}/photo` : null,
  );
  const [tag, setTag] = useState(saved?.tag ?? bars.find((bar) => bar.tag === asked.tag)?.tag ?? bars[0]?.tag ?? "");
  const [setting, setSetting] = useState(saved?.setting ?? asked.setting ?? "");
  const [load, setLoad] = useState(saved ? String(saved.loadKg) : (asked.load ?? String(START_LOAD_KG)));
  const [hasModel, setModel] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const bar = bars.find((one) => one.tag === tag) ?? null;
  const loadKg = typed(load, "kg");
  const carry = bar ? (bar.settings.find(({ words }) => words === setting)?.carry ?? bar.carry) : null;
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
      <div className="flex flex-wrap gap-3 text-sm">
        <label className="grid gap-1">
          Bar
          <select aria-label="Bar" className="select w-56" value={tag} onChange={({ target }) => setTag(target.value)}>
            {bars.map((one) => (
              <option key={one.tag} value={one.tag}>
                {one.tag} {one.name}
              </option>
            ))}
          </select>
        </label>
        {bar && bar.settings.length > 0 && (
          <label className="grid gap-1">
            Setting
            <select className="select w-44" value={setting} onChange={({ target }) => setSetting(target.value)}>
              <option value="">as it comes</option>
              {bar.settings.map(({ words }) => (
                <option key={words}>{words}</option>
              ))}
            </select>
          </label>
        )}
        <label className="grid gap-1">
          Load in all, kg or lb
          <input
            className="input w-32"
            inputMode="decimal"
            value={load}
            aria-invalid={loadKg === null}
            onChange={({ target }) => setLoad(target.value)}
          />
        </label>
        {!lifter && (
          <label className="grid gap-1">
            Their height
            <input
              className="input w-32"
              placeholder="1.75 m"
              value={height}
              onChange={({ target }) => setHeight(target.value)}
            />
          </label>
        )}
      </div>
      {marks && (
        <div className={`grid items-start gap-4 ${isWide ? "lg:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]" : ""}`}>
          <div className="grid gap-2">
            <div role="group" aria-label="Mark to place" className="flex flex-wrap gap-1">
              {marksOf(marks).map((mark) => (
                <button
                  key={mark}
                  type="button"
                  aria-pressed={mark === still.selected}
                  className={`btn btn-xs min-h-9 ${mark === still.selected ? "btn-neutral" : "btn-outline"}`}
                  onClick={() => still.select(mark)}
                >
                  {MARK_NAMES[mark]}
                </button>
              ))}
            </div>
            {picture ? (
              <StillPicture
                src={picture.src}
                marks={marks}
                selected={still.selected}
                reading={reading}
                model={hasModel ? (against?.balance.figure ?? null) : null}
                label={`${title} with its marks`}
                select={still.select}
                change={still.change}
              />
            ) : (
              <p className="text-quiet border-base-300 border p-6 text-sm">
                Only the marks were saved of this still, not its picture.
              </p>
            )}
            <p className="text-quiet text-xs">
              Drag each mark, or choose it above and tap its place; arrow keys move it by a hair. Ankle and knee: the
              bony points. Hip: the bony point at its side. Shoulder: the tip. Bar: the end of its sleeve.
            </p>
          </div>
          <div className="grid content-start gap-3">
            {reading && against && (
              <p
                className="border-l-primary border-l-4 pl-3 text-lg leading-snug font-semibold"
                data-testid="still-lead"
              >
                {againstWords(against, reading)}
              </p>
            )}
            {reading && !against && bar && (
              <p className="text-sm">The model balances nowhere at these legs with this load.</p>
            )}
            {still.lacking.map((text) => (
              <p key={text} role="alert" className="text-error text-sm font-semibold">
                {text}
              </p>
            ))}
            {reading && <StillReadout reading={reading} against={against} />}
            {reading?.cameraDeg && reading.cameraDeg.value > 3 && (
              <p className="text-sm">
                The camera stood about {Math.round(reading.cameraDeg.value)}° out of square, by the plate’s disc.
              </p>
            )}
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
                setting={bar && bar.settings.length > 0 ? setting : ""}
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
