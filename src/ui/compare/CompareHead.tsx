import { isUsable } from "@/core/bars/bar";
import { comparisonParams, MAX_COMPARED } from "@/core/whip/comparisonState";
import type { Comparison } from "@/server/compare";
import { AskForm } from "../kit/AskForm";
import { BarTag } from "../kit/BarTag";
import { changedHref } from "../kit/intent";
import Link from "../kit/Link";
import { Options } from "../kit/Options";
import { PageHead } from "../kit/PageHead";
import { StateText } from "../kit/StateText";
import { CandidateForm } from "./CandidateForm";
import { INKS } from "./inks";

interface Props {
  comparison: Comparison;
  /** Bars that can be added; the first of a long wall. */
  others: readonly { tag: string; name: string }[];
}

/** Which bars are compared, each removable; adding one; and the comparison as a file. */
export function CompareHead({ comparison, others }: Props) {
  const { state, items, offered } = comparison;
  const params = comparisonParams(state);
  const to = (path: string, change: Record<string, string | null> = {}) =>
    changedHref(path, new URLSearchParams(), { ...params, ...change });
  const without = (i: number): Record<string, string | null> => {
    const { kind } = items[i]!;
    const rest = items.filter((item, k) => k !== i && item.kind === kind);
    if (kind === "own") return { bars: rest.map(({ bar }) => bar.tag).join(",") || null };
    if (kind === "offer") return { offers: rest.map(({ bar }) => bar.tag).join(",") || null };
    const place = items.slice(0, i).filter((item) => item.kind === kind).length;
    return { try: (params.try ?? "").split(";").toSpliced(place, 1).join(";") || null };
  };
  return (
    <PageHead
      title="Compare"
      about={
        <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
          {items.map(({ bar, kind }, i) => (
            <span key={bar.tag} className="inline-flex items-center gap-1.5" style={{ color: INKS[i]!.color }}>
              {kind === "own" ? <BarTag tag={bar.tag} /> : <b>{bar.tag}</b>} <span>{bar.name}</span>
              {kind !== "own" ? (
                <span className="text-quiet text-sm">offer</span>
              ) : (
                !isUsable(bar.state) && <StateText state={bar.state} />
              )}
              <Link
                href={to("/compare", without(i))}
                aria-label={`Remove ${bar.tag} from the comparison`}
                className="text-quiet hover:text-base-content no-print px-1"
              >
                ×
              </Link>
            </span>
          ))}
        </span>
      }
    >
      <div className="no-print flex flex-wrap items-center gap-3 text-sm">
        {items.length > 0 && (
          <>
            <a href={to("/compare/sheet.csv")} className="link inline-flex min-h-10 items-center">
              CSV
            </a>
            <a
              href={to("/compare/sheet.svg")}
              download="comparison.svg"
              className="link inline-flex min-h-10 items-center"
            >
              SVG
            </a>
            <a href={to("/compare/sheet.pdf")} className="link inline-flex min-h-10 items-center">
              PDF
            </a>
          </>
        )}
        {items.length < MAX_COMPARED && (
          <>
            <CandidateForm />
            <AskForm
              action="/compare"
              label="Add a bar"
              keep={{
                ...Object.fromEntries(Object.entries(params).map(([key, value]) => [key, value ?? undefined])),
              }}
            >
              <label className="sr-only" htmlFor="add">
                Add a bar
              </label>
              <select
                id="add"
                name="add"
                defaultValue=""
                key={`${params.bars} ${params.offers}`}
                className="select select-sm w-40"
              >
                <option value="">add a bar …</option>
                <optgroup label="On the wall">
                  <Options of={others.map(({ tag, name }) => [tag, `${tag} ${name}`])} />
                </optgroup>
                {offered.length > 0 && (
                  <optgroup label="On offer">
                    <Options of={offered.map(({ code, name }) => [`offer:${code}`, `${code} ${name}`])} />
                  </optgroup>
                )}
              </select>
            </AskForm>
          </>
        )}
      </div>
    </PageHead>
  );
}
