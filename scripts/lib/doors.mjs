/*
 * What is looked at before a request reaches the application: whether it is meant for this machine, whether another
 * site's page sent it, and what the answer lets a browser do. Plain functions of a request; scripts/serve.mjs calls them.
 */
import { randomBytes } from "node:crypto";
import { hostname, networkInterfaces } from "node:os";

/** Addresses of this machine that nothing else reaches. */
export const isLoopback = (host) =>
  host === "localhost" || host === "::1" || /^(::ffff:)?127(\.\d{1,3}){3}$/.test(host);

/** The name of a Host header without its port, in lower case; null where it is none. */
export function hostNameOf(header) {
  const text = String(header ?? "")
    .trim()
    .toLowerCase();
  const match = /^(\[[0-9a-f:.]+\]|[a-z0-9_.-]+)(?::\d{1,5})?$/.exec(text);
  return match ? match[1].replace(/^\[|\]$/g, "").replace(/\.$/, "") : null;
}

/**
 * The names under which this program may be asked: another site's name that was pointed at this machine is none of them
 * (DNS rebinding).
 *
 * @param options.host where it listens.
 * @param options.publicUrl what links begin with.
 * @param options.more further names, separated by commas.
 */
export function allowedHosts({ host, publicUrl = "", more = "" }) {
  const names = new Set(["localhost", "127.0.0.1", "::1"]);
  if (URL.canParse(publicUrl)) names.add(hostNameOf(new URL(publicUrl).host));
  if (!isLoopback(host)) {
    for (const all of Object.values(networkInterfaces()))
      for (const { address } of all ?? []) names.add(address.toLowerCase());
    const own = hostname().toLowerCase();
    for (const name of [own, `${own}.local`]) names.add(name);
  }
  for (const name of more.split(",")) if (name.trim()) names.add(hostNameOf(name) ?? "");
  names.delete(null);
  names.delete("");
  return names;
}

const SAFE_METHODS = new Set(["GET", "HEAD", "OPTIONS"]);

/**
 * Why a request is not let in that another site's page may have sent; null where it may come in. By Fetch Metadata where
 * the browser says it (over https and on the machine itself), by Origin where it does not.
 *
 * @param options.origins what this site is called with its scheme, beside what the request's own Host says.
 */
export function foreignReason({ method, headers }, { origins }) {
  const site = headers["sec-fetch-site"];
  const { origin } = headers;
  if (SAFE_METHODS.has(method)) {
    if (site === undefined || site === "same-origin" || site === "none") return null;
    // A link on another page may lead here; a picture, a frame or a script of another page may not.
    const isFollowed =
      headers["sec-fetch-mode"] === "navigate" &&
      !["embed", "object", "iframe", "frame"].includes(headers["sec-fetch-dest"]);
    return isFollowed ? null : "Another site's page may not load this.";
  }
  if (site !== undefined && site !== "same-origin" && site !== "none") return "Another site's page may not send this.";
  if (origin !== undefined) {
    const isOurs =
      origins.has(origin) || (URL.canParse(origin) && new URL(origin).host === String(headers.host).toLowerCase());
    return isOurs ? null : "Another site's page may not send this.";
  }
  // A browser says where a write comes from. Whoever says nothing is a program, and has a token.
  if (site === undefined && headers.cookie !== undefined && headers.authorization === undefined)
    return "A write with a cookie must say where it comes from (Origin).";
  return null;
}

/** A fresh number for the scripts of one answer. */
export const newNonce = () => randomBytes(16).toString("base64");

/** What a page may load and run (Content-Security-Policy, level 3). Styles of elements are drawn by our own code. */
export const pagePolicy = (nonce, { isHttps = false, isDev = false } = {}) =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${isDev ? " 'unsafe-eval'" : ""}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${isDev ? " ws:" : ""}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
    ...(isHttps ? ["upgrade-insecure-requests"] : []),
  ].join("; ");

/** Headers of every answer, after the OWASP Secure Headers Project. */
export const everyHeader = ({ isHttps = false } = {}) => ({
  "X-Content-Type-Options": "nosniff",
  "X-Frame-Options": "DENY",
  "Referrer-Policy": "same-origin",
  "Permissions-Policy":
    "accelerometer=(), autoplay=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(), midi=(), payment=(), usb=(), publickey-credentials-get=(self), publickey-credentials-create=(self)",
  "Cross-Origin-Opener-Policy": "same-origin",
  "Cross-Origin-Resource-Policy": "same-origin",
  "X-Permitted-Cross-Domain-Policies": "none",
  ...(isHttps ? { "Strict-Transport-Security": "max-age=31536000; includeSubDomains" } : {}),
});

/**
 * Where a request came from. Behind a proxy of ours the last address that it added counts; what stands before it anybody
 * can write.
 */
export function addressOf(request, { isBehindProxy }) {
  const own = request.socket.remoteAddress ?? "";
  if (!isBehindProxy) return own;
  const told = String(request.headers["x-forwarded-for"] ?? "")
    .split(",")
    .at(-1)
    .trim();
  return /^[0-9a-f.:]{2,45}$/i.test(told) ? told : own;
}
