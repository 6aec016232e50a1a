import { ROUTES } from "@/api/routes";
import { exportBars } from "@/server/barFiles";
import { endpoint, refusalOf } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint(ROUTES.exportJson, async ({ who }) => {
  const result = await exportBars(who);
  return result.ok
    ? { body: { format: "garrison", version: 1, hall: who.hallName, bars: result.bars } }
    : refusalOf(result);
});
