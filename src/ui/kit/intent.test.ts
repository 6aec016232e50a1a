import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { arrived, carriedHref, changedHref, forgetIntent, intend, latestParams } from "./intent";

beforeEach(() => vi.stubGlobal("window", { location: new URL("http://hall/load?target=100kg") }));
afterEach(() => {
  forgetIntent();
  vi.unstubAllGlobals();
});

it("starts from the page, and from where the tab is going while it is on its way", () => {
  expect(latestParams().get("target")).toBe("100kg");
  intend("/load?target=105kg");
  expect(latestParams().get("target")).toBe("105kg");
  arrived("/load?target=100kg");
  expect(latestParams().get("target")).toBe("105kg");
  arrived("/load?target=105kg");
  expect(latestParams().get("target")).toBe("100kg");
});

it("forgets an intention for another page, or one that never arrived", () => {
  intend("/bars?q=x");
  expect(latestParams().get("q")).toBeNull();
  vi.useFakeTimers();
  intend("/load?target=5kg");
  vi.advanceTimersByTime(5000);
  expect(latestParams().get("target")).toBe("100kg");
  vi.useRealTimers();
});

it("changes, adds and takes away parameters", () => {
  const params = new URLSearchParams("a=1&b=2");
  expect(changedHref("/x", params, { a: "3", b: null, on: "r25,r10" })).toBe("/x?a=3&on=r25,r10");
  expect(changedHref("/x", params, { a: "", b: null })).toBe("/x");
  expect(params.get("a")).toBe("1");
});

it("carries on to another page what this one is being asked, before its answer has come", () => {
  const carry = { target: "load", unit: "unit" };
  expect(carriedHref("/load?bar=K07&target=100", latestParams(), carry)).toBe("/load?bar=K07&target=100");
  intend("/load?load=35&lift=snatch");
  expect(carriedHref("/load?bar=K07&target=100", latestParams(), carry)).toBe("/load?bar=K07&target=35");
});
