import type { BarDetails } from "@/server/bars";
import { dayText } from "@/core/units/dates";
import type { FormAction } from "../kit/formState";
import { historyWords } from "./historyWords";
import { UndoForm } from "./UndoForm";

interface Props {
  details: BarDetails;
  today: string;
  mayUndo: boolean;
  action: FormAction;
}

/** Every change with who, when, before and after; the last can be taken back. */
export function BarHistory({ details: { bar, history }, today, mayUndo, action }: Props) {
  return (
    <section className="px-4 pb-4" aria-label="History">
      <ol className="grid gap-2 text-sm">
        {history.map((change, i) => {
          const words = historyWords(change.before, change.after);
          return (
            <li key={change.id} className="flex items-start justify-between gap-3">
              <div>
                <span className="font-semibold">{change.action}</span>
                {words.length === 1 && `: ${words[0]}`}
                {change.reason && `, ${change.reason}`}
                <span className="text-quiet">
                  {" "}
                  · {change.by}, {dayText(change.on, today)}
                </span>
                {words.length > 1 && (
                  <ul className="text-quiet text-xs">
                    {words.map((line) => (
                      <li key={line}>{line}</li>
                    ))}
                  </ul>
                )}
              </div>
              {i === 0 && mayUndo && change.action !== "entered" && (
                <UndoForm tag={bar.tag} changeId={change.id} action={action} />
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
