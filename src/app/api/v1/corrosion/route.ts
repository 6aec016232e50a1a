import { answerCorrosion, type CorrosionRequest } from "@/api/corrosion";
import { ROUTES } from "@/api/routes";
import { endpoint } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, CorrosionRequest>(
  ROUTES.corrosion,
  ({ body }) => ({ body: answerCorrosion(body) }),
);
