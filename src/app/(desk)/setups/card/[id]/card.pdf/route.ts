import { cardPage } from "@/server/setupCards";
import { cardPdf } from "@/server/setupPdf";
import { whoIsAsking } from "@/server/who";

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const [who, { id }] = [await whoIsAsking(), await params];
  const card = await cardPage(who, id);
  if (!card) return new Response("There is no card like that.", { status: 404 });
  const pdf = await cardPdf(card, `${who.hallName}, ${who.today}`);
  return new Response(Buffer.from(pdf), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="card-${encodeURIComponent(card.set.bar.tag)}-${card.lifterKey}.pdf"`,
    },
  });
}
