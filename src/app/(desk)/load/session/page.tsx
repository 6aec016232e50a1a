import type { Metadata } from "next";
import { whoIsAsking } from "@/server/who";
import { href, readSearch, type SearchParams } from "@/ui/kit/search";
import { SessionSheet } from "@/ui/load/SessionSheet";
import { sessionOf } from "./sessionPage";

export const metadata: Metadata = { title: "Ladders and sessions" };

export default async function SessionPage({ searchParams }: { searchParams: SearchParams }) {
  const search = await readSearch(searchParams);
  const session = await sessionOf(await whoIsAsking(), { ...search, i: undefined, x: undefined });
  if (!session) return <p className="sheet p-6">There is no bar yet to load.</p>;
  const { bars, item, clamps, clamp, racks, state, run, problems } = session;
  return (
    <SessionSheet
      bars={bars}
      bar={item.bar}
      clamps={clamps}
      clampKey={clamp?.key ?? "none"}
      stations={racks.map(({ key, name }) => ({ key, name }))}
      state={state}
      run={run}
      problems={problems}
      floorHref={href("/load/session/run", { ...search, i: undefined, x: undefined })}
    />
  );
}
