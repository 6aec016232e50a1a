import { sentSideView } from "@/api/sideView";
import { touched } from "@/app/api/_http/touched";
import { saveSideView } from "@/server/sideview";

/** Saves a marked still for a lifter; sent again with the same key it counts once. */
export const POST = (request: Request) => touched(request, sentSideView, saveSideView);
