"use client";

import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from "@tanstack/react-table";
import { ArrowDown, ArrowUp, ChevronsUpDown, ClipboardCopy, Columns3 } from "lucide-react";
import { useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from "react";

/** What a cell is sorted, filtered and copied by, and how it looks where that is not the same. */
export interface DataCell {
  value: string | number | null;
  node?: ReactNode;
}

export interface DataColumn {
  key: string;
  head: ReactNode;
  /** The head in a file and in the list of columns, where `head` is more than a text. */
  name?: string;
  isNumber?: boolean;
  /** Hidden until somebody asks for it. */
  isHidden?: boolean;
  /** Left out on a telephone. */
  isWide?: boolean;
  /** Holds buttons or drawings: neither sorted nor copied. */
  isPlain?: boolean;
}

export interface DataRow {
  id: string;
  /** By the key of the column. */
  cells: Readonly<Record<string, DataCell>>;
  /** Opens below the row. */
  more?: ReactNode;
}

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
/** A list this short is read at a glance: no filter. */
const MIN_FILTERED = 8;

const features = tableFeatures({
  columnVisibilityFeature,
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
});
const helper = createColumnHelper<typeof features, DataRow>();

/** As people sort: 2 before 10, "é" beside "e", what is unknown last whichever way. */
const collator = new Intl.Collator("en", { numeric: true, sensitivity: "base" });

/**
 * A table that sorts, filters, hides columns, keeps its head in sight, moves by arrows, and is copied as CSV. Cells may
 * be made on the server.
 */
export function DataTable({ label, columns, rows, empty, sortedBy }: Props) {
  const [isCopied, setCopied] = useState(false);
  const [isWhole, setWhole] = useState(false);
  const [openRow, setOpenRow] = useState<string | null>(null);
  const body = useRef<HTMLTableSectionElement>(null);
  const defs = useMemo(
    () =>
      columns.map(({ key, isPlain }) =>
        helper.accessor((row) => row.cells[key]?.value ?? undefined, {
          id: key,
          enableSorting: !isPlain,
          enableGlobalFilter: !isPlain,
          sortUndefined: "last",
          sortFn: (a, b) => {
            const [x, y] = [a.original.cells[key]?.value ?? "", b.original.cells[key]?.value ?? ""];
            return typeof x === "number" && typeof y === "number" ? x - y : collator.compare(String(x), String(y));
          },
        }),
      ),
    [columns],
  );
  const table = useTable({
    features,
    columns: helper.columns(defs),
    data: rows as DataRow[],
    getRowId: ({ id }) => id,
    globalFilterFn: (row, _column, asked: string) =>
      columns.some(
        ({ key, isPlain }) =>
          !isPlain &&
          String(row.original.cells[key]?.value ?? "")
            .toLowerCase()
            .includes(asked.trim().toLowerCase()),
      ),
    initialState: {
      columnVisibility: Object.fromEntries(columns.map(({ key, isHidden }) => [key, !isHidden])),
      sorting: sortedBy ? [{ id: sortedBy.key, desc: sortedBy.isDescending ?? false }] : [],
    },
  });
  const found = table.getRowModel().rows;
  const shown = isWhole ? found : found.slice(0, MAX_SHOWN);
  const visible = columns.filter(({ key }) => table.getColumn(key)?.getIsVisible());
  const copy = async () => {
    const copied = visible.filter(({ isPlain }) => !isPlain);
    // Fetched when somebody copies: most only read.
    const { default: Papa } = await import("papaparse");
    const text = Papa.unparse([
      copied.map(nameOf),
      ...found.map((row) => copied.map(({ key }) => row.original.cells[key]?.value ?? "")),
    ]);
    await navigator.clipboard.writeText(text);
    setCopied(true);
    setTimeout(() => setCopied(false), 3000);
  };
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
      <div className="no-print flex flex-wrap items-center gap-2 px-3 py-1.5">
        {rows.length >= MIN_FILTERED && (
          <input
            type="search"
            aria-label={`Filter ${label}`}
            placeholder="Filter"
            className="input input-sm w-44"
            onChange={({ target }) => table.setGlobalFilter(target.value)}
          />
        )}
        <span className="text-quiet text-sm" role="status">
          {found.length === rows.length ? `${rows.length} in all` : `${found.length} of ${rows.length}`}
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
                    {nameOf(column)}
                  </label>
                ))}
            </div>
          </details>
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => void copy()}>
            <ClipboardCopy aria-hidden="true" className="size-4" /> {isCopied ? "Copied" : "Copy as CSV"}
          </button>
        </span>
      </div>
      <div className="max-h-[80svh] overflow-auto" role="region" aria-label={`${label}, table`} tabIndex={0}>
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

const nameOf = ({ name, head, key }: DataColumn) => name ?? (typeof head === "string" ? head : key);
const placed = ({ isNumber, isWide }: DataColumn) =>
  `${isNumber ? "text-right tabular-nums" : "text-left"} ${isWide ? "max-md:hidden" : ""}`;

function Head({ column, sorted, onSort }: { column: DataColumn; sorted: false | "asc" | "desc"; onSort: () => void }) {
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

function Row({
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
