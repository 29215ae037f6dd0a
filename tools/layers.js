/**
 * What a folder may import: one table for core, one for app. Every import rule of the linter is made from them; a folder that is not in its
 * table is a fault (tools/test/layers.test.ts). docs/architecture.md draws them.
 */

import { readdirSync } from "node:fs";

/** Folders of core/src, each with those it may import beside the files that lie above all (constants, units, errors, quantities, notices). */
export const CORE = {
  numerics: [],
  hand: ["numerics"],
  generated: ["schema"],
  schema: ["generated"],
  shape: ["schema", "numerics"],
  heat: ["numerics", "hand", "schema"],
  colour: ["numerics", "schema"],
  kinetics: ["numerics", "schema", "generated"],
  evidence: ["numerics", "hand", "schema"],
  migrate: ["schema"],
  plan: ["numerics", "schema", "shape", "heat", "colour", "kinetics"],
  simulate: ["numerics", "hand", "schema", "shape", "heat", "colour", "kinetics", "evidence", "plan"],
  practice: ["numerics", "schema", "shape", "heat", "colour", "kinetics", "evidence", "plan", "simulate"],
  book: ["schema", "shape", "evidence", "migrate", "plan", "simulate"],
  heatNow: ["schema", "colour", "plan", "simulate", "book"],
  standing: ["numerics", "hand", "schema", "shape", "heat", "evidence", "plan", "simulate", "book", "heatNow"],
  diagnose: ["numerics", "schema", "heat", "kinetics", "evidence", "plan", "simulate", "book", "standing"],
  solve: ["numerics", "schema", "shape", "heat", "kinetics", "plan", "simulate", "standing"],
  stock: ["numerics", "hand", "schema", "shape", "heat", "kinetics", "evidence", "plan", "simulate"],
  job: ["schema", "plan", "simulate", "diagnose", "solve", "stock"],
  verbs: [
    "schema",
    "shape",
    "heat",
    "colour",
    "kinetics",
    "evidence",
    "migrate",
    "plan",
    "simulate",
    "book",
    "heatNow",
    "standing",
    "diagnose",
    "solve",
    "stock",
  ],
};

/** Folders of app/src. A feature imports no other feature, and nothing that is not here. */
export const APP = {
  api: [],
  format: ["store"],
  store: ["format", "api"],
  words: ["format", "store"],
  compute: ["words", "store", "format"],
  instruments: ["api", "store", "format", "compute", "words"],
  calls: ["api", "format", "store", "words", "compute", "instruments", "parts"],
  parts: ["format", "store", "words", "compute", "calls"],
  features: ["format", "store", "words", "compute", "instruments", "calls", "parts", "api"],
};

/** The folders of a source tree, as they are on disk. */
export function foldersOf(root) {
  return readdirSync(root, { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? [entry.name] : []));
}

/** The pattern of the linter's rule that refuses some folders, wherever the importing file lies; null where there is nothing to refuse. */
function refusing(folders, message) {
  return folders.length === 0 ? null : { regex: `^(?:\\.\\./)+(?:${folders.join("|")})/`, message };
}

/** What a folder of a table may not import. */
export function forbiddenTo(table, folder) {
  return Object.keys(table).filter((other) => other !== folder && !table[folder].includes(other));
}

const ONE_WAY = "data flows one way: tools/layers.js says who may import whom";

/** Patterns for `no-restricted-imports` of a folder of core. */
export function corePatterns(folder) {
  return [refusing(forbiddenTo(CORE, folder), ONE_WAY)].filter((pattern) => pattern !== null);
}

const BY_INDEX = { group: ["**/core/src/*", "@tembrak/core/*"], message: "core is imported by its index only" };
const BY_HOOK = {
  group: ["**/store/db.js"],
  importNames: ["writeSettings", "writeKitItems", "removeKitItem"],
  message: "useSet and useKeepKit say when the browser refuses",
};
/** A write that the browser refuses is said: by the hooks of the store alone. */
const SAYS = ["features", "parts", "calls"];

/** The same of a folder of app; of a feature by its name too. */
export function appPatterns(folder, features, feature) {
  const others = feature === undefined ? [] : features.filter((other) => other !== feature);
  return [
    BY_INDEX,
    ...(SAYS.includes(folder) ? [BY_HOOK] : []),
    refusing(forbiddenTo(APP, folder), ONE_WAY),
    refusing(others, "a feature imports no other feature"),
  ].filter((pattern) => pattern !== null);
}
