import { sentRoundTouch } from "@/api/roundTouch";
import { touched } from "@/app/api/_http/touched";
import { touchRound } from "@/server/care/rounds";

/** One touch on a round; sent again with the same key it counts once. */
export const POST = (request: Request) => touched(request, sentRoundTouch, touchRound);
