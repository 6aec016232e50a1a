import { LIFTER_FIELDS, spokenMeetings } from "@/core/matching/lifterFields";
import type { ReactNode } from "react";
import { ValueText } from "../kit/QuantityText";
import type { FieldDef } from "@/core/bars/barFields";
import type { LifterBar } from "@/server/lifters";
import type { KeptSetting } from "@/server/setups";
import { FieldsForm } from "../kit/FieldsForm";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { BarTag } from "../kit/BarTag";
import { KeptList } from "../setups/KeptList";
import { ConfirmForm, EraseForm, UseForm } from "./LifterForms";
import { Day } from "../kit/shown";

interface Props {
  id: string;
  lifterKey: string;
  version: number;
  texts: Record<string, string>;
  confirmed: readonly string[];
  confirmable: readonly { key: string; words: string }[];
  bars: readonly LifterBar[];
  /** How bars are set for them, with what was before. */
  kept: readonly KeptSetting[];
  /** Tags to choose from. */
  tags: readonly string[];
  today: string;
  mayErase: boolean;
  saveAction: FormAction;
  confirmAction: FormAction;
  useAction: FormAction;
  eraseAction: FormAction;
}

/** One lifter: what a coach knows, what was confirmed, which bars they use and how those are set. */
export function LifterSheet({
  id,
  lifterKey,
  version,
  texts,
  confirmed,
  confirmable,
  bars,
  kept,
  tags,
  today,
  mayErase,
  saveAction,
  confirmAction,
  useAction,
  eraseAction,
}: Props) {
  const lifts = (texts.usualLoads ?? "").split(" | ").filter(Boolean);
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <section className="sheet px-4 py-3" aria-label="Profile">
        <dl className="grid grid-cols-[10rem_minmax(0,1fr)] gap-y-1 text-sm">
          {Object.entries(LIFTER_FIELDS as Record<string, FieldDef>).map(([key, def]) =>
            texts[key] === undefined || key === "key" || key === "name" || key === "usualLoads" ? null : (
              <div
                key={key}
                className="border-base-300 col-span-2 grid grid-cols-subgrid border-b py-0.5 last:border-b-0"
              >
                <dt className="text-quiet">{def.label}</dt>
                <dd>{shown(def, texts[key])}</dd>
              </div>
            ),
          )}
        </dl>
        <details className="mt-2">
          <summary className="link min-h-11 cursor-pointer py-3 text-sm">Change</summary>
          <FieldsForm
            kind="lifter"
            key={version}
            defs={LIFTER_FIELDS}
            id={id}
            version={version}
            texts={{ ...texts, meetings: spokenMeetings(texts.meetings ?? "") }}
            action={saveAction}
          />
          {mayErase && <EraseForm lifter={lifterKey} action={eraseAction} />}
        </details>
      </section>
      <div className="grid content-start gap-3">
        <section className="sheet px-4 py-3" aria-label="Usual loads">
          <h2 className="mb-1 font-bold">Which bar</h2>
          {lifts.length === 0 && <p className="text-quiet text-sm">No usual loads yet.</p>}
          <ul className="divide-base-300 divide-y text-sm">
            {lifts.map((line) => {
              const [lift, value, unit] = line.split(" ");
              return (
                <li key={line} className="flex items-center justify-between gap-3 py-1">
                  <span>
                    {lift!.replaceAll("-", " ")} <strong className="tabular-nums">{value}</strong>{" "}
                    <span className="unit">{unit}</span>
                  </span>
                  <Link
                    href={`/match?lift=${lift}&load=${value}&unit=${unit}&lifter=${lifterKey}`}
                    className="btn btn-sm btn-outline"
                  >
                    Match
                  </Link>
                </li>
              );
            })}
          </ul>
          {texts.heightMm && texts.massKg && (
            <Link href={`/match/balance?lifter=${lifterKey}`} className="link mt-2 inline-block text-sm">
              Draw their lift with a bar
            </Link>
          )}
        </section>
        <section className="sheet px-4 py-3" aria-label="Bars they use">
          <h2 className="mb-1 font-bold">Bars they use</h2>
          {bars.length === 0 && (
            <p className="text-quiet mb-2 text-sm">None noted yet: every specialty bar counts as new.</p>
          )}
          <ul className="divide-base-300 mb-2 divide-y text-sm">
            {bars.map(({ tag, name, firstUsedOn, lastUsedOn, setting }) => (
              <li key={tag} className="py-1">
                <BarTag tag={tag} /> {name}
                <span className="text-quiet block text-xs">
                  since <Day on={firstUsedOn} />, last <Day on={lastUsedOn} />
                  {setting && `; “${setting}”`}
                </span>
              </li>
            ))}
          </ul>
          <UseForm lifter={lifterKey} tags={tags} today={today} action={useAction} />
        </section>
        <section className="sheet px-4 py-3" aria-label="Settings">
          <div className="flex flex-wrap items-baseline justify-between gap-3">
            <h2 className="font-bold">How bars are set for them</h2>
            {kept.length > 0 && (
              <a href={`/setups/cards.pdf?lifter=${lifterKey}`} className="link min-h-10 py-2 text-sm">
                Small cards as PDF
              </a>
            )}
          </div>
          <KeptList kept={kept} showsBar />
        </section>
        <section className="sheet px-4 py-3" aria-label="Confirmed by a coach">
          <h2 className="mb-1 font-bold">Confirmed by a coach</h2>
          <ConfirmForm lifter={lifterKey} confirmed={confirmed} confirmable={confirmable} action={confirmAction} />
        </section>
      </div>
    </div>
  );
}

function shown(def: FieldDef, text: string): ReactNode {
  if (def.kind === "choices")
    return text
      .split(" | ")
      .map((key) => def.words?.[key] ?? key)
      .join(", ");
  if (def.kind === "list") return text.replaceAll(" | ", "; ");
  return def.kind === "number" && def.unit ? <ValueText value={Number(text)} decimals={1} unit={def.unit} /> : text;
}
