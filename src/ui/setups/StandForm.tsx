"use client";

import type { Setting, SetupOption } from "@/core/setups/setupOptions";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { useFormAction } from "../kit/useFormAction";

/**
 * How the bar is set now, side by side: left and right are asked apart because they must agree. It opens with what was
 * recorded, never with what somebody looks at; where nothing was recorded, with nothing chosen.
 */
export function StandForm({
  tag,
  options,
  present,
  hasSides,
  action,
}: {
  tag: string;
  options: readonly SetupOption[];
  /** As recorded; null where nobody did. */
  present: Setting | null;
  /** Whether left and right can be set apart. */
  hasSides: boolean;
  action: FormAction;
}) {
  const [form, send, isPending] = useFormAction(action);
  const asked = options.filter(({ isLength, choices }) => !isLength && choices.length > 1);
  const fixed = options.filter(({ isLength, choices }) => !isLength && choices.length === 1);
  const sides = hasSides ? (["left", "right"] as const) : (["left"] as const);
  return (
    <form action={send} key={form.status + form.message} className="grid gap-2 text-sm">
      {fixed.map(({ key, choices }) =>
        (["left", "right"] as const).map((side) => (
          <input key={side + key} type="hidden" name={`${side}.${key}`} value={choices[0]!.key} />
        )),
      )}
      <input type="hidden" name="tag" value={tag} />
      <table className="w-full max-w-md">
        {hasSides && (
          <thead className="text-quiet text-left text-xs">
            <tr>
              <th />
              <th className="font-normal">left</th>
              <th className="font-normal">right</th>
            </tr>
          </thead>
        )}
        <tbody>
          {asked.map(({ key, label, choices }) => (
            <tr key={key}>
              <th scope="row" className="text-quiet pr-3 text-left font-normal">
                {label}
              </th>
              {sides.map((side) => (
                <td key={side} className="py-0.5 pr-2">
                  <select
                    name={`${side}.${key}`}
                    aria-label={hasSides ? `${side}: ${label}` : label}
                    defaultValue={form.typed[`${side}.${key}`] ?? present?.[key] ?? ""}
                    required
                    className="select select-sm w-full min-w-20"
                  >
                    {present?.[key] === undefined && <option value="">choose</option>}
                    {choices.map((choice) => (
                      <option key={choice.key} value={choice.key}>
                        {choice.words}
                      </option>
                    ))}
                  </select>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap items-center gap-2">
        <button name="as" value="present" className="btn btn-sm btn-neutral" disabled={isPending}>
          It is set like this
        </button>
        <button name="as" value="stored" className="btn btn-sm btn-outline" disabled={isPending}>
          Store it like this
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}
