"use client";

import type { ClassItem } from "@/server/classes";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
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
  const select = "select select-sm";
  return (
    <form
      action={send}
      onChange={({ currentTarget }) => currentTarget.requestSubmit()}
      aria-label={`Fixed for ${item.lifterName}, ${item.liftName}`}
      className="flex flex-wrap items-center gap-2 text-xs"
    >
      <input type="hidden" name="classId" value={classId} />
      <input type="hidden" name="entryId" value={item.id} />
      <input type="hidden" name="was.block" value={item.lockedBlock ?? ""} />
      <input type="hidden" name="was.station" value={item.lockedStation ?? ""} />
      <input type="hidden" name="was.tag" value={item.lockedTag ?? ""} />
      <select
        name="block"
        aria-label="Block"
        defaultValue={item.lockedBlock ?? ""}
        disabled={isPending}
        className={`${select} w-28`}
      >
        <option value="">any block</option>
        {blocks.map((time, i) => (
          <option key={time} value={i + 1}>
            {time}
          </option>
        ))}
      </select>
      <select
        name="station"
        aria-label="Station"
        defaultValue={item.lockedStation ?? ""}
        disabled={isPending}
        className={`${select} w-32`}
      >
        <option value="">any station</option>
        {stations.map(({ key, name }) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </select>
      <select
        name="tag"
        aria-label="Bar"
        defaultValue={item.lockedTag ?? ""}
        disabled={isPending}
        className={`${select} w-24`}
      >
        <option value="">any bar</option>
        {tags.map((tag) => (
          <option key={tag}>{tag}</option>
        ))}
      </select>
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
