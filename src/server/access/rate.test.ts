import { expect, it } from "vitest";
import { secondsToWait } from "./rate";

it("lets a token ask 3000 times a minute, then says how long to wait, and each token has its own", () => {
  const start = 1_000_000;
  for (let i = 0; i < 3000; i += 1) expect(secondsToWait("token a", start + i)).toBeNull();
  expect(secondsToWait("token a", start + 30_000)).toBe(30);
  expect(secondsToWait("token b", start + 30_000)).toBeNull();
  expect(secondsToWait("token a", start + 60_000)).toBeNull();
});
