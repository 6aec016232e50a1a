import type { Bar } from "@/core/bars/bar";
import { ValueText } from "../kit/QuantityText";
import { Say } from "../kit/shown";
import type { ComparisonRow } from "@/core/whip/comparisonRows";
import type { Judgement } from "@/core/whip/judgement";
import { INKS } from "./inks";
import { CAUTION } from "./paperSheet";

export function ComparisonTable({ bars, rows }: { bars: Bar[]; rows: ComparisonRow[] }) {
  return (
    <section className="sheet" aria-label="What differs">
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of differences">
        <table className="w-full text-sm">
          <thead>
            <tr className="border-base-300 border-b text-xs">
              <th scope="col" className="text-quiet px-4 py-1.5 text-left font-normal">
                {bars.length > 1 ? "differs" : "quantity"}
              </th>
              {bars.map((bar, i) => (
                <th key={bar.tag} scope="col" className="px-2 py-1.5 text-right" style={{ color: INKS[i]!.color }}>
                  {bar.tag}
                </th>
              ))}
              {bars.length > 1 && (
                <th scope="col" className="text-quiet px-4 py-1.5 text-right font-normal">
                  by
                </th>
              )}
            </tr>
          </thead>
          <tbody className="divide-base-300 divide-y">
            {rows.map(({ name, cells, by, unit, isEqual }) => (
              <tr key={name} className={isEqual ? "text-quiet" : "font-semibold"}>
                <th scope="row" className="px-4 py-1 text-left font-normal sm:whitespace-nowrap">
                  {name}
                </th>
                {cells.map(({ text, isStated }, i) => (
                  <td key={i} className={`px-1.5 py-1 text-right ${isStated ? "italic" : ""}`}>
                    <CellText text={text} unit={unit} />
                  </td>
                ))}
                {bars.length > 1 && (
                  <td className="px-4 py-1 text-right whitespace-nowrap">
                    <Say text={by} />
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

/** A figure of the table, whose unit stands in its last column, or words. */
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
