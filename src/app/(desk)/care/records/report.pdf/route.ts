import { careRecords } from "@/server/careRecords";
import { careReportPdf } from "@/server/careReportPdf";
import { whoIsAsking } from "@/server/who";
import { readYear } from "../year";

/** The annual report. */
export async function GET(request: Request) {
  const who = await whoIsAsking();
  const year = readYear(new URL(request.url).searchParams.get("year"), who.today);
  const result = await careRecords(who, year);
  if (!result.ok) return new Response(result.message, { status: 403 });
  const pdf = await careReportPdf(result.records, who);
  return new Response(Buffer.from(pdf), {
    headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="care-${year}.pdf"` },
  });
}
