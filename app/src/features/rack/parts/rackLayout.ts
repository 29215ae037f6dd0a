/** Where each piece hangs: stages in the order of work, one scale for all. Pure. */

import { brittleSince, type PieceState, type Stage } from "@tembrak/core";
import { drawPiece, type Drawn } from "../../../parts/Silhouette.js";

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  prepare: "Prepare",
  normalise: "Normalise",
  harden: "Harden",
  cool: "Cool, file, temper soon",
  temper: "Temper",
  prove: "Prove, record",
  done: "Done",
};
const ORDER: readonly Stage[] = ["prepare", "normalise", "harden", "cool", "temper", "prove"];

export interface Hung {
  readonly state: PieceState;
  readonly drawn: Drawn;
  /** Left of the piece's column and of its silhouette, px. */
  readonly x: number;
  readonly pieceX: number;
  readonly columnWidth: number;
}

export interface RailSpan {
  readonly stage: Stage;
  readonly x0: number;
  readonly x1: number;
}

export interface RackLayout {
  readonly hung: readonly Hung[];
  readonly rails: readonly RailSpan[];
  readonly width: number;
  readonly scale_px_mm: number;
}

const LEAST_COLUMN = 122;
const DIMENSION_ROOM = 30;
const GAP = 14;
/** Drawn beyond what is in sight on either side, px. */
const BESIDE = 400;

/** All pieces in order, newest last within a stage. */
export function inOrder(pieces: readonly PieceState[]): PieceState[] {
  return ORDER.flatMap((stage) => pieces.filter((piece) => piece.stage === stage));
}

/** Where it hangs by, from the left of its silhouette, px: its hole, else the middle of its top. */
export function hanger_px({ outline, toPx, width_px }: Drawn): number {
  if (outline.hole) return toPx(outline.hole.centre).x;
  const top = outline.contour.map(toPx).filter(({ y }) => y < 6);
  return top.length > 0 ? top.reduce((sum, p) => sum + p.x, 0) / top.length : width_px / 2;
}

/** Those that are in sight of a window over the rack, px. */
export function inSight({ hung }: RackLayout, from: number, width: number): readonly Hung[] {
  return hung.filter(({ x, columnWidth }) => x + columnWidth >= from - BESIDE && x <= from + width + BESIDE);
}

function hangAt(scale: number, pieces: readonly PieceState[], now_ms: number): RackLayout {
  const hung: Hung[] = [];
  const rails: RailSpan[] = [];
  let x = 0;
  for (const state of inOrder(pieces)) {
    const drawn = drawPiece(state.piece, scale, "hang");
    const isBrittle = brittleSince(state, now_ms) !== null;
    const room = drawn.width_px + DIMENSION_ROOM + (isBrittle ? 34 : 8);
    const columnWidth = Math.max(LEAST_COLUMN, room, state.piece.name.length * 10 + 12);
    const last = rails[rails.length - 1];
    if (last === undefined || last.stage !== state.stage) {
      if (last !== undefined) x += GAP;
      rails.push({ stage: state.stage, x0: x, x1: x });
    }
    const pieceX = x + Math.max(DIMENSION_ROOM, (columnWidth - drawn.width_px) / 2);
    hung.push({ state, drawn, x, pieceX, columnWidth });
    x += columnWidth;
    rails[rails.length - 1] = { ...rails[rails.length - 1]!, x1: x };
  }
  return { hung, rails, width: x, scale_px_mm: scale };
}

/** Shares out the room that is left over evenly. */
function spreadOver({ hung, rails, scale_px_mm, width: used }: RackLayout, width: number): RackLayout {
  const more = Math.min(40, Math.max(0, (width - used) / hung.length));
  const moved = hung.map((h, i) => ({
    ...h,
    x: h.x + i * more,
    pieceX: h.pieceX + i * more + more / 2,
    columnWidth: h.columnWidth + more,
  }));
  const at = (span: RailSpan): RailSpan => {
    const own = moved.filter(({ state }) => state.stage === span.stage);
    const last = own[own.length - 1]!;
    return { ...span, x0: own[0]!.x, x1: last.x + last.columnWidth };
  };
  return { hung: moved, rails: rails.map(at), scale_px_mm, width: used + more * hung.length };
}

/** The largest scale at which the longest piece hangs free and, down to a floor, all fit side by side. */
export function layOutRack(pieces: readonly PieceState[], now_ms: number, width: number, freeHeight: number): RackLayout {
  const longest = pieces.reduce((most, { piece }) => Math.max(most, drawPiece(piece, 1, "hang").height_px), 1);
  let scale = Math.min(1.1, freeHeight / longest);
  const floor = Math.max(0.12, 0.6 * scale);
  // A long rack is scrolled, whatever the scale between: asked first, because each try lays out every piece.
  const smallest = hangAt(Math.min(scale, floor), pieces, now_ms);
  if (smallest.width > width) return spreadOver(smallest, width);
  let layout = hangAt(scale, pieces, now_ms);
  while (layout.width > width && scale > floor) {
    scale *= 0.96;
    layout = hangAt(scale, pieces, now_ms);
  }
  return spreadOver(layout, width);
}
