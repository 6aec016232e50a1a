import type { CSSProperties } from "react";
import type { Bar } from "@/core/bars/bar";
import { ValueText } from "../kit/QuantityText";
import { Say, UnitName } from "../kit/shown";
import type { ComparisonRow } from "@/core/whip/comparisonRows";
import type { Judgement } from "@/core/whip/judgement";
import { INKS } from "./inks";
import { CAUTION } from "./paperSheet";

/** A row of a narrow screen: what it is on a line of its own, every bar below it side by side. */
const NARROW_ROW = "max-sm:grid max-sm:grid-cols-(--bars) max-sm:gap-x-2 max-sm:px-3";

/**
 * What differs, bar by bar. Its roles are said, since rows that are laid out otherwise are no rows of a table to every
 * browser.
 */
export function ComparisonTable({ bars, rows }: { bars: Bar[]; rows: ComparisonRow[] }) {
  const isSeveral = bars.length > 1;
  const columns = `repeat(${bars.length}, minmax(0, 1fr))${isSeveral ? " 4.5rem" : ""}`;
  return (
    <section className="sheet" aria-label="What differs">
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of differences">
        <table role="table" className="w-full text-sm max-sm:block" style={{ "--bars": columns } as CSSProperties}>
          <thead role="rowgroup" className="max-sm:block">
            <tr role="row" className={`border-base-300 border-b text-xs ${NARROW_ROW}`}>
              <th
                role="columnheader"
                scope="col"
                className="text-quiet px-4 py-1.5 text-left font-normal max-sm:col-span-full max-sm:px-0 max-sm:pb-0"
              >
                {isSeveral ? "differs" : "quantity"}
              </th>
              {bars.map((bar, i) => (
                <th
                  key={bar.tag}
                  role="columnheader"
                  scope="col"
                  className="px-2 py-1.5 text-right max-sm:px-0"
                  style={{ color: INKS[i]!.color }}
                >
                  {bar.tag}
                </th>
              ))}
              {isSeveral && (
                <th
                  role="columnheader"
                  scope="col"
                  className="text-quiet px-4 py-1.5 text-right font-normal max-sm:px-0"
                >
                  by
                </th>
              )}
            </tr>
          </thead>
          <tbody role="rowgroup" className="divide-base-300 divide-y max-sm:block">
            {rows.map(({ name, cells, by, unit, isEqual }) => (
              <tr
                key={name}
                role="row"
                className={`${NARROW_ROW} max-sm:py-1 ${isEqual ? "text-quiet" : "font-semibold"}`}
              >
                <th
                  role="rowheader"
                  scope="row"
                  className="max-sm:text-quiet px-4 py-1 text-left font-normal max-sm:col-span-full max-sm:px-0 max-sm:py-0 max-sm:text-xs sm:min-w-28"
                >
                  {name}
                  {unit && (
                    <span className="unit">
                      <UnitName of={unit} />
                    </span>
                  )}
                </th>
                {cells.map(({ text, isStated }, i) => (
                  <td
                    key={i}
                    role="cell"
                    className={`px-1.5 py-1 text-right wrap-break-word max-sm:px-0 max-sm:py-0.5 ${isStated ? "italic" : ""}`}
                  >
                    <CellText text={text} unit={unit} />
                  </td>
                ))}
                {isSeveral && (
                  <td
                    role="cell"
                    className="px-4 py-1 text-right whitespace-nowrap max-sm:px-0 max-sm:py-0.5 max-sm:whitespace-normal"
                  >
                    <CellText text={without(by, unit)} unit={unit} />
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** A text less the unit at its end. */
const without = (text: string, unit: string) =>
  unit !== "" && text.endsWith(` ${unit}`) ? text.slice(0, -unit.length - 1) : text;

/** A figure of the table, whose unit stands beside its name, or words. */
function CellText({ text, unit }: { text: string; unit: string }) {
  const value = Number(text.replace("−", "-"));
  if (text.trim() === "" || !Number.isFinite(value) || (unit !== "kg" && unit !== "mm")) return text;
  return <ValueText value={value} decimals={text.split(".")[1]?.length ?? 0} unit={unit} isBare isAligned />;
}

/** A sentence that starts with whether it matters; tags in their inks. */
export function JudgementText({
  judgement: { verdict, text, opinion, unable },
  bars,
}: {
  judgement: Judgement;
  bars: Bar[];
}) {
  return (
    <section className="sheet border-l-primary border-l-4 px-4 py-3" aria-label="Whether it matters">
      {text && (
        <p>
          {verdict && <strong>{verdict}</strong>} {inked(text, bars)}
        </p>
      )}
      {opinion && (
        <p className="mt-1 text-sm">
          <Say text={opinion} />
        </p>
      )}
      {unable.length > 0 && <p className="text-quiet text-sm">No bending for {unable.join("; ")}.</p>}
      <p className="text-quiet mt-1 text-xs">{CAUTION}</p>
    </section>
  );
}

function inked(text: string, bars: Bar[]) {
  const parts = text.split(/\b([A-Z][\w-]*\??)(?=[\s,:.]|$)/);
  return parts.map((part, i) => {
    const at = bars.findIndex(({ tag }) => tag === part);
    return at < 0 ? (
      <Say key={i} text={part} />
    ) : (
      <b key={i} style={{ color: INKS[at]!.color }}>
        {part}
      </b>
    );
  });
}
