"use client";

import { DayField } from "../kit/DayField";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

/** What a coach has seen this lifter do. */
export function ConfirmForm({
  lifter,
  confirmed,
  confirmable,
  action,
}: {
  lifter: string;
  confirmed: readonly string[];
  confirmable: readonly { key: string; words: string }[];
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="grid gap-2 text-sm">
      <input type="hidden" name="lifter" value={lifter} />
      {confirmable.map(({ key, words }) => (
        <label key={key} className="flex min-h-10 items-center gap-2">
          <input
            type="checkbox"
            name="confirmed"
            value={key}
            defaultChecked={confirmed.includes(key)}
            className="checkbox checkbox-sm"
          />
          {words}
        </label>
      ))}
      <div className="flex items-center gap-3">
        <button className="btn btn-sm btn-neutral" disabled={isPending}>
          Confirm
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}

/** Notes which bar was used and when; how it is set for them stands under setups. */
export function UseForm({
  lifter,
  tags,
  today,
  action,
}: {
  lifter: string;
  tags: readonly string[];
  today: string;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} key={form.status + form.message} className="flex flex-wrap items-end gap-2 text-sm">
      <input type="hidden" name="lifter" value={lifter} />
      <label className="grid gap-1">
        bar
        <select name="tag" defaultValue={form.typed.tag ?? tags[0]} className="select select-sm w-24">
          {tags.map((tag) => (
            <option key={tag}>{tag}</option>
          ))}
        </select>
      </label>
      <label className="grid gap-1">
        used on
        <DayField name="usedOn" start={form.typed.usedOn ?? today} max={today} className="input input-sm w-38" />
      </label>
      <label className="grid min-w-32 grow gap-1">
        note
        <input name="setting" defaultValue={form.typed.setting ?? ""} className="input input-sm w-full" />
      </label>
      <button className="btn btn-sm btn-neutral" disabled={isPending}>
        Note
      </button>
      <FormMessage state={form} />
    </form>
  );
}

/** Takes everything personal away; asks before. */
export function EraseForm({ lifter, action }: { lifter: string; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form action={send} className="border-base-300 mt-4 flex flex-wrap items-center gap-3 border-t pt-3 text-sm">
      <input type="hidden" name="lifter" value={lifter} />
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" name="sure" required className="checkbox checkbox-sm" />
        Erase this person: name, sizes, notes, loads and their history. This cannot be undone.
      </label>
      <button className="btn btn-sm btn-error" disabled={isPending}>
        Erase
      </button>
      <FormMessage state={form} />
    </form>
  );
}
