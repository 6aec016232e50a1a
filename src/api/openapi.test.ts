import { Validator } from "@seriousme/openapi-schema-validator";
import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import { fileURLToPath } from "node:url";
import { expect, it } from "vitest";
import { openApiDocument } from "./openapi";
import { ROUTES, type RouteSpec } from "./routes";

const folder = join(dirname(fileURLToPath(import.meta.url)), "../app/api/v1");
const files = readdirSync(folder, { recursive: true, withFileTypes: true })
  .filter(({ name }) => name === "route.ts")
  .map(({ parentPath }) => `/${relative(folder, parentPath).replace(/\[(\w+)\]/g, "{$1}")}`);

it("is a valid OpenAPI 3.1 document", async () => {
  const validator = new Validator();
  const result = await validator.validate(openApiDocument());
  expect(result.errors ?? []).toEqual([]);
  expect(validator.version).toBe("3.1");
});

it("describes exactly the routes that have a file, each with its method", () => {
  const { paths } = openApiDocument() as { paths: Record<string, Record<string, unknown>> };
  expect(Object.keys(paths).toSorted()).toEqual(files.toSorted());
  for (const route of Object.values(ROUTES) as RouteSpec[]) {
    expect(Object.keys(paths[route.path]!)).toEqual([route.method.toLowerCase()]);
    const key = Object.keys(ROUTES).find((name) => ROUTES[name as keyof typeof ROUTES] === route)!;
    const source = readFileSync(join(folder, route.path.replace(/\{(\w+)\}/g, "[$1]"), "route.ts"), "utf8");
    expect(source).toContain(`ROUTES.${key}`);
  }
});
