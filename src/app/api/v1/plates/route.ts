import { plateItemOf } from "@/api/lists";
import { ROUTES } from "@/api/routes";
import { listPlates } from "@/server/equipment";
import { listEndpoint } from "../../_http/paging";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = listEndpoint(ROUTES.plates, "whole", listPlates, plateItemOf);
