import { headers } from "next/headers";
import { Suspense, type ReactNode } from "react";
import { frameIsOut } from "@/server/access";
import { PageSkeleton } from "@/ui/kit/PageSkeleton";
import { REVEAL } from "@/ui/kit/reveal";

/**
 * A page whose frame stands at once when a browser opens or reloads it; what has to be worked out is begun when that is
 * on its way, follows in the same answer and is shown as `REVEAL` says. Somebody who comes by a link inside the
 * application keeps the page that they were on until the next is whole, so that nothing flickers.
 *
 * @param first what may say that something is not there, or lead elsewhere: the first line of the answer says so, and
 *   nothing is sent before it
 * @returns the page
 */
export function inParts<Props extends object>(
  Body: (props: Props) => Promise<ReactNode>,
  first?: (props: Props) => Promise<unknown>,
) {
  async function AfterFrame(props: Props) {
    await frameIsOut();
    return await Body(props);
  }
  return async function Page(props: Props) {
    await first?.(props);
    const asked = await headers();
    const isOpened = asked.get("sec-fetch-dest") === "document";
    const nonce = /'nonce-([^']+)'/.exec(asked.get("content-security-policy") ?? "")?.[1];
    return (
      <>
        {isOpened && <script nonce={nonce} dangerouslySetInnerHTML={{ __html: REVEAL }} />}
        <Suspense fallback={<PageSkeleton />}>{isOpened ? <AfterFrame {...props} /> : await Body(props)}</Suspense>
      </>
    );
  };
}
