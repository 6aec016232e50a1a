import { hallClockAt, hallDayAt } from "@/core/units/hallDay";

interface Props {
  /** Null for those who need not know, and where the program makes no backups. */
  state: { lastGoodAt: Date | null; problem: string | null } | null;
  timeZone: string;
}

/** When the database was last backed up, and how to do it by hand. */
export function BackupNote({ state, timeZone }: Props) {
  if (!state) return null;
  const { lastGoodAt, problem } = state;
  return (
    <section className="sheet p-4" aria-labelledby="backups">
      <h2 id="backups" className="mb-1 font-bold">
        Backups
      </h2>
      <p className="mb-2 text-sm">
        {lastGoodAt
          ? `Last good backup: ${hallDayAt(lastGoodAt, timeZone)}, ${hallClockAt(lastGoodAt, timeZone)}.`
          : "There is no backup yet."}
        {problem && <span className="text-error block">{problem}</span>}
      </p>
      <p className="text-quiet text-sm">
        One is made every night. By hand, on the computer that Garrison runs on: <code>npm run backup</code>. To put one
        back: <code>npm run restore</code>.
      </p>
    </section>
  );
}
