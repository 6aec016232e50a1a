import type { ReactNode } from "react";
import type { FieldDef } from "@/core/bars/barFields";
import { ValueText } from "../kit/QuantityText";
import { Kg, UnitName } from "../kit/shown";
import { EQUIPMENT_FIELDS, type EquipmentKind } from "@/core/equipment/equipmentFields";
import type { Pairing } from "@/core/equipment/pairPlates";
import { kgFromMassUnits } from "@/core/units/exactMass";
import type { FormAction } from "../kit/formState";
import { DataTable, type DataCell, type DataColumn } from "../kit/DataTable";
import { readMass } from "../kit/massInput";
import { PageHead } from "../kit/PageHead";
import { PlateRow } from "./PlateRow";
import { AddEquipment, EquipmentForm, WeighForm } from "./EquipmentForms";

interface Item {
  id: string;
  version: number;
  texts: Record<string, string>;
}

interface Props {
  plates: readonly (Item & { pairing: Pairing | null })[];
  clamps: readonly Item[];
  stations: readonly Item[];
  mayEdit: boolean;
  mayWeigh: boolean;
  saveAction: FormAction;
  weighAction: FormAction;
}

/** What bars are loaded with and where: plates, also weighed one by one, clamps, stations. */
export function EquipmentSheet({ plates, clamps, stations, mayEdit, mayWeigh, saveAction, weighAction }: Props) {
  return (
    <>
      <PageHead title="Plates, clamps, stations" about="what bars are loaded with, and where" />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
        <PlateRow plates={plates.map(({ texts }) => texts)} />
        <Section kind="plate" title="Plates" items={plates} mayEdit={mayEdit} action={saveAction}>
          {(item) => (
            <Weights
              id={item.id}
              pairing={plates.find(({ id }) => id === item.id)?.pairing ?? null}
              mayWeigh={mayWeigh}
              action={weighAction}
            />
          )}
        </Section>
        <Section kind="clamp" title="Clamps" items={clamps} mayEdit={mayEdit} action={saveAction} />
        <Section kind="station" title="Stations" items={stations} mayEdit={mayEdit} action={saveAction} />
      </div>
    </>
  );
}

function Section({
  kind,
  title,
  items,
  mayEdit,
  action,
  children,
}: {
  kind: EquipmentKind;
  title: string;
  items: readonly Item[];
  mayEdit: boolean;
  action: FormAction;
  children?: (item: Item) => React.ReactNode;
}) {
  const defs = EQUIPMENT_FIELDS[kind] as Record<string, FieldDef>;
  const keys = Object.keys(defs);
  return (
    <section className="sheet" aria-label={title}>
      <h2 className="px-4 pt-3 font-bold">{title}</h2>
      <DataTable
        label={title}
        columns={keys.map((key, i) => columnOf(key, defs[key]!, i))}
        rows={items.map((item) => ({
          id: item.id,
          cells: Object.fromEntries(keys.map((key, i) => [key, cellOf(defs[key]!, item.texts[key], i)])),
          more:
            mayEdit || children ? (
              <div className="grid gap-4">
                {mayEdit && (
                  <EquipmentForm
                    key={item.version}
                    kind={kind}
                    id={item.id}
                    version={item.version}
                    texts={item.texts}
                    action={action}
                  />
                )}
                {children?.(item)}
              </div>
            ) : undefined,
        }))}
        empty="None yet."
      />
      {mayEdit && <AddEquipment key={items.length} kind={kind} action={action} />}
    </section>
  );
}

/** The first two name it; a telephone shows those and what follows at once. */
const ON_PHONE = 4;

function columnOf(key: string, def: FieldDef, i: number): DataColumn {
  const unit = def.kind === "number" ? def.unit : "";
  return {
    key,
    head: unit ? (
      <>
        {def.label} <UnitName of={unit} />
      </>
    ) : (
      def.label
    ),
    name: unit ? `${def.label} ${unit}` : def.label,
    isNumber: def.kind === "number" || def.kind === "mass",
    isWide: i >= ON_PHONE,
  };
}

function cellOf(def: FieldDef, text: string | undefined, i: number): DataCell {
  if (text === undefined) return { value: null };
  if (def.kind === "number") return { value: Number(text), node: def.unit ? shown(def, text) : undefined };
  if (def.kind === "mass") return { value: massOf(text), node: text };
  return { value: text, node: i === 0 ? <span className="bar-tag">{text}</span> : shown(def, text) };
}

/** A mass as it is sorted: 45 lb after 20 kg. */
function massOf(text: string): number | string {
  return readMass(text, "kg")?.kg ?? text;
}

function shown(def: FieldDef, text: string): ReactNode {
  if (def.kind === "number" && def.unit) return <ValueText value={Number(text)} decimals={2} unit={def.unit} isBare />;
  return def.kind === "list" ? text.replaceAll(" | ", ", ") : text;
}

/** Plates of one kind on the scale one by one: the nearest paired, and how far the two sides would differ. */
function Weights({
  id,
  pairing,
  mayWeigh,
  action,
}: {
  id: string;
  pairing: Pairing | null;
  mayWeigh: boolean;
  action: FormAction;
}) {
  const kg = (units: number, isBare = false) => (
    <Kg value={kgFromMassUnits(units)} decimals={3} isAligned isBare={isBare} />
  );
  return (
    <section aria-label="Weighed one by one" className="border-base-300 border-t pt-3">
      <h3 className="mb-1 text-sm font-semibold">Weighed one by one</h3>
      {pairing ? (
        <ul className="mb-2 text-sm">
          {pairing.pairs.map(({ plates: [a, b], differenceUnits }) => (
            <li key={a.mark}>
              <strong>
                {a.mark} with {b.mark}
              </strong>
              : {kg(a.massUnits, true)} and {kg(b.massUnits)}, the sides differ by {kg(differenceUnits)}
            </li>
          ))}
          {pairing.single && (
            <li className="text-quiet">
              {pairing.single.mark}: {kg(pairing.single.massUnits)}, without a partner
            </li>
          )}
        </ul>
      ) : (
        <p className="text-quiet mb-2 text-sm">None yet. Plates of one kind may differ; the nearest belong together.</p>
      )}
      {mayWeigh && <WeighForm plateId={id} action={action} />}
    </section>
  );
}
