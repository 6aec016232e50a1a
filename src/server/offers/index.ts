import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { type Decision, decideOffer, saveOffer } from "./changeOffers";
export { type OfferImport, importOffers } from "./importOffers";
export {
  OPEN_STATES,
  type OfferItem,
  type OfferRow,
  codeOf,
  listOfferPage,
  listOffers,
  offerById,
  offeredBar,
} from "./offerRows";
