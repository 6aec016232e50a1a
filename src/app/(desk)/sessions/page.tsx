import type { Metadata } from "next";
import { blockTimes } from "@/core/classes/blockTimes";
import { listClasses } from "@/server/classes";
import { listStations } from "@/server/equipment";
import { may, requestContext } from "@/server/access";
import { ClassesNav } from "@/ui/classes/ClassesNav";
import { ClassForm } from "@/ui/classes/ClassForm";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { classAction } from "./actions";

export const metadata: Metadata = { title: "Sessions" };

export default async function SessionsPage() {
  const context = await requestContext();
  if (!may(context, "class.edit"))
    return (
      <>
        <PageHead title="Sessions" />
        <p className="sheet p-6">
          Classes with their lifters and loads are for the coaches and the manager. Ask them for the sheet.
        </p>
      </>
    );
  const [classes, { items: stations }] = await Promise.all([listClasses(context), listStations(context)]);
  return (
    <>
      <PageHead title="Sessions" about="classes: who lifts where, with which bar">
        <ClassesNav here="/sessions" />
      </PageHead>
      <section className="sheet" aria-label="Classes">
        <ul className="divide-base-300 divide-y">
          {classes.map(({ id, name, heldOn, startsAt, blocks, blockMinutes, capacities, plan }) => (
            <li key={id} className="flex flex-wrap items-center justify-between gap-3 px-4 py-3">
              <div>
                <Link href={`/sessions/${id}`} className="font-semibold hover:underline">
                  {name}
                </Link>{" "}
                {heldOn === context.clock.today && <strong className="text-accent text-sm">tonight</strong>}
                <span className="text-quiet block text-sm">
                  {heldOn}, {blockTimes(startsAt, blockMinutes, blocks).join(", ")}; {Object.keys(capacities).length}{" "}
                  stations
                  {plan ? "; assigned" : "; not assigned yet"}
                </span>
              </div>
              <Link href={`/sessions/${id}`} className="btn btn-sm btn-outline min-h-11">
                Open
              </Link>
            </li>
          ))}
          {classes.length === 0 && <li className="px-4 py-3 text-sm">No classes yet. Enter the first below.</li>}
        </ul>
      </section>
      <section className="sheet mt-3 p-4" aria-label="Enter a class">
        <h2 className="mb-2 font-bold">Enter a class</h2>
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
