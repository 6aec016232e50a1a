import { may } from "@/server/access/permissions";
import { cardPages } from "@/server/setupCards";
import { cardsPdf } from "@/server/setupPdf";
import { requestContext } from "@/server/access/session";

export async function GET(request: Request) {
  const context = await requestContext();
  if (!may(context, "lifter.read")) return new Response("Your role may not read lifters.", { status: 403 });
  const search = new URL(request.url).searchParams;
  const ask = { tag: search.get("bar") ?? undefined, lifter: search.get("lifter") ?? undefined };
  const cards = await cardPages(context, ask);
  const pdf = await cardsPdf(cards, "Setup cards", `${context.actor.hallName}, ${context.clock.today}`);
  return new Response(Buffer.from(pdf), {
    headers: { "content-type": "application/pdf", "content-disposition": 'inline; filename="setup-cards.pdf"' },
  });
}
