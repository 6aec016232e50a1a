import { sentRoundTouch } from "@/api/roundTouch";
import { touched } from "@/app/api/_http/touched";
import { withTicket } from "@/server/accounts";
import { touchRound } from "@/server/care/rounds";
import { failed } from "@/server/kit";

/**
 * One touch on a round; sent again with the same key it counts once. On a shared tablet it may carry the ticket of
 * whoever typed their PIN, and is theirs.
 */
export const POST = (request: Request) =>
  touched(request, sentRoundTouch, async (context, { as, ...touch }) => {
    const theirs = as === undefined ? context : await withTicket(context, as);
    if (!theirs) return failed("forbidden", "Not saved: your PIN has run out. Type it again, then touch once more.");
    return touchRound(theirs, touch);
  });
