import next from "eslint-config-next/core-web-vitals";
import nextTypescript from "eslint-config-next/typescript";
import prettier from "eslint-config-prettier";
import boundaries from "eslint-plugin-boundaries";

/** Which layer may import which: docs/layout.md. */
const LAYERS = ["core", "data", "server", "api", "ui", "workers", "app"];
const MAY_IMPORT = {
  core: ["core"],
  data: ["data", "core"],
  server: ["server", "data", "core"],
  api: ["api", "core"],
  workers: ["workers", "core"],
  // The browser reads files by the same code as the public interface; api knows nothing but the core.
  ui: ["ui", "core", "workers", "api"],
  app: ["app", "ui", "server", "api", "core"],
};

const config = [
  { ignores: [".next/**", "node_modules/**", "next-env.d.ts", ".data/**", "src/data/migrations/**"] },
  ...next,
  ...nextTypescript,
  prettier,
  {
    files: ["src/**/*.{ts,tsx}"],
    plugins: { boundaries },
    settings: {
      "import/resolver": { typescript: { project: "./tsconfig.json" } },
      "boundaries/elements": LAYERS.map((type) => ({ type, pattern: `src/${type}` })),
    },
    rules: {
      // Cycles inside a layer: dpdm, in `npm run lint`.
      "boundaries/dependencies": [
        "error",
        {
          default: "disallow",
          policies: [
            ...Object.entries(MAY_IMPORT).map(([from, to]) => ({
              from: { element: { type: from } },
              allow: to.map((type) => ({ to: { element: { type } } })),
            })),
            // Pages hand server results to the screens: their types, never their code.
            {
              from: { element: { type: "ui" } },
              allow: [{ to: { element: { type: "server" } }, dependency: { kind: "type" } }],
            },
          ],
        },
      ],
    },
  },
  {
    // A test may look at its subject from both ends.
    files: ["src/**/*.test.ts"],
    rules: { "boundaries/dependencies": "off" },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: ["src/core/**/*.{test,fixture}.ts"],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            { regex: "^(?!\\.{1,2}/).*", message: "The core is plain TypeScript: it imports nothing from outside." },
          ],
        },
      ],
      "no-restricted-globals": ["error", "window", "document", "process", "fetch", "Buffer", "localStorage"],
    },
  },
  {
    files: ["src/ui/**/*.tsx", "src/app/**/*.tsx"],
    ignores: ["src/ui/kit/Link.tsx"],
    rules: {
      "no-restricted-imports": [
        "error",
        { paths: [{ name: "next/link", message: "Use @/ui/kit/Link, which does not prefetch." }] },
      ],
    },
  },
  {
    settings: { react: { version: "19.3" }, next: { rootDir: "." } },
    rules: {
      "@next/next/no-html-link-for-pages": "off",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_" }],
      "@typescript-eslint/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
      "@typescript-eslint/no-explicit-any": "error",
    },
  },
];

export default config;
