/** The tank cut through, the piece in it to its depth, how it is moved, and what the bath does on the steel. */

import type { Boiling, PieceState, Under } from "@tembrak/core";
import { useId, useMemo } from "react";
import { drawPiece, pathOf, Silhouette, type Drawn } from "../../../parts/Silhouette.js";

/** Over the bath and hot, under, or out of it again. */
export type Where = "above" | "under" | "out";

interface Props {
  readonly state: PieceState;
  readonly where: Where;
  readonly medium: string;
  readonly bath: string;
  readonly under: Under;
  /** All of it laid in along its edge, not hung. */
  readonly isLaid?: boolean;
  /** A paste: the edge is pressed in and held still. */
  readonly isPaste?: boolean;
  /** What the bath does on the steel; null where it is not under, or nobody knows yet. */
  readonly boiling: Boiling | null;
}

/** How the piece goes in, for those who cannot see it. */
const SAID: Readonly<Record<How, string>> = {
  whole: "tip down, edge leading. Move it along its edge, never sideways.",
  edge: "lying, its edge alone below the surface. Rock it along its edge, never sideways.",
  back: "lying, its back alone below the surface, the edge up. Rock it along its back, never sideways.",
  laid: "lying, its edge leading. Move it along its edge, never sideways.",
  end: "its end alone below the surface. Up and down, never sideways.",
};

/** How it is moved in the bath, and how not. */
function Moves({ x, level, word }: { x: number; level: number; word: string }) {
  return (
    <>
      <g className="moves" transform={`translate(${x} ${level + 54})`} stroke="var(--ink)" strokeWidth={2.4} fill="none">
        <path d="M40 -22V58M34 -12l6-10 6 10M34 48l6 10 6-10" />
        <text x={60} y={24} fontSize={18} fill="var(--ink)" stroke="none">
          {word}
        </text>
      </g>
      <g className="moves" transform={`translate(${x} ${level + 150})`} stroke="var(--ink2)" strokeWidth={1.4} fill="none">
        <path d="M8 10h56M8 10l8-5M8 10l8 5M64 10l-8-5M64 10l-8 5M22 -8l28 36M50 -8l-28 36" />
        <text x={74} y={16} fontSize={16} fill="var(--ink2)" stroke="none">
          sideways
        </text>
      </g>
    </>
  );
}

/** A jacket that is more than so whole keeps the bath off the steel. */
const WHOLE_JACKET = 0.25;

/** What the bath does on the steel, and what that asks of the hand. */
function boilingWords({ jacket, isBoiling }: Boiling): string {
  if (jacket > WHOLE_JACKET) return "vapour on it: keep it moving";
  return isBoiling ? "boiling off it" : "quiet now";
}

/** Vapour along what is under, and the bubbles that leave it. Still where motion is not wanted. */
function Jacket({ drawn, from_px, boiling: { jacket, isBoiling } }: { drawn: Drawn; from_px: number; boiling: Boiling }) {
  const id = useId();
  const contour = useMemo(() => pathOf(drawn.outline.contour.map(drawn.toPx), true), [drawn]);
  return (
    <g clipPath={`url(#${id}u)`} fill="none">
      <clipPath id={`${id}u`}>
        <rect x={-60} y={from_px} width={drawn.width_px + 120} height={DEEP} />
      </clipPath>
      <path d={contour} stroke="var(--pale)" strokeWidth={3 + 9 * jacket} opacity={0.15 + 0.4 * jacket} strokeLinejoin="round" />
      {isBoiling ? (
        <path
          className="bubbles"
          d={contour}
          stroke="var(--pale)"
          strokeWidth={6}
          strokeDasharray="1.5 11"
          strokeLinecap="round"
          opacity={0.8}
        />
      ) : null}
    </g>
  );
}

const WHERE_WORDS: Readonly<Record<Where, string>> = { above: "above", under: "under", out: "out of" };

/** Red until it went under, and never again after that. */
function paintFor(isHot: boolean) {
  const stops = [
    { at: 0, colour: "var(--scale)" },
    { at: 1, colour: isHot ? "#a33015" : "var(--black)" },
  ];
  return { stops, words: "", now_C: isHot ? 760 : null, isGlowing: isHot };
}

const [W, H, LEVEL] = [700, 330, 96];
/** Further down than anything is drawn. */
const DEEP = 600;

type How = Under["what"] | "laid";

