import next from "eslint-config-next/core-web-vitals";
import nextTypescript from "eslint-config-next/typescript";
import prettier from "eslint-config-prettier";
import boundaries from "eslint-plugin-boundaries";
import jsdoc from "eslint-plugin-jsdoc";
import { ROOMS } from "./rooms.mjs";

/** Which layer may import which: docs/layout.md. */
const LAYERS = ["core", "data", "api", "papers", "ui", "workers", "app"];
const MAY_IMPORT = {
  core: ["core"],
  data: ["data", "core"],
  api: ["api", "core"],
  // Server threads read files by the same code as the browser.
  workers: ["workers", "papers", "api", "core"],
  // Papers are functions of plain data.
  papers: ["papers", "core"],
  // The browser reads files by the same code as the public interface; api knows nothing but the core.
  ui: ["ui", "papers", "core", "workers", "api"],
  app: ["app", "ui", "papers", "api", "core"],
};

/** Other rooms know a room by its index only. */
const publicNames = (room) => ({ to: { element: { type: `server/${room}`, fileInternalPath: "index.ts" } } });
/** What is imported for its types only. */
const typesOf = (to) => ({ ...to, dependency: { kind: "type" } });
const whole = (type) => ({ to: { element: { type } } });

/** What each layer, and each room of the server, may import; docs/layout.md. */
const ALLOWED = {
  ...Object.fromEntries(
    LAYERS.map((layer) => [
      layer,
      [
        ...MAY_IMPORT[layer].map(whole),
        ...(layer === "app" ? Object.keys(ROOMS).map(publicNames) : []),
        // Pages hand server results to the screens: their types, never their code.
        ...(layer === "ui" || layer === "papers" ? Object.keys(ROOMS).map((room) => typesOf(publicNames(room))) : []),
      ],
    ]),
  ),
  // A room of the server: its own files, what it may use of other rooms, and the layers below.
  ...Object.fromEntries(
    Object.entries(ROOMS).map(([room, uses]) => [
      `server/${room}`,
      [
        ...[`server/${room}`, "data", "core"].map(whole),
        // What threads compute is named there; its code runs in them.
        ...["workers", "papers"].map((type) => typesOf(whole(type))),
        ...uses.map(publicNames),
      ],
    ]),
  ),
};

/** Only the edge may open a connection, read the environment or ask the machine what time it is. */
const EDGE_ONLY = [
  { name: "@/data/client", message: "Only server/access opens the database; work with the context you are given." },
  { name: "@/data/environment", message: "Only server/access reads the environment; it is in the context." },
];

const EXPORTED_FUNCTIONS = [
  "ExportNamedDeclaration > FunctionDeclaration",
  "ExportNamedDeclaration > VariableDeclaration > VariableDeclarator > ArrowFunctionExpression",
];

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
      "boundaries/elements": [
        ...Object.keys(ROOMS).map((room) => ({ type: `server/${room}`, pattern: `src/server/${room}` })),
        ...LAYERS.map((type) => ({ type, pattern: `src/${type}` })),
      ],
    },
  },
  // Each is held to what it may import alone: every import against every policy of the house took most of the lint's
  // time. Cycles inside a layer: dpdm, in `npm run lint`.
  ...Object.entries(ALLOWED).map(([type, allow]) => ({
    files: [`src/${type}/**/*.{ts,tsx}`],
    rules: {
      "boundaries/dependencies": ["error", { default: "disallow", policies: [{ from: { element: { type } }, allow }] }],
    },
  })),
  {
    // A test may look at its subject from both ends.
    files: ["src/**/*.{test,fixture}.{ts,tsx}"],
    rules: { "boundaries/dependencies": "off" },
  },
  {
    files: ["src/server/**/*.ts", "src/app/**/*.{ts,tsx}"],
    ignores: ["src/server/access/**", "src/**/*.{test,fixture}.{ts,tsx}"],
    rules: {
      "no-restricted-imports": ["error", { paths: EDGE_ONLY }],
      "no-restricted-syntax": [
        "error",
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: "The time is the context's to say: context.clock.now().",
        },
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: "The time is the context's to say: context.clock.now().",
        },
        {
          selector: "MemberExpression[object.name='process'][property.name='env']",
          message: "See @/data/environment.",
        },
      ],
    },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: ["src/core/**/*.{test,fixture}.ts"],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            {
              regex: "^(?!\\.{1,2}/|date-fns$).*",
              message: "The core is plain TypeScript: it imports nothing from outside but date-fns for the calendar.",
            },
          ],
        },
      ],
      "no-restricted-globals": ["error", "window", "document", "process", "fetch", "Buffer", "localStorage"],
    },
  },
  {
    // What the core exports says what it gives: meaning, shape, unit, and what it throws.
    files: ["src/core/**/*.ts"],
    ignores: ["src/core/**/*.{test,fixture}.ts"],
    plugins: { jsdoc },
    settings: { jsdoc: { mode: "typescript" } },
    rules: {
      "jsdoc/require-jsdoc": [
        "error",
        {
          publicOnly: true,
          require: { FunctionDeclaration: true, ArrowFunctionExpression: true, FunctionExpression: true },
        },
      ],
      "jsdoc/require-description": ["error", { contexts: EXPORTED_FUNCTIONS }],
      "jsdoc/require-returns": ["error", { publicOnly: true, contexts: EXPORTED_FUNCTIONS }],
      "jsdoc/require-returns-description": "error",
      "jsdoc/require-throws": ["error", { contexts: EXPORTED_FUNCTIONS }],
      "jsdoc/check-tag-names": "error",
    },
  },
  {
    files: ["src/ui/**/*.tsx", "src/app/**/*.tsx"],
    ignores: ["src/ui/kit/Link.tsx"],
    rules: {
      "no-restricted-imports": [
        "error",
        { paths: [...EDGE_ONLY, { name: "next/link", message: "Use @/ui/kit/Link, which does not prefetch." }] },
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
