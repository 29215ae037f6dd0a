/** Small wrong changes to a source, one at a time: another number, another comparison, the other branch. */

import ts from "typescript";

export interface Mutant {
  readonly file: string;
  readonly line: number;
  readonly from: string;
  readonly to: string;
  readonly start: number;
  readonly end: number;
}

const SWAPS: Readonly<Record<string, string>> = {
  "+": "-",
  "-": "+",
  "*": "/",
  "/": "*",
  "<": "<=",
  "<=": "<",
  ">": ">=",
  ">=": ">",
  "===": "!==",
  "!==": "===",
  "&&": "||",
  "||": "&&",
};

/** A fourth more, so that nothing but a table of many digits is moved by less than it is known to. */
function otherNumber(text: string): string {
  const value = Number(text.replaceAll("_", ""));
  return value === 0 ? "1" : Number.isInteger(value) && Math.abs(value) < 4 ? String(value + 1) : String(value * 1.25);
}

/** What is no computation: types, and the words of errors. */
function isOutside(node: ts.Node): boolean {
  if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isInterfaceDeclaration(node)) return true;
  return ts.isNewExpression(node) && node.expression.getText() === "InputError";
}

export function mutantsOf(file: string, text: string): Mutant[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
  const found: Mutant[] = [];
  const add = (node: ts.Node, to: string): void => {
    const [start, end] = [node.getStart(), node.getEnd()];
    found.push({ file, line: source.getLineAndCharacterOfPosition(start).line + 1, from: text.slice(start, end), to, start, end });
  };
  const visit = (node: ts.Node): void => {
    if (isOutside(node)) return;
    if (ts.isNumericLiteral(node) && !ts.isPropertyAssignment(node.parent.parent ?? node)) add(node, otherNumber(node.text));
    else if (ts.isNumericLiteral(node)) add(node, otherNumber(node.text));
    if (ts.isBinaryExpression(node)) {
      const swapped = SWAPS[node.operatorToken.getText()];
      if (swapped !== undefined && !ts.isStringLiteralLike(node.left) && !ts.isTemplateExpression(node.right))
        add(node.operatorToken, swapped);
    }
    if (ts.isConditionalExpression(node)) {
      const [yes, no] = [node.whenTrue.getText(), node.whenFalse.getText()];
      add(node, `${node.condition.getText()} ? ${no} : ${yes}`);
    }
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, "false");
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, "true");
    if (ts.isPropertyAccessExpression(node) && node.expression.getText() === "Math") {
      if (node.name.text === "min") add(node.name, "max");
      if (node.name.text === "max") add(node.name, "min");
    }
    if (ts.isIfStatement(node) && node.elseStatement === undefined) add(node.expression, "false");
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** The same numbers for the same seed, 0 ... 1 (mulberry32, public domain). */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** So many of them, without one twice. */
export function sample<T>(of: readonly T[], count: number, seed: number): T[] {
  const random = seeded(seed);
  const left = [...of];
  return Array.from({ length: Math.min(count, left.length) }, () => left.splice(Math.floor(random() * left.length), 1)[0]!);
}
