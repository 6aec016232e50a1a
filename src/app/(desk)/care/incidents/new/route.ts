import { sentIncident } from "@/api/incident";
import { touched } from "@/app/api/_http/touched";
import { recordIncident } from "@/server/care/findings";

/** Records what happened with a bar; sent again with the same key it counts once. */
export const POST = (request: Request) => touched(request, sentIncident, recordIncident);
