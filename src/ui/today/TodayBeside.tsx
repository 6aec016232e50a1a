import type { ReactNode } from "react";
import type { TodayBeside as Beside } from "@/server/today";
import Link from "../kit/Link";
import { Day, Time } from "../kit/shown";

/** What is on, what comes next and how care stands, beside the list of what to do. */
export function TodayBeside({ beside, today }: { beside: Beside; today: string }) {
  const { running, nextClass, seesClasses, care, orders } = beside;
  return (
    <aside className="grid gap-3 text-sm sm:grid-cols-2 lg:grid-cols-1" aria-label="What is on">
      {running.length > 0 && (
        <Part title="In progress" href="/load/session">
          <ul className="divide-base-300 divide-y">
            {running.map(({ id, tag, where, done, sets }) => (
              <li key={id}>
                <Link
                  href={`/load/session/run/${id}`}
                  className="flex min-h-11 items-center gap-2 hover:underline"
                  aria-label={`Resume ${tag}`}
                >
                  <span className="bar-tag">{tag}</span>
                  <span className="min-w-0 flex-1 truncate">{where ?? "no station"}</span>
                  <strong className="tabular-nums">
                    {done}/{sets}
                  </strong>
                </Link>
                <progress
                  className="progress progress-primary block h-1"
                  value={done}
                  max={sets}
                  aria-label="Sets done"
                />
              </li>
            ))}
          </ul>
        </Part>
      )}
      {seesClasses && (
        <Part title="Next class" href={nextClass ? `/classes/${nextClass.id}` : "/classes"}>
          {nextClass ? (
            <p>
              <Link href={`/classes/${nextClass.id}`} className="font-semibold hover:underline">
                {nextClass.name}
              </Link>
              <span className="block">
                {nextClass.heldOn === today ? "Today" : <Day on={nextClass.heldOn} />}
                {", "}
                {nextClass.times.map((time, i) => (
                  <span key={time + i}>
                    {i > 0 && ", "}
                    <Time at={time} />
                  </span>
                ))}
              </span>
              <span className="text-quiet block">
                {nextClass.stations} {nextClass.stations === 1 ? "station" : "stations"},{" "}
                {nextClass.isAssigned ? "assigned" : "not assigned yet"}
              </span>
            </p>
          ) : (
            <p className="text-quiet">No class is planned.</p>
          )}
        </Part>
      )}
      <Part title="Care" href="/care">
        <p>
          <strong className="font-condensed text-3xl font-bold tabular-nums">{care.count}</strong> due
          {care.late > 0 && <span className="text-accent font-semibold">, {care.late} late</span>}
        </p>
        <p className="text-quiet">
          {care.count > 0 && `About ${Math.ceil(care.minutes)} min in all. `}
          {care.week > 0 ? `${care.week} more within a week.` : "Nothing more within a week."}
        </p>
        <Link href="/care/rounds" className="link inline-flex min-h-11 items-center">
          Start a round
        </Link>
      </Part>
      {orders.length > 0 && (
        <Part title="Deliveries" href="/buy">
          <ul className="divide-base-300 divide-y">
            {orders.map(({ id, code, name, expectedOn, lateDays }) => (
              <li key={id}>
                <Link href={`/buy/${id}`} className="flex min-h-11 items-center gap-2 hover:underline">
                  <span className="bar-tag">{code}</span>
                  <span className="min-w-0 flex-1 truncate">{name}</span>
                  <span className={lateDays > 0 ? "text-accent font-semibold" : "text-quiet"}>
                    {lateDays > 0 ? `${lateDays} d late` : expectedOn ? <Day on={expectedOn} /> : "no day"}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </aside>
  );
}

function Part({ title, href, children }: { title: string; href: string; children: ReactNode }) {
  return (
    <section className="sheet px-4 py-3" aria-label={title}>
      <h2 className="text-quiet mb-1 text-xs font-bold">
        <Link href={href} className="hover:underline">
          {title}
        </Link>
      </h2>
      {children}
    </section>
  );
}
