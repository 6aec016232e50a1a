import { isValidOn } from "@/core/buying/offer";
import type { OfferPage } from "@/server/buying";
import { dayText } from "@/core/units/dates";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { OneForm, TextField } from "./BuyForms";

/** Into the comparison beside the nearest bar that is owned; null where the beam formulas do not hold. */

export function Decide({ page: { item }, today, action }: { page: OfferPage; today: string; action: FormAction }) {
  const { row, offer } = item;
  const fields = { id: row.id, version: row.version };
  const isOver = !isValidOn(row, today);
  return (
    <section className="sheet grid gap-3 px-4 py-3 text-sm" aria-label="Decide">
      <p className="font-bold">
        {row.state === "idea" && "An idea: nobody quoted a price yet."}
        {row.state === "quoted" &&
          (isOver
            ? `It was valid until ${dayText(row.validUntil!, today)}.`
            : row.approvedOn
              ? `Approved ${dayText(row.approvedOn, today)}.`
              : "Quoted, not approved.")}
        {row.state === "ordered" &&
          `${row.orderedQuantity} ordered ${dayText(row.orderedOn!, today)}, expected ${row.expectedOn ? dayText(row.expectedOn, today) : "some day"}.`}
        {row.state === "arrived" && "Arrived."}
        {row.state === "refused" && `Refused: ${row.reason}`}
      </p>
      {row.state === "quoted" && !row.approvedOn && (
        <OneForm fields={{ ...fields, kind: "approve" }} word="Approve" action={action} isMain />
      )}
      {row.state === "quoted" && row.approvedOn && (
        <OneForm fields={{ ...fields, kind: "order" }} word="Mark ordered" action={action} isMain>
          <TextField name="quantity" label={`How many (of ${offer.quantity})`} start="1" />
        </OneForm>
      )}
      {row.state === "ordered" && (
        <>
          <Link href={`/buy/${row.id}/receive`} className="btn btn-neutral justify-self-start">
            Check in on arrival
          </Link>
          <OneForm fields={{ ...fields, kind: "cancel" }} word="Cancel the order" action={action} />
        </>
      )}
      {(row.state === "quoted" || row.state === "idea") && (
        <details>
          <summary className="link min-h-11 cursor-pointer py-3">Refuse it</summary>
          <OneForm fields={{ ...fields, kind: "refuse" }} word="Refuse" action={action}>
            <TextField name="reason" label="Why" isWide />
          </OneForm>
        </details>
      )}
    </section>
  );
}
