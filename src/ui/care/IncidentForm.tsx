"use client";

import { useRef, useState } from "react";
import { INCIDENT_KINDS, INCIDENT_WORDS } from "@/core/care/incident";
import { freshKey } from "../kit/freshKey";
import Link from "../kit/Link";
import { typedIn } from "@/core/units/shown";
import { convertTyped, readTyped } from "@/core/units/typedQuantity";
import { PhotoField, photoOf } from "../kit/PhotoField";
import { useShown } from "../kit/shown";

/** What happened with a bar, in under a minute. What was typed stays until it is saved. */
export function IncidentForm({ tag }: { tag: string }) {
  const key = useRef(freshKey());
  const [problem, setProblem] = useState<string | null>(null);
  const [isSending, setSending] = useState(false);
  const [isSaved, setSaved] = useState(false);
  const { units, name: nameOf } = useShown();
  if (isSaved)
    return (
      <div role="status" className="sheet border-l-accent border-l-4 p-4">
        <p className="font-bold">Saved. {tag} is under watch until someone inspects it.</p>
        <p className="mt-2 flex gap-4">
          <Link href={`/bars/${encodeURIComponent(tag)}/inspect`} className="btn btn-neutral">
            Inspect {tag}
          </Link>
          <Link href={`/bars/${encodeURIComponent(tag)}`} className="btn btn-outline">
            The bar
          </Link>
        </p>
      </div>
    );
  return (
    <form
      className="sheet grid max-w-2xl gap-3 p-4"
      onSubmit={async (event) => {
        event.preventDefault();
        const data = new FormData(event.currentTarget);
        const text = (name: string) => String(data.get(name) ?? "").trim();
        const [kind, note, load] = [text("kind"), text("note"), text("load")];
        const typed = load === "" ? null : readTyped(typedIn(load, "kg", units), "kg");
        if (kind === "" || note === "") return setProblem("Choose what happened, and say how in a few words.");
        const loadKg = typed ? convertTyped(typed) : null;
        if (load !== "" && !(loadKg !== null && loadKg > 0))
          return setProblem(`Load: “${load}” is not a load. Write 82.5, 82.5 kg or 180 lb.`);
        const photo = await photoOf(data);
        if (!photo.ok) return setProblem(photo.why);
        setSending(true);
        setProblem(null);
        try {
          const response = await fetch("/care/incidents/new", {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: JSON.stringify({
              ...{ key: key.current, tag, kind, note },
              ...(text("setup") ? { setup: text("setup") } : {}),
              ...(loadKg === null ? {} : { loadKg }),
              ...(photo.base64 ? { photo: photo.base64 } : {}),
            }),
          });
          const answer = (await response.json()) as { error?: { message: string } };
          if (response.ok) setSaved(true);
          else setProblem(answer.error?.message ?? "Not saved. Try again.");
        } catch {
          setProblem("Not saved: no answer. What you typed is still here; try again.");
        } finally {
          setSending(false);
        }
      }}
    >
      <p className="text-sm font-semibold">Is someone hurt? Help them first, and call a doctor if you are in doubt.</p>
      <fieldset className="grid gap-2">
        <legend className="font-semibold">What happened?</legend>
        <div className="grid gap-2 sm:grid-cols-3">
          {INCIDENT_KINDS.map((kind) => (
            <label
              key={kind}
              className="border-base-300 has-checked:border-primary has-checked:bg-primary/10 flex min-h-14 items-center gap-2 border px-3"
            >
              <input type="radio" name="kind" value={kind} className="radio radio-sm" />
              {INCIDENT_WORDS[kind]}
            </label>
          ))}
        </div>
      </fieldset>
      <label className="grid gap-1 text-sm">
        How
        <textarea name="note" rows={3} maxLength={500} className="textarea w-full text-base" />
      </label>
      <div className="grid gap-3 sm:grid-cols-2">
        <label className="grid gap-1 text-sm">
          Where, and how the bar was set
          <input name="setup" maxLength={200} className="input w-full" placeholder="Rack 1, hole 19" />
        </label>
        <label className="grid gap-1 text-sm">
          Load on the bar, {nameOf("kg")}
          <input name="load" inputMode="decimal" className="input w-full" />
        </label>
      </div>
      <PhotoField />
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      <button type="submit" disabled={isSending} className="btn btn-neutral min-h-14 justify-self-start px-8">
        {isSending ? "Saving …" : "Save"}
      </button>
      <p className="text-quiet text-xs">
        The bar goes under watch until someone inspects it. The manager reads what is recorded here.
      </p>
    </form>
  );
}
