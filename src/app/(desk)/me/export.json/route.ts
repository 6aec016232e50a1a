import { doorstep, requestContext } from "@/server/access";
import { exportOwn } from "@/server/own";

/** Everything that is kept of whoever asks. */
export async function GET() {
  const context = await requestContext();
  return new Response(`${JSON.stringify(await exportOwn(context, await doorstep()), null, 2)}\n`, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": 'attachment; filename="my-data.json"',
      "cache-control": "no-store",
    },
  });
}
