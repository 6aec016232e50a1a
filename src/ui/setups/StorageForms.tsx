"use client";

import type { ListedPlace, ListedStored } from "@/server/setups";
import { Day } from "../kit/shown";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

/** Counts the loose parts of one bar. */
export function PutAwayForm({ bar, isOff, action }: { bar: ListedStored; isOff: boolean; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  const { lastPutAway } = bar;
  return (
    <form action={send} aria-label={`Put ${bar.tag} away`} className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <input type="hidden" name="tag" value={bar.tag} />
      <span className="w-32">
        <strong>{bar.tag}</strong> {bar.name}
        <span className={`block text-xs ${lastPutAway?.missing.length ? "text-error font-semibold" : "text-quiet"}`}>
          {lastPutAway === null ? (
            "never counted"
          ) : lastPutAway.missing.length > 0 ? (
            `missing: ${lastPutAway.missing.join(", ")}`
          ) : (
            <>
              all there on <Day on={lastPutAway.on} />
            </>
          )}
        </span>
      </span>
      {bar.looseParts.map(({ name, count }, i) => (
        <label key={name} className="grid gap-0.5 text-xs">
          {name}, of {count}
          <input
            name={`part.${i}`}
            inputMode="numeric"
            required
            className="input input-sm w-16 text-right"
            disabled={isOff}
          />
        </label>
      ))}
      <button className="btn btn-sm btn-outline" disabled={isPending || isOff}>
        Put away
      </button>
      <FormMessage state={form} />
    </form>
  );
}

/** Hangs a bar elsewhere without dragging. */
export function HangForm({
  bars,
  places,
  action,
}: {
  bars: readonly ListedStored[];
  places: readonly ListedPlace[];
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="flex flex-wrap items-end gap-2 text-sm">
      <label className="grid gap-1">
        bar
        <select name="tag" className="select select-sm w-24">
          {bars.map(({ tag }) => (
            <option key={tag}>{tag}</option>
          ))}
        </select>
      </label>
      <label className="grid gap-1">
        at
        <select name="place" className="select select-sm w-44">
          {places.map(({ id, name }) => (
            <option key={id}>{name}</option>
          ))}
        </select>
      </label>
      <button className="btn btn-sm btn-neutral" disabled={isPending}>
        Move
      </button>
      <FormMessage state={form} />
    </form>
  );
}
