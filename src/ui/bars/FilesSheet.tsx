import type { ReactNode } from "react";
import { PageHead } from "../kit/PageHead";
import { ImportFile } from "./ImportFile";

/** Bars out as files, and files of bars in. */
export function FilesSheet({
  confirm,
  mayExport,
  mayHealth,
  mayImport,
}: {
  /** Asks for the passphrase once more where that is needed. */
  confirm: ReactNode;
  mayExport: boolean;
  mayHealth: boolean;
  mayImport: boolean;
}) {
  return (
    <>
      <PageHead title="Import / export" about="bars and all their records, equipment, lifts, lifters, care" />
      {confirm}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
        <section className="sheet p-4" aria-labelledby="out">
          <h2 id="out" className="mb-1 font-bold">
            Out
          </h2>
          {mayExport ? (
            <div className="flex flex-wrap items-center gap-3">
              <a href="/api/v1/bars.csv" download="bars.csv" className="btn btn-sm btn-outline">
                Bars, CSV
              </a>
              <a href="/api/v1/export.json" download="garrison.json" className="btn btn-sm btn-outline">
                Everything, JSON
              </a>
              {mayHealth && (
                <a
                  href="/api/v1/export.json?health=true"
                  download="garrison-health.json"
                  className="btn btn-sm btn-outline"
                >
                  Everything, with health words
                </a>
              )}
              <a href="/api/v1/plates.csv" download="plates.csv" className="btn btn-sm btn-outline">
                Plates, CSV
              </a>
              <p className="text-quiet basis-full text-sm">
                CSV carries the newest measurement of each quantity, JSON all of them, and equipment, lifts, competition
                rules, lifters and their settings, charts of setups, inspections, care tasks, the log of care, house
                rules and the air as well. It names people: keep it as you keep their papers. What hurts whom is in it
                only where you ask for it. Cells that a spreadsheet would run as a formula get an apostrophe, which is
                removed on import.
              </p>
            </div>
          ) : (
            <p className="text-sm">Only coaches and the manager export files.</p>
          )}
        </section>
        <section className="sheet p-4" aria-labelledby="in">
          <h2 id="in" className="mb-1 font-bold">
            In
          </h2>
          {mayImport ? <ImportFile /> : <p className="text-sm">Only the manager imports files.</p>}
        </section>
      </div>
    </>
  );
}
