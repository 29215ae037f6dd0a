/** Pages that a run writes, each with the core its figures are of. */

import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");

/** Of the core as it is now: it changes when what it answers does (CHANGELOG). */
export function coreVersion(): string {
  return (JSON.parse(readFileSync(join(root, "core/package.json"), "utf8")) as { version: string }).version;
}

/** A page of docs/, signed with the core that its figures are of. */
export function writePage(name: string, text: string): void {
  writeFileSync(join(root, "docs", name), `${text.trimEnd()}\n\nFigures of core ${coreVersion()}.\n`);
}
