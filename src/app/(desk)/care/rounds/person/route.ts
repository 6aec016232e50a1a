import { sentPin } from "@/api/roundTouch";
import { touched } from "@/app/api/_http/touched";
import { doorstep } from "@/server/access";
import { ticketFor } from "@/server/accounts";

/** Somebody types their PIN on a shared tablet: what they touch there counts as theirs for half an hour. */
export const POST = (request: Request) =>
  touched(request, sentPin, async (context, typed) => ticketFor(context, await doorstep(), typed));
