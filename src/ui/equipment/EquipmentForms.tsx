"use client";

import { useActionState, useId } from "react";
import type { FieldDef } from "@/core/bars/barFields";
import { EQUIPMENT_FIELDS, type EquipmentKind } from "@/core/equipment/equipmentFields";
import { FormField } from "../bars/FormField";
import { FormMessage } from "../kit/FormParts";
import { FRESH, type FormAction } from "../kit/formState";

interface Props {
  kind: EquipmentKind;
  id: string | null;
  version: number;
  texts: Record<string, string>;
  action: FormAction;
}

/** Enters or changes one plate, clamp or station. */
export function EquipmentForm({ kind, id, version, texts, action }: Props) {
  const [form, send, isPending] = useActionState(action, FRESH);
  const known = form.status === "refused" ? form.typed : texts;
  const unique = useId();
  return (
    <form action={send} key={`${form.status}${form.problems.length}`} className="grid gap-3">
      <input type="hidden" name="equipment" value={kind} />
      <input type="hidden" name="id" value={id ?? ""} />
      <input type="hidden" name="version" value={version} />
      <div className="grid gap-x-4 gap-y-3 sm:grid-cols-3 lg:grid-cols-5">
        {Object.entries(EQUIPMENT_FIELDS[kind] as Record<string, FieldDef>).map(([key, def]) => (
          <FormField
            key={key}
            id={`${unique}${key}`}
            name={key}
            def={def}
            text={known[key] ?? ""}
            problems={form.problems.filter(({ path }) => path === key).map(({ message }) => message)}
          />
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-sm btn-neutral min-h-11" disabled={isPending}>
          {id === null ? "Enter it" : "Keep the changes"}
        </button>
        <FormMessage state={form} />
      </div>
    </form>
  );
}

const MARK: FieldDef = { kind: "text", most: 20, group: "identity", label: "what is written on it" };
const MASS: FieldDef = { kind: "mass", group: "identity", label: "it weighs", hint: "24.96 kg or 55 lb" };

/** One plate on the scale. */
export function WeighForm({ plateId, action }: { plateId: string; action: FormAction }) {
  const [form, send, isPending] = useActionState(action, FRESH);
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
      <button className="btn btn-sm btn-neutral min-h-11" disabled={isPending}>
        Keep
      </button>
      <FormMessage state={form} />
    </form>
  );
}
