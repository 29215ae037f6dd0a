/** The piece drawn to scale while it is typed; a measure tapped in it leads to its field. */

import { formOf, mass_kg, pointAt, workingSection, type Piece, type Point } from "@tembrak/core";
import type { MouseEvent, ReactNode } from "react";
import { nearestPoint } from "../../format/nearest.js";
import { showLength, showMass, showThin, type Units } from "../../format/show.js";
import { DimH, DimV } from "../../parts/Drawing.js";
import { SectionDrawing } from "../../parts/SectionDrawing.js";
import { drawPiece, pathOf, Silhouette, type Drawn } from "../../parts/Silhouette.js";

/** The measures one can tap in the drawing. */
export type Dimension = "length" | "height" | "thickness";

export const SCALE_PAINT = {
  stops: [
    { at: 0, colour: "var(--scale)" },
    { at: 1, colour: "var(--scale)" },
  ],
  words: "forge scale",
  now_C: null,
  isGlowing: false,
};

/** A dimension of the drawing, large enough for a finger: it leads to its field. */
function Tap({ x, y, width, height, label, onTap, children }: TapProps) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      className="tap-dimension"
      onClick={onTap}
      onKeyDown={(event) => {
        if (event.key === "Enter") onTap();
      }}
    >
      <rect x={x} y={y} width={width} height={height} fill="transparent" />
      {children}
    </g>
  );
}

interface TapProps {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly label: string;
  readonly onTap: () => void;
  readonly children: ReactNode;
}

/** Half of what a finger needs beside a dimension, in the drawing. */
const FINGER = 24;

interface Props {
  readonly piece: Piece;
  readonly units: Units;
  readonly onTap: (of: Dimension) => void;
  /** One more place of a blade, by its share of the length from the tang. */
  readonly onPlace: (at: number) => void;
}

/** Where a blade was measured beside its own section: a line across, with its thickness; and anywhere else a tap measures it there. */
function Places({ piece, drawn, units, onPlace }: Omit<Props, "onTap"> & { readonly drawn: Drawn }) {
  const { section, stations = [] } = piece;
  if (section.shape !== "wedge") return null;
  const across = pointAt(piece, formOf(piece));
  const axis = drawn.outline.axis.map(drawn.toPx);
  const tapped = (event: MouseEvent<SVGPathElement>): void => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(event.currentTarget.getScreenCTM()!.inverse());
    onPlace(nearestPoint(axis, point) / (axis.length - 1));
  };
  return (
    <>
      <path
        d={pathOf(drawn.outline.contour.map(drawn.toPx), true)}
        fill="transparent"
        className="tap-dimension"
        onClick={tapped}
        data-testid="tap-place"
      />
      {stations.map(({ at, spine_mm }) => {
        const [a, b] = [across(at, -0.1), across(at, 1.1)].map(drawn.toPx) as [Point, Point];
        return (
          <g key={at} className="drawn">
            <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--verd)" strokeWidth={1.4} />
            <text x={Math.max(a.x, b.x) + 6} y={(a.y + b.y) / 2} dominantBaseline="central" fontSize={13} fill="var(--ink2)">
              {showThin(spine_mm, units)}
            </text>
          </g>
        );
      })}
    </>
  );
}

export function LivePiece({ piece, units, onTap, onPlace }: Props) {
  const [W, H] = [330, 420];
  const box = drawPiece(piece, 1, "hang");
  const k = Math.min((W - 90) / box.width_px, (H - 56) / box.height_px);
  const drawn = drawPiece(piece, k, "hang");
  const [x, y] = [(W - drawn.width_px) / 2 + 14, 14];
  const isBar = piece.section.shape === "round" || piece.section.shape === "square";
  return (
    <figure className="live-piece">
      <svg
        viewBox={`0 0 ${W} ${H}`}
        width="100%"
        role="group"
        aria-label={`${piece.name}, ${showLength(piece.length_mm, units)} long, drawn to scale`}
      >
        <g transform={`translate(${x} ${y})`}>
          <Silhouette drawn={drawn} lie="hang" paint={SCALE_PAINT} />
          <Places piece={piece} drawn={drawn} units={units} onPlace={onPlace} />
        </g>
        <Tap x={x - 22 - FINGER} y={y} width={2 * FINGER} height={drawn.height_px} label="Change its length" onTap={() => onTap("length")}>
          <DimV x={x - 22} y1={y} y2={y + drawn.height_px} text={showLength(drawn.outline.box.height_mm, units)} />
        </Tap>
        <Tap
          x={x - FINGER}
          y={y + drawn.height_px + 2}
          width={drawn.width_px + 2 * FINGER}
          height={2 * FINGER}
          label={isBar ? "Change its thickness" : "Change its width"}
          onTap={() => onTap(isBar ? "thickness" : "height")}
        >
          <DimH x1={x} x2={x + drawn.width_px} y={y + drawn.height_px + 20} text={showLength(drawn.outline.box.width_mm, units)} />
        </Tap>
      </svg>
      <svg viewBox="0 -24 330 48" width="100%">
        <Tap x={0} y={-FINGER} width={330} height={2 * FINGER} label="Change its thickness" onTap={() => onTap("thickness")}>
          <SectionDrawing section={workingSection(piece)} scale_px_mm={2.6} mostWidth={240} units={units} />
        </Tap>
      </svg>
      <figcaption>
        Drawn from your measures; the outline between them is the usual one of its kind. Tap a measure to change it
        {piece.section.shape === "wedge" ? ", the blade to measure it there too" : ""}. About{" "}
        {showMass(mass_kg(piece, formOf(piece)), units)}.
      </figcaption>
    </figure>
  );
}
