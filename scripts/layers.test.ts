import { ESLint } from "eslint";
import { expect, it } from "vitest";

/* The lint rule that holds the layers and rooms of docs/layout.md apart: what it lets pass, and what it does not. */

const eslint = new ESLint({ ruleFilter: ({ ruleId }) => ruleId.startsWith("boundaries/") });
const refused = async (filePath: string, text: string) =>
  (await eslint.lintText(text, { filePath })).flatMap(({ messages }) => messages).length > 0;

it.each([
  ["the core of the core", "src/core/bars/x.ts", 'import { fixed } from "@/core/units/format"; fixed(1, 1);'],
  [
    "types of a room in a screen",
    "src/ui/kit/x.tsx",
    'import type { TodayItem } from "@/server/today"; let a: TodayItem;',
  ],
  [
    "a room above by its index",
    "src/server/today/x.ts",
    'import { stationsDue } from "@/server/equipment"; stationsDue();',
  ],
  ["a room by its index in a page", "src/app/x.ts", 'import { todayItems } from "@/server/today"; todayItems();'],
  [
    "types of what threads compute",
    "src/server/computing/x.ts",
    'import type { A } from "@/workers/compute"; let a: A;',
  ],
])("may be imported: %s", async (_, file, text) => {
  expect(await refused(file, text)).toBe(false);
});

it.each([
  ["a screen in the core", "src/core/bars/x.ts", 'import { Term } from "@/ui/kit/Term"; Term();'],
  ["code of a room in a screen", "src/ui/kit/x.tsx", 'import { todayItems } from "@/server/today"; todayItems();'],
  [
    "a file of a room in a screen",
    "src/ui/kit/x.tsx",
    'import type { TodayItem } from "@/server/today/todayItem"; let a: TodayItem;',
  ],
  ["a room below", "src/server/rules/x.ts", 'import { todayItems } from "@/server/today"; todayItems();'],
  [
    "a room below, from within another",
    "src/server/care/due/x.ts",
    'import { todayItems } from "@/server/today"; todayItems();',
  ],
  ["a file of a room above", "src/server/today/x.ts", 'import { a } from "@/server/equipment/equipment"; a();'],
  ["a file of a room in a page", "src/app/x.ts", 'import { todayItems } from "@/server/today/today"; todayItems();'],
  ["a room in the data", "src/data/x.ts", 'import { todayItems } from "@/server/today"; todayItems();'],
])("may not be imported: %s", async (_, file, text) => {
  expect(await refused(file, text)).toBe(true);
});
