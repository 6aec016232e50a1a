import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { inParts } from "@/app/inParts";
import { isUsable, ratedTotalKg, valueOf } from "@/core/bars/bar";
import { planWarnings } from "@/core/bars/fitness";
import { kgFromMassUnits } from "@/core/units/exactMass";
import { overStation, stationOut } from "@/core/bars/fitness";
import { fitAt, isRefused, rackFitText } from "@/core/bars/rackSpan";
import { barsOnTheWall } from "@/server/bars";
import { listClamps, listStations } from "@/server/equipment";
import { otherWay, ownStack, planLoad, tippingAt } from "@/server/loading";
import { requestContext } from "@/server/access";
import { openFindings } from "@/server/care/findings";
import { matchingRules } from "@/server/rules";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { LoadSheet } from "@/ui/load/LoadSheet";
import { readUnit } from "@/ui/kit/massInput";
import { readLoadState, startTarget } from "@/ui/load/loadState";

export const metadata: Metadata = { title: "Load" };

/** What an address says, without what it leaves out. */
const given = (search: Record<string, string | undefined>) =>
  Object.entries(search).filter((one): one is [string, string] => one[1] !== undefined);

/** Masses are typed in the person's own unit until the address names one, here and in the browser. */
async function lead({ searchParams }: { searchParams: SearchParams }) {
  const [context, search] = [await requestContext(), await readSearch(searchParams)];
  if (search.unit === undefined && context.actor.units.mass === "lb")
    redirect(`/load?${new URLSearchParams({ ...Object.fromEntries(given(search)), unit: "lb" }).toString()}`);
}

async function LoadPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const search = await readSearch(searchParams);
  const [wall, clamps, { items: stations }] = await Promise.all([
    barsOnTheWall(context),
    listClamps(context),
    listStations(context),
  ]);
  const named = wall.find(({ bar }) => bar.tag === search.bar);
  const item = named ?? wall.find(({ bar }) => bar.family === "all-round" && bar.state === "in-service") ?? wall[0];
  if (!item) return <p className="sheet p-6">No bars to load yet.</p>;

  const clamp =
    search.clamps === "none" ? null : (clamps.find(({ key }) => key === search.clamps) ?? clamps[0] ?? null);
  const emptyKg = (valueOf(item.bar, "mass") ?? 0) + (clamp ? kgFromMassUnits(clamp.pairMassUnits) : 0);
  const asked = readLoadState(search, startTarget(readUnit(search.unit), ratedTotalKg(item.bar), emptyKg));
  const { targetKg, ending, rounding, only, onBar } = asked;
  const result =
    targetKg === null
      ? null
      : await planLoad(context, item, {
          targetKg,
          clamps: clamp,
          ending,
          rounding,
          toleranceKg: asked.withinKg,
          only,
          onBar,
        });
  const racks = stations.filter(({ supportSpacingMm }) => supportSpacingMm !== null);
  const station = racks.find(({ key }) => key === asked.at) ?? null;
  const over = station ? [...stationOut(station), ...(targetKg !== null ? overStation(station, targetKg) : [])] : [];
  // No plates are named for a load that the rack does not hold.
  const plan = result?.ok && over.length === 0 ? result.plan : null;
  const { rackMarginMm, loadToleranceKg } = await matchingRules(context);
  const own =
    plan && asked.stack.trim() !== "" ? await ownStack(context, { text: asked.stack, other: asked.other }, plan) : null;
  const other = plan ? await otherWay(context, plan, own?.otherSide ? null : (own?.perSide ?? null)) : null;
  const rackText =
    station && isRefused(fitAt(item.bar, station, rackMarginMm))
      ? rackFitText(item.bar, station, stations, rackMarginMm)
      : null;
  const warnings = planWarnings(item.bar, (await openFindings(context)).get(item.bar.tag) ?? []);
  const problems = [
    ...(asked.bar && !named ? [`There is no bar ${asked.bar} on the wall; this is ${item.bar.tag}.`] : []),
    ...(targetKg === null ? [`“${asked.target}” is not a load. Write 100, 100 kg or 225 lb, up to 2000 kg.`] : []),
    ...(result && !result.ok ? [result.message] : []),
    ...over,
    ...(plan && !plan.answer.ok ? [plan.answer.message] : []),
    ...(rackText ? [`${item.bar.tag} ${rackText}.`] : []),
  ];
  return (
    <LoadSheet
      bars={wall
        .filter(({ bar }) => isUsable(bar.state) || bar.tag === item.bar.tag)
        .map(({ bar }) => ({ tag: bar.tag, name: bar.name }))}
      bar={item.bar}
      clamps={clamps}
      clamp={clamp}
      state={{ ...asked, bar: item.bar.tag, clamps: clamp?.key ?? "none", onBar: plan?.onBar ?? onBar }}
      stations={racks.map(({ key, name, supportSpacingMm }) => ({ key, name, spacingMm: supportSpacingMm }))}
      plan={plan}
      warnings={warnings}
      houseToleranceKg={loadToleranceKg}
      other={other}
      own={
        own && {
          ...own,
          tipping:
            own.perSide && !rackText
              ? tippingAt(item.bar, station, plan!.plates, own.perSide, clamp, own.otherSide ?? own.perSide)
              : null,
        }
      }
      tipping={
        plan?.answer.ok && !rackText ? tippingAt(item.bar, station, plan.plates, plan.answer.perSide, clamp) : null
      }
      problem={problems.length > 0 ? problems.join(" ") : null}
    />
  );
}

export default inParts(LoadPage, lead);
