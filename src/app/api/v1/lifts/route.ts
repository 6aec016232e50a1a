import { liftItemOf } from "@/api/lists";
import { ROUTES } from "@/api/routes";
import { listLifts } from "@/server/equipment";
import { listEndpoint } from "../../_http/paging";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = listEndpoint(ROUTES.lifts, "whole", listLifts, liftItemOf);
