import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { barsOnTheWall } from "@/server/bars";
import { barsOfLifter, confirmable, lifterTexts, listLifters } from "@/server/lifters";
import { may } from "@/server/permissions";
import { keptSettings } from "@/server/setups";
import { whoIsAsking } from "@/server/who";
import { PageHead } from "@/ui/kit/PageHead";
import { LifterSheet } from "@/ui/lifters/LifterSheet";
import { confirmAction, eraseAction, saveLifterAction, noteUseAction } from "../actions";

export const metadata: Metadata = { title: "Lifter" };

export default async function LifterPage({ params }: { params: Promise<{ key: string }> }) {
  const [who, { key }] = [await whoIsAsking(), await params];
  const row = (await listLifters(who)).find((one) => one.key === key);
  if (!row) notFound();
  const [bars, known, wall, kept] = await Promise.all([
    barsOfLifter(who, row.id),
    confirmable(who),
    barsOnTheWall(who),
    keptSettings(who, { lifterId: row.id, withHistory: true }),
  ]);
  return (
    <>
      <PageHead title={row.name} about={row.squad} />
      <LifterSheet
        id={row.id}
        lifterKey={row.key}
        version={row.version}
        texts={lifterTexts(row)}
        confirmed={row.confirmed ?? []}
        confirmable={known}
        bars={bars}
        kept={kept}
        tags={wall.map(({ bar }) => bar.tag)}
        today={who.today}
        mayErase={may(who, "lifter.erase")}
        saveAction={saveLifterAction}
        confirmAction={confirmAction}
        useAction={noteUseAction}
        eraseAction={eraseAction}
      />
    </>
  );
}
