import { csvText } from "@/api/csvOut";
import { careLogRows } from "@/server/careRecords";
import { whoIsAsking } from "@/server/who";
import { readYear } from "../year";

/** The log of a year for a spreadsheet. */
export async function GET(request: Request) {
  const who = await whoIsAsking();
  const year = readYear(new URL(request.url).searchParams.get("year"), who.today);
  const result = await careLogRows(who, year);
  if (!result.ok) return new Response(result.message, { status: 403 });
  return new Response(csvText(["day", "bar", "task", "by", "minutes", "note", "state"], result.rows), {
    headers: {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": `attachment; filename="care-${year}.csv"`,
      "cache-control": "no-store",
    },
  });
}
