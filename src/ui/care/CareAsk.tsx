import { AskForm } from "../kit/AskForm";
import { DayField } from "../kit/DayField";
import { FoldOnPhone } from "../kit/FoldOnPhone";
import Link from "../kit/Link";

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
              <option value="">every task</option>
              {tasks.map(({ key, name }) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <label className="ask">
            at
            <select name="place" defaultValue={query.place} key={query.place} className="min-h-11!">
              <option value="">every place</option>
              {places.map((place) => (
                <option key={place}>{place}</option>
              ))}
            </select>
          </label>
          <label className="ask">
            due
            <select name="ahead" defaultValue={query.ahead} key={query.ahead} className="min-h-11!">
              <option value={0}>by today</option>
              <option value={7}>within a week</option>
              <option value={31}>within a month</option>
            </select>
          </label>
          {mayTick && (
            <span className="flex flex-wrap gap-x-5">
              <label className="ask">
                done by
                <select name="by" defaultValue={query.by} key={query.by} className="min-h-11!">
                  {crew.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
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
