"use client";

import { useId } from "react";
import type { FieldDef } from "@/core/bars/barFields";
import { EQUIPMENT_FIELDS, type EquipmentKind } from "@/core/equipment/equipmentFields";
import { FormField } from "../bars/FormField";
import { FormMessage } from "../kit/FormParts";
import type { FormAction } from "../kit/formState";
import { LazyFieldsForm } from "../kit/LazyFieldsForm";
import { OnceOpen } from "../kit/OnceOpen";
import { useFormAction } from "../kit/useFormAction";

interface Props {
  kind: EquipmentKind;
  id: string | null;
  version: number;
  texts: Record<string, string>;
  action: FormAction;
}

/** Enters or changes one plate, clamp or station. */
export function EquipmentForm({ kind, ...rest }: Props) {
  return <LazyFieldsForm kind={kind} defs={EQUIPMENT_FIELDS[kind]} more={{ equipment: kind }} {...rest} />;
}

/** A plate, clamp or station that is not there yet. */
export function AddEquipment({ kind, action }: Pick<Props, "kind" | "action">) {
  return (
    <OnceOpen
      className="border-base-300 border-t"
      summary={`Add ${kind}`}
      summaryClass="link min-h-11 cursor-pointer px-4 py-3 text-sm"
    >
      {() => (
        <div className="px-4 pb-4">
          <EquipmentForm kind={kind} id={null} version={0} texts={{}} action={action} />
        </div>
      )}
    </OnceOpen>
  );
}

const MARK: FieldDef = { kind: "text", most: 20, group: "identity", label: "what is written on it" };
const MASS: FieldDef = { kind: "mass", group: "identity", label: "it weighs", hint: "24.96 kg or 55 lb" };

/** One plate on the scale. */
export function WeighForm({ plateId, action }: { plateId: string; action: FormAction }) {
  const [form, send, isPending] = useFormAction(action);
  const unique = useId();
  return (
    <form action={send} key={`${form.status}${form.message}`} className="flex flex-wrap items-end gap-3">
      <input type="hidden" name="plateId" value={plateId} />
      {(
        [
          ["mark", MARK],
          ["mass", MASS],
        ] as const
      ).map(([name, def]) => (
        <FormField
          key={name}
          id={`${unique}${name}`}
          name={name}
          def={def}
          text={form.typed[name] ?? ""}
          problems={form.problems.filter(({ path }) => path === name).map(({ message }) => message)}
        />
      ))}
      <button className="btn btn-sm btn-neutral" disabled={isPending}>
        Add
      </button>
      <FormMessage state={form} />
    </form>
  );
}
