import type { BarState } from "@/core/bars/bar";
import { FoldOnPhone } from "../kit/FoldOnPhone";
import { FAMILIES } from "@/core/bars/families";
import { QUANTITIES, QUANTITY_KINDS } from "@/core/bars/quantities";
import type { WallFacts } from "@/server/bars";
import { AskForm } from "../kit/AskForm";
import { ChangeLink } from "../kit/ChangeLink";
import { Options } from "../kit/Options";
import { RangePickers } from "./RangePicker";
import type { WallQuery } from "@/core/bars/wallQuery";
import { Say } from "../kit/shown";

interface Props {
  query: WallQuery;
  facts: WallFacts;
  states: readonly BarState[];
  isSearchFocused: boolean;
}

const SORT_WORDS: [string, string][] = [
  ["tag", "by tag"],
  ["name", "by name"],
  ["place", "by place"],
  ["family", "by family"],
  ["state", "by state"],
];

/** What the wall shows: by state, family, place, finish, words, and from–to of any quantity. */
export function WallFilters({ query, facts, states, isSearchFocused }: Props) {
  const spans = QUANTITY_KINDS.filter((kind) => {
    const span = facts.spans[kind];
    return span && span.greatest > span.least;
  });
  const ranged = Object.keys(query.ranges).length;
  return (
    <>
      <AskForm action="/bars" label="Which bars" className="mb-2 flex flex-wrap items-center gap-2">
        <FoldOnPhone
          label="Filter and sort"
          className="flex flex-wrap items-center gap-2 max-md:order-last max-md:w-full"
        >
          <Choice name="state" label="State" value={query.state} any="any state">
            {[["usable", "usable today"], ...states.map((state) => [state, state.replace("-", " ")] as const)]}
          </Choice>
          <Choice name="family" label="Family" value={query.family} any="any family">
            {facts.families.map((key) => [key, FAMILIES[key].name])}
          </Choice>
          <Choice name="place" label="Place" value={query.place} any="any place">
            {facts.places.map((name) => [name, name])}
          </Choice>
          <Choice name="finish" label="Finish" value={query.finish} any="any finish">
            {facts.finishes.map((finish) => [finish, finish.replace("-", " ")])}
          </Choice>
          <Choice name="sort" label="Sort" value={query.sort}>
            {[
              ...SORT_WORDS,
              ...QUANTITY_KINDS.filter((kind) => facts.spans[kind]).map(
                (kind) => [kind, `by ${QUANTITIES[kind].label}`] as const,
              ),
            ]}
          </Choice>
        </FoldOnPhone>
        <label className="input input-sm max-md:grow max-md:basis-40 md:ml-auto md:w-56">
          <span className="sr-only">Search bars</span>
          <input
            type="search"
            name="q"
            data-search
            defaultValue={query.text}
            key={query.text}
            placeholder="tag, name, finish, place"
            autoFocus={isSearchFocused}
          />
          <kbd className="kbd kbd-sm max-md:hidden" aria-hidden="true">
            /
          </kbd>
        </label>
      </AskForm>
      {spans.length > 0 && (
        <RangePickers
          spans={spans.map((kind) => [kind, facts.spans[kind]!])}
          ranges={query.ranges}
          className={`mb-2 ${ranged > 0 ? "" : "max-md:hidden"}`}
        />
      )}
      <Active query={query} />
    </>
  );
}

/** What narrows the wall now, each with a way out of it. */
function Active({ query }: { query: WallQuery }) {
  const active: [string, string][] = [
    ...(query.text ? [["q", `“${query.text}”`] as [string, string]] : []),
    ...Object.entries(query.ranges).map(
      ([kind, { from, to }]) =>
        [
          kind,
          `${QUANTITIES[kind as keyof typeof QUANTITIES].label} ${from === null ? "up to" : from}${to === null ? " and more" : from === null ? ` ${to}` : `–${to}`} ${QUANTITIES[kind as keyof typeof QUANTITIES].unit}`,
        ] as [string, string],
    ),
  ];
  if (active.length === 0) return null;
  return (
    <ul className="mb-2 flex flex-wrap gap-2" aria-label="Narrowed by">
      {active.map(([key, words]) => (
        <li key={key}>
          <ChangeLink
            href="/bars"
            change={{ [key]: null }}
            className="border-base-300 bg-base-100 inline-flex min-h-9 items-center gap-2 border px-3 text-sm"
            label={`Show all again: ${words}`}
          >
            <Say text={words} /> <span aria-hidden="true">×</span>
          </ChangeLink>
        </li>
      ))}
    </ul>
  );
}

function Choice({
  name,
  label,
  value,
  any,
  children,
}: {
  name: string;
  label: string;
  value: string;
  any?: string;
  children: readonly (readonly [key: string, words: string])[];
}) {
  return (
    <>
      <label className="sr-only" htmlFor={name}>
        {label}
      </label>
      <select id={name} name={name} defaultValue={value} key={value} className="select select-sm w-auto max-w-44">
        <Options of={[...(any === undefined ? [] : [["", any] as const]), ...children]} />
      </select>
    </>
  );
}
