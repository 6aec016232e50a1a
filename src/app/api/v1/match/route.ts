import { matchItemOf } from "@/api/lists";
import { ROUTES } from "@/api/routes";
import { matchForLift } from "@/server/matching";
import { endpoint, refusalOf } from "../../_http/endpoint";

interface Query {
  lift: string;
  loadKg: number;
  lifter?: string;
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = endpoint<Query>(ROUTES.match, async ({ context, query }) => {
  const result = await matchForLift(context, { ...query, lifter: query.lifter ?? null });
  if (!result.ok) return refusalOf(result);
  const { lift, lifter, loadKg, items } = result.matching;
  return { body: { lift: lift.key, lifter: lifter?.key ?? null, loadKg, items: items.map(matchItemOf) } };
});
