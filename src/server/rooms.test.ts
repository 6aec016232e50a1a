import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, posix, relative, resolve } from "node:path";
import { describe, expect, it } from "vitest";
import { ROOMS } from "../../rooms.mjs";

/* The rooms, read from the imports themselves: whatever the lint rule was told, this is how it is. */

const SERVER = "src/server";
type Rooms = Record<string, readonly string[]>;
const rooms = ROOMS as Rooms;
const roomOf = (file: string) =>
  Object.keys(rooms).find((room) => file.startsWith(`${room}/`) && !file.slice(room.length + 1).startsWith("../"));

/** Files of a folder, tests and fixtures left out, with what each imports. */
function filesOf(folder: string): { file: string; text: string; imports: string[] }[] {
  return readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((file) => /\.tsx?$/.test(file) && !/\.(test|fixture)\.tsx?$/.test(file))
    .map((file) => {
      const text = readFileSync(join(folder, file), "utf8");
      const imports = [...text.matchAll(/(?:from|import)\s*\(?"([^"]+)"/g)].map(([, path]) => path!);
      return { file: file.replaceAll("\\", "/"), text, imports };
    });
}
const serverFiles = filesOf(SERVER);

/** An import of the server by its path below src/server; null for any other. */
function serverPath(file: string, path: string): string | null {
  if (path.startsWith("@/server/")) return path.slice("@/server/".length);
  if (!path.startsWith(".")) return null;
  const found = relative(resolve(SERVER), resolve(SERVER, dirname(file), path)).replaceAll("\\", "/");
  return found.startsWith("..") ? null : found;
}

describe("the rooms of the server", () => {
  it("hold every file", () => {
    expect(serverFiles.length).toBeGreaterThan(80);
    expect(serverFiles.map(({ file }) => file).filter((file) => !roomOf(file))).toEqual([]);
  });

  it("use only rooms above them, and those by their public names", () => {
    const order = Object.keys(rooms);
    for (const [room, uses] of Object.entries(rooms))
      for (const used of uses) expect(order.indexOf(used), `${room} uses ${used}`).toBeLessThan(order.indexOf(room));
    const wrong = serverFiles.flatMap(({ file, imports }) =>
      imports.flatMap((path) => {
        const target = serverPath(file, path);
        if (target === null) return [];
        const [from, to] = [roomOf(file)!, target in rooms ? target : roomOf(target)];
        if (to === from) return [];
        return to !== undefined && target === to && rooms[from]!.includes(to) ? [] : [`${file} → ${path}`];
      }),
    );
    expect(wrong).toEqual([]);
  });

  it("are used from pages, routes and screens by their public names too", () => {
    const wrong = ["src/app", "src/ui", "src/workers"].flatMap((folder) =>
      filesOf(folder).flatMap(({ file, imports }) =>
        imports
          .filter((path) => path.startsWith("@/server/") && !(path.slice("@/server/".length) in rooms))
          .map((path) => `${posix.join(folder, file)} → ${path}`),
      ),
    );
    expect(wrong).toEqual([]);
  });

  it("stand in docs/layout.md as they are", () => {
    const drawn = /<!-- rooms -->\n+```\n([\s\S]*?)\n```/.exec(readFileSync("docs/layout.md", "utf8"))![1]!;
    const lines = drawn.split("\n").map((line) => line.split("←").map((part) => part.trim()));
    expect(Object.fromEntries(lines.map(([room, uses]) => [room!, uses ? uses.split(", ") : []]))).toEqual(rooms);
  });
});

describe("below the edge", () => {
  const below = serverFiles.filter(({ file }) => !file.startsWith("access/"));
  it("nothing opens a connection or reads the environment", () => {
    for (const { file, imports, text } of below) {
      for (const path of ["@/data/client", "@/data/environment", "pg", "drizzle-orm/node-postgres"])
        expect(imports, file).not.toContain(path);
      expect(text, file).not.toMatch(/process\.env/);
    }
  });
  it("nothing asks the machine what time it is", () => {
    for (const { file, text } of below) {
      expect(text, file).not.toMatch(/new Date\(\)/);
      expect(text, file).not.toMatch(/Date\.now\(/);
    }
  });
});
