"use client";

import { fetched } from "../kit/fetched";
import type { FormAction } from "../kit/formState";
import { OnceOpen } from "../kit/OnceOpen";
import type { CrewMember } from "./PlanForms";

const HoursForm = fetched(async () => (await import("./HoursForm")).HoursForm);

/** When each of the crew is in, changed one by one. */
export function CrewHours({ crew, action }: { crew: readonly CrewMember[]; action: FormAction }) {
  return (
    <section className="sheet p-4" aria-label="Hours">
      <h2 className="font-bold">When someone is in</h2>
      <p className="text-quiet mb-2 text-xs">Every week. Rounds are planned around classes.</p>
      <ul className="divide-base-300 divide-y text-sm">
        {crew.map((person) => (
          <li key={person.id} className="py-1">
            <p className="flex flex-wrap gap-x-3">
              <strong className="min-w-36">{person.name}</strong>
              <span className="text-quiet">{person.text.split("\n").filter(Boolean).join(", ") || "no hours yet"}</span>
            </p>
            <OnceOpen
              summary={
                <>
                  Change<span className="sr-only"> the hours of {person.name}</span>
                </>
              }
              summaryClass="link min-h-9 cursor-pointer py-2 text-xs"
            >
              {() => (
                <>
                  <p className="text-quiet mb-1 text-xs">One span a line: Mon 09:00-10:30.</p>
                  <HoursForm key={person.text} person={person} action={action} />
                </>
              )}
            </OnceOpen>
          </li>
        ))}
      </ul>
    </section>
  );
}
