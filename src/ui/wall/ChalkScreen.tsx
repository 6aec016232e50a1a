"use client";

import { useState } from "react";
import { groupBy } from "@/core/collections/groupBy";
import type { SpotCheck } from "@/server/care/rounds";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  bars: readonly { tag: string; name: string; place: string | null }[];
  /** The day's spot checks that nobody made yet: the busiest bars, and those with chalk seen on them. */
  toLookAt: readonly SpotCheck[];
  action: FormAction;
}

/** A spot check by whoever passes: touch the bar that has chalk on it. */
export function ChalkScreen({ bars, toLookAt, action }: Props) {
  const [form, note, isPending] = useFormAction(action);
  /** A bar with chalk seen on it that somebody touched: brushing is said twice. */
  const [brushed, setBrushed] = useState<string | null>(null);
  return (
    <main className="flex min-h-screen flex-col gap-[2vh] px-[3vw] py-[3vh]">
      <header className="flex flex-wrap items-baseline justify-between gap-4">
        <h1 className="text-[clamp(1.4rem,3vw,2.6rem)]">Which bar has chalk left on it?</h1>
        <Link href="/wall" replace className="btn btn-outline btn-lg min-h-14">
          Back
        </Link>
      </header>
      <p
        role="status"
        className={`min-h-8 text-xl font-semibold ${form.status === "refused" ? "text-error" : "text-success"}`}
      >
        {form.message}
      </p>
      <form action={note} onSubmit={() => setBrushed(null)} className="grid gap-4">
        {brushed !== null && (
          <div
            role="alertdialog"
            aria-label={`Was ${brushed} brushed?`}
            className="sheet border-l-accent border-l-8 p-4"
          >
            <p className="mb-3 text-2xl font-bold">Chalk was seen on {brushed}. Was it brushed?</p>
            <input type="hidden" name="isSure" value="yes" />
            <div className="flex flex-wrap gap-3">
              <button
                type="submit"
                name="seen"
                value={`clean ${brushed}`}
                disabled={isPending}
                className="btn btn-neutral btn-lg min-h-16"
              >
                Yes, it is brushed
              </button>
              <button type="button" className="btn btn-outline btn-lg min-h-16" onClick={() => setBrushed(null)}>
                Cancel
              </button>
            </div>
          </div>
        )}
        {toLookAt.length > 0 && (
          <fieldset>
            <legend className="text-quiet mb-1 text-lg">Checked one of these? Touch it if it is clean.</legend>
            <div className="grid grid-cols-3 gap-2 sm:grid-cols-5 lg:grid-cols-8">
              {toLookAt.map(({ tag, barName, chalkSeenOn }) => (
                <button
                  key={tag}
                  type={chalkSeenOn ? "button" : "submit"}
                  name="seen"
                  value={`clean ${tag}`}
                  onClick={chalkSeenOn ? () => setBrushed(tag) : undefined}
                  disabled={isPending}
                  aria-label={`${tag} ${barName} is clean`}
                  className="sheet border-l-success hover:border-primary min-h-16 border-l-4 p-2 text-center leading-tight"
                >
                  <span className="block text-2xl font-bold">{tag}</span>
                  <span className="block truncate text-xs">{chalkSeenOn ? "chalk seen" : "is clean"}</span>
                </button>
              ))}
            </div>
          </fieldset>
        )}
        {[...groupBy(bars, ({ place }) => place ?? "no place")].map(([place, own]) => (
          <fieldset key={place}>
            <legend className="text-quiet mb-1 text-lg">{place}</legend>
            <div className="grid grid-cols-3 gap-2 sm:grid-cols-5 lg:grid-cols-8">
              {own.map(({ tag, name }) => (
                <button
                  key={tag}
                  type="submit"
                  name="seen"
                  value={`chalk ${tag}`}
                  disabled={isPending}
                  className="sheet hover:border-primary min-h-16 p-2 text-center leading-tight"
                >
                  <span className="block text-2xl font-bold">{tag}</span>
                  <span className="block truncate text-xs">{name}</span>
                </button>
              ))}
            </div>
          </fieldset>
        ))}
      </form>
    </main>
  );
}
