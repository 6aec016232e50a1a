import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { FAMILIES, type FamilyKey } from "@/core/bars/families";
import { groupBy } from "@/core/collections/groupBy";
import { evenings } from "@/core/rotation/eveningOrder";
import { WEEKDAYS } from "@/core/rotation/readWish";
import { SCHOOL_WORDS } from "@/core/rotation/rotationWish";
import { addDays } from "@/core/units/hallDay";
import { may, requestContext } from "@/server/access";
import { barsOnTheWall } from "@/server/bars";
import { listLifters } from "@/server/lifters";
import { allLifts } from "@/server/lifts";
import { liftedKey, rotationOf } from "@/server/rotation";
import { ClassesNav } from "@/ui/classes/ClassesNav";
import { dayText } from "@/core/units/dates";
import { PageHead } from "@/ui/kit/PageHead";
import { RotationForm } from "@/ui/rotation/RotationForm";
import type { GridRow } from "@/ui/rotation/RotationGrid";
import { RotationSheet } from "@/ui/rotation/RotationSheet";
import { deleteRotationAction, pinAction, saveRotationAction, sendAction } from "../actions";

export const metadata: Metadata = { title: "Rotation" };

export default async function RotationPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const result = await rotationOf(context, id);
  if (!result.ok) notFound();
  const { row, lifters, bars, lifted } = result.view;
  const { wish, plan, startsOn, weeks, name, version } = row;
  const { today } = context.clock;
  const [people, lifts, wall] = await Promise.all([listLifters(context), allLifts(context), barsOnTheWall(context)]);
  const barOf = new Map(bars.map((bar) => [bar.id, bar]));
  const sessionName = (i: number) => {
    const { weekday, startsAt } = wish.sessions[i]!;
    const day = WEEKDAYS[weekday]!;
    return `${day[0]!.toUpperCase()}${day.slice(1, 3)} ${startsAt}`;
  };
  const placesOf = new Map(
    [...groupBy(plan?.rows ?? [], ({ lifterId }) => lifterId)].map(([id, own]) => [id, evenings(wish.sessions, own)]),
  );
  const rows = (plan?.rows ?? []).flatMap((one): GridRow[] => {
    const lifter = lifters.find((person) => person.id === one.lifterId);
    if (!lifter) return [];
    return [
      {
        ...{ lifterId: lifter.id, lifterKey: lifter.key, name: lifter.name },
        ...{ session: one.session, sessionName: sessionName(one.session) },
        cells: one.weeks.map((week, w) => ({
          ...week,
          tag: barOf.get(week.barId)?.tag ?? "?",
          form: FAMILIES[(barOf.get(week.barId)?.family ?? "power") as FamilyKey].form,
          place: placesOf.get(one.lifterId)?.get(one.session)?.[w] ?? null,
          isPinned: wish.pins.some(
            (pin) => pin.lifterId === lifter.id && pin.session === one.session && pin.week === w + 1,
          ),
          lifted: lifted.get(liftedKey(lifter.id, one.session, w)) ?? null,
          isOver: addDays(startsOn, 7 * w + wish.sessions[one.session]!.weekday) < today,
        })),
      },
    ];
  });
  const used = new Set(rows.flatMap(({ cells }) => cells.map(({ tag }) => tag)));
  const sessionTexts = Object.fromEntries(
    wish.sessions.flatMap((session, i) =>
      Object.entries({ ...session, weekday: WEEKDAYS[session.weekday]! }).map(([key, value]) => [
        `session.${i}.${key}`,
        String(value),
      ]),
    ),
  );
  const lift = lifts.find(({ key }) => key === wish.liftKey);
  return (
    <>
      <PageHead title={name} about={`${lift?.name ?? wish.liftKey}, ${SCHOOL_WORDS[wish.school].name.toLowerCase()}`}>
        <ClassesNav />
      </PageHead>
      <RotationSheet
        id={id}
        version={version}
        plan={plan}
        rows={rows}
        weeks={Array.from({ length: weeks }, (_, w) => ({
          number: w + 1,
          from: dayText(addDays(startsOn, 7 * w), today).replace(/^\w+,? /, ""),
          targetPct: wish.wave[w]!,
        }))}
        bars={wall.filter(({ bar }) => used.has(bar.tag)).map(({ bar }) => bar)}
        tags={wall.map(({ bar }) => bar.tag)}
        mayEdit={may(context, "class.edit")}
        actions={{ pin: pinAction, send: sendAction, remove: deleteRotationAction }}
      />
      <details className="sheet mt-3 px-4">
        <summary className="min-h-11 cursor-pointer py-3 text-sm font-semibold">Lifters, weeks and sessions</summary>
        <div className="pb-4">
          <RotationForm
            key={version}
            id={id}
            version={version}
            start={{
              ...{ name, startsOn, weeks: String(weeks), liftKey: wish.liftKey, school: wish.school },
              ...{ blockWeeks: String(wish.blockWeeks), maxRun: String(wish.maxRun), wave: wish.wave.join(", ") },
              ...{ lightBelowPct: String(wish.lightBelowPct), sharing: String(wish.sharing) },
              competitionWeeks: String(wish.competitionWeeks),
              ...sessionTexts,
            }}
            chosen={wish.lifterIds}
            lifters={people.map((one) => ({ id: one.id, name: one.name }))}
            lifts={lifts}
            action={saveRotationAction}
          />
        </div>
      </details>
    </>
  );
}
