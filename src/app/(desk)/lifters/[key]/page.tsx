import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { cache } from "react";
import { inParts } from "@/app/inParts";
import { barsOnTheWall } from "@/server/bars";
import { barsOfLifter, confirmable, lifterTexts, listLifters, peopleToLink, personOfLifter } from "@/server/lifters";
import { may, requestContext } from "@/server/access";
import { keptSettings } from "@/server/setups";
import { PageHead } from "@/ui/kit/PageHead";
import { LifterNav } from "@/ui/lifters/LifterNav";
import { LifterSheet } from "@/ui/lifters/LifterSheet";
import { SignInLink } from "@/ui/lifters/SignInLink";
import {
  confirmAction,
  eraseAction,
  inviteLifterAction,
  linkPersonAction,
  noteUseAction,
  saveLifterAction,
} from "../actions";

export const metadata: Metadata = { title: "Lifter" };

/** Somebody of the squad by their key. */
const lifterOf = cache(async (key: string) =>
  (await listLifters(await requestContext())).find((one) => one.key === key),
);

async function lead({ params }: { params: Promise<{ key: string }> }) {
  if (!(await lifterOf((await params).key))) notFound();
}

async function LifterPage({ params }: { params: Promise<{ key: string }> }) {
  const [context, { key }] = [await requestContext(), await params];
  const row = (await lifterOf(key))!;
  const [bars, known, wall, kept] = await Promise.all([
    barsOfLifter(context, row.id),
    confirmable(context),
    barsOnTheWall(context),
    keptSettings(context, { lifterId: row.id, withHistory: true }),
  ]);
  return (
    <>
      <PageHead title={row.name} about={row.squad}>
        <LifterNav lifter={row.key} here="profile" />
      </PageHead>
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
        today={context.clock.today}
        mayErase={may(context, "lifter.erase")}
        saveAction={saveLifterAction}
        confirmAction={confirmAction}
        useAction={noteUseAction}
        eraseAction={eraseAction}
      />
      <SignInLink
        lifter={row.key}
        name={row.name}
        person={(await personOfLifter(context, row.personId))?.name ?? null}
        free={row.personId ? [] : await peopleToLink(context)}
        mayInvite={may(context, "people.manage")}
        linkAction={linkPersonAction}
        inviteAction={inviteLifterAction}
      />
    </>
  );
}

export default inParts(LifterPage, lead);
