/** A piece lying, with the places where a tester was set on it, numbered as its readings are. */

import type { Piece, TestPlace } from "@tembrak/core";
import type { MouseEvent } from "react";
import { drawPiece, Silhouette } from "./Silhouette.js";
import { placeAt, pointOf } from "./testPlaces.js";

interface Props {
  readonly piece: Piece;
  readonly places: readonly (TestPlace | null)[];
  readonly label: string;
  /** Seen from its other face: the point on the other side, and the places of the first face faint. */
  readonly isTurned?: boolean;
  /** Left out where it is only looked at. */
  readonly onPlace?: (place: TestPlace) => void;
}

const [W, H] = [420, 190];
const PLAIN = {
  stops: [
    { at: 0, colour: "var(--scale)" },
    { at: 1, colour: "var(--scale)" },
  ],
  words: "",
  now_C: null,
  isGlowing: false,
};

export function PlacesDrawing({ piece, places, label, isTurned = false, onPlace }: Props) {
  const box = drawPiece(piece, 1, "lay");
  const drawn = drawPiece(piece, Math.min((W - 20) / box.width_px, (H - 24) / box.height_px), "lay");
  const [x0, y0] = [(W - drawn.width_px) / 2, (H - drawn.height_px) / 2];
  const tap = (event: MouseEvent<SVGSVGElement>): void => {
    const { left, top, width } = event.currentTarget.getBoundingClientRect();
    const k = W / width;
    const x = (event.clientX - left) * k - x0;
    const place = placeAt(drawn, { x: isTurned ? drawn.width_px - x : x, y: (event.clientY - top) * k - y0 });
    if (place !== null) onPlace?.(isTurned ? { ...place, face: "other" } : place);
  };
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      className="places-drawing"
      role="img"
      aria-label={label}
      onClick={onPlace ? tap : undefined}
    >
      <g transform={`translate(${x0} ${y0})`}>
        <g transform={isTurned ? `translate(${drawn.width_px} 0) scale(-1 1)` : undefined}>
          <Silhouette drawn={drawn} lie="lay" paint={PLAIN} />
        </g>
        {places.map((place, i) => {
          if (place === null) return null;
          const at = pointOf(drawn, place);
          const [x, y] = [isTurned ? drawn.width_px - at.x : at.x, at.y];
          return (
            <g key={i} opacity={(place.face === "other") === isTurned ? 1 : 0.4}>
              <circle cx={x} cy={y} r={4} fill="var(--pale)" stroke="var(--wall)" strokeWidth={1.2} />
              <text x={x} y={y - 8} textAnchor="middle" fontSize={15} fill="var(--ink)" className="drawn">
                {i + 1}
              </text>
            </g>
          );
        })}
      </g>
    </svg>
  );
}
