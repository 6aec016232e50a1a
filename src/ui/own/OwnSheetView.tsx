import type { ReactNode } from "react";
import { STAGE_WORDS } from "@/core/feel/barNote";
import { USE_PART_WORDS, type UsePart } from "@/core/use/useCards";
import type { OwnSheet } from "@/server/own";
import { NoteForm } from "../feel/NoteForm";
import { BarTag } from "../kit/BarTag";
import { dayText } from "@/core/units/dates";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { SheetPart } from "../kit/SheetPart";
import { ComfortForm, EraseMeForm } from "./OwnForms";
import { Kg } from "../kit/shown";

interface Props {
  name: string;
  today: string;
  /** Null where nobody linked this person to a lifter. */
  sheet: OwnSheet | null;
  mayErase: boolean;
  confirm: ReactNode;
  /** How the bars that they use are used. */
  use: readonly { tag: string; name: string; lines: readonly (readonly [UsePart, string])[] }[];
  noteAction: FormAction;
  comfortAction: FormAction;
  eraseAction: FormAction;
}

/** What a lifter sees of themselves: the next class, how bars are set for them, what they lifted, and what is kept. */
export function OwnSheetView(props: Props) {
  const { name, today, sheet, mayErase, confirm, use, noteAction, comfortAction, eraseAction } = props;
  const data = (
    <SheetPart id="data" title="Your data">
      <p className="text-quiet mb-3 text-sm">Everything that this gym keeps about you, as one file.</p>
      <a href="/me/export.json" download className="btn btn-outline mb-4">
        Export
      </a>
      {mayErase && (
        <details>
          <summary className="link min-h-11 py-2">Erase yourself</summary>
          <div className="mt-2 grid gap-2">
            {confirm}
            <EraseMeForm action={eraseAction} />
          </div>
        </details>
      )}
    </SheetPart>
  );
  return (
    <>
      <PageHead title={name} about="Only you, your coaches and the people who run the gym see this." />
      {!sheet && (
        <p className="sheet mb-3 p-4">
          No lifter is linked to you yet. A coach links you under Lifters; then your settings and sets stand here.
        </p>
      )}
      <div className="grid max-w-5xl items-start gap-3 md:grid-cols-2">
        {sheet && (
          <>
            <div className="grid gap-3">
              <SheetPart id="next" title="Next class">
                {sheet.next.length === 0 ? (
                  <p className="text-quiet">You are not in any class from today on.</p>
                ) : (
                  <ul className="grid gap-1">
                    {sheet.next.map(({ name: title, on, at, liftName, loadKg }) => (
                      <li key={`${on} ${at} ${liftName}`}>
                        <strong>
                          {dayText(on, today)}, {at}
                        </strong>{" "}
                        {title}: {liftName}, <Kg value={loadKg} decimals={2} />
                      </li>
                    ))}
                  </ul>
                )}
              </SheetPart>
              {sheet.asked.length > 0 && (
                <SheetPart id="asked" title="How does it feel?">
                  <ul className="divide-base-300 divide-y">
                    {sheet.asked.map(({ tag, barName, stage }) => (
                      <li key={tag} className="py-2">
                        <details>
                          <summary className="min-h-11 cursor-pointer content-center">
                            <span className="bar-tag">{tag}</span> {barName}, after {STAGE_WORDS[stage]}
                          </summary>
                          <NoteForm tag={tag} lifters={[]} asked={{ lifter: null, stage }} action={noteAction} />
                        </details>
                      </li>
                    ))}
                  </ul>
                </SheetPart>
              )}
              {use.length > 0 && (
                <SheetPart id="use" title="How to use your bars">
                  {use.map(({ tag, name: barName, lines }) => (
                    <details key={tag} className="border-base-300 border-b last:border-b-0">
                      <summary className="min-h-11 cursor-pointer content-center">
                        <span className="bar-tag">{tag}</span> {barName}
                      </summary>
                      <dl className="grid gap-1 pb-2 text-sm">
                        {lines.map(([part, text]) => (
                          <div key={part}>
                            <dt className={part === "notWhen" ? "text-error text-xs" : "text-quiet text-xs"}>
                              {USE_PART_WORDS[part]}
                            </dt>
                            <dd>{text}</dd>
                          </div>
                        ))}
                      </dl>
                    </details>
                  ))}
                </SheetPart>
              )}
              <SheetPart id="settings" title="How bars are set for you">
                {sheet.settings.length === 0 ? (
                  <p className="text-quiet">Nothing is set for you yet.</p>
                ) : (
                  <ul className="divide-base-300 divide-y">
                    {sheet.settings.map(({ id, tag, barName, liftName, words }) => (
                      <li key={id} className="flex flex-wrap items-center justify-between gap-2 py-2">
                        <span>
                          <BarTag tag={tag} /> {barName}, {liftName}
                          <span className="text-quiet block text-sm">{words}</span>
                        </span>
                        <Link href={`/setups/card/${id}`} className="btn btn-outline">
                          Card
                        </Link>
                      </li>
                    ))}
                  </ul>
                )}
              </SheetPart>
              {sheet.strength.length > 0 && (
                <SheetPart id="strength" title="Your strength">
                  <ul className="divide-base-300 divide-y">
                    {sheet.strength.map(({ liftName, straightKg, bars }) => (
                      <li key={liftName} className="py-2">
                        <strong>
                          {liftName}: <Kg value={Math.round(straightKg)} decimals={0} />
                        </strong>{" "}
                        <span className="text-quiet text-sm">single on a straight bar, an estimate</span>
                        {bars.map(({ tag, name: barName, words }) => (
                          <span key={tag} className="block text-sm">
                            <BarTag tag={tag} /> {barName}: {words}
                          </span>
                        ))}
                      </li>
                    ))}
                  </ul>
                </SheetPart>
              )}
              <SheetPart id="sets" title="Sets you did">
                {sheet.sets.length === 0 ? (
                  <p className="text-quiet">No run sheet has a set of yours yet.</p>
                ) : (
                  <table className="table-sm table">
                    <thead className="text-base-content">
                      <tr>
                        <th scope="col">Day</th>
                        <th scope="col">Bar</th>
                        <th scope="col">Lift</th>
                        <th scope="col" className="text-right">
                          Load
                        </th>
                      </tr>
                    </thead>
                    <tbody>
                      {sheet.sets.map(({ id, on, tag, liftName, loadKg, isWork }) => (
                        <tr key={id} className={isWork ? "" : "text-quiet"}>
                          <td>{dayText(on, today)}</td>
                          <td>{tag}</td>
                          <td>{liftName}</td>
                          <td className="text-right tabular-nums">
                            <Kg value={loadKg} decimals={2} />
                          </td>
                        </tr>
                      ))}
                    </tbody>
                  </table>
                )}
              </SheetPart>
            </div>
            <div className="grid gap-3">
              <SheetPart id="comfort" title="What is not comfortable">
                <ComfortForm
                  version={sheet.version}
                  limits={sheet.limits}
                  comfortNote={sheet.comfortNote}
                  action={comfortAction}
                />
              </SheetPart>
              {data}
            </div>
          </>
        )}
        {!sheet && data}
      </div>
    </>
  );
}
