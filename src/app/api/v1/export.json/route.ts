import { ROUTES } from "@/api/routes";
import { exportHall } from "@/server/transfer";
import { endpoint, refusalOf } from "../../_http/endpoint";

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<{ health: boolean }>(
  ROUTES.exportJson,
  async ({ context, query }) => {
    const result = await exportHall(context, query);
    return result.ok
      ? { body: { format: "garrison", version: 1, hall: context.actor.hallName, ...result.file } }
      : refusalOf(result);
  },
);
