/** Chambers and tanks in section, all to one scale on one floor, and the longest piece in work beside them. */

import type { Kit, KitItem, Piece } from "@tembrak/core";
import { lengthNumber, type Units } from "../../../format/show.js";
import { DimH, DimV } from "../../../parts/Drawing.js";
import { drawPiece, Silhouette } from "../../../parts/Silhouette.js";

type Drawn = Extract<KitItem, { kind: "forge" | "kiln" | "oven" | "bath" }>;

const WALL_px = 9;
const GAP_px = 74;
const W_px = 1240;
const H_px = 250;
const FLOOR_px = 206;

function sizeOf(item: Drawn): { wide_mm: number; high_mm: number } {
  return item.kind === "bath" ? { wide_mm: item.width_mm, high_mm: item.depth_mm } : { wide_mm: item.length_mm, high_mm: item.height_mm };
}

function isDrawn(item: KitItem): item is Drawn {
  return item.kind === "forge" || item.kind === "kiln" || item.kind === "oven" || item.kind === "bath";
}

function Outline({ item, x, k, units }: { item: Drawn; x: number; k: number; units: Units }) {
  const { wide_mm, high_mm } = sizeOf(item);
  const [w, h] = [wide_mm * k, high_mm * k];
  const top = FLOOR_px - h;
  const isOpenEnded = item.kind === "forge" && item.isOpenEnded;
  const cut =
    item.kind === "bath"
      ? `M${x - WALL_px} ${top}V${FLOOR_px + WALL_px}H${x + w + WALL_px}V${top}h${-WALL_px}V${FLOOR_px}H${x}V${top}z`
      : isOpenEnded
        ? `M${x} ${top - WALL_px}h${w}v${WALL_px}h${-w}zM${x} ${FLOOR_px}h${w}v${WALL_px}h${-w}z`
        : `M${x - WALL_px} ${top - WALL_px}h${w + WALL_px}v${WALL_px}H${x}V${FLOOR_px}h${w}v${WALL_px}H${x - WALL_px}z`;
  const level = item.kind === "bath" ? FLOOR_px - item.fill_mm * k : 0;
  return (
    <g>
      <path d={cut} fill="url(#hatch-cut)" stroke="var(--steel)" strokeWidth={1.35} />
      {item.kind === "bath" ? (
        <>
          <rect x={x} y={level} width={w} height={FLOOR_px - level} fill="var(--lift)" />
          <line x1={x} x2={x + w} y1={level} y2={level} stroke="var(--pale)" strokeWidth={1.4} />
        </>
      ) : null}
      <DimH x1={x} x2={x + w} y={FLOOR_px + 22} text={lengthNumber(wide_mm, units)} />
      <DimV x={x + w + WALL_px + 14} y1={top} y2={FLOOR_px} text={lengthNumber(high_mm, units)} />
      <text x={x} y={top - WALL_px - 8} fontSize={13.5} fill="var(--ink2)" className="drawn">
        {item.name}
      </text>
    </g>
  );
}

export function KitDrawing({ kit, longest, units }: { kit: Kit; longest: Piece | undefined; units: Units }) {
  const items = kit.filter(isDrawn);
  if (items.length === 0) return null;
  const sizes = items.map(sizeOf);
  const pieceHigh_mm = longest?.length_mm ?? 0;
  const wide_mm = sizes.reduce((sum, { wide_mm: w }) => sum + w, 0);
  const high_mm = Math.max(pieceHigh_mm, ...sizes.map(({ high_mm: h }) => h));
  const room = W_px - GAP_px * (items.length + 1) - 60;
  const k = Math.min(room / wide_mm, (FLOOR_px - 34) / high_mm);
  const drawn = longest ? drawPiece(longest, k, "hang") : null;
  const xs = sizes.map((_, i) => 24 + GAP_px * i + k * sizes.slice(0, i).reduce((sum, { wide_mm: w }) => sum + w, 0));
  const last = sizes.length - 1;
  const pieceX = xs[last]! + sizes[last]!.wide_mm * k + GAP_px;
  return (
    <svg
      viewBox={`0 0 ${W_px} ${H_px}`}
      className="kit-drawing"
      role="img"
      aria-label={`Chambers and tanks to one scale: ${items.map(({ name }) => name).join(", ")}`}
    >
      {items.map((item, i) => (
        <Outline key={item.id} item={item} x={xs[i]!} k={k} units={units} />
      ))}
      {drawn && longest ? (
        <g transform={`translate(${pieceX} ${FLOOR_px - drawn.height_px})`}>
          <Silhouette
            drawn={drawn}
            lie="hang"
            paint={{
              stops: [
                { at: 0, colour: "var(--scale)" },
                { at: 1, colour: "var(--scale)" },
              ],
              words: "",
              now_C: null,
              isGlowing: false,
            }}
          />
          <DimV x={drawn.width_px + 16} y1={0} y2={drawn.height_px} text={lengthNumber(longest.length_mm, units)} />
        </g>
      ) : null}
      <line x1={8} x2={W_px - 8} y1={FLOOR_px + WALL_px} y2={FLOOR_px + WALL_px} stroke="var(--line2)" strokeWidth={0.9} />
    </svg>
  );
}
