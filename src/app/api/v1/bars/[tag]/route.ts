import { barBodyOf } from "@/api/lists";
import { ROUTES } from "@/api/routes";
import { barDetails } from "@/server/bars";
import { endpoint, refuse } from "../../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint(ROUTES.bar, async ({ context, params }) => {
  const tag = params.tag ?? "";
  const details = tag.includes("\0") ? null : await barDetails(context, tag);
  return details
    ? { body: barBodyOf(details.bar, details.place, details.version) }
    : refuse("not-found", `There is no bar with the tag "${tag.slice(0, 64)}".`);
});
