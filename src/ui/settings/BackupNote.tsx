"use client";

import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";
import { RestoreArchiveForm, TakeArchiveForm } from "./ArchiveForms";

interface Props {
  /** In words: when the last good one was made and how old it is. */
  last: string;
  problem: string | null;
  /** In words: when a restore was last tried; null for whoever does not own the gym. */
  drill: string | null;
  isEmpty: boolean;
  backUpAction: FormAction;
  drillAction: FormAction;
}

/** When the database was last backed up; for owners also a backup now, the gym's own archive, and the yearly drill. */
export function BackupNote({ last, problem, drill, isEmpty, backUpAction, drillAction }: Props) {
  const [made, backUp, isMaking] = useFormAction(backUpAction);
  const [tried, noteDrill, isNoting] = useFormAction(drillAction);
  return (
    <section className="sheet p-4" aria-labelledby="backups">
      <h2 id="backups" className="mb-1 font-bold">
        Backups
      </h2>
      <p className="mb-2 text-sm">
        {last}
        {problem && <span className="text-error block">{problem}</span>}
      </p>
      <p className="text-quiet mb-2 text-sm">
        One is made every night, of everything on this computer. To restore one, on the computer itself:{" "}
        <code>npm run restore</code>.
      </p>
      {drill !== null && (
        <div className="grid gap-4">
          <form action={backUp} className="flex flex-wrap items-center gap-3">
            <button className="btn btn-outline" disabled={isMaking}>
              {isMaking ? "Backing up…" : "Back up now"}
            </button>
            <FormMessage state={made} />
          </form>
          <form action={noteDrill} className="flex flex-wrap items-center gap-3">
            <p className="text-sm">{drill}</p>
            <button className="btn btn-outline" disabled={isNoting}>
              I tried a restore
            </button>
            <FormMessage state={tried} />
          </form>
          <div>
            <h3 className="font-semibold">The gym’s own archive</h3>
            <p className="text-quiet mb-2 text-sm">
              Bars, equipment, lifters with their health words, care, rules and air of this gym alone, sealed. Classes,
              the logbook, offers, deliveries, photos, accounts, tablets and tokens are only in the backup.
            </p>
            <TakeArchiveForm />
          </div>
          {isEmpty && (
            <div>
              <h3 className="font-semibold">Restore an archive</h3>
              <p className="text-quiet mb-2 text-sm">
                This gym has no bars yet, so an archive may be restored into it.
              </p>
              <RestoreArchiveForm />
            </div>
          )}
        </div>
      )}
    </section>
  );
}
