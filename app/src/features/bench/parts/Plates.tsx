/** Two thick cold plates and the piece between them, seen along its edge: apart, closed on it, apart again. */

import { thickness_mm, type PieceState } from "@tembrak/core";
import type { Where } from "./Tank.js";

interface Props {
  readonly state: PieceState;
  readonly where: Where;
}

const [W, H, MIDDLE] = [700, 330, 165];
const PLATE_px = 64;
/** How far apart they are before and after, px beside the piece. */
const APART_px = 44;
const WORDS: Readonly<Record<Where, string>> = {
  above: "The piece lies between two plates that are still apart.",
  under: "The plates are closed on both faces of the piece at once.",
  out: "The plates are off the piece again.",
};

export function Plates({ state: { piece }, where }: Props) {
  const long_px = 420;
  const k = long_px / piece.length_mm;
  const half = Math.max(3, 0.5 * k * thickness_mm(piece.section));
  const gap = where === "under" ? 0 : APART_px;
  const x = (W - long_px) / 2;
  const plate = (y: number) => (
    <rect x={x - 40} y={y} width={long_px + 80} height={PLATE_px} fill="url(#hatch-cut)" stroke="var(--steel)" strokeWidth={1.3} />
  );
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="tank" role="img" aria-label={WORDS[where]}>
      {plate(MIDDLE - half - gap - PLATE_px)}
      {plate(MIDDLE + half + gap)}
      <rect x={x} y={MIDDLE - half} width={long_px} height={2 * half} fill={where === "above" ? "#a33015" : "var(--black)"} />
      <text x={46} y={H - 20} fontSize={18} fill="var(--ink2)" className="drawn">
        {where === "under" ? "pressed" : "both faces at once"}
      </text>
    </svg>
  );
}
