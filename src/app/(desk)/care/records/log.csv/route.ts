import { csvText } from "@/api/csvOut";
import { careLogRows } from "@/server/care/records";
import { requestContext } from "@/server/access";
import { readYear } from "../year";

/** The log of a year for a spreadsheet. */
export async function GET(request: Request) {
  const context = await requestContext();
  const year = readYear(new URL(request.url).searchParams.get("year"), context.clock.today);
  const result = await careLogRows(context, year);
  if (!result.ok) return new Response(result.message, { status: 403 });
  return new Response(csvText(["day", "bar", "task", "by", "minutes", "note", "state"], result.rows), {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": `attachment; filename="care-${year}.csv"`,
      "cache-control": "no-store",
    },
  });
}
