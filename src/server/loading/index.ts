import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type Loadable, loadable } from "./loadable";
export { otherWay, type OtherWay } from "./otherWay";
export { ownStack, type StandingBar } from "./ownStack";
export { type LoadPlan, planLoad } from "./planLoad";
export { type SessionRun, type SessionWish, clampFacts, planRun, rackFacts, tippingAt } from "./planRun";
export { plateKindAtHand, platesAtHand } from "./platesAtHand";
export { followRun } from "./runNews";
export { runsStopped } from "./runView";
export { type RunView, listRuns, runOf } from "./runView";
export { beginRun, endRun, touchRun } from "./runs";
export { lifterNamed, sessionSettings } from "./sessionSettings";
