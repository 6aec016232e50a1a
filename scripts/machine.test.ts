import { createServer, type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { afterEach, describe, expect, it, vi } from "vitest";
import { freePort, isPortFree, requireDisk, requireNode } from "./lib/machine.mjs";

afterEach(() => vi.unstubAllGlobals());
const onNode = (version: string) =>
  vi.stubGlobal("process", { ...process, versions: { ...process.versions, node: version } });

describe("what a machine lacks is said in a sentence", () => {
  it.each(["18.19.0", "20.8.1"])("Node.js %s is too old", (version) => {
    onNode(version);
    expect(() => requireNode()).toThrow(`Node.js 20.9 or newer is needed; this is ${version}.`);
  });
  it.each(["20.9.0", "20.20.2", "22.1.0"])("Node.js %s will do", (version) => {
    onNode(version);
    expect(() => requireNode()).not.toThrow();
  });
  it("a disk without enough room is named with what is free", () => {
    expect(() => requireDisk(tmpdir(), 1e9, "the build")).toThrow(
      /The disk is nearly full: the build needs about 1000000000 MB and \d+ MB are free/,
    );
    expect(() => requireDisk(tmpdir(), 0, "nothing")).not.toThrow();
  });
  it("a taken port is told from a free one, and another is found", async () => {
    const server = createServer();
    await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
    const { port } = server.address() as AddressInfo;
    expect(await isPortFree(port, "127.0.0.1")).toBe(false);
    expect(await freePort(port)).not.toBe(port);
    await new Promise((resolve) => server.close(resolve));
    expect(await freePort(port)).toBe(port);
  });
});
