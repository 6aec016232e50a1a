import Joi from "joi";
import { answer, failure, refusalOf } from "@/app/api/_http/endpoint";
import { type Context, requestContextOf } from "@/server/access";
import { takeArchive } from "@/server/transfer";
import { version } from "../../../../../../package.json";

const SENT = Joi.object({ passphrase: Joi.string().max(200).required() }).required();

/** The sealed archive of the owner's own hall. */
export async function POST(request: Request) {
  let context: Context | undefined;
  try {
    context = await requestContextOf(request);
    const { error, value } = SENT.validate(await request.json().catch(() => null));
    if (error) return answer({ code: "bad-request", message: "Type a passphrase for the file.", details: [] });
    const result = await takeArchive(context, { passphrase: String(value.passphrase), version });
    if (!result.ok) return answer(refusalOf(result));
    return new Response(new Uint8Array(result.bytes), {
      headers: {
        "content-type": "application/octet-stream",
        "content-disposition": `attachment; filename="${result.name}"`,
        "cache-control": "no-store",
      },
    });
  } catch (error) {
    return failure(error, context);
  }
}
