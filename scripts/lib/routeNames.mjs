/**
 * Names requests by the route that answers them, so that a log holds no name, key or parameter: /lifters/isla is
 * "/lifters/[key]". What no route answers is "unknown".
 *
 * @param manifest routes-manifest.json of a build.
 * @returns a function from a request's URL to its route's name.
 */
export function routeNames({ staticRoutes, dynamicRoutes }) {
  const fixed = new Set(staticRoutes.map(({ page }) => page));
  const dynamic = dynamicRoutes.map(({ page, regex }) => [new RegExp(regex), page]);
  return (url = "/") => {
    const path = url.split("?")[0];
    if (path.startsWith("/_next/")) return "/_next";
    const plain = path.length > 1 ? path.replace(/\/+$/, "") : path;
    if (fixed.has(plain)) return plain;
    return dynamic.find(([pattern]) => pattern.test(plain))?.[1] ?? "unknown";
  };
}
