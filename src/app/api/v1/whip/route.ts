import { ROUTES } from "@/api/routes";
import { answerWhip, type WhipRequest } from "@/api/whip";
import { endpoint, refuse } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, WhipRequest>(ROUTES.whip, ({ body }) => {
  const result = answerWhip(body);
  return result
    ? { body: result }
    : refuse(
        "impossible",
        "The supports are not inside the load: half their spacing must be less than the distance of the plates' centroid from the middle.",
      );
});
