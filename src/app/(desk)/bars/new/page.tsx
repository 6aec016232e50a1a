import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { barDetails } from "@/server/bars";
import { placeNames } from "@/server/kit";
import { may, requestContext } from "@/server/access";
import { BarForm } from "@/ui/bars/BarForm";
import { PageHead } from "@/ui/kit/PageHead";
import { readSearch, type SearchParams } from "@/ui/kit/search";
import { enterAction } from "../actions";

export const metadata: Metadata = { title: "Add bar" };

/** What belongs to one bar and not to another like it. */
const OWN = [
  "tag",
  "state",
  "stateReason",
  "paintMarks",
  "note",
  "boughtOn",
  "price",
  "warrantyUntil",
  "stock",
  "batch",
];

async function NewBarPage({ searchParams }: { searchParams: SearchParams }) {
  const context = await requestContext();
  const { like } = await readSearch(searchParams);
  if (!may(context, "bar.edit")) return <p className="sheet p-6">Coaches and the manager add bars.</p>;
  const model = like ? await barDetails(context, like) : null;
  const texts = Object.fromEntries(Object.entries(model?.texts ?? {}).filter(([key]) => !OWN.includes(key)));
  return (
    <>
      <PageHead
        title="Add bar"
        about={
          model
            ? `like ${model.bar.tag} ${model.bar.name}; measurements belong to the bar and are not copied`
            : "or several of a kind, with one spec and a tag each"
        }
      />
      <BarForm
        mode="new"
        texts={texts}
        places={await placeNames(context.hall)}
        currency={context.actor.currency}
        showsMoney={may(context, "price.read")}
        action={enterAction}
        back={model ? `/bars/${encodeURIComponent(model.bar.tag)}` : "/bars"}
      />
    </>
  );
}

export default inParts(NewBarPage);
