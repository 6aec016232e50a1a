import { AskForm } from "../kit/AskForm";
import { DayField } from "../kit/DayField";
import { FoldOnPhone } from "../kit/FoldOnPhone";
import Link from "../kit/Link";
import { Options } from "../kit/Options";

export interface CareQuery {
  task: string;
  bar: string;
  place: string;
  /** Days ahead to look. */
  ahead: number;
  by: string;
  on: string;
}

interface Props {
  query: CareQuery;
  tasks: readonly { key: string; name: string }[];
  places: readonly string[];
  crew: readonly { id: string; name: string }[];
  today: string;
  mayTick: boolean;
}

const AHEAD = [
  [0, "by today"],
  [7, "within a week"],
  [31, "within a month"],
] as const;

/** Which care is listed, and who did it when; behind one button on a telephone. */
export function CareAsk({ query, tasks, places, crew, today, mayTick }: Props) {
  const by = crew.find(({ id }) => id === query.by)?.name;
  return (
    <div className="mb-3">
      <FoldOnPhone label={mayTick && by ? `Which care, done by ${by}` : "Which care"}>
        <AskForm
          action="/care"
          label="Which care"
          className="sheet flex flex-wrap items-baseline gap-x-5 gap-y-1 px-4 py-1.5 max-md:mt-2"
        >
          <label className="ask">
            show
            <select name="task" defaultValue={query.task} key={query.task} className="min-h-11!">
              <Options of={[["", "every task"], ...tasks.map(({ key, name }) => [key, name] as const)]} />
            </select>
          </label>
          <label className="ask">
            at
            <select name="place" defaultValue={query.place} key={query.place} className="min-h-11!">
              <Options of={[["", "every place"], ...places]} />
            </select>
          </label>
          <label className="ask">
            due
            <select name="ahead" defaultValue={query.ahead} key={query.ahead} className="min-h-11!">
              <Options of={AHEAD} />
            </select>
          </label>
          {mayTick && (
            <span className="flex flex-wrap gap-x-5">
              <label className="ask">
                done by
                <select name="by" defaultValue={query.by} key={query.by} className="min-h-11!">
                  <Options of={crew.map(({ id, name }) => [id, name])} />
                </select>
              </label>
              <label className="ask">
                on
                <DayField name="on" start={query.on} max={today} className="min-h-11!" />
              </label>
            </span>
          )}
          {query.bar && (
            <span className="ask">
              only <span className="bar-tag">{query.bar}</span>
              <Link href="/care" className="link text-sm">
                every bar
              </Link>
            </span>
          )}
        </AskForm>
      </FoldOnPhone>
    </div>
  );
}
