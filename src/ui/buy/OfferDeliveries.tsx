import type { DeliveryItem } from "@/server/buying";
import { dayText } from "@/core/units/dates";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { OneForm, TextField } from "./BuyForms";

const VERDICT_WORDS = { keep: "Accepted", claim: "Claim", return: "Sent back" } as const;

export function Deliveries({
  items,
  today,
  wantedTag,
  resolve,
}: {
  items: readonly DeliveryItem[];
  today: string;
  wantedTag: string | null;
  resolve: FormAction;
}) {
  return (
    <section className="sheet px-4 py-3 text-sm" aria-label="What arrived">
      <h2 className="font-bold">What arrived</h2>
      <ul className="divide-base-300 divide-y">
        {items.map((one) => (
          <li key={one.id} className="grid gap-1 py-2">
            <p>
              <strong>
                {one.verdict === "claim" && one.isResolved ? "Claim, resolved" : VERDICT_WORDS[one.verdict]}
              </strong>
              , {dayText(one.arrivedOn, today)}, checked by {one.by}
              {one.tag && (
                <>
                  :{" "}
                  <Link href={`/bars/${encodeURIComponent(one.tag)}`} className="link">
                    {one.tag}
                  </Link>
                </>
              )}
            </p>
            {one.reasons.map((text) => (
              <p key={text} className="text-error">
                {text}
              </p>
            ))}
            {one.note && <p>{one.note}</p>}
            {one.resolution && <p>{one.resolution}</p>}
            {one.photoIds.length > 0 && (
              <p className="flex flex-wrap gap-2">
                {one.photoIds.map((id) => (
                  // eslint-disable-next-line @next/next/no-img-element -- a photo behind the session
                  <img key={id} src={`/buy/photos/${id}`} alt="What arrived" className="size-24 object-cover" />
                ))}
              </p>
            )}
            {one.verdict !== "keep" && (
              <a href={`/buy/claims/${one.id}/claim.pdf`} className="link inline-flex min-h-11 items-center">
                Claim sheet (PDF)
              </a>
            )}
            {one.verdict === "claim" && !one.isResolved && (
              <OneForm fields={{ id: one.id }} word="Resolve claim" action={resolve}>
                <label className="grid gap-1">
                  Outcome
                  <select name="outcome" className="select select-sm w-40">
                    <option value="return">Send it back</option>
                    <option value="keep">Accept it</option>
                  </select>
                </label>
                <TextField name="tag" label="Tag, if accepted" start={wantedTag ?? ""} />
                <TextField name="resolution" label="What was agreed" isWide />
              </OneForm>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
