import { STAGE_WORDS } from "@/core/feel/barNote";
import { dayText } from "@/core/units/dates";
import type { BarFeel, WrittenNote } from "@/server/feel";
import { Fold } from "../kit/Fold";
import type { FormAction } from "../kit/formState";
import { FeelWords } from "./FeelWords";
import { NoteForm } from "./NoteForm";

interface Props {
  tag: string;
  feel: BarFeel | null;
  notes: readonly WrittenNote[];
  today: string;
  lifters: readonly { key: string; name: string }[];
  /** Who is asked and for which stage, by the address. */
  asked: { lifter: string | null; stage: string | null };
  mayNote: boolean;
  action: FormAction;
}

/** What people say of a bar after the first day, three weeks and three months; and saying it. */
export function BarFeelFold({ tag, feel, notes, today, lifters, asked, mayNote, action }: Props) {
  const count = feel?.feel?.people ?? 0;
  if (!mayNote && count === 0) return null;
  return (
    <Fold
      id="feel"
      title="How it feels"
      about={count === 0 ? "not rated yet" : `${count} ${count === 1 ? "person" : "people"} rated it`}
      isOpen={asked.stage !== null}
    >
      <div className="grid gap-3 px-4 pb-3">
        {feel?.feel && <FeelWords feel={feel.feel} />}
        {feel?.batch && (
          <FeelWords feel={feel.batch.feel} of={`Batch ${feel.batch.name}, ${feel.batch.bars} bars together`} />
        )}
        {notes.length > 0 && (
          <ul className="divide-base-300 divide-y text-sm">
            {notes.map(({ id, stage, on, by, words, wouldUseAgain }) => (
              <li key={id} className="py-1">
                <strong>{STAGE_WORDS[stage]}</strong>
                <span className="text-quiet">
                  , {dayText(on, today)}
                  {by && `, ${by}`}
                </span>
                {words && <>: {words}</>}
                {wouldUseAgain === false && " Would not use it again."}
              </li>
            ))}
          </ul>
        )}
        {mayNote && (
          <details className="no-print" open={asked.stage !== null}>
            <summary className="link min-h-11 content-center text-sm">Add a note</summary>
            <NoteForm tag={tag} lifters={lifters} asked={asked} action={action} />
          </details>
        )}
        <p className="text-quiet text-xs">Opinions of people here. Where it hurts: a doctor or physiotherapist.</p>
      </div>
    </Fold>
  );
}
