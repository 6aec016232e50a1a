import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { listStations } from "@/server/equipment";
import { may, requestContext } from "@/server/access";
import { ClassesNav } from "@/ui/classes/ClassesNav";
import { ClassForm } from "@/ui/classes/ClassForm";
import { PageHead } from "@/ui/kit/PageHead";
import { classAction } from "../actions";

export const metadata: Metadata = { title: "Add class" };

export default async function NewClassPage() {
  const context = await requestContext();
  if (!may(context, "class.edit")) notFound();
  const { items: stations } = await listStations(context);
  return (
    <>
      <PageHead title="Add class" about="when, and at which stations">
        <ClassesNav />
      </PageHead>
      <section className="sheet p-4" aria-label="Add class">
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
