/** Why a mark will not do: one that vanishes in the fire, or that another piece at work has. Pure. */

import { isInWork, type Piece, type PieceState } from "@tembrak/core";

/** What scale eats (common practice, no source). */
const VANISHES = /scrib|scratch|pen\b|pencil|marker|chalk|paint|\bink|tape|label|sticker/i;

/** Null where it will do. @param id the piece itself, where it is in the book already */
export function markProblem(
  { mark, isPractice = false }: Pick<Piece, "mark" | "isPractice">,
  pieces: readonly PieceState[],
  id?: string,
): string | null {
  const said = mark.trim();
  if (said === "") return "A scribed line is lost in scale: file notches.";
  if (VANISHES.test(said)) return "That is lost in scale: notches with a file, or a stamp, and their number here.";
  const other = pieces.find(
    (state) =>
      state.id !== id &&
      isInWork(state) &&
      (state.piece.isPractice === true) === isPractice &&
      state.piece.mark.trim().toLowerCase() === said.toLowerCase(),
  );
  return other === undefined ? null : `${other.piece.name}, at work, has this mark: nobody could tell them apart.`;
}
