import { ROUTES } from "@/api/routes";
import { careCalendar } from "@/server/careCalendar";
import { endpoint } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint(ROUTES.careIcs, async ({ who }) => ({
  text: await careCalendar(who, null),
  type: "text/calendar",
}));
