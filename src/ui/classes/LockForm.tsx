"use client";

import type { ClassItem } from "@/server/classes";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { Options } from "../kit/Options";
import { useFormAction } from "../kit/useFormAction";
import type { Choice } from "./entryChoice";

/** What is fixed of an entry: block, station, bar. A change is kept at once. */
export function LockForm({
  classId,
  item,
  blocks,
  stations,
  tags,
  action,
}: {
  classId: string;
  item: ClassItem;
  blocks: readonly string[];
  stations: readonly Choice[];
  tags: readonly string[];
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  return (
    <form
      action={send}
      onChange={({ currentTarget }) => currentTarget.requestSubmit()}
      aria-label={`Fixed for ${item.lifterName}, ${item.liftName}`}
      className="flex flex-wrap items-center gap-2 text-xs"
    >
      <input type="hidden" name="classId" value={classId} />
      <input type="hidden" name="entryId" value={item.id} />
      <Lock
        {...{ name: "block", label: "Block", any: "any block", width: "w-28", isPending }}
        kept={item.lockedBlock === null ? "" : String(item.lockedBlock)}
        options={blocks.map((time, i) => [String(i + 1), time] as const)}
      />
      <Lock
        {...{ name: "station", label: "Station", any: "any station", width: "w-32", isPending }}
        kept={item.lockedStation ?? ""}
        options={stations.map(({ key, name }) => [key, name] as const)}
      />
      <Lock
        {...{ name: "tag", label: "Bar", any: "any bar", width: "w-24", isPending }}
        kept={item.lockedTag ?? ""}
        options={tags.map((tag) => [tag, tag] as const)}
      />
      <button
        name="remove"
        value="1"
        className="btn btn-ghost btn-sm"
        aria-label={`Remove ${item.lifterName}, ${item.liftName}`}
      >
        ×
      </button>
      <FormMessage state={form} />
    </form>
  );
}

interface LockProps {
  name: string;
  label: string;
  /** What stands there where nothing is fixed. */
  any: string;
  /** As it was when the form was opened. */
  kept: string;
  options: readonly (readonly [key: string, words: string])[];
  width: string;
  isPending: boolean;
}

/** One thing that may be fixed, with what it was: so that two people who fix it at once are told. */
function Lock({ name, label, any, kept, options, width, isPending }: LockProps) {
  return (
    <>
      <input type="hidden" name={`was.${name}`} value={kept} />
      <select
        name={name}
        aria-label={label}
        defaultValue={kept}
        disabled={isPending}
        className={`select select-sm ${width}`}
      >
        <Options of={[["", any], ...options]} />
      </select>
    </>
  );
}
