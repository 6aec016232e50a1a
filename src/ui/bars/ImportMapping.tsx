"use client";

import { BAR_COLUMNS, columnLabel, columnUnits } from "@/core/bars/barColumns";
import type { Unit } from "@/core/units/typedQuantity";
import { type ReadFile } from "./importState";

/** Which of our columns each column of the file is, in which unit, with what stands in it. */
export function Mapping({
  file,
  onMap,
}: {
  file: ReadFile & { kind: "table" };
  onMap: (index: number, change: { column?: string | null; unit?: Unit | null }) => void;
}) {
  const used = new Set(file.mapping.map(({ column }) => column));
  return (
    <section aria-label="Columns" className="overflow-x-auto" tabIndex={0}>
      <p className="mb-1 text-sm">
        <strong>{file.name}</strong>: {file.table.rows.length} rows. What each column is:
      </p>
      <table className="w-full text-sm">
        <thead className="text-quiet text-xs">
          <tr>
            {["in the file", "first cells", "is", "plain numbers are in"].map((head) => (
              <th key={head} scope="col" className="px-2 py-1 text-left font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="divide-base-300 border-base-300 divide-y border-y">
          {file.mapping.map(({ head, column, unit }, i) => {
            const units = column === null ? [] : columnUnits(column);
            const cells = file.table.rows.map(({ cells: row }) => row[i]).filter(Boolean);
            return (
              <tr key={i}>
                <th scope="row" className="px-2 py-1 text-left font-semibold">
                  {head || "no head"}
                </th>
                <td className="text-quiet max-w-56 truncate px-2">{cells.slice(0, 3).join(" · ")}</td>
                <td className="px-2">
                  <select
                    className="select select-sm w-64"
                    aria-label={`“${head}” is`}
                    value={column ?? ""}
                    onChange={({ target }) => onMap(i, { column: target.value || null })}
                  >
                    <option value="">left out</option>
                    {BAR_COLUMNS.filter((one) => one === column || !used.has(one)).map((one) => (
                      <option key={one} value={one}>
                        {columnLabel(one)}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="px-2">
                  {units.length > 0 && (
                    <select
                      className="select select-sm w-24"
                      aria-label={`Unit of “${head}”`}
                      value={unit ?? units[0]}
                      onChange={({ target }) => onMap(i, { unit: target.value as Unit })}
                    >
                      {units.map((one) => (
                        <option key={one}>{one}</option>
                      ))}
                    </select>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
