"use client";

import { usePathname, useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import { ALLOYS } from "@/core/bars/bar";
import { candidateText, readCandidate } from "@/core/bars/candidate";
import { QUANTITIES } from "@/core/bars/quantities";
import { readNumberRule } from "@/core/units/numberRule";
import { UnitInput, UnitName } from "../kit/shown";
import { changedHref, intend, latestParams } from "../kit/intent";

const FIELDS = [
  ["mass", "mass", 20],
  ["shaftDiameter", "shaft diameter", 28.5],
  ["shaftLength", "between collars", 1310],
  ["collarThickness", "collar thickness", 30],
] as const;

/** Puts a bar that nobody owns into the comparison; it lives in the link and nowhere else. */
export function CandidateForm() {
  const dialog = useRef<HTMLDialogElement>(null);
  const [problems, setProblems] = useState<Readonly<Record<string, string>>>({});
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
    const found: Record<string, string> = {};
    const figures = FIELDS.map(([kind, label]) => {
      const { unit, range } = QUANTITIES[kind];
      const read = readNumberRule({ label, unit, range }, said(kind));
      if (!read.ok) found[kind] = read.message;
      return read.ok ? read.value : "";
    });
    setProblems(found);
    const candidate = readCandidate(
      [said("name"), ...figures, said("alloy"), said("yield").replace(",", ".")].join("~"),
    );
    if (!candidate) return;
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
            {FIELDS.map(([kind, label, usual]) => (
              <label key={kind} className="grid content-start gap-1 text-sm font-semibold">
                <span>
                  {label}, <UnitName of={QUANTITIES[kind].unit} />
                </span>
                <UnitInput
                  name={kind}
                  unit={kind === "mass" ? "kg" : "mm"}
                  value={usual}
                  aria-invalid={problems[kind] !== undefined}
                  className="input w-full"
                />
                {problems[kind] && (
                  <span role="alert" className="text-error font-normal">
                    {problems[kind]}
                  </span>
                )}
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
