import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { blockTimes } from "@/core/classes/blockTimes";
import { FAMILIES } from "@/core/bars/families";
import { usageCardOf } from "@/core/use/useCards";
import { type ClassDetails, classDetails } from "@/server/classes";
import { usageRules } from "@/server/rules";
import { listStations } from "@/server/equipment";
import { type Context, requestContext } from "@/server/access";
import { PrintedSheet } from "@/ui/classes/PrintedSheet";
import Link from "@/ui/kit/Link";
import { PrintButton } from "@/ui/kit/PrintButton";

/** Straight bars explain themselves; of the others one of each family is told about. */
async function howUsed(context: Context, { plan, bars }: ClassDetails) {
  const named = new Set(plan?.entries.flatMap(({ tag }) => (tag ? [tag] : [])));
  const one = new Map(
    bars
      .filter(({ tag, family }) => named.has(tag) && FAMILIES[family].form !== "straight")
      .map((bar) => [bar.family, bar] as const),
  );
  const rules = await usageRules(context, [...one.keys()]);
  return [...one.values()].map(({ tag, name, family }) => ({
    ...{ tag, name },
    lines: usageCardOf(family, rules(family).own),
  }));
}

export const metadata: Metadata = { title: "Class sheet" };

export default async function ClassSheetPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const [result, { items: stations }] = [await classDetails(context, id), await listStations(context)];
  if (!result.ok) notFound();
  const { startsAt, blockMinutes, blocks } = result.details.row;
  return (
    <>
      <nav aria-label="About this sheet" className="no-print mb-3 flex gap-2">
        <PrintButton />
        <Link href={`/classes/${id}`} className="btn btn-sm btn-outline">
          Back to the class
        </Link>
      </nav>
      <PrintedSheet
        details={result.details}
        times={blockTimes(startsAt, blockMinutes, blocks)}
        stations={stations}
        use={await howUsed(context, result.details)}
      />
    </>
  );
}
