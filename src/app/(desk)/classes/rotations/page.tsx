import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { SCHOOL_WORDS } from "@/core/rotation/rotationWish";
import { addDays } from "@/core/units/hallDay";
import { may, requestContext } from "@/server/access";
import { listLifters } from "@/server/lifters";
import { allLifts } from "@/server/lifts";
import { listRotations } from "@/server/rotation";
import { ClassesNav } from "@/ui/classes/ClassesNav";
import { dayText } from "@/core/units/dates";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { RotationForm } from "@/ui/rotation/RotationForm";
import { saveRotationAction } from "./actions";

export const metadata: Metadata = { title: "Rotations" };

async function RotationsPage() {
  const context = await requestContext();
  if (!may(context, "class.edit"))
    return (
      <>
        <PageHead title="Rotations" />
        <p className="sheet p-6">Only coaches and the manager see rotations.</p>
      </>
    );
  const { today } = context.clock;
  const [rotations, people, lifts] = await Promise.all([
    listRotations(context),
    listLifters(context),
    allLifts(context),
  ]);
  const liftName = (key: string) => lifts.find((one) => one.key === key)?.name ?? key;
  return (
    <>
      <PageHead title="Rotations" about="which bar in which week">
        <ClassesNav here="/classes/rotations" />
      </PageHead>
      {rotations.length > 0 && (
        <section className="sheet mb-3" aria-label="Rotations">
          <ul className="divide-base-300 divide-y">
            {rotations.map(({ id, name, startsOn, weeks, wish }) => (
              <li key={id} className="flex flex-wrap items-center justify-between gap-3 px-4 py-3">
                <div>
                  <Link href={`/classes/rotations/${id}`} className="font-semibold hover:underline">
                    {name}
                  </Link>
                  <span className="text-quiet block text-sm">
                    {liftName(wish.liftKey)}, {weeks} weeks from {dayText(startsOn, today)}; {wish.lifterIds.length}{" "}
                    {wish.lifterIds.length === 1 ? "lifter" : "lifters"}; {SCHOOL_WORDS[wish.school].name.toLowerCase()}
                  </span>
                </div>
                <Link href={`/classes/rotations/${id}`} className="btn btn-sm btn-outline">
                  Open
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section className="sheet p-4" aria-label="Add rotation">
        <h2 className="mb-2 font-bold">Add rotation</h2>
        <RotationForm
          id={null}
          version={0}
          start={{ startsOn: addDays(today, 7), liftKey: "back-squat-low" }}
          chosen={[]}
          lifters={people.map(({ id, name }) => ({ id, name }))}
          lifts={lifts}
          action={saveRotationAction}
        />
      </section>
    </>
  );
}

export default inParts(RotationsPage);
