"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { columnUnits } from "@/core/bars/barColumns";
import type { Unit } from "@/core/units/typedQuantity";
import { readFile, rowsOf, sendFile, type ImportOutcome, type ReadFile } from "./importState";
import { Mapping } from "./ImportMapping";

const MAX_SHOWN = 100;

/** A file of bars: dropped, its columns mapped, looked at, then taken in as a whole or not at all. */
export function ImportFile() {
  const router = useRouter();
  const [file, setFile] = useState<ReadFile | null>(null);
  const [checked, setChecked] = useState<ImportOutcome | null>(null);
  const [done, setDone] = useState<ImportOutcome | null>(null);
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null);
  const [isOver, setIsOver] = useState(false);

  async function take(picked: File | undefined) {
    if (!picked) return;
    setChecked(null);
    setDone(null);
    const read = await readFile(picked);
    setFile(read);
    if (read.kind !== "unread") await check(read);
  }

  async function check(read: ReadFile) {
    setChecked(null);
    setProgress({ done: 0, of: 0 });
    setChecked(await sendFile(read, { isDryRun: true }, () => undefined).catch(unreachable));
    setProgress(null);
  }

  async function bringIn() {
    if (!file) return;
    setProgress({ done: 0, of: rowsOf(file).length });
    const onProgress = (now: number, of: number) => setProgress({ done: now, of });
    const outcome = await sendFile(file, { isDryRun: false, token: checked?.token }, onProgress).catch(unreachable);
    setProgress(null);
    if (!outcome.ok) {
      setChecked(outcome);
      return;
    }
    setDone(outcome);
    setFile(null);
    setChecked(null);
    router.refresh();
  }

  function map(index: number, change: { column?: string | null; unit?: Unit | null }) {
    if (file?.kind !== "table") return;
    const mapping = file.mapping.map((one, i) => {
      if (i !== index) return one;
      if (change.column === undefined) return { ...one, ...change };
      return { ...one, column: change.column, unit: change.column ? (columnUnits(change.column)[0] ?? null) : null };
    });
    const next = { ...file, mapping };
    setFile(next);
    void check(next);
  }

  return (
    <div className="grid gap-4">
      <label
        className={`border-base-300 flex min-h-28 cursor-pointer flex-col items-center justify-center gap-1 border-2 border-dashed p-4 text-center text-sm focus-within:outline-2 ${isOver ? "border-primary bg-primary/10" : ""}`}
        onDragOver={(event) => {
          event.preventDefault();
          setIsOver(true);
        }}
        onDragLeave={() => setIsOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setIsOver(false);
          void take(event.dataTransfer.files[0]);
        }}
      >
        <span className="font-semibold">Drop a file here, or choose one</span>
        <span className="text-quiet">
          CSV with a head, or JSON as Garrison writes it. A tag that hangs on the wall is that bar; others are new.
        </span>
        <input
          type="file"
          accept=".csv,.tsv,.txt,.json,text/csv,application/json"
          className="sr-only"
          onChange={({ target }) => {
            void take(target.files?.[0]);
            // The same file can be chosen again once it is mended.
            target.value = "";
          }}
        />
      </label>

      {done?.report && (
        <p role="status" className="text-success text-sm font-semibold">
          Imported: {done.report.added} new, {done.report.changed} changed, {done.report.unchanged} as they were.
        </p>
      )}
      {file?.kind === "unread" && <Problems title={`${file.name} cannot be read.`} problems={file.problems} />}
      {file?.kind === "table" && <Mapping file={file} onMap={map} />}
      {progress && (
        <div role="status" className="text-sm">
          {progress.of > 0 ? `${progress.done} of ${progress.of} bars` : "looking at the file …"}
          <progress className="progress mt-1 w-full" value={progress.done} max={progress.of || 1} />
        </div>
      )}
      {checked && !checked.ok && (
        <Problems title={checked.message ?? "Nothing imported."} problems={checked.problems ?? []} />
      )}
      {checked?.ok && checked.report && !progress && (
        <section aria-label="What would change" className="grid gap-2">
          <p className="text-sm">
            <strong>
              {checked.report.added} new, {checked.report.changed} changed, {checked.report.unchanged} as they are.
            </strong>{" "}
            {checked.report.added + checked.report.changed === 0 ? "Nothing to import." : "Nothing is written yet."}
          </p>
          {checked.report.changes.length > 0 && (
            <ul className="border-base-300 max-h-60 overflow-y-auto border text-sm" tabIndex={0}>
              {checked.report.changes.slice(0, MAX_SHOWN).map(({ line, tag, what }, i) => (
                <li key={i} className="border-base-300 border-b px-3 py-1 last:border-b-0">
                  <span className="text-quiet">{line > 0 && `line ${line}`}</span>{" "}
                  <span className="bar-tag">{tag}</span> {what}
                </li>
              ))}
            </ul>
          )}
          {checked.report.added + checked.report.changed > 0 && (
            <div>
              <button type="button" className="btn btn-neutral" onClick={bringIn}>
                Import
              </button>
            </div>
          )}
        </section>
      )}
    </div>
  );
}

const unreachable = (): ImportOutcome => ({
  ok: false,
  message: "The server did not answer. Nothing imported; try again.",
});

function Problems({ title, problems }: { title: string; problems: readonly { path: string; message: string }[] }) {
  return (
    <section role="alert" className="border-l-error border-base-300 border border-l-4 p-3 text-sm">
      <p className="text-error font-bold">{title}</p>
      <ul className="mt-1 max-h-72 overflow-y-auto" tabIndex={0} aria-label="Problems">
        {problems.slice(0, MAX_SHOWN).map(({ path, message }, i) => (
          <li key={i}>
            <span className="text-quiet">{path}:</span> {message}
          </li>
        ))}
      </ul>
      {problems.length > MAX_SHOWN && <p className="text-quiet">and {problems.length - MAX_SHOWN} more</p>}
      <p className="mt-1">Fix the file and drop it again, or choose other columns. Nothing was written.</p>
    </section>
  );
}
