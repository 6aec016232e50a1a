import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { blockTimes } from "@/core/classes/blockTimes";
import { classDetails } from "@/server/classes";
import { listStations } from "@/server/equipment";
import { requestContext } from "@/server/access";
import { PrintedSheet } from "@/ui/classes/PrintedSheet";
import Link from "@/ui/kit/Link";
import { PrintButton } from "@/ui/kit/PrintButton";

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
        <Link href={`/classes/${id}`} className="btn btn-sm btn-outline min-h-11">
          Back to the class
        </Link>
      </nav>
      <PrintedSheet details={result.details} times={blockTimes(startsAt, blockMinutes, blocks)} stations={stations} />
    </>
  );
}
