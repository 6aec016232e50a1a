import { barsCsv } from "@/api/barFile";
import { ROUTES } from "@/api/routes";
import { barCells, exportBars } from "@/server/transfer";
import { endpoint, refusalOf } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint(ROUTES.barsCsv, async ({ context }) => {
  const result = await exportBars(context);
  return result.ok ? { text: barsCsv(result.bars.map(barCells)), type: "text/csv" } : refusalOf(result);
});
