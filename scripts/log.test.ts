import { describe, expect, it } from "vitest";
import { quietly } from "./lib/logText.mjs";
import { routeNames } from "./lib/routeNames.mjs";

describe("requests in the log", () => {
  const nameOf = routeNames({
    staticRoutes: [{ page: "/" }, { page: "/bars" }, { page: "/bars/new" }],
    dynamicRoutes: [
      { page: "/bars/[tag]", regex: "^/bars/([^/]+?)(?:/)?$" },
      { page: "/api/[[...path]]", regex: "^/api(?:/(.+?))?(?:/)?$" },
    ],
  });
  it.each([
    ["/", "/"],
    ["/bars?q=isla", "/bars"],
    ["/bars/", "/bars"],
    ["/bars/new", "/bars/new"],
    ["/bars/K02?x=1", "/bars/[tag]"],
    ["/api/v1/none", "/api/[[...path]]"],
    ["/_next/static/x.js", "/_next"],
    ["/isla/at/home", "unknown"],
    [undefined, "/"],
  ])("%s is %s", (url, name) => expect(nameOf(url)).toBe(name));
});

describe("what is printed", () => {
  it("is one short line without colours and without what a statement was given", () => {
    const [fields, text] = quietly(["\u001b[31m⨯\u001b[39m", "Failed query: select $1\nparams: isla", 7]);
    expect(fields).toEqual({});
    expect(text).toBe("⨯ Failed query: select $1");
    expect(quietly([{ a: 1 }])[1]).toBe("printed");
    expect((quietly(["x".repeat(1000)])[1] as string).length).toBe(300);
  });
  it("of an error is its kind and place; its words only when no statement is behind it", () => {
    const plain = quietly([new RangeError("too long")])[0] as { err: { name: string; message?: string; at: string[] } };
    expect(plain.err).toMatchObject({ name: "RangeError", message: "too long" });
    expect(plain.err.at.length).toBeGreaterThan(0);
    const failed = Object.assign(
      new Error("Failed query: x params: isla", {
        cause: Object.assign(new Error("isla"), { severity: "ERROR", code: "42P01" }),
      }),
      { query: "x", params: ["isla"] },
    );
    expect(JSON.stringify(quietly([failed]))).not.toContain("isla");
    expect(JSON.stringify(quietly([failed]))).toContain("42P01");
  });
});
