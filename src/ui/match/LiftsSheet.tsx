import { LIFT_FIELDS, LIFT_NAMES } from "@/core/matching/liftFields";
import { Kg, Mm, UnitName } from "../kit/shown";
import { FieldsForm } from "../kit/FieldsForm";
import type { FormAction } from "../kit/formState";

interface Item {
  id: string;
  version: number;
  texts: Record<string, string>;
}

const CONTACT: Record<string, string> = { hands: "in the hands", back: "on the back", front: "in front" };
const ENDING: Record<string, string> = { racked: "racked", lowered: "lowered", dropped: "dropped" };

/** The lifts of the hall with what the matcher needs to know of them. */
export function LiftsSheet({
  lifts,
  mayEdit,
  action,
}: {
  lifts: readonly Item[];
  mayEdit: boolean;
  action: FormAction;
}) {
  return (
    <section className="sheet" aria-label="Lifts">
      <div className="text-quiet border-base-content hidden grid-cols-[minmax(0,2fr)_repeat(5,minmax(0,1fr))] gap-x-3 border-b px-4 py-2 text-xs md:grid">
        <span>lift</span>
        <span>speed</span>
        <span>starts, ends</span>
        <span>carried</span>
        <span className="text-right">
          hands apart, <UnitName of="mm" />
        </span>
        <span className="text-right">
          usual load, <UnitName of="kg" />
        </span>
      </div>
      <ul className="divide-base-300 divide-y">
        {lifts.map(({ id, version, texts }) => (
          <li key={id}>
            <details>
              <summary className="grid min-h-11 cursor-pointer grid-cols-2 items-baseline gap-x-3 px-4 py-2 text-sm md:grid-cols-[minmax(0,2fr)_repeat(5,minmax(0,1fr))]">
                <span className="col-span-2 md:col-span-1">
                  <strong>{texts.name}</strong>
                  {texts.like !== texts.key && (
                    <span className="text-quiet block text-xs">judged like the {LIFT_NAMES[texts.like ?? ""]}</span>
                  )}
                  {texts.prerequisite && <span className="text-quiet block text-xs">first: {texts.prerequisite}</span>}
                </span>
                <span>{texts.speed}</span>
                <span>
                  {texts.start}, {ENDING[texts.ending ?? ""]}
                </span>
                <span>{CONTACT[texts.contact ?? ""]}</span>
                <span className="text-right tabular-nums">
                  <Mm value={2 * Number(texts.supportHalfSpacingMm)} decimals={0} isBare />
                </span>
                <span className="text-right tabular-nums">
                  <Kg value={Number(texts.usualKg)} decimals={1} isBare />
                </span>
              </summary>
              {mayEdit && (
                <div className="px-4 pb-4">
                  <FieldsForm
                    kind="lift"
                    key={version}
                    defs={LIFT_FIELDS}
                    id={id}
                    version={version}
                    texts={texts}
                    action={action}
                    fixed={["key"]}
                  />
                </div>
              )}
            </details>
          </li>
        ))}
      </ul>
      {mayEdit && (
        <details className="border-base-300 border-t">
          <summary className="link min-h-11 cursor-pointer px-4 py-3 text-sm">Add lift</summary>
          <div className="px-4 pb-4">
            <FieldsForm
              kind="lift"
              key={lifts.length}
              defs={LIFT_FIELDS}
              id={null}
              version={0}
              texts={{}}
              action={action}
            />
          </div>
        </details>
      )}
    </section>
  );
}
