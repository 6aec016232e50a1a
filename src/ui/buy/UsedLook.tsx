"use client";

import { useState } from "react";
import { minorDigits, readMoney, roundMoneyText } from "@/core/buying/money";
import { LOOK_STEPS, NO_WARRANTY_PCT, usedWorth } from "@/core/buying/usedBar";
import { trimmed } from "@/core/units/format";
import { PrintButton } from "../kit/PrintButton";
import { Say } from "../kit/shown";

/** An amount as it is typed: "433", "433.50". */
const plainAmount = (minor: number, currency: string) =>
  trimmed(minor / 10 ** minorDigits(currency), minorDigits(currency));

interface Props {
  currency: string;
  /** What new ones cost delivered, to be chosen from. */
  news: readonly { id: string; name: string; minor: number }[];
  /** The gym's deductions, in percent by "step.answer". */
  house: Readonly<Record<string, number>>;
}

/** The ten-minute look before a price is agreed: in the order in which it may end, and the most that is worth paying. */
export function UsedLook({ currency, news, house }: Props) {
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const [newText, setNewText] = useState(news[0] ? plainAmount(news[0].minor, currency) : "");
  const [freightText, setFreightText] = useState("0");
  const [hasWarranty, setWarranty] = useState(false);
  const [isShared, setShared] = useState(false);
  const amount = (text: string) => {
    const read = readMoney(text || "0", currency);
    return read.ok && read.money.currency === currency ? read.money.minor : null;
  };
  const [newMinor, freightMinor] = [amount(newText), amount(freightText)];
  const worth = usedWorth(answers, { newMinor: newMinor ?? 0, freightMinor: freightMinor ?? 0, hasWarranty }, house);
  const firstOpen = LOOK_STEPS.find(({ key }) => !answers[key])?.key;
  const verdict = worth.ended
    ? `Don’t buy: ${worth.ended}`
    : newMinor === null || newMinor === 0
      ? "What does a new one cost?"
      : `Pay at most ${roundMoneyText({ minor: worth.mostMinor, currency })}${worth.open > 0 ? ` so far; ${worth.open} ${worth.open === 1 ? "check" : "checks"} to go` : ""}.`;

  async function share() {
    const lines = [verdict, ...worth.deductions.map(({ text, pct }) => `${text}: −${pct} %`)];
    await (
      navigator.share ? navigator.share({ text: lines.join("\n") }) : navigator.clipboard.writeText(lines.join("\n"))
    )
      .then(() => setShared(true))
      .catch(() => undefined);
  }

  return (
    <div className="mx-auto grid max-w-xl gap-3">
      <section className="sheet grid gap-2 px-3 py-2 text-sm" aria-label="Against a new one">
        <label className="grid gap-1">
          A new one, delivered
          <input
            value={newText}
            onChange={({ target }) => setNewText(target.value)}
            inputMode="decimal"
            list="new-ones"
            className="input min-h-12 w-40"
            aria-invalid={newMinor === null}
          />
          <datalist id="new-ones">
            {news.map(({ id, name, minor }) => (
              <option key={id} value={plainAmount(minor, currency)}>
                {name}
              </option>
            ))}
          </datalist>
        </label>
        <label className="grid gap-1">
          Bringing it here
          <input
            value={freightText}
            onChange={({ target }) => setFreightText(target.value)}
            inputMode="decimal"
            className="input min-h-12 w-40"
            aria-invalid={freightMinor === null}
          />
        </label>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            checked={hasWarranty}
            onChange={({ target }) => setWarranty(target.checked)}
            className="checkbox"
          />
          The warranty passes on (else −{NO_WARRANTY_PCT} %)
        </label>
      </section>
      <ol className="grid gap-2">
        {LOOK_STEPS.map(({ key, ask, answers: choices }, i) => (
          <li
            key={key}
            className={`sheet px-3 py-2 ${key === firstOpen && !worth.ended ? "border-l-primary border-l-4" : ""} ${worth.ended && !answers[key] ? "opacity-50" : ""}`}
          >
            <p className="font-semibold">
              {i + 1}. {ask}
            </p>
            <div className="mt-1 flex flex-wrap gap-2" role="group" aria-label={ask}>
              {choices.map((choice) => (
                <button
                  key={choice.key}
                  type="button"
                  aria-pressed={answers[key] === choice.key}
                  onClick={() => setAnswers((before) => ({ ...before, [key]: choice.key }))}
                  className={`btn h-auto min-h-12 shrink whitespace-normal ${answers[key] === choice.key ? (choice.ends ? "btn-error" : "btn-neutral") : "btn-outline"}`}
                >
                  <Say text={choice.text} />
                  {choice.offPct > 0 && !choice.ends && (
                    <span className="text-xs font-normal">−{house[`${key}.${choice.key}`] ?? choice.offPct} %</span>
                  )}
                </button>
              ))}
            </div>
          </li>
        ))}
      </ol>
      <div className="sheet sticky bottom-0 grid gap-1 px-3 py-2">
        <p role="status" className={`text-xl font-bold ${worth.ended ? "text-error" : ""}`}>
          {verdict}
        </p>
        <p className="text-quiet text-sm">{worth.deductions.map(({ text, pct }) => `${text} −${pct} %`).join(", ")}</p>
        <p className="no-print flex flex-wrap gap-3">
          <PrintButton />
          <button type="button" onClick={() => void share()} className="btn btn-sm btn-outline">
            {isShared ? "Shared" : "Share"}
          </button>
          <button type="button" onClick={() => setAnswers({})} className="btn btn-sm btn-outline">
            Start again
          </button>
        </p>
      </div>
    </div>
  );
}
