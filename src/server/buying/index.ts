import "server-only";

/* What other rooms, pages and routes may use of this one. */

export { sellerRecord, type SellerRecord, watchBatch } from "./batches";
export { type BuyingRules, buyingRules, saveBuyingRules } from "./buyingRules";
export { type BesideChoice, type BuyingChoice, buyingChoice, type ShownChoice, type WhyChosen } from "./choice";
export { addRepair, type BarCostItem, barCosts, repairsOf } from "./costs";
export { type DeliveryItem, deliveriesOf, deliveryPhoto, receiveBar, type Receiving, resolveClaim } from "./deliveries";
export { type OfferPage, offerPage } from "./offerPage";
export { type OpenClaim, type OpenOrder, openClaims, openOrders, orderToReceive, warrantiesEnding } from "./orders";
export { approvalPdf, claimPdf, costLines, termLines } from "./sheets";
export { buyingWorld, type BuyingWorld, verdictsOf } from "./world";