function lieOf(how: How): "hang" | "lay" {
  return how === "whole" || how === "end" ? "hang" : "lay";
}

/** How tall it is drawn at most, and, lying with a part of it under, how high what stays in the air. */
const [TALL_px, AIR_px] = [176, LEVEL - 8];

/** Pixels a millimetre: of a bar that hangs only what is near the bath is drawn, of what lies all of it. */
function scaleOf({ height_px: high, width_px: wide }: Drawn, under: Under, how: How): number {
  const above = under.what === "whole" || lieOf(how) === "hang" ? 0 : high - under.depth_mm;
  return Math.min(TALL_px / high, 400 / wide, AIR_px / Math.max(1, above));
}

/** Where the piece hangs or lies, to its own scale and as deep as it is to go. */
function placed({ piece }: PieceState, where: Where, under: Under, isLaid: boolean) {
  const how: How = isLaid && under.what === "whole" ? "laid" : under.what;
  const lie = lieOf(how);
  const k = scaleOf(drawPiece(piece, 1, lie), under, how);
  const drawn = drawPiece(piece, k, lie);
  const deep = under.what === "whole" ? LEVEL + 14 : LEVEL + under.depth_mm * k - drawn.height_px;
  const x = (lie === "lay" ? 0.42 : 0.5) * W - drawn.width_px / 2;
  return { how, lie, drawn, x, y: where === "under" ? deep : Math.min(-14, deep - 40) };
}

/** The piece where it is, its back leading where that goes in first, and what the bath does on it. */
function InTank({
  at: { how, lie, drawn, x, y },
  isHot,
  boiling,
}: {
  at: ReturnType<typeof placed>;
  isHot: boolean;
  boiling: Boiling | null;
}) {
  const isTurned = how === "back";
  const from_px = isTurned ? drawn.height_px - (LEVEL - y) - DEEP : LEVEL - y;
  return (
    <g transform={isTurned ? `translate(${x} ${y + drawn.height_px}) scale(1 -1)` : `translate(${x} ${y})`}>
      <Silhouette drawn={drawn} lie={lie} paint={paintFor(isHot)} />
      {boiling === null ? null : <Jacket drawn={drawn} from_px={from_px} boiling={boiling} />}
    </g>
  );
}

function howWords(how: How, isPaste: boolean): string {
  return `, ${isPaste ? "its edge alone pressed in, held still." : SAID[how]}`;
}

/** How the bath boils about it: under the level, or over its name where the blade is rocked between. */
function Boils({ boiling, isRocked }: { boiling: NonNullable<Props["boiling"]>; isRocked: boolean }) {
  return (
    <text x={46} y={isRocked ? H - 64 : LEVEL + 42} fontSize={18} fill="var(--ink)" className={isRocked ? "drawn over-bath" : "drawn"}>
      {boilingWords(boiling)}
    </text>
  );
}

export function Tank({ state, where, medium, bath, under, isLaid = false, isPaste = false, boiling }: Props) {
  const level = LEVEL;
  const at = placed(state, where, under, isLaid);
  const isRocked = at.how === "edge" || at.how === "back";
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="tank"
      role="img"
      aria-label={`The piece ${WHERE_WORDS[where]} the ${medium}${where === "out" ? "." : howWords(at.how, isPaste)}`}
    >
      <path d={`M20 20V${H - 12}H${W - 20}V20h-13V${H - 26}H33V20z`} fill="url(#hatch-cut)" stroke="var(--steel)" strokeWidth={1.3} />
      <rect x={33} y={level} width={W - 66} height={H - 26 - level} fill="var(--lift)" opacity={0.8} />
      <InTank at={at} isHot={where === "above"} boiling={boiling} />
      <line x1={33} x2={W - 33} y1={level} y2={level} stroke="var(--pale)" strokeWidth={1.6} />
      <path d={`M52 ${level - 15}h20l-10 12zM56 ${level + 6}h12`} fill="none" stroke="var(--pale)" strokeWidth={1.3} />
      <text x={46} y={H - 40} fontSize={18} fill="var(--ink2)" className="drawn">
        {medium}, {bath}
      </text>
      {where === "out" || isPaste ? null : <Moves x={W - 196} level={level} word={isRocked ? "rock it" : "up, down"} />}
      {boiling === null ? null : <Boils boiling={boiling} isRocked={isRocked} />}
    </svg>
  );
}
