import type { StationHoles } from "@/server/setups";

const COUNT = ["no", "one", "two", "three", "four", "five", "six"];

/** J-cups and safeties at every rack and bench: what was used last, else by the rule. */
export function RackHoles({ holes, at }: { holes: readonly StationHoles[]; at: string }) {
  return (
    <section className="sheet px-4 py-3" aria-label="J-cups and safeties">
      <h2 className="mb-1 font-bold">J-cups and safeties</h2>
      <div className="relative overflow-x-auto">
        <table className="w-full text-sm">
          <thead className="text-quiet text-left text-xs">
            <tr>
              <th className="py-1 pr-3 font-normal">at</th>
              <th className="pr-3 text-right font-normal">J-cups in hole</th>
              <th className="pr-3 text-right font-normal">safeties</th>
              <th className="pr-3 font-normal">against a straight bar</th>
              <th className="font-normal">pairs left</th>
            </tr>
          </thead>
          <tbody>
            {holes.map((one) => (
              <tr key={one.key} className={`border-base-300 border-t ${one.key === at ? "bg-base-200" : ""}`}>
                <th scope="row" className="py-1 pr-3 text-left font-semibold">
                  {one.name}
                </th>
                <td className="pr-3 text-right text-lg font-bold">{one.hole ?? "–"}</td>
                <td className="pr-3 text-right">
                  {one.hole === null ? "–" : (one.safetyHole ?? (one.ruleHole === null ? "–" : "lowest"))}
                </td>
                <td className="pr-3">
                  {one.fromStraight === null ? (
                    <span className="text-quiet">
                      {one.hole === null ? "from what the lifter uses first" : "as used last"}
                    </span>
                  ) : (
                    holesWords(one.fromStraight)
                  )}
                  {one.note && <span className="text-accent block text-xs">{one.note}</span>}
                </td>
                <td className={one.pairsLeft === 0 ? "text-error font-semibold" : ""}>
                  {one.pairsLeft === 0 ? "none: bars hang on them" : one.pairsLeft}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="text-quiet mt-1 text-xs">
        Shoulder height as a share of body height: Drillis &amp; Contini, in Winter. The last hole at or below, so that
        nobody unracks on tiptoe; what a lifter used last wins. Safeties go under the lowest hanging part.
      </p>
    </section>
  );
}

function holesWords(count: number): string {
  if (count === 0) return "the same hole";
  const many = Math.abs(count);
  return `${COUNT[many] ?? many} ${many === 1 ? "hole" : "holes"} ${count > 0 ? "up" : "down"}`;
}
