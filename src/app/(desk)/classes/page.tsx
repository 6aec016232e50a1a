import type { Metadata } from "next";
import { timeText } from "@/core/units/dates";
import { Day } from "@/ui/kit/shown";
import { blockTimes } from "@/core/classes/blockTimes";
import { listClasses } from "@/server/classes";
import { listStations } from "@/server/equipment";
import { may, requestContext } from "@/server/access";
import { ClassesNav } from "@/ui/classes/ClassesNav";
import { ClassForm } from "@/ui/classes/ClassForm";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { classAction } from "./actions";

export const metadata: Metadata = { title: "Classes" };

export default async function SessionsPage() {
  const context = await requestContext();
  if (!may(context, "class.edit"))
    return (
      <>
        <PageHead title="Classes" />
        <p className="sheet p-6">
          Only coaches and the manager see classes with lifters and loads. Ask them for the class sheet.
        </p>
      </>
    );
  const [classes, { items: stations }] = await Promise.all([listClasses(context), listStations(context)]);
  const { locale } = context.actor;
  const shown = classes.map((row) => ({
    ...row,
    times: blockTimes(row.startsAt, row.blockMinutes, row.blocks).map((time) => timeText(time, locale)),
  }));
  return (
    <>
      <PageHead title="Classes" about="who lifts where, with which bar">
        <ClassesNav here="/classes" />
      </PageHead>
      <section className="sheet" aria-label="Classes">
        <ul className="divide-base-300 divide-y">
          {shown.map(({ id, name, heldOn, times, capacities, plan }) => (
            <li key={id} className="flex flex-wrap items-center justify-between gap-3 px-4 py-3">
              <div>
                <Link href={`/classes/${id}`} className="font-semibold hover:underline">
                  {name}
                </Link>{" "}
                {heldOn === context.clock.today && <strong className="text-accent text-sm">tonight</strong>}
                <span className="text-quiet block text-sm">
                  <Day on={heldOn} />, {times.join(", ")}; {Object.keys(capacities).length} stations
                  {plan ? "; assigned" : "; not assigned yet"}
                </span>
              </div>
              <Link href={`/classes/${id}`} className="btn btn-sm btn-outline min-h-11">
                Open
              </Link>
            </li>
          ))}
          {classes.length === 0 && <li className="px-4 py-3 text-sm">No classes yet. Add the first below.</li>}
        </ul>
      </section>
      <section className="sheet mt-3 p-4" aria-label="Add class">
        <h2 className="mb-2 font-bold">Add class</h2>
        <ClassForm
          id={null}
          version={0}
          texts={{ heldOn: context.clock.today, startsAt: "18:30", blocks: "3", blockMinutes: "25" }}
          stations={stations}
          action={classAction}
        />
      </section>
    </>
  );
}
