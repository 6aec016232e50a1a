"use client";

import { ClipboardCopy, Columns3 } from "lucide-react";
import { useState } from "react";
import type { DataColumn } from "./dataColumns";
import type { DataTableState } from "./useDataTable";

/** A list this short is read at a glance: no filter. */
const MIN_FILTERED = 8;

interface Props {
  label: string;
  columns: readonly DataColumn[];
  /** Of all rows. */
  count: number;
  state: DataTableState;
}

/** Above a table: the filter, how many there are, which columns, and the copy. */
export function DataTableTools({ label, columns, count, state: { table, found, copy } }: Props) {
  const [isCopied, setCopied] = useState(false);
  const onCopy = async () => {
    await copy();
    setCopied(true);
    setTimeout(() => setCopied(false), 3000);
  };
  return (
    <div className="no-print flex flex-wrap items-center gap-2 px-3 py-1.5">
      {count >= MIN_FILTERED && (
        <input
          type="search"
          aria-label={`Filter ${label}`}
          placeholder="Filter"
          className="input input-sm w-44"
          onChange={({ target }) => table.setGlobalFilter(target.value)}
        />
      )}
      <span className="text-quiet text-sm" role="status">
        {found.length === count ? `${count} in all` : `${found.length} of ${count}`}
      </span>
      <span className="ml-auto flex gap-1">
        <details className="dropdown dropdown-end">
          <summary className="btn btn-ghost btn-sm">
            <Columns3 aria-hidden="true" className="size-4" /> Columns
          </summary>
          <div className="dropdown-content bg-base-100 border-base-300 z-20 grid w-56 border p-2 shadow-lg">
            {columns
              .filter(({ isPlain }) => !isPlain)
              .map((column) => (
                <label key={column.key} className="flex min-h-11 cursor-pointer items-center gap-2 px-1 text-sm">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    checked={table.getColumn(column.key)?.getIsVisible() ?? true}
                    onChange={(event) => table.getColumn(column.key)?.toggleVisibility(event.target.checked)}
                  />
                  {column.head}
                </label>
              ))}
          </div>
        </details>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => void onCopy()}>
          <ClipboardCopy aria-hidden="true" className="size-4" /> {isCopied ? "Copied" : "Copy as CSV"}
        </button>
      </span>
    </div>
  );
}
