import js from "@eslint/js";
import prettier from "eslint-config-prettier";
import reactHooks from "eslint-plugin-react-hooks";
import globals from "globals";
import tseslint from "typescript-eslint";
import { APP, appPatterns, CORE, corePatterns, foldersOf } from "./tools/layers.js";
import { unitSuffix } from "./tools/unitSuffix.js";

/** What each folder may import, from the two tables of layers. A test that stands beside the source is read as the rest. */
const features = foldersOf(new URL("app/src/features", import.meta.url));
const restricted = (files, patterns) => ({ files, rules: { "no-restricted-imports": ["error", { patterns }] } });
const layers = [
  ...Object.keys(CORE).map((folder) => restricted([`core/src/${folder}/**`], corePatterns(folder))),
  ...Object.keys(APP).map((folder) => ({
    ...restricted([`app/src/${folder}/**`], appPatterns(folder, features)),
    ignores: ["**/*.test.ts", "**/*.test.tsx"],
  })),
  ...features.map((feature) => ({
    ...restricted([`app/src/features/${feature}/**`], appPatterns("features", features, feature)),
    ignores: ["**/*.test.ts", "**/*.test.tsx"],
  })),
];

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
  {
    files: ["app/src/**/*.tsx"],
    ignores: ["**/*.test.tsx"],
    rules: { "max-lines-per-function": ["error", { max: 120, skipComments: true, skipBlankLines: true }] },
  },
  {
    files: ["app/src/**"],
    ignores: ["app/src/parts/Choice.tsx", "app/src/format/**", "**/*.test.ts", "**/*.test.tsx"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: ":matches(BinaryExpression, AssignmentExpression)[operator=/^\\*\\*/]",
          message: "no physics in app: core computes it",
        },
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
        ...["exp", "log", "log2", "log10", "log1p", "expm1", "pow", "sqrt", "cbrt", "hypot"].map((property) => ({
          object: "Math",
          property,
          message: "no physics in app: core computes it",
        })),
      ],
    },
  },
  ...layers,
  {
    files: ["**/test/**", "**/*.test.ts", "**/*.test.tsx", "e2e/**"],
    rules: {
      "no-console": "off",
    },
  },
  prettier,
);
