import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { listLifters } from "@/server/lifters";
import { may, requestContext } from "@/server/access";
import Link from "@/ui/kit/Link";
import { PageHead } from "@/ui/kit/PageHead";
import { LiftersSheet } from "@/ui/lifters/LiftersSheet";

export const metadata: Metadata = { title: "Lifters" };

async function LiftersPage() {
  const context = await requestContext();
  if (!may(context, "lifter.read"))
    return (
      <>
        <PageHead title="Lifters" />
        <p className="sheet p-6">Only coaches and the manager see lifters.</p>
      </>
    );
  const lifters = await listLifters(context);
  return (
    <>
      <PageHead title="Lifters" about={`${lifters.length} people; only coaches and the manager see them`}>
        <Link href="/lifters/new" className="btn btn-sm btn-neutral">
          Add lifter
        </Link>
      </PageHead>
      <LiftersSheet lifters={lifters} today={context.clock.today} />
    </>
  );
}

export default inParts(LiftersPage);
