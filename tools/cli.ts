/** The command line: one JSON document out, or one error object and exit status 2. All sense is in core. */

import { readFileSync } from "node:fs";
import { resolve } from "node:path";
import { checkBook, InputError, parseJson, runVerb, verbHelp, verbHelpOf, verbNeedsInput, verbSchema } from "../core/src/index.js";

function readText(file: string | undefined): string {
  if (file === undefined) return process.stdin.isTTY ? "" : readFileSync(0, "utf8");
  const path = resolve(process.env["TEMBRAK_CWD"] ?? ".", file);
  try {
    return readFileSync(path, "utf8");
  } catch {
    throw new InputError({ code: "unreadable", path: "", message: `The file ${file} cannot be read.` });
  }
}

function answer(verb: string | undefined, argument: string | undefined, more: readonly string[]): unknown {
  if (verb === "help" && argument !== undefined) return verbHelpOf(argument);
  if (verb === undefined || verb === "help") return { verbs: verbHelp(), more: ["schema VERB", "help", "help VERB"] };
  if (verb === "schema") return verbSchema(argument ?? "");
  if (more.length > 0) throw new InputError({ code: "unknown-property", path: "", message: `One file at most; got ${more.length + 1}.` });
  if (!verbNeedsInput(verb) && argument === undefined) return runVerb(verb, undefined);
  const text = readText(argument);
  if (verb === "check-file") {
    try {
      return runVerb(verb, parseJson(text));
    } catch (error) {
      if (!(error instanceof InputError) || error.code !== "invalid-json") throw error;
      const { ok, pieces, heats } = checkBook(null);
      return { ok, pieces, heats, found: 1, problems: [{ path: "", message: error.message }] };
    }
  }
  if (text.trim() === "")
    throw new InputError({ code: "missing", path: "", message: `${verb} needs an input: a file or JSON on standard input.` });
  return runVerb(verb, parseJson(text));
}

function main([verb, argument, ...more]: readonly string[]): void {
  try {
    const said = answer(verb, argument, more);
    process.stdout.write(`${JSON.stringify(said, null, 2)}\n`);
    // Answered, and the answer is no: for a script that only looks at the status.
    if (verb === "check-file" && (said as { ok?: unknown }).ok === false) process.exitCode = 1;
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    const { code, path, message } = error;
    process.stderr.write(`${JSON.stringify({ error: { code, message, path } })}\n`);
    process.exitCode = 2;
  }
}

main(process.argv.slice(2));
