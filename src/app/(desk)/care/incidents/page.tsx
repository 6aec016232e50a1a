import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { requestContext } from "@/server/access";
import { listIncidents } from "@/server/care/findings";
import { CareNav } from "@/ui/care/CareNav";
import { IncidentList } from "@/ui/care/IncidentList";
import { PageHead } from "@/ui/kit/PageHead";

export const metadata: Metadata = { title: "Incidents" };

async function IncidentsPage() {
  const context = await requestContext();
  const result = await listIncidents(context);
  return (
    <>
      <PageHead title="Incidents" about="someone hurt, a bar that fell, a near miss">
        <CareNav here="/care/incidents" />
      </PageHead>
      {result.ok ? (
        <IncidentList items={result.items} today={context.clock.today} />
      ) : (
        <p className="sheet p-6">
          The manager reads incidents. Record one from the page of the bar; you can do that without seeing the others.
        </p>
      )}
    </>
  );
}

export default inParts(IncidentsPage);
