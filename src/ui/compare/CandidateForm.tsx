"use client";

import { usePathname, useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import { ALLOYS } from "@/core/bars/bar";
import { candidateText, readCandidate } from "@/core/bars/candidate";
import { changedHref, intend, latestParams } from "../kit/intent";

const FIELDS = [
  ["mass", "mass, kg", "20"],
  ["diameter", "shaft diameter, mm", "28.5"],
  ["length", "between collars, mm", "1310"],
  ["collar", "collar thickness, mm", "30"],
] as const;

/** Puts a bar that nobody owns into the comparison; it lives in the link and nowhere else. */
export function CandidateForm() {
  const dialog = useRef<HTMLDialogElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const router = useRouter();
  const path = usePathname();

  function compare(text: string) {
    const params = latestParams();
    const next = changedHref(path, params, { try: [params.get("try"), text].filter(Boolean).join(";") });
    intend(next);
    dialog.current?.close();
    router.replace(next, { scroll: false });
  }

  function add(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    // Semicolons and tildes divide offers and their figures in the link.
    const said = (name: string) => String(form.get(name) ?? "").replace(/[;~]/g, " ");
    const figure = (name: string) => said(name).replace(",", ".");
    const candidate = readCandidate(
      [said("name"), ...FIELDS.map(([name]) => figure(name)), said("alloy"), figure("yield")].join("~"),
    );
    if (!candidate) {
      setProblem("Every figure must be a number that can be true of a bar.");
      return;
    }
    compare(candidateText(candidate));
  }

  return (
    <>
      <button type="button" className="btn btn-sm btn-outline" onClick={() => dialog.current?.showModal()}>
        Try an offer
      </button>
      <dialog ref={dialog} className="modal" aria-labelledby="offer-title">
        <form className="modal-box sheet grid gap-3" onSubmit={add}>
          <h2 id="offer-title" className="text-lg font-bold">
            A bar you do not own yet
          </h2>
          <p className="text-quiet text-sm">Figures from a seller’s sheet. They stay in the link of this comparison.</p>
          <label className="grid gap-1 text-sm font-semibold">
            name
            <input name="name" className="input w-full" placeholder="offer" maxLength={30} />
          </label>
          <div className="grid grid-cols-2 gap-3">
            {FIELDS.map(([name, label, usual]) => (
              <label key={name} className="grid gap-1 text-sm font-semibold">
                {label}
                <input name={name} defaultValue={usual} inputMode="decimal" className="input w-full" />
              </label>
            ))}
            <label className="grid gap-1 text-sm font-semibold">
              alloy
              <select name="alloy" defaultValue="alloy-steel" className="select w-full">
                {ALLOYS.map((alloy) => (
                  <option key={alloy} value={alloy}>
                    {alloy.replace("-", " ")}
                  </option>
                ))}
              </select>
            </label>
            <label className="grid gap-1 text-sm font-semibold">
              yield strength, MPa
              <input name="yield" inputMode="decimal" className="input w-full" placeholder="not known" />
            </label>
          </div>
          {problem && (
            <p role="alert" className="text-error text-sm">
              {problem}
            </p>
          )}
          <div className="flex gap-3">
            <button className="btn btn-neutral">Compare</button>
            <button type="button" className="btn btn-outline" onClick={() => dialog.current?.close()}>
              Cancel
            </button>
          </div>
        </form>
      </dialog>
    </>
  );
}
