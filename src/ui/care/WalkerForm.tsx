"use client";

import { useState } from "react";

/** Who walks the round on a shared tablet, and the ticket that says so. */
export interface Walker {
  name: string;
  ticket: string;
}

interface Props {
  people: readonly { id: string; name: string }[];
  walker: Walker | null;
  /** Whether what was touched needs a person. */
  isAsked: boolean;
  setWalker: (walker: Walker | null) => void;
}

/** On a shared tablet: says who walks the round, by their PIN. Without it ticks are the tablet's. */
export function WalkerForm({ people, walker, isAsked, setWalker }: Props) {
  const [problem, setProblem] = useState("");
  const [isSending, setSending] = useState(false);
  if (walker)
    return (
      <p className="flex flex-wrap items-center gap-3">
        <span>
          Signed as <strong>{walker.name}</strong>.
        </span>
        <button type="button" className="btn btn-outline" onClick={() => setWalker(null)}>
          Not {walker.name}
        </button>
      </p>
    );
  if (people.length === 0)
    return (
      <p className={isAsked ? "text-error font-semibold" : "text-quiet text-sm"} role={isAsked ? "alert" : undefined}>
        {isAsked
          ? "This may take the bar out and needs a person with a PIN. Nobody has one yet: report it under Something is wrong."
          : "Ticks count as this tablet’s. Set a PIN under Settings, Your account, to tick in your own name."}
      </p>
    );
  return (
    <form
      className={`grid gap-2 sm:grid-cols-[1fr_8rem_auto] sm:items-end ${isAsked ? "border-error border-l-4 pl-3" : ""}`}
      onSubmit={async (event) => {
        event.preventDefault();
        const form = event.currentTarget;
        const data = new FormData(form);
        setSending(true);
        setProblem("");
        try {
          const response = await fetch("/care/rounds/person", {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: JSON.stringify({ personId: data.get("personId"), pin: data.get("pin") }),
          });
          const answer = (await response.json()) as Partial<Walker> & { error?: { message: string } };
          if (answer.ticket && answer.name) setWalker({ ticket: answer.ticket, name: answer.name });
          else setProblem(answer.error?.message ?? "That did not work. Try again.");
        } catch {
          setProblem("There is no connection: a PIN cannot be checked now.");
        }
        setSending(false);
        form.reset();
      }}
    >
      {isAsked && (
        <p role="alert" className="font-semibold sm:col-span-3">
          This may take the bar out: say who you are, then touch Done again.
        </p>
      )}
      <label className="grid gap-1 text-sm">
        Who is doing this round?
        <select name="personId" className="select w-full" required defaultValue="">
          <option value="" disabled>
            this tablet
          </option>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-1 text-sm">
        PIN
        <input
          name="pin"
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={8}
          required
          className="input w-full"
        />
      </label>
      <button className="btn btn-outline" disabled={isSending}>
        Confirm
      </button>
      {problem && (
        <p role="alert" className="text-error text-sm sm:col-span-3">
          {problem}
        </p>
      )}
    </form>
  );
}
