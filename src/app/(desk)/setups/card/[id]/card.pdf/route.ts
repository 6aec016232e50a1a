import { besideSetting, usageCardOf } from "@/core/use/useCards";
import { usageRules } from "@/server/rules";
import { drawPaper } from "@/server/computing";
import { cardPage } from "@/server/setups";
import { dayText } from "@/core/units/dates";
import { requestContext } from "@/server/access";

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const [context, { id }] = [await requestContext(), await params];
  const card = await cardPage(context, id);
  if (!card) return new Response("There is no card like that.", { status: 404 });
  const { family } = card.set.bar;
  const rules = await usageRules(context, [family]);
  const pdf = await drawPaper(
    context,
    "setupCard",
    card,
    `${context.actor.hallName}, ${dayText(context.clock.today, "")}`,
    besideSetting(usageCardOf(family, rules(family).own)),
  );
  return new Response(Buffer.from(pdf), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="card-${encodeURIComponent(card.set.bar.tag)}-${card.lifterKey}.pdf"`,
    },
  });
}
