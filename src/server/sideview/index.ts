import "server-only";

/* What other rooms, pages and routes may use of this one. */

export {
  type NewSideView,
  type SideView,
  deleteSideView,
  saveSideView,
  sideViewPhoto,
  sideViewsForFile,
  sideViewsOf,
} from "./views";
