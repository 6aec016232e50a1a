import type { ReactNode } from "react";
import type { CardPage } from "@/server/setups";
import { madeFor } from "@/core/setups/setupCard";
import { BarTag } from "../kit/BarTag";
import Link from "../kit/Link";
import { PrintButton } from "../kit/PrintButton";
import { SheetDrawing } from "../kit/SheetDrawing";
import { StepList } from "./StepList";
import { Day, Say } from "../kit/shown";

/** One setup card, live: on a telephone step by step at the bar, on paper as it hangs on the wall. */
export function SetupCardSheet({
  page,
  qr,
  use,
}: {
  page: CardPage;
  qr: { path: string; size: number };
  /** How such a bar is used, whatever its setting. */
  use: ReactNode;
}) {
  const { set, card, drawing } = page;
  const { bar } = set;
  const bench = `/setups/${encodeURIComponent(bar.tag)}?lifter=${page.lifterKey}&lift=${page.liftKey}`;
  return (
    <article className="mx-auto max-w-4xl">
      <header className="mb-2 flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <BarTag tag={bar.tag} className="text-lg!" />
          <h1 className="text-2xl">{page.lifterName}</h1>
          <p className="text-quiet text-sm">
            {bar.name}, {page.liftName}, set on <Day on={page.keptOn} />
          </p>
        </div>
        <nav aria-label="With this card" className="no-print flex flex-wrap gap-2">
          <a href={`/setups/card/${page.id}/card.pdf`} className="btn btn-sm btn-outline">
            PDF
          </a>
          <PrintButton />
          <Link href={bench} className="btn btn-sm btn-outline">
            Change it
          </Link>
        </nav>
      </header>
      {(bar.state === "quarantined" || bar.state === "retired") && (
        <p role="alert" className="sheet border-l-error text-error mb-2 border-l-4 px-4 py-2 font-bold">
          {bar.tag} is {bar.state}. Nobody lifts with it.
        </p>
      )}
      {page.replacedBy && (
        <p role="alert" className="sheet border-l-accent mb-2 border-l-4 px-4 py-2 font-semibold">
          This setting was replaced.{" "}
          <Link className="link" href={`/setups/card/${page.replacedBy}`}>
            The one that counts
          </Link>
        </p>
      )}
      {page.isOld && (
        <p role="alert" className="sheet border-l-accent mb-2 border-l-4 px-4 py-2 font-semibold">
          The bar was calibrated again since this was set: check it with a light load.
        </p>
      )}
      {[...card.first, ...card.refusals].map((text) => (
        <p key={text} role="note" className="sheet border-l-error text-error mb-2 border-l-4 px-4 py-2 font-bold">
          <Say text={text} />
        </p>
      ))}
      <section className="sheet mb-2 px-4 py-3" aria-label="Set it">
        <p className="text-quiet text-sm">Set it to</p>
        <p className="text-3xl leading-tight font-bold">{card.set}</p>
        {page.standsLikeThis !== null && (
          <p className={`no-print mt-1 text-sm font-semibold ${page.standsLikeThis ? "text-success" : "text-accent"}`}>
            {page.standsLikeThis ? "It is set like this now." : "The bar is set differently now: change it."}
          </p>
        )}
        {page.note && <p className="mt-1 text-sm">“{page.note}”</p>}
      </section>
      <div className="grid gap-2 md:grid-cols-2 print:grid-cols-2">
        <section className="sheet order-2 px-3 py-2 md:order-none" aria-label="Drawing">
          <SheetDrawing sheet={drawing} className="max-h-80" />
          <dl className="grid grid-cols-[1fr_auto_auto] gap-x-3 text-sm">
            {card.numbers.map(({ label, text, imperial }) => (
              <div
                key={label}
                className="border-base-300 col-span-3 grid grid-cols-subgrid border-b py-0.5 last:border-b-0"
              >
                <dt className="text-quiet">{label}</dt>
                <dd className="text-right font-bold">
                  <Say text={text} />
                </dd>
                <dd className="text-quiet w-16 text-right">{imperial ?? ""}</dd>
              </div>
            ))}
          </dl>
        </section>
        <section className="sheet px-4 py-3" aria-label="At the bar">
          <h2 className="mb-1 font-bold">At the bar, in this order</h2>
          <StepList steps={card.steps} />
        </section>
        <section className="sheet order-3 px-4 py-3 text-sm" aria-label="With it">
          <dl className="grid gap-y-1.5">
            {(
              [
                ["Hands", card.hands],
                ["Letting go", card.lettingGo],
                ["At depth", card.atDepth],
                ["In", card.getIn],
                ["Out", card.getOut],
              ] as const
            ).map(([label, text]) =>
              text ? (
                <div key={label}>
                  <dt className="text-quiet text-xs">{label}</dt>
                  <dd>
                    <Say text={text} />
                  </dd>
                </div>
              ) : null,
            )}
          </dl>
          {card.effects.map((text) => (
            <p key={text} className="text-quiet mt-1.5 text-xs">
              <Say text={text} />
            </p>
          ))}
        </section>
        <section className="sheet order-4 flex gap-4 px-4 py-3 text-sm" aria-label="Cautions">
          <div className="grid content-start gap-1.5">
            {card.cautions.map((text) => (
              <p key={text}>
                <Say text={text} />
              </p>
            ))}
            <p className="text-quiet text-xs">Made for {madeFor(page)}. Geometry, not a diagnosis.</p>
          </div>
          <svg
            viewBox={`0 0 ${qr.size} ${qr.size}`}
            role="img"
            aria-label={`QR code that opens ${page.address}`}
            className="size-32 shrink-0 bg-white"
            shapeRendering="crispEdges"
          >
            <path d={qr.path} fill="#000" />
          </svg>
        </section>
        <section
          className="sheet order-5 px-4 py-3 text-sm md:col-span-2 print:break-before-page"
          aria-label="How to use it"
        >
          <h2 className="mb-2 font-bold">How to use it</h2>
          {use}
        </section>
      </div>
    </article>
  );
}
