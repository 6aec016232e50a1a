import { stationItemOf } from "@/api/lists";
import { ROUTES } from "@/api/routes";
import { listStations } from "@/server/equipment";
import { listEndpoint } from "../../_http/paging";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = listEndpoint(
  ROUTES.stations,
  "text",
  listStations,
  stationItemOf,
);
