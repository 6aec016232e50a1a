import { AlertTriangle, Check, HelpCircle, Minus } from "lucide-react";
import type { Bar } from "@/core/bars/bar";
import { conformity, RULE_BOOK_NAMES, ruleBooksFor, type Conformity, type LineResult } from "@/core/bars/conformity";
import type { Tolerances } from "@/core/bars/tolerances";
import { Say } from "../kit/shown";

interface Props {
  bar: Bar;
  tolerances: Tolerances;
  clampPairKg: number;
}

const RESULT_WORDS: Record<LineResult, { word: string; Icon: typeof Check; className: string }> = {
  meets: { word: "meets it", Icon: Check, className: "text-success" },
  fails: { word: "fails", Icon: AlertTriangle, className: "text-error font-bold" },
  unknown: { word: "not known", Icon: HelpCircle, className: "text-accent" },
  "nothing-to-say": { word: "nothing to say", Icon: Minus, className: "text-quiet" },
};

/** The bar against the published rules that it is worth holding against, line by line. */
export function BarRules({ bar, tolerances, clampPairKg }: Props) {
  const books = ruleBooksFor(bar).map((book) => conformity(bar, book, { tolerances, clampPairKg }));
  if (books.length === 0) return null;
  return (
    <section aria-label="Against competition rules">
      {books.map((book, i) => (
        <details key={book.book} className="border-base-300 border-t" open={i === 0}>
          <summary className="min-h-10 cursor-pointer px-4 py-2 text-sm">
            <strong>{RULE_BOOK_NAMES[book.book].name}</strong>: {summary(book)}{" "}
            <span className="text-quiet text-xs">{RULE_BOOK_NAMES[book.book].source}</span>
          </summary>
          <div
            className="overflow-x-auto"
            tabIndex={0}
            role="region"
            aria-label={`${RULE_BOOK_NAMES[book.book].name}, line by line`}
          >
            <table className="w-full text-sm">
              <thead className="text-quiet text-xs">
                <tr>
                  {["about", "the rule", "this bar", "result"].map((head) => (
                    <th key={head} scope="col" className="px-2 py-1 text-left font-normal first:pl-4">
                      {head}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody className="divide-base-300 divide-y border-t border-base-300">
                {book.lines.map(({ about, rule, found, source, result, note }) => {
                  const { word, Icon, className } = RESULT_WORDS[result];
                  return (
                    <tr key={about} className={result === "nothing-to-say" ? "text-quiet" : undefined}>
                      <th scope="row" className="py-1 pr-2 pl-4 text-left font-normal">
                        {about}
                      </th>
                      <td className="px-2">{rule ? <Say text={rule} /> : "silent"}</td>
                      <td className={`px-2 whitespace-nowrap ${source === "stated" ? "stated" : ""}`}>
                        {found ? <Say text={found} /> : "–"}
                      </td>
                      <td className="px-2 pr-4">
                        <span className={`inline-flex items-center gap-1 whitespace-nowrap ${className}`}>
                          <Icon aria-hidden="true" className="size-3.5" /> {word}
                        </span>
                        {note && result !== "nothing-to-say" && (
                          <span className="text-quiet block text-xs">
                            <Say text={note} />
                          </span>
                        )}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </div>
        </details>
      ))}
      <p className="text-quiet border-base-300 border-t px-4 py-2 text-xs">
        The federation’s own text comes first; these figures were not looked up.
      </p>
    </section>
  );
}

function summary({ result, lines }: Conformity): string {
  const count = (wanted: LineResult) => lines.filter((line) => line.result === wanted).length;
  if (result === "fails") return `fails on ${count("fails")} ${count("fails") === 1 ? "point" : "points"}.`;
  if (result === "meets") return "meets every line, measured.";
  const open = lines.filter(
    ({ result: line, source }) => line === "unknown" || (line === "meets" && source === "stated"),
  );
  return `nothing against it, but ${open.length} ${open.length === 1 ? "line is" : "lines are"} not measured.`;
}
