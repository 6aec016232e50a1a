import type { Metadata } from "next";
import { whoIsAsking } from "@/server/who";
import { href, readSearch, type SearchParams } from "@/ui/kit/search";
import { RunSheet } from "@/ui/load/RunSheet";
import { sessionOf } from "../sessionPage";

export const metadata: Metadata = { title: "Run sheet" };

export default async function RunPage({ searchParams }: { searchParams: SearchParams }) {
  const search = await readSearch(searchParams);
  const session = await sessionOf(await whoIsAsking(), search);
  if (!session?.run)
    return (
      <p role="alert" className="sheet p-6">
        {session?.problems.join(" ") || "There is no bar yet to load."}
      </p>
    );
  const { item, clamp, state, run, station } = session;
  return (
    <RunSheet
      bar={item.bar}
      clampWidthMm={clamp?.widthMm ?? null}
      stationName={station?.name ?? null}
      state={state}
      run={run}
      search={search}
      planHref={href("/load/session", { ...search, i: undefined, x: undefined })}
    />
  );
}
