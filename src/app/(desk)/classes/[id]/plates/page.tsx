import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { USUAL_WARM_UP, classPool } from "@/server/classes";
import { platesAtHand } from "@/server/loading";
import { requestContext } from "@/server/access";
import { PoolSheet } from "@/ui/classes/PoolSheet";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { facesOf } from "@/ui/load/plateFaces";
import { readSessionAsk } from "@/ui/load/sessionAsk";

export const metadata: Metadata = { title: "Plates for all stations" };

export default async function ClassPlatesPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: SearchParams;
}) {
  const [context, { id }, search] = [await requestContext(), await params, await readSearch(searchParams)];
  const { way, jumpKg, count, workSets, only } = readSessionAsk({
    ...{ way: USUAL_WARM_UP.way, count: String(USUAL_WARM_UP.count), only: "all" },
    ...search,
  });
  const result = await classPool(context, id, { way, jumpKg, count, workSets, only });
  if (!result.ok && result.code !== "impossible") notFound();
  if (!result.ok)
    return (
      <>
        <PageHead title="Plates for all stations" />
        <p className="sheet p-6">
          {result.message}{" "}
          <Link href={`/classes/${id}`} className="link">
            To the class
          </Link>
        </p>
      </>
    );
  const { row, question, stations, lifterOf, problems } = result;
  const plates = await platesAtHand(context);
  const rows = new Map([...plates].map(([key, { row: plate }]) => [key, plate]));
  return (
    <>
      <PageHead
        title="Plates for all stations"
        about={`${row.name}: one pool of plates, so that no set needs one that is on another bar`}
      >
        <Link href={`/classes/${id}`} className="inline-flex min-h-11 items-center text-sm hover:underline">
          The class
        </Link>
      </PageHead>
      <PoolSheet
        address={`/classes/${id}/plates`}
        startsAt={row.startsAt}
        question={question}
        stations={stations}
        lifterOf={lifterOf}
        problems={problems}
        faces={facesOf(rows)}
        only={only}
        ladder={{ way, jumpKg, count, workSets }}
      />
    </>
  );
}
