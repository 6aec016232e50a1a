import { requestContext } from "@/server/access";
import { claimPdf } from "@/server/buying";

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const context = await requestContext();
  const sheet = await claimPdf(context, (await params).id);
  if (!sheet.ok) return new Response(sheet.message, { status: sheet.code === "forbidden" ? 403 : 404 });
  return new Response(Buffer.from(sheet.bytes), {
    headers: { "content-type": "application/pdf", "content-disposition": `inline; filename="${sheet.name}"` },
  });
}
