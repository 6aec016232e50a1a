import "server-only";
import { cookies } from "next/headers";
import { environment } from "@/data/environment";

/** So long a browser keeps the cookie; the session behind it may end sooner. */
const KEPT_SECONDS = 60 * 86_400;

const isHttps = () => environment().publicUrl.startsWith("https:");

/** Under https the browser itself holds it to this host and this scheme. */
export const cookieName = (): string => (isHttps() ? "__Host-garrison" : "garrison");

/** The cookie that came. */
export const cookieToken = async (): Promise<string | undefined> => (await cookies()).get(cookieName())?.value;

/** Gives the browser the key to a door. Plain HTTP on a gym's own network is a supported way to run it. */
export async function setCookie(token: string): Promise<void> {
  (await cookies()).set(cookieName(), token, {
    httpOnly: true,
    sameSite: "lax",
    secure: isHttps(),
    path: "/",
    maxAge: KEPT_SECONDS,
  });
}

/** Takes it away. */
export async function dropCookie(): Promise<void> {
  (await cookies()).delete({ name: cookieName(), path: "/", secure: isHttps() });
}
