"use client";

import { ArrowDown, ArrowUp, ChevronsUpDown } from "lucide-react";
import { type DataColumn, type DataRow, placed } from "./dataColumns";

/** The head of a column; a touch sorts by it. */
export function Head({
  column,
  sorted,
  onSort,
}: {
  column: DataColumn;
  sorted: false | "asc" | "desc";
  onSort: () => void;
}) {
  const Mark = sorted === "asc" ? ArrowUp : sorted === "desc" ? ArrowDown : ChevronsUpDown;
  return (
    <th
      scope="col"
      className={`px-3 font-normal ${placed(column)}`}
      aria-sort={sorted === "asc" ? "ascending" : sorted === "desc" ? "descending" : undefined}
    >
      {column.isPlain ? (
        <span className="sr-only">{column.head}</span>
      ) : (
        <button type="button" className="inline-flex min-h-9 cursor-pointer items-center gap-1" onClick={onSort}>
          {column.head}
          <Mark aria-hidden="true" className={`size-3 ${sorted ? "" : "opacity-40"}`} />
        </button>
      )}
    </th>
  );
}

/** One row, and below it what opens from it. */
export function Row({
  row,
  columns,
  isFirst,
  isOpen,
  onToggle,
}: {
  row: DataRow;
  columns: readonly DataColumn[];
  isFirst: boolean;
  isOpen: boolean;
  onToggle: () => void;
}) {
  return (
    <>
      <tr tabIndex={isFirst ? 0 : -1} className="border-base-300 hover:bg-base-200/60 border-b">
        {columns.map((column, i) => {
          const cell = row.cells[column.key];
          const content = cell?.node ?? cell?.value ?? <span className="text-quiet">–</span>;
          const className = `px-3 py-1.5 ${placed(column)}`;
          return i === 0 ? (
            <th key={column.key} scope="row" className={`font-normal ${className}`}>
              {row.more ? (
                <button
                  type="button"
                  aria-expanded={isOpen}
                  className="flex min-h-11 w-full cursor-pointer items-center gap-2 text-left hover:underline"
                  onClick={onToggle}
                >
                  {content}
                </button>
              ) : (
                content
              )}
            </th>
          ) : (
            <td key={column.key} className={className}>
              {content}
            </td>
          );
        })}
      </tr>
      {row.more && isOpen && (
        <tr>
          <td colSpan={columns.length} className="border-base-300 bg-base-200/40 border-b px-4 py-4">
            {row.more}
          </td>
        </tr>
      )}
    </>
  );
}
