"use client";

import type { FamilyKey } from "@/core/bars/families";
import { MAX_LINE, USE_CARDS, USE_PART_WORDS, USE_PARTS, type UseCard } from "@/core/use/useCards";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { PageHead } from "../kit/PageHead";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  tag: string;
  family: FamilyKey;
  familyName: string;
  own: UseCard;
  version: number;
  mayEdit: boolean;
  action: FormAction;
}

/** How bars of a family are used, in this gym's own words; ours come back on request. */
export function UseCardForm({ tag, family, familyName, own, version, mayEdit, action }: Props) {
  const [form, send, isPending] = useFormAction(action);
  const isOwn = Object.keys(own).length > 0;
  const problemOf = (part: string) => form.problems.find(({ path }) => path === part)?.message;
  return (
    <>
      <PageHead title="How to use it" about={`${familyName}: what every bar of the family says on the wall screen`}>
        <Link href={`/bars/${encodeURIComponent(tag)}`} className="btn btn-sm btn-outline">
          Back to {tag}
        </Link>
      </PageHead>
      <form action={send} key={`${version} ${form.status}`} className="sheet grid max-w-3xl gap-3 px-4 py-3">
        <input type="hidden" name="family" value={family} />
        <input type="hidden" name="version" value={form.version ?? version} />
        {USE_PARTS.map((part) => (
          <label key={part} className="grid gap-1 text-sm">
            <span className="font-semibold">{USE_PART_WORDS[part]}</span>
            <input
              name={part}
              defaultValue={form.typed[part] ?? own[part] ?? USE_CARDS[family][part] ?? ""}
              maxLength={2 * MAX_LINE}
              disabled={!mayEdit}
              aria-invalid={problemOf(part) !== undefined}
              aria-describedby={problemOf(part) ? `problem-${part}` : undefined}
              className="input w-full"
            />
            {problemOf(part) && (
              <span id={`problem-${part}`} className="text-error">
                {problemOf(part)}
              </span>
            )}
          </label>
        ))}
        <p className="text-quiet text-sm">Lines left blank are not shown.</p>
        {mayEdit && (
          <div className="flex flex-wrap items-center gap-3">
            <button className="btn btn-neutral" disabled={isPending}>
              Save
            </button>
            {isOwn && (
              <button name="reset" value="yes" className="btn btn-outline" disabled={isPending}>
                Use Garrison’s lines again
              </button>
            )}
            <FormMessage state={form} />
          </div>
        )}
      </form>
    </>
  );
}
