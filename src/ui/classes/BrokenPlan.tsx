import type { ReactNode } from "react";
import type { ClassDetails } from "@/server/classes";

/** What breaks a class's plan, and whom it concerns; nothing while it holds. It is printed with the sheet. */
export function BrokenPlan({ details, children }: { details: ClassDetails; children?: ReactNode }) {
  const { breaks, warnings, items } = details;
  const texts = [...new Set([...breaks.values()].flat())];
  return (
    <>
      {texts.length > 0 && (
        <div role="alert" className="sheet border-error mb-3 border-l-8 px-4 py-3">
          <p className="text-error text-lg font-bold">This plan no longer holds.</p>
          <ul className="mt-1 grid gap-1">
            {texts.map((text) => (
              <li key={text}>
                <strong>{text}</strong>{" "}
                {items
                  .filter(({ id }) => breaks.get(id)?.includes(text))
                  .map(({ lifterName, liftName }) => `${lifterName} (${liftName})`)
                  .join(", ")}
              </li>
            ))}
          </ul>
          {children && <div className="no-print mt-2">{children}</div>}
        </div>
      )}
      {warnings.length > 0 && (
        <p className="sheet border-l-accent mb-3 border-l-4 px-4 py-2 text-sm">{warnings.join(" ")}</p>
      )}
    </>
  );
}
