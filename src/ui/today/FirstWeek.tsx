import { Circle, CircleCheckBig } from "lucide-react";
import type { FirstStep } from "@/server/today";
import Link from "../kit/Link";

/** A new gym's first week: each step is ticked by what is there, and the list goes when all are. */
export function FirstWeek({ steps }: { steps: readonly FirstStep[] }) {
  const done = steps.filter(({ isDone }) => isDone).length;
  const next = steps.find(({ isDone }) => !isDone);
  return (
    <section className="sheet border-l-primary mb-3 border-l-4 px-4 py-3" aria-labelledby="first-week">
      <div className="flex flex-wrap items-center gap-x-4">
        <h2 id="first-week" className="font-bold">
          First week
        </h2>
        <span className="text-quiet text-sm">
          {done} of {steps.length} done
        </span>
        <progress className="progress progress-primary w-40" value={done} max={steps.length} aria-label="First week" />
      </div>
      <ol className="mt-1 grid gap-x-6 sm:grid-cols-2 xl:grid-cols-4">
        {steps.map(({ key, title, because, href, isDone }) => (
          <li key={key}>
            <Link href={href} className="flex min-h-11 items-start gap-2 py-1.5 text-sm hover:underline">
              {isDone ? (
                <CircleCheckBig aria-hidden="true" className="text-success mt-0.5 size-4 shrink-0" />
              ) : (
                <Circle aria-hidden="true" className="text-quiet mt-0.5 size-4 shrink-0" />
              )}
              <span className={isDone ? "text-quiet" : ""}>
                <span className={key === next?.key ? "font-bold" : ""}>{title}</span>
                <span className="sr-only">{isDone ? ", done" : ", to do"}</span>
                {!isDone && <span className="text-quiet block text-xs">{because}</span>}
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </section>
  );
}
