import type { RoundStations } from "@/server/care/rounds";
import Link from "../kit/Link";

/** Stations of a planned round with what is looked at on each, and where it is saved. */
export function StationsOfRound({ stations, isLinked }: { stations: readonly RoundStations[]; isLinked: boolean }) {
  if (stations.length === 0) return null;
  const at = stations.map(({ key }) => key).join(",");
  return (
    <section aria-label="Stations" className="sheet grid gap-2 p-4">
      <h2 className="font-bold">Stations of this round</h2>
      <ul className="text-sm">
        {stations.map(({ key, name, parts }) => (
          <li key={key}>
            <strong>{name}</strong>: {parts.join("; ")}
          </li>
        ))}
      </ul>
      {isLinked && (
        <Link href={`/care/stations?at=${encodeURIComponent(at)}`} className="btn btn-outline justify-self-start">
          Check {stations.length === 1 ? "it" : "them"}
        </Link>
      )}
    </section>
  );
}
