/** A piece drawn to scale from its measurements, painted as its steel looks. */

import { nearestPoint } from "../format/nearest.js";
import { formOf, outlineOf, type Outline, type Piece, type Point } from "@tembrak/core";
import { useId, useMemo } from "react";
import { teethPath, type HardParts } from "./brittleTeeth.js";
import type { Paint } from "./paint.js";

/** How the drawing lies: hanging with the edge to the right, or lying with the edge below. */
export type Lie = "hang" | "lay";

export interface Drawn {
  readonly outline: Outline;
  readonly width_px: number;
  readonly height_px: number;
  readonly toPx: (point: Point) => Point;
}

/** Of each description once: it is asked for at every scale and every second. */
const outlines = new WeakMap<Piece, Outline>();

function outlineFor(piece: Piece): Outline {
  const known = outlines.get(piece) ?? outlineOf(piece, formOf(piece));
  outlines.set(piece, known);
  return known;
}

/** A piece's outline on a scale, in px from the top left of its own box. */
export function drawPiece(piece: Piece, scale_px_mm: number, lie: Lie): Drawn {
  const outline = outlineFor(piece);
  const { left_mm, top_mm, width_mm, height_mm } = outline.box;
  const across = (p: Point): number => (p.x - left_mm) * scale_px_mm;
  const along = (p: Point): number => (p.y - top_mm) * scale_px_mm;
  return lie === "hang"
    ? { outline, width_px: width_mm * scale_px_mm, height_px: height_mm * scale_px_mm, toPx: (p) => ({ x: across(p), y: along(p) }) }
    : { outline, width_px: height_mm * scale_px_mm, height_px: width_mm * scale_px_mm, toPx: (p) => ({ x: along(p), y: across(p) }) };
}

export function pathOf(points: readonly Point[], isClosed: boolean): string {
  const line = points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L");
  return points.length === 0 ? "" : `M${line}${isClosed ? "Z" : ""}`;
}

interface Props {
  readonly drawn: Drawn;
  readonly lie: Lie;
  readonly paint: Paint;
  /** What of it is brittle; null or left out where nothing is. */
  readonly brittle?: HardParts | null;
}

export function Silhouette({ drawn, lie, paint, brittle = null }: Props) {
  const id = useId();
  const { outline, toPx, width_px, height_px } = drawn;
  const shapes = useMemo(() => {
    const contour = outline.contour.map(toPx);
    return {
      contour: pathOf(contour, true),
      bevel: pathOf(outline.bevel.map(toPx), false) + pathOf(outline.otherBevel.map(toPx), false),
      facet: outline.bevel.length > 2 ? pathOf([...outline.bevel.map(toPx), ...edgeBeside(outline).map(toPx).reverse()], true) : "",
      eye: pathOf(outline.eye.map(toPx), true),
      saw: brittle === null ? "" : teethPath(drawn, lie, brittle),
      hole: outline.hole && {
        at: toPx(outline.hole.centre),
        r: outline.hole.radius_mm * (height_px / (lie === "hang" ? outline.box.height_mm : outline.box.width_mm)),
      },
    };
  }, [drawn, outline, toPx, brittle, height_px, lie]);
  const gradient = lie === "hang" ? { x1: 0, y1: 0, x2: 0, y2: height_px } : { x1: 0, y1: 0, x2: width_px, y2: 0 };
  return (
    <g>
      <defs>
        <linearGradient id={`${id}p`} gradientUnits="userSpaceOnUse" {...gradient}>
          {paint.stops.map(({ at, colour }) => (
            <stop key={at} offset={at} stopColor={colour} />
          ))}
        </linearGradient>
        <filter id={`${id}b`} x="-60%" y="-30%" width="220%" height="160%">
          <feGaussianBlur stdDeviation="10" />
        </filter>
        <clipPath id={`${id}c`}>
          <path d={shapes.contour} />
        </clipPath>
      </defs>
      {paint.isGlowing && (paint.now_C ?? 0) > 640 ? (
        <path d={shapes.contour} fill={`url(#${id}p)`} filter={`url(#${id}b)`} opacity={0.38} />
      ) : null}
      <path d={shapes.contour} fill={`url(#${id}p)`} />
      {shapes.facet ? <path d={shapes.facet} clipPath={`url(#${id}c)`} fill="#fff" opacity="var(--facet)" /> : null}
      {shapes.bevel ? <path d={shapes.bevel} fill="none" stroke="var(--steel)" strokeWidth={0.9} opacity={0.75} /> : null}
      {shapes.eye ? <path d={shapes.eye} fill="none" stroke="var(--steel)" strokeWidth={0.9} strokeDasharray="4 2.5" /> : null}
      {shapes.hole ? (
        <circle
          cx={shapes.hole.at.x}
          cy={shapes.hole.at.y}
          r={Math.max(1.6, shapes.hole.r)}
          fill="var(--wall)"
          stroke="var(--steel)"
          strokeWidth={0.9}
        />
      ) : null}
      <path
        d={shapes.contour}
        fill="none"
        stroke={brittle?.what === "whole" ? "var(--pale)" : "var(--steel)"}
        strokeWidth={1.4}
        strokeLinejoin="round"
      />
      {shapes.saw ? <path d={shapes.saw} fill="none" stroke="var(--pale)" strokeWidth={1} opacity={0.8} /> : null}
    </g>
  );
}

/** The part of the edge side that runs beside the bevel line: for the facet, clipped to the contour anyway. */
function edgeBeside({ contour, bevel }: Outline): readonly Point[] {
  const edge = [...contour.slice(contour.length / 2)].reverse();
  const [a, b] = [nearestPoint(edge, bevel[0]!), nearestPoint(edge, bevel[bevel.length - 1]!)];
  return edge.slice(Math.min(a, b), Math.max(a, b) + 1);
}
