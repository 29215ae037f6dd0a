import js from "@eslint/js";
import prettier from "eslint-config-prettier";
import reactHooks from "eslint-plugin-react-hooks";
import globals from "globals";
import tseslint from "typescript-eslint";
import { unitSuffix } from "./tools/unitSuffix.js";

/** What a folder of core may not import. Data flows one way: style.md. */
const forbid = (files, folders) => ({
  files,
  rules: {
    "no-restricted-imports": [
      "error",
      { patterns: folders.map((folder) => ({ group: [`**/${folder}/*`], message: `data flows one way: ${folder} is further down` })) },
    ],
  },
});
const LATER = ["plan", "simulate", "job", "verbs", "book", "standing", "diagnose"];

// Rules that need types are in .oxlintrc.json: there the native compiler knows them, in a tenth of the time.
export default tseslint.config(
  {
    ignores: [
      "**/dist/**",
      ".tsbuild/**",
      ".tbuild/**",
      ".tmp/**",
      "**/*.d.ts",
      "core/src/generated/**",
      "node_modules/**",
      "test-results/**",
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    plugins: { tembrak: { rules: { "unit-suffix": unitSuffix } } },
    rules: {
      "tembrak/unit-suffix": "error",
      "@typescript-eslint/no-non-null-assertion": "off",
      "no-console": "error",
      eqeqeq: "error",
    },
  },
  { files: ["**/*.mjs", "tools/**"], languageOptions: { globals: globals.node }, rules: { "no-console": "off" } },
  {
    files: ["core/src/**"],
    rules: {
      "no-restricted-globals": ["error", "Date", "console", "fetch", "process", "window", "document", "performance"],
      "no-restricted-properties": ["error", { object: "Math", property: "random", message: "chance comes in as a seed" }],
      "no-restricted-syntax": [
        "error",
        { selector: "Program > VariableDeclaration[kind='let']", message: "no module state: a worker has its own copy" },
        { selector: "Literal[value=273.15]", message: "only units.ts knows 273.15" },
      ],
    },
  },
  { files: ["core/src/units.ts"], rules: { "no-restricted-syntax": "off" } },
  forbid(["core/src/numerics/**"], ["heat", "kinetics", "colour", "evidence", "shape", "schema", ...LATER]),
  forbid(["core/src/schema/**"], ["heat", "kinetics", "colour", "evidence", "shape", ...LATER]),
  forbid(["core/src/heat/**"], ["kinetics", "colour", "evidence", "shape", ...LATER]),
  forbid(["core/src/kinetics/**"], ["heat", "colour", "evidence", "shape", ...LATER]),
  forbid(["core/src/colour/**"], ["heat", "kinetics", "evidence", "shape", ...LATER]),
  forbid(["core/src/evidence/**"], ["heat", "colour", "shape", ...LATER]),
  forbid(["core/src/plan/**"], ["simulate", "job", "verbs", "book", "standing", "diagnose"]),
  forbid(["core/src/simulate/**"], ["job", "verbs", "book", "standing", "diagnose"]),
  forbid(["core/src/heatNow/**"], ["job", "verbs", "standing", "diagnose"]),
  forbid(["core/src/standing/**"], ["job", "verbs", "diagnose"]),
  forbid(["core/src/diagnose/**"], ["job", "verbs"]),
  forbid(["core/src/migrate/**"], ["numerics", "heat", "kinetics", "colour", "evidence", "shape", ...LATER]),
  {
    files: ["app/src/**/*.tsx"],
    ignores: ["**/*.test.tsx"],
    rules: { "max-lines-per-function": ["error", { max: 120, skipComments: true, skipBlankLines: true }] },
  },
  {
    files: ["app/src/**/*.tsx"],
    ignores: ["app/src/parts/Choice.tsx"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: "JSXOpeningElement > JSXAttribute[name.name='select']",
          message: "a list to choose from is a Choice: it opens when the press ends",
        },
      ],
    },
  },
  // What is used in gloves is read in one go.
  { files: ["app/src/features/bench/**/*.tsx"], ignores: ["**/*.test.tsx"], rules: { complexity: ["error", 10] } },
  {
    files: ["app/src/**"],
    ignores: ["app/src/format/**", "**/*.test.ts", "**/*.test.tsx"],
    languageOptions: { globals: globals.browser },
    plugins: { "react-hooks": reactHooks },
    rules: {
      ...reactHooks.configs.recommended.rules,
      "no-restricted-properties": [
        "error",
        ...["exp", "log", "log10", "pow", "sqrt"].map((property) => ({
          object: "Math",
          property,
          message: "no physics in app: core computes it",
        })),
      ],
      "no-restricted-imports": [
        "error",
        { patterns: [{ group: ["**/core/src/*", "@tembrak/core/*"], message: "core is imported by its index only" }] },
      ],
    },
  },
  {
    // A write that the browser refuses is said: by the hooks of the store alone.
    files: ["app/src/features/**/*.tsx", "app/src/parts/**/*.tsx", "app/src/calls/**"],
    ignores: ["**/*.test.tsx", "**/*.test.ts"],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            { group: ["**/core/src/*", "@tembrak/core/*"], message: "core is imported by its index only" },
            {
              group: ["**/store/db.js"],
              importNames: ["writeSettings", "writeKitItems", "removeKitItem"],
              message: "useSet and useKeepKit say when the browser refuses",
            },
          ],
        },
      ],
    },
  },
  {
    files: ["**/test/**", "**/*.test.ts", "**/*.test.tsx", "e2e/**"],
    rules: {
      "no-console": "off",
    },
  },
  prettier,
);
