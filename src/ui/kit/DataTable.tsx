"use client";

import { useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import type { DataColumn, DataRow } from "./dataColumns";
import { Head, Row } from "./DataTableRows";
import { DataTableTools } from "./DataTableTools";
import { useDataTable } from "./useDataTable";

export type { DataCell, DataColumn, DataRow } from "./dataColumns";

interface Props {
  label: string;
  columns: readonly DataColumn[];
  rows: readonly DataRow[];
  /** What stands there when there is nothing. */
  empty: ReactNode;
  /** Sorted by it at first; otherwise as the rows come. */
  sortedBy?: { key: string; isDescending?: boolean };
}

/** More rows than these are made only when somebody asks: nobody reads them, and they take a while. */
const MAX_SHOWN = 200;
/**
 * A table that sorts, filters, hides columns, keeps its head in sight, moves by arrows, and is copied as CSV. Cells may
 * be made on the server.
 */
export function DataTable({ label, columns, rows, empty, sortedBy }: Props) {
  const [isWhole, setWhole] = useState(false);
  const [openRow, setOpenRow] = useState<string | null>(null);
  const body = useRef<HTMLTableSectionElement>(null);
  const state = useDataTable(columns, rows, sortedBy);
  const { table, found, visible } = state;
  const shown = isWhole ? found : found.slice(0, MAX_SHOWN);
  const onKey = (event: KeyboardEvent<HTMLTableSectionElement>) => {
    const by = { ArrowDown: 1, ArrowUp: -1, Home: -Infinity, End: Infinity }[event.key];
    const lines = [...(body.current?.querySelectorAll<HTMLElement>("tr[tabindex]") ?? [])];
    const at = lines.findIndex((line) => line === event.target);
    if (by === undefined || at < 0) return;
    event.preventDefault();
    lines[Math.max(0, Math.min(lines.length - 1, at + by))]?.focus();
  };
  if (rows.length === 0) return <div className="text-quiet px-4 py-3 text-sm">{empty}</div>;
  return (
    <div>
      <DataTableTools label={label} columns={columns} count={rows.length} state={state} />
      <div className="relative max-h-[80svh] overflow-auto" role="region" aria-label={`${label}, table`} tabIndex={0}>
        <table className="w-full border-collapse text-sm">
          <thead className="bg-base-100 text-quiet sticky top-0 z-10 text-xs">
            <tr className="border-base-content border-b">
              {visible.map((column) => (
                <Head
                  key={column.key}
                  column={column}
                  sorted={table.getColumn(column.key)?.getIsSorted() ?? false}
                  onSort={() => table.getColumn(column.key)?.toggleSorting()}
                />
              ))}
            </tr>
          </thead>
          <tbody ref={body} onKeyDown={onKey}>
            {shown.map(({ original: row }, i) => (
              <Row
                key={row.id}
                row={row}
                columns={visible}
                isFirst={i === 0}
                isOpen={openRow === row.id}
                onToggle={() => setOpenRow(openRow === row.id ? null : row.id)}
              />
            ))}
          </tbody>
        </table>
        {shown.length < found.length && (
          <button type="button" className="btn btn-ghost m-2" onClick={() => setWhole(true)}>
            Show all {found.length}
          </button>
        )}
        {shown.length === 0 && <p className="px-4 py-3 text-sm">None match the filter.</p>}
      </div>
    </div>
  );
}
