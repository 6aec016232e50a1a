import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { may, requestContext } from "@/server/access";
import { barsByTag } from "@/server/bars";
import { IncidentForm } from "@/ui/care/IncidentForm";
import { PageHead } from "@/ui/kit/PageHead";

type Params = Promise<{ tag: string }>;

export const metadata: Metadata = { title: "Record an incident" };

export default async function IncidentPage({ params }: { params: Params }) {
  const context = await requestContext();
  const tag = decodeURIComponent((await params).tag);
  const [listed] = await barsByTag(context, [tag]);
  if (!listed) notFound();
  return (
    <>
      <PageHead title={`Incident with ${tag}`} about={listed.bar.name} />
      {may(context, "care.tick") ? (
        <IncidentForm tag={tag} />
      ) : (
        <p className="sheet p-6">Tell a coach or the manager: they record incidents.</p>
      )}
    </>
  );
}
