import type { PlatesOfClass } from "@/core/classes/planClass";
import { trimmed } from "@/core/units/format";
import Link from "../kit/Link";

/** Most are named; Plates for all stations has them all. */
const MAX_SHORT = 4;

/** What the plates cost the class: who was kept apart, or comes short and when. */
export function PlatesNote({
  plates: { isServed, clashes, sets },
  classId,
}: {
  plates: PlatesOfClass;
  classId: string;
}) {
  const short = [...(sets?.short ?? [])].sort((a, b) => b.lackKg - a.lackKg);
  if (clashes.length === 0 && short.length === 0) return null;
  return (
    <div className={`mt-2 border-l-4 pl-3 text-sm ${isServed ? "border-l-accent" : "border-l-error"}`}>
      {clashes.length > 0 && (
        <>
          <p className="font-semibold">
            {isServed
              ? "Places or bars were swapped, because there are not enough plates for"
              : "Not enough plates for"}
          </p>
          <ul className="list-disc pl-5">
            {clashes.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </>
      )}
      {short.length > 0 && (
        <p>
          <strong>
            {short.length} of {sets!.count} sets come short, warm-ups included:
          </strong>{" "}
          {short
            .slice(0, MAX_SHORT)
            .map(({ lifter, time, lackKg }) => `${lifter} at ${time} by ${trimmed(lackKg, 1)} kg`)
            .join(", ")}
          {short.length > MAX_SHORT && " …"}.{" "}
          <Link href={`/classes/${classId}/plates`} className="link">
            Which, and what to bring
          </Link>
        </p>
      )}
    </div>
  );
}
