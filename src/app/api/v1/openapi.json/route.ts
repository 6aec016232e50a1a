import { openApiDocument } from "@/api/openapi";
import { ROUTES } from "@/api/routes";
import { endpoint } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint(ROUTES.openapi, () => ({ body: openApiDocument() }));
