import { ROUTES } from "@/api/routes";
import { careCalendar } from "@/server/care/rounds";
import { endpoint } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint(ROUTES.careIcs, async ({ context }) => ({
  text: await careCalendar(context, null),
  type: "text/calendar",
}));
