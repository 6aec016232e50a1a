import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { format } from "prettier";
import { expect, it } from "vitest";
import { PERMISSIONS, ROLES, type Permission } from "./permissions";

/*
 * docs/roles.md: who may what, and on which page, route and action it is asked. Made of the code itself; this test holds
 * the two together. UPDATE_DOCS=1 writes it anew.
 */

const sources = (folder: string) =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((file) => /\.tsx?$/.test(file) && !/\.(test|fixture)\./.test(file))
    .map((file) => ({ file, text: readFileSync(`${folder}/${file}`, "utf8") }));

/** Bodies of a file's top-level functions and lists, exported or not, by name. */
function functionsOf(text: string): [name: string, body: string][] {
  const heads = [
    ...text.matchAll(
      /^(?:export )?(?:default )?(?:async )?(?:function (\w+)|const (\w+) = (?:cache\()?(?:async )?\(|const ([A-Z_]+): [^=]+ = \[)/gm,
    ),
  ];
  return heads.map((head, i) => [
    head[1] ?? head[2] ?? head[3] ?? "",
    text.slice(head.index, heads[i + 1]?.index ?? text.length),
  ]);
}

/** Permissions that each exported function of the rooms asks for, by itself or through others of its rooms. */
function permissionsOfFunctions(): Map<string, Set<Permission>> {
  const bodies = new Map(
    sources("src/server")
      .flatMap(({ text }) => functionsOf(text))
      .map(([name, body]) => [name, body] as const),
  );
  const asked = new Map<string, Set<Permission>>();
  const visit = (name: string, on: ReadonlySet<string>): Set<Permission> => {
    const known = asked.get(name);
    if (known) return known;
    const body = bodies.get(name) ?? "";
    const own = new Set([...body.matchAll(/may\([\w.]+, "([\w.-]+)"/g)].map(([, key]) => key as Permission));
    // What a list names is called by whoever goes through the list.
    const isList = /^[A-Z_]+$/.test(name);
    for (const [word, one] of body.matchAll(isList ? /\b(\w+)\b/g : /\b(\w+)\(|\b[A-Z][A-Z_]+\b/g)) {
      const called = one ?? word;
      if (bodies.has(called) && !on.has(called))
        for (const key of visit(called, new Set([...on, called]))) own.add(key);
    }
    if (on.size <= 1) asked.set(name, own);
    return own;
  };
  for (const name of bodies.keys()) visit(name, new Set([name]));
  return asked;
}

/** Pages, routes and actions with the permissions that what they call asks for. */
function placesOfPermissions(): Map<Permission, Set<string>> {
  const functions = permissionsOfFunctions();
  const places = new Map<Permission, Set<string>>();
  for (const { file, text } of sources("src/app")) {
    if (!/(page\.tsx|route\.ts|actions\.ts|layout\.tsx)$/.test(file)) continue;
    const address = `/${file.replace(/(^|\/)(page\.tsx|route\.ts|actions\.ts|layout\.tsx)$/, "").replace(/\([^)]*\)\/?/g, "")}`;
    const named = file.endsWith("actions.ts") ? functionsOf(text) : ([["", text]] as [string, string][]);
    for (const [name, body] of named) {
      const own = [...body.matchAll(/may\([\w.]+, "([\w.-]+)"|action: "([\w.-]+)"/g)].map(
        ([, one, other]) => (one ?? other) as Permission,
      );
      const called = [...body.matchAll(/\b(\w+)\b/g)].flatMap(([, word]) => [...(functions.get(word!) ?? [])]);
      for (const key of [...own, ...called])
        if (key in PERMISSIONS) {
          const where = name ? `${address} · ${name}` : address;
          places.set(key, (places.get(key) ?? new Set<string>()).add(where));
        }
    }
  }
  return places;
}

async function written(): Promise<string> {
  const places = placesOfPermissions();
  const keys = (Object.keys(PERMISSIONS) as Permission[]).sort();
  const mark = (key: Permission, role: (typeof ROLES)[number]) =>
    (PERMISSIONS[key] as readonly string[]).includes(role) ? "yes" : "–";
  const text = `# Who may what

Made of \`src/server/access/permissions.ts\` and of what pages, routes and actions call; a test holds it to them (\`UPDATE_DOCS=1 npx vitest run --project data src/server/access/roles.test.ts\` writes it). Whatever is asked for is asked in the rooms of the server, never in pages alone; \`permissions.test.ts\` calls every action as every role, \`tests/running/nobody.test.ts\` every route and action as nobody.

owner, manager, coach, care and lifter are people; wall, sheets and rounds are paired tablets, each on its own screens.

| permission | ${ROLES.join(" | ")} |
| --- | ${ROLES.map(() => "---").join(" | ")} |
${keys.map((key) => `| \`${key}\` | ${ROLES.map((role) => mark(key, role)).join(" | ")} |`).join("\n")}

Beside these: exporting everything, importing, erasing, archives, roles, removing people and tokens ask a person for the passphrase once more (ten minutes); a token of a program has scopes (read, write, health) within what its maker may; everybody reads, corrects, exports and erases what is their own (\`/me\`).

## Where each is asked

${keys.map((key) => `- \`${key}\`: ${[...(places.get(key) ?? [])].sort().join(", ") || "—"}`).join("\n")}
`;
  return format(text, { parser: "markdown", printWidth: 120 });
}

it("docs/roles.md says what the code does", async () => {
  const file = "docs/roles.md";
  const text = await written();
  if (process.env.UPDATE_DOCS) writeFileSync(file, text);
  expect(readFileSync(file, "utf8")).toBe(text);
});

it("every permission is asked for somewhere", () => {
  const places = placesOfPermissions();
  const unused = (Object.keys(PERMISSIONS) as Permission[]).filter((key) => !places.has(key));
  expect(unused).toEqual([]);
});

it("an owner may whatever anybody may, a manager whatever coach and care may, and a tablet nothing that names what hurts", () => {
  for (const [key, roles] of Object.entries(PERMISSIONS) as [Permission, readonly string[]][]) {
    const people = roles.filter((role) => !["wall", "sheets", "rounds"].includes(role));
    if (people.length > 0) expect([key, roles.includes("owner")]).toEqual([key, true]);
    if (roles.includes("coach") || roles.includes("care"))
      expect([key, roles.includes("manager")]).toEqual([key, true]);
  }
  for (const key of [
    "lifter.read",
    "lifter.health",
    "price.read",
    "hours.of-others",
    "people.manage",
    "hall.export",
  ] as const)
    for (const role of ["lifter", "wall", "sheets", "rounds"])
      expect([key, role, (PERMISSIONS[key] as readonly string[]).includes(role)]).toEqual([key, role, false]);
});
