import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { classDetails, listClasses } from "@/server/classes";
import { may, requestContext } from "@/server/access";
import { ClassesNav } from "@/ui/classes/ClassesNav";
import { ClassWhen } from "@/ui/classes/ClassWhen";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { ClassView } from "./ClassView";

export const metadata: Metadata = { title: "Classes" };

async function ClassesPage() {
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
  const classes = await listClasses(context);
  const { today } = context.clock;
  const [first] = classes.filter(({ heldOn }) => heldOn === today).sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1));
  const now = first ? await classDetails(context, first.id) : null;
  return (
    <>
      <PageHead
        title={first ? first.name : "Classes"}
        about={first ? <ClassWhen row={first} today={today} /> : "who lifts where, with which bar"}
      >
        <ClassesNav here="/classes" />
      </PageHead>
      {now?.ok && <ClassView context={context} details={now.details} />}
      <section className="sheet mt-3" aria-label="Classes">
        <div className="flex items-center justify-between gap-3 px-4 pt-3">
          <h2 className="font-bold">All classes</h2>
          <Link href="/classes/new" className="btn btn-sm btn-neutral">
            Add class
          </Link>
        </div>
        <ul className="divide-base-300 divide-y">
          {classes.map((row) => (
            <li key={row.id} className="flex flex-wrap items-center justify-between gap-3 px-4 py-2">
              <div>
                <Link href={`/classes/${row.id}`} className="font-semibold hover:underline">
                  {row.name}
                </Link>
                <span className="text-quiet block text-sm">
                  <ClassWhen row={row} today={today} />; {Object.keys(row.capacities).length} stations
                  {row.plan ? "; assigned" : "; not assigned yet"}
                </span>
              </div>
              <Link href={`/classes/${row.id}`} className="btn btn-sm btn-outline">
                Open
              </Link>
            </li>
          ))}
          {classes.length === 0 && <li className="px-4 py-3 text-sm">No classes yet. Add the first.</li>}
        </ul>
      </section>
    </>
  );
}

export default inParts(ClassesPage);
