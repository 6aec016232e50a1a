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
import { useMemo } from "react";
import { type DataColumn, type DataRow, nameOf } from "./dataColumns";

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

/** Rows sorted and filtered as somebody asked, the columns they see, and how they are copied. */
export function useDataTable(
  columns: readonly DataColumn[],
  rows: readonly DataRow[],
  sortedBy?: { key: string; isDescending?: boolean },
) {
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
  };
  return { table, found, visible, copy };
}

export type DataTableState = ReturnType<typeof useDataTable>;
