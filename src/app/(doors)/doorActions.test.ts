import { describe, expect, it, vi } from "vitest";
import { leads, Redirected } from "../edge.fixture";
import { goOn, refusedAtDoor, textsOf } from "./doorActions";

vi.mock("next/navigation", async () => {
  const { Redirected } = await import("../edge.fixture");
  return {
    redirect: (to: string) => {
      throw new Redirected(to);
    },
  };
});

describe("after a door", () => {
  const to = (address: string | undefined) => leads(Promise.resolve().then(() => goOn(address)));
  it("it goes on to a page of ours", async () => {
    for (const address of ["/", "/bars", "/bars?sort=mass&q=a%20b", "/load/session/run/x", "/settings/people"])
      expect(await to(address)).toEqual({ to: address });
    expect(await to("")).toBeUndefined();
    expect(await to(undefined)).toBeUndefined();
    expect(Redirected.name).toBe("Redirected");
  });
  it.each([
    ...[
      "//evil.example",
      "/\\evil.example",
      "https://evil.example",
      "javascript:alert(1)",
      "/\t/evil.example",
      "evil",
      "\\\\evil",
    ],
    // Back to the door itself would be a ring.
    ...["/sign-in", "/sign-in?to=/bars", "/join/x", "/claim/x", "/pair", "/forgot"],
  ])("%j leads to the first page and nowhere else", async (address) => {
    expect(await to(address)).toEqual({ to: "/" });
  });
  it("what was typed comes back, and no secret does", () => {
    const form = new FormData();
    for (const name of ["name", "passphrase", "code", "pin", "secret"]) form.set(name, `typed ${name}`);
    const failed = { ok: false as const, code: "invalid" as const, message: "No.", problems: [] };
    expect(refusedAtDoor(failed, textsOf(form)).typed).toEqual({ name: "typed name" });
  });
});
