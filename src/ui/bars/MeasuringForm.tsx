"use client";

import { unitName } from "@/core/units/shown";
import { QuantityText, ValueText } from "../kit/QuantityText";
import { Say } from "../kit/shown";
import type { Measuring } from "./useMeasuring";

/** One quantity of one bar: what is known of it, a box for each place, and what the readings say while they are typed. */
export function MeasuringForm({ measuring }: { measuring: Measuring }) {
  const { bar, place, label, facts, units, message, isKeeping, save, move } = measuring;
  return (
    <form
      className="sheet p-4"
      aria-label="One quantity"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className="bar-tag text-base!">{bar.tag}</span>
        <span className="font-semibold">{bar.name}</span>
        <span className="text-quiet text-sm">{place}</span>
      </div>
      <h2 className="mt-1 text-3xl font-bold">
        {label} <span className="text-quiet text-lg font-normal">{unitName(facts.unit, units)}</span>
      </h2>
      <Known measuring={measuring} />
      <Boxes measuring={measuring} />
      <Result measuring={measuring} />
      <div className="flex flex-wrap gap-2">
        <button className="btn btn-neutral min-h-14 grow text-base" disabled={isKeeping}>
          Save and next
        </button>
        <button type="button" className="btn btn-outline min-h-14" onClick={() => move(1)}>
          Skip
        </button>
        <button type="button" className="btn btn-outline min-h-14" onClick={() => move(-1)}>
          Back
        </button>
      </div>
      {message && (
        <p
          role={message.isProblem ? "alert" : "status"}
          className={`mt-3 text-sm ${message.isProblem ? "text-error" : "text-success"}`}
        >
          <Say text={message.text} />
        </p>
      )}
    </form>
  );
}

function Known({ measuring: { bar, step, facts } }: { measuring: Measuring }) {
  const known = bar.quantities[step.kind];
  return (
    <p className="text-quiet mb-3 text-sm">
      {known ? (
        <>
          now <QuantityText quantity={known} decimals={facts.decimals} unit={facts.unit} />
          {known.source === "measured" && known.statedValue !== undefined && (
            <>
              , stated <ValueText value={known.statedValue} decimals={2} unit={facts.unit} />
            </>
          )}
        </>
      ) : (
        "not known yet"
      )}
    </p>
  );
}

function Boxes({ measuring: { facts, boxes } }: { measuring: Measuring }) {
  return (
    <ol className={`grid gap-2 ${facts.spots.length > 3 ? "sm:grid-cols-2" : ""}`}>
      {facts.spots.map((spot, i) => (
        <li key={spot}>
          <label className="flex items-center gap-3">
            <span className="text-quiet w-36 text-sm">{spot}</span>
            <input
              value={boxes.of[i] ?? ""}
              onChange={({ target }) => boxes.write(i, target.value)}
              onFocus={() => boxes.choose(i)}
              inputMode="decimal"
              autoComplete="off"
              aria-label={`Reading ${i + 1}, ${spot}`}
              className={`input min-h-12 w-28 grow text-right text-xl font-bold ${boxes.at === i ? "border-primary border-2" : ""}`}
            />
          </label>
        </li>
      ))}
    </ol>
  );
}

function Result({ measuring: { facts, entered, isEmpty, found } }: { measuring: Measuring }) {
  return (
    <div className="my-3 flex min-h-12 flex-wrap gap-x-8 text-sm">
      <dl className="flex gap-x-8">
        <div>
          <dt className="text-quiet text-xs">mean</dt>
          <dd className="text-xl font-bold" data-testid="mean">
            {entered.ok ? (
              <ValueText value={entered.mean} decimals={facts.decimals} unit={facts.unit} isAligned />
            ) : (
              "–"
            )}
          </dd>
        </div>
        <div>
          <dt className="text-quiet text-xs">spread</dt>
          <dd className="text-xl">
            {entered.ok && entered.values.length > 1 ? (
              <ValueText value={entered.spread} decimals={2} unit={facts.unit} />
            ) : (
              "–"
            )}
          </dd>
        </div>
      </dl>
      <div className="min-w-0 flex-1 basis-60" role="status">
        {!entered.ok && !isEmpty && <p className="text-error">{entered.message}</p>}
        {found.map((line) => (
          <p key={line}>
            <strong className="text-accent">Flagged.</strong> <Say text={line} />.
          </p>
        ))}
      </div>
    </div>
  );
}
