import { describe, expect, it } from "vitest";
import {
  addressOf,
  allowedHosts,
  everyHeader,
  foreignReason,
  hostNameOf,
  isLoopback,
  newNonce,
  pagePolicy,
} from "./lib/doors.mjs";

type Headers = Record<string, string>;
const ask = (method: string, headers: Headers) =>
  foreignReason(
    { method, headers: { host: "bars.gym:3210", ...headers } },
    { origins: new Set(["https://bars.example"]) },
  );

describe("whose page sent a request", () => {
  it.each<[string, string, Headers]>([
    [
      "a form of another site (Fetch Metadata)",
      "POST",
      { "sec-fetch-site": "cross-site", origin: "http://evil.example" },
    ],
    ["a form of a neighbouring name", "POST", { "sec-fetch-site": "same-site", origin: "http://other.gym" }],
    [
      "a form of another site over plain HTTP, where browsers say Origin alone",
      "POST",
      { origin: "http://evil.example" },
    ],
    ["an Origin of another port", "POST", { origin: "http://bars.gym:9999" }],
    ["an opaque Origin", "POST", { origin: "null" }],
    ["a write with a cookie that says nothing of where it comes from", "POST", { cookie: "garrison=s.x" }],
    ["another method that writes", "DELETE", { origin: "http://evil.example" }],
    [
      "a picture of another site",
      "GET",
      { "sec-fetch-site": "cross-site", "sec-fetch-mode": "no-cors", "sec-fetch-dest": "image" },
    ],
    [
      "a frame of another site",
      "GET",
      { "sec-fetch-site": "cross-site", "sec-fetch-mode": "navigate", "sec-fetch-dest": "iframe" },
    ],
  ])("%s is sent away", (_, method, headers) => expect(ask(method, headers)).toMatch(/./));
  it.each<[string, string, Headers]>([
    [
      "our own page",
      "POST",
      { "sec-fetch-site": "same-origin", origin: "http://bars.gym:3210", cookie: "garrison=s.x" },
    ],
    ["our own page over plain HTTP", "POST", { origin: "http://bars.gym:3210", cookie: "garrison=s.x" }],
    [
      "our page behind a proxy that changes the Host",
      "POST",
      { origin: "https://bars.example", cookie: "garrison=s.x" },
    ],
    ["a program with a token", "POST", { authorization: "Bearer x" }],
    ["a program that nobody is", "POST", {}],
    [
      "a link on another site",
      "GET",
      { "sec-fetch-site": "cross-site", "sec-fetch-mode": "navigate", "sec-fetch-dest": "document" },
    ],
    ["an address that was typed", "GET", { "sec-fetch-site": "none", "sec-fetch-mode": "navigate" }],
    ["an old browser that looks", "GET", { cookie: "garrison=s.x" }],
  ])("%s is let in", (_, method, headers) => expect(ask(method, headers)).toBeNull());
});

describe("the Host", () => {
  it.each([
    ["bars.gym", "bars.gym"],
    ["Bars.Gym:3210", "bars.gym"],
    ["127.0.0.1:3210", "127.0.0.1"],
    ["[::1]:3210", "::1"],
    ["bars.gym.", "bars.gym"],
    ["", null],
    ["bars gym", null],
    ["evil.example@127.0.0.1", null],
    ["127.0.0.1:3210,evil.example", null],
    [undefined, null],
  ])("%s is read as %s", (header, name) => expect(hostNameOf(header)).toBe(name));
  it("is one of ours: the machine itself, the public name, what is named, and on the network its own addresses", () => {
    const own = allowedHosts({
      host: "127.0.0.1",
      publicUrl: "https://bars.example",
      more: "tablet.gym, other.gym:80",
    });
    for (const name of ["localhost", "127.0.0.1", "::1", "bars.example", "tablet.gym", "other.gym"])
      expect(own.has(name), name).toBe(true);
    // A name that somebody else points at this machine.
    expect(own.has("rebound.example")).toBe(false);
    expect(allowedHosts({ host: "0.0.0.0" }).size).toBeGreaterThan(allowedHosts({ host: "127.0.0.1" }).size);
  });
  it("beyond the machine itself is the network", () => {
    for (const host of ["127.0.0.1", "::1", "localhost", "127.3.2.1"]) expect(isLoopback(host), host).toBe(true);
    for (const host of ["0.0.0.0", "::", "192.168.1.4", "127.evil.example"]) expect(isLoopback(host), host).toBe(false);
  });
});

describe("headers of every answer (OWASP Secure Headers Project)", () => {
  it("say no to guessing, framing, leaking and sensors; https alone is remembered", () => {
    expect(everyHeader()).toMatchObject({
      "X-Content-Type-Options": "nosniff",
      "X-Frame-Options": "DENY",
      "Referrer-Policy": "same-origin",
      "Cross-Origin-Opener-Policy": "same-origin",
      "Cross-Origin-Resource-Policy": "same-origin",
      "X-Permitted-Cross-Domain-Policies": "none",
    });
    expect(everyHeader()["Permissions-Policy"]).toContain("camera=()");
    expect(everyHeader()).not.toHaveProperty("Strict-Transport-Security");
    expect(everyHeader({ isHttps: true })["Strict-Transport-Security"]).toMatch(/max-age=31536000/);
  });
  it("let scripts run by a fresh nonce alone, and nobody frame us", () => {
    const [one, other] = [newNonce(), newNonce()];
    expect(one).not.toBe(other);
    expect(Buffer.from(one, "base64")).toHaveLength(16);
    const policy = pagePolicy(one);
    const scripts = /script-src ([^;]*)/.exec(policy)![1]!;
    expect(scripts).toContain(`'nonce-${one}'`);
    for (const never of ["unsafe-inline", "unsafe-eval", "http:", "*"]) expect(scripts).not.toContain(never);
    for (const part of ["frame-ancestors 'none'", "object-src 'none'", "base-uri 'none'", "form-action 'self'"])
      expect(policy).toContain(part);
  });
});

describe("where a request came from", () => {
  const from = (forwarded: string | undefined, isBehindProxy: boolean) =>
    addressOf({ socket: { remoteAddress: "10.0.0.9" }, headers: { "x-forwarded-for": forwarded } } as never, {
      isBehindProxy,
    });
  it("is the connection, and behind a proxy of ours what it added last: the rest anybody can write", () => {
    expect(from("203.0.113.5", false)).toBe("10.0.0.9");
    expect(from("198.51.100.1, 203.0.113.5", true)).toBe("203.0.113.5");
    expect(from("<script>", true)).toBe("10.0.0.9");
    expect(from(undefined, true)).toBe("10.0.0.9");
  });
});
