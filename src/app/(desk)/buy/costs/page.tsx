import type { Metadata } from "next";
import { inParts } from "@/app/inParts";
import { may, requestContext } from "@/server/access";
import { barCosts } from "@/server/buying";
import { OneForm, TextField } from "@/ui/buy/BuyForms";
import { BuyNav } from "@/ui/buy/BuyNav";
import { CostTable } from "@/ui/buy/CostTable";
import { PageHead } from "@/ui/kit/PageHead";
import { repairAction } from "../actions";

export const metadata: Metadata = { title: "What bars cost" };

async function CostsPage() {
  const context = await requestContext();
  if (!may(context, "price.read")) return <p className="sheet p-6">Prices are the manager’s.</p>;
  const { currency } = context.actor;
  const { today } = context.clock;
  const items = await barCosts(context);
  return (
    <>
      <PageHead title="What bars cost" about="price less what they would bring, care and repairs, by session">
        <BuyNav here="/buy/costs" />
      </PageHead>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
        <CostTable items={items} currency={currency} today={today} />
        <section className="sheet px-4 py-3" aria-label="Add a repair">
          <h2 className="mb-2 font-bold">Add a repair</h2>
          <OneForm fields={{}} word="Add" action={repairAction}>
            <label className="grid gap-1">
              Bar
              <select name="tag" className="select select-sm w-56">
                {[...items]
                  .sort((a, b) => (a.tag < b.tag ? -1 : 1))
                  .map(({ tag, name }) => (
                    <option key={tag} value={tag}>
                      {tag} {name}
                    </option>
                  ))}
              </select>
            </label>
            <TextField name="paidOn" label="Paid on" type="date" start={today} max={today} />
            <TextField name="amount" label={`Amount, ${currency}`} />
            <TextField name="note" label="For what" isWide />
          </OneForm>
        </section>
      </div>
    </>
  );
}

export default inParts(CostsPage);
