import { careRecords } from "@/server/care/records";
import { drawPaper } from "@/server/computing";
import { requestContext } from "@/server/access";
import { readYear } from "../year";

/** The annual report. */
export async function GET(request: Request) {
  const context = await requestContext();
  const year = readYear(new URL(request.url).searchParams.get("year"), context.clock.today);
  const result = await careRecords(context, year);
  if (!result.ok) return new Response(result.message, { status: 403 });
  const pdf = await drawPaper(context, "careReport", result.records, {
    hallName: context.actor.hallName,
    today: context.clock.today,
  });
  return new Response(Buffer.from(pdf), {
    headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="care-${year}.pdf"` },
  });
}
