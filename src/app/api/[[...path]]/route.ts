import { answer, ifSomebody, refuse } from "../_http/endpoint";

/** Whatever is under /api and no route of its own. */
function unknownPath(request: Request): Promise<Response> {
  return ifSomebody(request, () =>
    answer(
      refuse(
        "not-found",
        `There is nothing at ${new URL(request.url).pathname.slice(0, 200)}. See /api/v1/openapi.json.`,
      ),
    ),
  );
}

export {
  unknownPath as GET,
  unknownPath as HEAD,
  unknownPath as POST,
  unknownPath as PUT,
  unknownPath as PATCH,
  unknownPath as DELETE,
};
