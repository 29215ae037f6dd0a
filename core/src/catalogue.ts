/** The catalogue and the forms that ship with the core. */

import { kindFiles, mediumFiles, steelFiles, usesFile } from "./generated/data.js";
import { makeCatalogue } from "./plan/catalogue.js";
import type { Piece } from "./schema/book.js";
import type { KindFile } from "./schema/kind.js";

export const CATALOGUE = makeCatalogue({ steels: steelFiles, media: mediumFiles, uses: usesFile });

export const FORMS: readonly KindFile[] = kindFiles;

/** The form a piece is drawn in: its own, or the plainest of its kind (the one named like the kind, else the first). */
export function formOf({ kind, form }: Pick<Piece, "kind" | "form">): KindFile {
  const ofKind = FORMS.filter((f) => f.kind === kind);
  return ofKind.find((f) => f.id === form) ?? ofKind.find((f) => f.id === kind) ?? ofKind[0]!;
}
