"use client";

import { DayField } from "../kit/DayField";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  id: string | null;
  version: number;
  /** name, heldOn, startsAt, blockMinutes, blocks, and capacity.KEY by station. */
  texts: Record<string, string>;
  stations: readonly { key: string; name: string }[];
  action: FormAction;
}

/** When a class is and where: blocks, and how many share each station. */
export function ClassForm({ id, version, texts, stations, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const known = form.status === "refused" ? form.typed : texts;
  const field = (name: string, label: string, type = "text", className = "") => (
    <label className={`grid gap-1 text-sm ${className}`}>
      <span className="font-semibold">{label}</span>
      <input
        name={name}
        type={type}
        defaultValue={known[name] ?? ""}
        inputMode={type === "text" && name !== "name" ? "numeric" : undefined}
        aria-invalid={form.problems.some(({ path }) => path === name)}
        className="input input-sm w-full"
      />
    </label>
  );
  return (
    <form action={send} key={`${form.status}${form.problems.length}`} className="grid gap-3">
      <input type="hidden" name="id" value={id ?? ""} />
      <input type="hidden" name="version" value={form.version ?? version} />
      {form.problems.length > 0 && (
        <ul role="alert" className="text-error list-disc pl-5 text-sm">
          {form.problems.map(({ path, message }) => (
            <li key={path + message}>{message}</li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-6">
        {field("name", "name", "text", "col-span-2")}
        <label className="grid gap-1 text-sm">
          <span className="font-semibold">day</span>
          <DayField
            name="heldOn"
            start={known.heldOn ?? ""}
            aria-invalid={form.problems.some(({ path }) => path === "heldOn")}
            className="input input-sm w-full"
          />
        </label>
        {field("startsAt", "starts at", "time")}
        {field("blocks", "blocks")}
        {field("blockMinutes", "minutes each")}
      </div>
      <fieldset>
        <legend className="mb-1 text-sm font-semibold">how many share each station and its bar; empty: not used</legend>
        <div className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-3 lg:grid-cols-5">
          {stations.map(({ key, name }) => (
            <label key={key} className="flex items-center justify-between gap-2 text-sm">
              {name}
              <input
                name={`capacity.${key}`}
                defaultValue={known[`capacity.${key}`] ?? ""}
                inputMode="numeric"
                className="input input-sm w-14 text-right"
              />
            </label>
          ))}
        </div>
      </fieldset>
      <div className="flex items-center gap-3">
        <button className="btn btn-sm btn-neutral" disabled={isPending}>
          {id === null ? "Add class" : "Save"}
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}
