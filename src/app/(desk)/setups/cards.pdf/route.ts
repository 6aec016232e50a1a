import { may, requestContext } from "@/server/access";
import { dayText } from "@/core/units/dates";
import { drawPaper } from "@/server/computing";
import { cardPages } from "@/server/setups";

export async function GET(request: Request) {
  const context = await requestContext();
  if (!may(context, "lifter.read")) return new Response("Your role may not read lifters.", { status: 403 });
  const search = new URL(request.url).searchParams;
  const ask = { tag: search.get("bar") ?? undefined, lifter: search.get("lifter") ?? undefined };
  const cards = await cardPages(context, ask);
  const pdf = await drawPaper(
    context,
    "setupCards",
    cards,
    "Setup cards",
    `${context.actor.hallName}, ${dayText(context.clock.today, "")}`,
  );
  return new Response(Buffer.from(pdf), {
    headers: { "content-type": "application/pdf", "content-disposition": 'inline; filename="setup-cards.pdf"' },
  });
}
