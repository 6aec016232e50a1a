import type { ReactNode } from "react";
import { FAMILIES, FAMILY_KEYS, type BarForm, type FamilyKey } from "@/core/bars/families";
import { QUANTITIES, quantityLabel, type QuantityKind } from "@/core/bars/quantities";
import { statedKey } from "@/core/bars/barRecord";
import { FormProblems } from "../kit/FormProblems";
import type { FormState } from "../kit/formState";
import Link from "../kit/Link";
import { Options } from "../kit/Options";
import { FormField } from "./FormField";

/* What the form of a bar and that of an offer share. */

/** What was typed, and what is wrong, by field. */
export interface TypedFields {
  known: Readonly<Record<string, string>>;
  problemsOf: (key: string) => string[];
}

/** Problems of a form by the field that they stand at. */
export const problemsBy =
  ({ problems }: FormState) =>
  (key: string) =>
    problems.filter(({ path }) => path === key).map(({ message }) => message);

/** Which family it is: what is asked follows. */
export function FamilyChoice({
  id,
  label,
  family,
  choose,
  children,
}: {
  id: string;
  label: string;
  family: FamilyKey;
  choose: (family: FamilyKey) => void;
  children?: ReactNode;
}) {
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-sm font-semibold">
        {label}
      </label>
      <select
        id={id}
        name="family"
        value={family}
        onChange={({ target }) => choose(target.value as FamilyKey)}
        className="select w-full"
      >
        <Options of={FAMILY_KEYS.map((key) => [key, FAMILIES[key].name])} />
      </select>
      {children}
    </div>
  );
}

/** What the seller states of it, each figure with its unit as it is written there. */
export function StatedFields({
  kinds,
  build,
  known,
  problemsOf,
  about,
}: TypedFields & { kinds: readonly QuantityKind[]; build: BarForm; about?: string }) {
  return (
    <fieldset className="sheet p-4">
      <legend className="contents">
        <span className="font-bold">What the seller states</span>
      </legend>
      {about && <p className="text-quiet mb-1 text-xs">{about}</p>}
      <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-3 lg:grid-cols-5">
        {kinds.map((kind) => (
          <FormField
            key={kind}
            name={statedKey(kind)}
            def={{ kind: "text", most: 20, group: "geometry", label: quantityLabel(kind, build) }}
            unit={QUANTITIES[kind].unit}
            text={known[statedKey(kind)] ?? ""}
            problems={problemsOf(statedKey(kind))}
          />
        ))}
      </div>
    </fieldset>
  );
}

/** Why it was not saved, above everything. */
export function Refused({ form, children }: { form: FormState; children?: ReactNode }) {
  if (form.status !== "refused") return null;
  return (
    <div role="alert" className="sheet border-l-error border-l-4 px-4 py-2 text-sm">
      <p className="text-error font-bold">{form.message}</p>
      <FormProblems form={form} className="text-base-content!" />
      {children}
    </div>
  );
}

/** The buttons, always in sight. */
export function FormFoot({
  word,
  back,
  isPending,
  children,
}: {
  word: string;
  back: string;
  isPending: boolean;
  children?: ReactNode;
}) {
  return (
    <div className="bg-base-200 border-base-300 sticky bottom-0 flex flex-wrap items-center gap-4 border-t py-3">
      <button className="btn btn-neutral" disabled={isPending}>
        {word}
      </button>
      <Link href={back} className="btn btn-outline">
        Cancel
      </Link>
      {children}
    </div>
  );
}
