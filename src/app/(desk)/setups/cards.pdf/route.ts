import { may } from "@/server/permissions";
import { cardPages } from "@/server/setupCards";
import { cardsPdf } from "@/server/setupPdf";
import { whoIsAsking } from "@/server/who";

export async function GET(request: Request) {
  const who = await whoIsAsking();
  if (!may(who, "lifter.read")) return new Response("Your role may not read lifters.", { status: 403 });
  const search = new URL(request.url).searchParams;
  const ask = { tag: search.get("bar") ?? undefined, lifter: search.get("lifter") ?? undefined };
  const cards = await cardPages(who, ask);
  const pdf = await cardsPdf(cards, "Setup cards", `${who.hallName}, ${who.today}`);
  return new Response(Buffer.from(pdf), {
    headers: { "content-type": "application/pdf", "content-disposition": 'inline; filename="setup-cards.pdf"' },
  });
}
