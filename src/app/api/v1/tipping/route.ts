import { ROUTES } from "@/api/routes";
import { answerTipping, type TippingRequest } from "@/api/tipping";
import { endpoint } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<unknown, TippingRequest>(
  ROUTES.tipping,
  ({ body }) => ({
    body: answerTipping(body),
  }),
);
