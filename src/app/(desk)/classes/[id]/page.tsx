import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { classDetails } from "@/server/classes";
import { requestContext } from "@/server/access";
import { ClassesNav } from "@/ui/classes/ClassesNav";
import { ClassWhen } from "@/ui/classes/ClassWhen";
import { PageHead } from "@/ui/kit/PageHead";
import { ClassView } from "../ClassView";

export const metadata: Metadata = { title: "Class" };

export default async function ClassPage({ params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const result = await classDetails(context, id);
  if (!result.ok) notFound();
  const { row } = result.details;
  return (
    <>
      <PageHead title={row.name} about={<ClassWhen row={row} today={context.clock.today} />}>
        <ClassesNav />
      </PageHead>
      <ClassView context={context} details={result.details} />
    </>
  );
}
