/**
 * Unit tests: core in Node, app in jsdom where it draws, server in Node. All compile to CommonJS: modules linked by the
 * engine inside a sandbox run the same arithmetic four times slower.
 */
const common = {
  injectGlobals: false,
  // Looked up on the sandbox's own global object, every Math.exp would cost more than the exponential itself.
  sandboxInjectedGlobals: ["Math"],
  transform: {
    "^.+\\.(ts|tsx)$|/(core/src/generated|tools)/[^/]+\\.js$": [
      "@swc/jest",
      {
        jsc: {
          experimental: { keepImportAttributes: true },
          target: "es2022",
          parser: { syntax: "typescript", tsx: true },
          transform: { react: { runtime: "automatic" } },
        },
        module: { type: "commonjs" },
      },
    ],
  },
  moduleNameMapper: {
    "^(\\.{1,2}/.*)\\.js$": "$1",
    "\\.css$": "<rootDir>/tools/emptyModule.ts",
    "^nanoid$": "<rootDir>/node_modules/nanoid/index.cjs",
  },
  rootDir: ".",
};

export default {
  testTimeout: 30_000,
  // One of two processors would stand idle otherwise.
  maxWorkers: "100%",
  projects: [
    { ...common, displayName: "core", testMatch: ["<rootDir>/core/test/**/*.test.ts"] },
    {
      ...common,
      displayName: "app",
      testMatch: ["<rootDir>/app/src/**/*.test.ts", "<rootDir>/app/src/**/*.test.tsx"],
      testEnvironment: "jsdom",
      setupFiles: ["<rootDir>/tools/jsdomSetup.ts"],
    },
    { ...common, displayName: "server", testMatch: ["<rootDir>/server/**/*.test.ts", "<rootDir>/tools/**/*.test.ts"] },
  ],
};
