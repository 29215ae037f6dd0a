/** The piece as its colours run: each where it is now, and dashed where it will be in a moment. */

import { bandOf, wetEdge_mm, type ColourName, type PieceState, type RunNow } from "@tembrak/core";
import { useId } from "react";
import { runEnd } from "../../../words/runWords.js";
import { filmColour } from "../../../parts/ribbonColour.js";
import { drawPiece, pathOf } from "../../../parts/Silhouette.js";
import { spreadOut } from "../../../parts/spreadOut.js";

const [W, H] = [1240, 230];
/** Colours that are named on the drawing. */
const NAMED: readonly ColourName[] = ["light straw", "straw", "bronze", "purple", "blue"];
/** As wide as the longest name. */
const NAME_px = 96;
/** Thinner than this it is bright steel, nm. */
const BRIGHT_nm = 3;
const BRIGHT = "var(--steel)";
/** Thicker than this it is grey, whatever a single film would show, nm. */
const GREY_nm = 68;

/** How far from the edge a film is that thick, as a share of the way; null where none is. Films grow from the edge inwards. */
function whereIs(films_nm: readonly number[], film_nm: number): number | null {
  if (films_nm[0]! >= film_nm) return 0;
  const i = films_nm.findIndex((film) => film >= film_nm);
  if (i < 0) return null;
  const [a, b] = [films_nm[i - 1]!, films_nm[i]!];
  return (i - 1 + (film_nm - a) / Math.max(1e-9, b - a)) / (films_nm.length - 1);
}

interface Place {
  readonly name: ColourName;
  readonly now: number | null;
  readonly ahead: number | null;
}

function placesOf({ along_nm, ahead_nm }: RunNow): Place[] {
  return NAMED.map((name) => ({ name, now: whereIs(along_nm, bandOf(name)[0]), ahead: whereIs(ahead_nm, bandOf(name)[0]) }));
}

interface Props {
  readonly state: PieceState;
  readonly now: RunNow;
  /** How far from the edge the places go, mm. */
  readonly reach_mm: number;
  /** The line that is watched, behind an edge that stands in water, mm; null where the edge is watched. */
  readonly line_mm: number | null;
}

/** A bar as it lies, the end that works to the right; of a blade its section, the edge to the right. */
function shapeOf({ piece }: PieceState): {
  readonly path: string;
  readonly width_px: number;
  readonly height_px: number;
  readonly k: number;
} {
  const { section } = piece;
  if (section.shape === "wedge") {
    const k = Math.min((W - 40) / section.height_mm, (H - 80) / section.spine_mm);
    const [width_px, height_px, edge] = [section.height_mm * k, section.spine_mm * k, 0.5 * (section.spine_mm - section.edge_mm) * k];
    return { path: `M0 0L${width_px} ${edge}V${height_px - edge}L0 ${height_px}Z`, width_px, height_px, k };
  }
  const box = drawPiece(piece, 1, "lay");
  const k = Math.min((W - 40) / box.width_px, (H - 80) / box.height_px);
  const { outline, toPx, width_px, height_px } = drawPiece(piece, k, "lay");
  return { path: pathOf(outline.contour.map(toPx), true), width_px, height_px, k };
}

export function RunDrawing({ state, now, reach_mm, line_mm }: Props) {
  const id = useId();
  const { path, width_px: right, height_px: foot, k } = shapeOf(state);
  const [x0, y0] = [W / 2 - right / 2, 56];
  const reach_px = reach_mm * k;
  const places = placesOf(now);
  const shown = places.filter(({ now: at }) => at !== null && at > 0);
  const xs = shown.map(({ now: at }) => right - at! * reach_px);
  const labels = spreadOut(xs, NAME_px);
  const over = Math.max(0, ...labels.map((x) => x + NAME_px / 2 - (W - x0)));
  const what = state.piece.section.shape === "wedge" ? "section, edge to the right; " : "";
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="run-drawing"
      role="img"
      aria-label={`The ${line_mm === null ? runEnd(state.piece) : "line"} is ${now.colour} by the model. ${saidOf(shown)}`}
    >
      <defs>
        <linearGradient id={`${id}g`} gradientUnits="userSpaceOnUse" x1={right} y1={0} x2={right - reach_px} y2={0}>
          {now.along_nm.map((film, i) => (
            <stop
              key={i}
              offset={i / (now.along_nm.length - 1)}
              stopColor={film < BRIGHT_nm ? BRIGHT : filmColour(Math.min(GREY_nm, film))}
            />
          ))}
        </linearGradient>
        <clipPath id={`${id}c`}>
          <path d={path} />
        </clipPath>
      </defs>
      <g transform={`translate(${x0} ${y0})`}>
        <path d={path} fill={`url(#${id}g)`} />
        <g clipPath={`url(#${id}c)`} stroke="#fff" strokeWidth={2.4} strokeDasharray="7 5">
          {places.map(({ name, ahead }) =>
            ahead === null || ahead <= 0 ? null : (
              <path key={name} d={`M${(right - ahead * reach_px).toFixed(1)} 0V${foot}`} opacity={0.85} />
            ),
          )}
        </g>
        <path d={path} fill="none" stroke="var(--steel)" strokeWidth={1.4} strokeLinejoin="round" />
        {line_mm === null ? null : (
          <Line x={right - line_mm * k} wet_px={wetEdge_mm({ mark: { behind_mm: line_mm } }) * k} right={right} foot={foot} />
        )}
        {shown.map(({ name }, i) => (
          <Named key={name} name={name} x={xs[i]!} label={labels[i]! - over} />
        ))}
      </g>
      <text x={Math.max(20, x0)} y={H - 8} fontSize={18} fill="var(--ink2)" className="drawn">
        {what}
        {line_mm === null ? "" : "white: the line; dotted: in water; "}dashed: the same colour in 10 s
      </text>
    </svg>
  );
}

function saidOf(shown: readonly Place[]): string {
  return shown.length === 0 ? "No colour shows yet." : `Colours on it: ${shown.map(({ name }) => name).join(", ")}.`;
}

/** The line that was scribed, and the water the edge stands in. */
function Line({ x, wet_px, right, foot }: { readonly x: number; readonly wet_px: number; readonly right: number; readonly foot: number }) {
  return (
    <g fill="none">
      <path d={`M${x} -8V${foot + 8}`} stroke="var(--pale)" strokeWidth={4} />
      <path
        d={`M${right - wet_px} -8H${right + 10}V${foot + 8}H${right - wet_px}Z`}
        stroke="var(--ink2)"
        strokeWidth={2}
        strokeDasharray="3 4"
      />
    </g>
  );
}

/** A name with its leader. @param label where it has room */
function Named({ name, x, label }: { readonly name: ColourName; readonly x: number; readonly label: number }) {
  return (
    <g className="named" stroke="var(--ink2)" fill="var(--ink2)">
      <path d={`M${label} -20L${x} -4V6`} strokeWidth={1} fill="none" />
      <text x={label} y={-26} fontSize={18} textAnchor="middle" stroke="none">
        {name}
      </text>
    </g>
  );
}
