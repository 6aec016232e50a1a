import type { ReactNode } from "react";
import { FAMILIES } from "@/core/bars/families";
import { oddsText } from "@/core/buying/batchRisk";
import { peopleText } from "@/core/buying/offerGain";
import { signed } from "@/core/units/format";
import type { OfferPage } from "@/server/buying";
import { BarTag } from "../kit/BarTag";
import { KnurlPatterns } from "../kit/BarDrawing";
import type { FormAction } from "../kit/formState";
import Link from "../kit/Link";
import { href } from "../kit/search";
import { OneForm, TextField } from "./BuyForms";
import { OfferDrawing } from "./OfferDrawing";
import { SpareText } from "./SpareText";
import { verdictWords } from "./verdictWords";
import { Decide } from "./OfferDecide";
import { Deliveries } from "./OfferDeliveries";

interface Props {
  page: OfferPage;
  /** What people here say of such bars. */
  feel: ReactNode;
  lines: readonly (readonly [string, string])[];
  today: string;
  actions: Record<"decide" | "watch" | "resolve", FormAction>;
}

/** An offer: what it would change and what it would not, what it costs, and what is to be decided. */
export function OfferSheet({ page, feel, lines, today, actions }: Props) {
  const {
    item,
    improvements,
    spares,
    relief,
    duplicates,
    suspicious,
    nearest,
    differences,
    seller,
    careMinutes,
    many,
  } = page;
  const { row, offer, bar } = item;
  const [best] = improvements;
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <KnurlPatterns />
      <div className="grid gap-3">
        <section className="sheet px-4 py-3" aria-label="The bar">
          <OfferDrawing bar={bar} className="max-h-24" />
          <p className="text-quiet text-sm">
            {FAMILIES[bar.family].name}, {FAMILIES[bar.family].madeFor}. Drawn from what its seller states.{" "}
            {nearest && (
              <Link href={href("/compare", { bars: nearest.tag, offers: item.code })} className="link">
                Compare with {nearest.tag}
              </Link>
            )}
          </p>
          {feel}
        </section>
        {suspicious.length > 0 && (
          <section className="sheet border-l-error border-l-4 px-4 py-3 text-sm" aria-label="Ask before you order">
            <h2 className="font-bold">Ask before you order</h2>
            {suspicious.map((text) => (
              <p key={text}>{text}</p>
            ))}
          </section>
        )}
        <section className="sheet border-l-primary border-l-4 px-4 py-3 text-sm" aria-label="What it would change">
          <h2 className="text-lg font-bold">
            {best
              ? `${best.lift}: ${verdictWords(best.from)} to ${verdictWords(best.to)} for ${peopleText(best.people)}.`
              : spares.length > 0
                ? `It improves nobody’s lift; it stands in for ${spares.map(({ tag }) => tag).join(", ")}.`
                : "It improves nobody’s lift."}
          </h2>
          <ul>
            {improvements.slice(1, 12).map(({ liftKey, lift, from, to, people }) => (
              <li key={`${liftKey} ${from} ${to}`}>
                <strong>{lift}</strong>: {verdictWords(from)} to {verdictWords(to)} for {peopleText(people)}
              </li>
            ))}
            <SpareText spares={spares.slice(0, 6)} />
          </ul>
          {relief.map(({ tag, name, people }) => (
            <p key={tag}>
              At the busiest hour it relieves <BarTag tag={tag} /> {name}, where {peopleText(people)} wait.
            </p>
          ))}
          {duplicates.length > 0 && (
            <p className="mt-1 font-semibold">
              You own {duplicates.length === 1 ? "one" : duplicates.length} of these:{" "}
              {duplicates.map(({ tag, name }) => `${tag} ${name}`).join(", ")}.
            </p>
          )}
          {many.map(({ other, mine, theirs }) => (
            <p key={other.row.id} className="mt-1">
              Against {other.code} {other.offer.name}: good for {mine} lifts of your people, the other for {theirs}.
            </p>
          ))}
        </section>
        {nearest && differences.length > 0 && (
          <section className="sheet px-4 py-3 text-sm" aria-label="What the difference is worth here">
            <h2 className="font-bold">
              Against <BarTag tag={nearest.tag} /> {nearest.name}
            </h2>
            <ul className="grid gap-1">
              {differences.map(({ what, matters, text }) => (
                <li key={what} className={matters ? "font-semibold" : "text-quiet"}>
                  {text}
                </li>
              ))}
            </ul>
          </section>
        )}
        <section className="sheet px-4 py-3 text-sm" aria-label="How likely it is as stated">
          <h2 className="font-bold">How likely it is as stated</h2>
          {seller.length === 0 ? (
            <p>Nothing of {offer.seller ?? "this seller"} was measured here yet. Measure it on the day it arrives.</p>
          ) : (
            <>
              <ul>
                {seller.slice(0, 5).map(({ kind, label, within, bars, mean, unit }) => (
                  <li key={kind}>
                    <strong>{oddsText(within)}</strong> that the {label} is within tolerance ({bars}{" "}
                    {bars === 1 ? "bar" : "bars"} measured, {signed(mean ?? 0, 2)} {unit} on average)
                  </li>
                ))}
              </ul>
              <p className="text-quiet">
                {offer.batch ? `Ask for batch ${offer.batch}, and measure on arrival.` : "Ask which batch it is of."}
              </p>
            </>
          )}
          {offer.batch && (
            <details>
              <summary className="link min-h-11 cursor-pointer py-3">The batch is bad</summary>
              <OneForm
                fields={{ batch: offer.batch }}
                word={`Put batch ${offer.batch} on watch`}
                action={actions.watch}
              >
                <TextField name="reason" label="Why" isWide />
              </OneForm>
            </details>
          )}
        </section>
      </div>
      <div className="grid gap-3">
        <section className="sheet px-4 py-3 text-sm" aria-label="Cost and terms">
          <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4">
            {lines.map(([name, text]) => (
              <div key={name} className="contents">
                <dt className="text-quiet">{name}</dt>
                <dd className={`text-right tabular-nums ${name === "Delivered" ? "text-lg font-bold" : ""}`}>{text}</dd>
              </div>
            ))}
            <dt className="text-quiet">Care</dt>
            <dd className="text-right">{Math.round(careMinutes)} min a year</dd>
          </dl>
          {offer.note && <p className="border-accent mt-2 border-l-4 pl-2">{offer.note}</p>}
          {offer.link && (
            <a
              href={offer.link}
              rel="noreferrer noopener"
              target="_blank"
              className="link inline-flex min-h-11 items-center"
            >
              At the seller’s
            </a>
          )}
        </section>
        <Decide page={page} today={today} action={actions.decide} />
        {page.deliveries.length > 0 && (
          <Deliveries items={page.deliveries} today={today} wantedTag={offer.wantedTag} resolve={actions.resolve} />
        )}
        <p className="no-print flex flex-wrap gap-4 text-sm">
          {row.state !== "ordered" && row.state !== "arrived" && (
            <Link href={`/buy/${row.id}/edit`} className="link inline-flex min-h-11 items-center">
              Edit
            </Link>
          )}
          <a href={`/buy/${row.id}/approval.pdf`} className="link inline-flex min-h-11 items-center">
            Approval sheet (PDF)
          </a>
        </p>
      </div>
    </div>
  );
}
