import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { LIFTER_FIELDS } from "@/core/matching/lifterFields";
import { may, requestContext } from "@/server/access";
import { FieldsForm } from "@/ui/kit/FieldsForm";
import { PageHead } from "@/ui/kit/PageHead";
import { saveLifterAction } from "../actions";

export const metadata: Metadata = { title: "Add lifter" };

export default async function NewLifterPage() {
  if (!may(await requestContext(), "lifter.edit")) notFound();
  return (
    <>
      <PageHead title="Add lifter" about="only name and experience are needed; the rest improves Match" />
      <section className="sheet p-4">
        <FieldsForm
          kind="lifter"
          defs={LIFTER_FIELDS}
          id={null}
          version={0}
          texts={{ experience: "regular" }}
          action={saveLifterAction}
        />
      </section>
    </>
  );
}
