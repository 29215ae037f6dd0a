/** Unit tests: core in Node, app in jsdom where it draws, server in Node. */
const common = {
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  injectGlobals: false,
  transform: {
    "^.+\\.tsx?$": [
      "@swc/jest",
      {
        jsc: {
          experimental: { keepImportAttributes: true },
          target: "es2022",
          parser: { syntax: "typescript", tsx: true },
          transform: { react: { runtime: "automatic" } },
        },
        module: { type: "es6" },
      },
    ],
  },
  moduleNameMapper: { "^(\\.{1,2}/.*)\\.js$": "$1", "\\.css$": "<rootDir>/tools/emptyModule.ts" },
  rootDir: ".",
};

export default {
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
