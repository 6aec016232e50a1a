"use client";

import type { StillBar, StillLifter } from "./stillProps";
import type { useStillQuestion } from "./useStillQuestion";

interface Props {
  question: ReturnType<typeof useStillQuestion>;
  bars: readonly StillBar[];
  lifter: StillLifter | null;
}

/** The fields of a still: bar, setting, load, and the height of whoever is not on file. */
export function StillQuestion({ question, bars, lifter }: Props) {
  const { bar } = question;
  return (
    <div className="flex flex-wrap gap-3 text-sm">
      <label className="grid gap-1">
        Bar
        <select
          aria-label="Bar"
          className="select w-56"
          value={question.tag}
          onChange={({ target }) => question.setTag(target.value)}
        >
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
          <select
            className="select w-44"
            value={question.setting}
            onChange={({ target }) => question.setSetting(target.value)}
          >
            <option value="">as it comes</option>
            {bar.settings.map(({ words }) => (
              <option key={words}>{words}</option>
            ))}
          </select>
        </label>
      )}
      <label className="grid gap-1">
        Load in all, {question.massUnit}
        <input
          className="input w-32"
          inputMode="decimal"
          value={question.load}
          aria-invalid={question.loadKg === null}
          onChange={({ target }) => question.setLoad(target.value)}
        />
      </label>
      {!lifter && (
        <label className="grid gap-1">
          Their height
          <input
            className="input w-32"
            placeholder="1.75 m"
            value={question.height}
            onChange={({ target }) => question.setHeight(target.value)}
          />
        </label>
      )}
    </div>
  );
}
