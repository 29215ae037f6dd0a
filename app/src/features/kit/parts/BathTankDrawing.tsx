/** The tank in section, to scale in itself: its level, its temperature with its range, and what was read at the top and at the bottom. */

import type { Bath, BathNow } from "@tembrak/core";
import { lengthNumber, showDegrees, type Units } from "../../../format/show.js";
import { DimH, DimV } from "../../../parts/Drawing.js";
import { bathRange, CALL_WORDS } from "../../../words/bathWords.js";

const [W, H] = [330, 380];
const WALL = 8;

export function BathTankDrawing({ bath, now, units }: { bath: Bath; now: BathNow; units: Units }) {
  const k = Math.min(170 / bath.width_mm, 300 / bath.depth_mm);
  const [w, h, fill] = [bath.width_mm * k, bath.depth_mm * k, bath.fill_mm * k];
  const [x, floor] = [52, H - 50];
  const level = floor - fill;
  const middle = floor - fill / 2;
  const right = x + w + WALL + 14;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`The tank: ${showDegrees(now.mean_C, units)}, ${bathRange(now, units)}, ${CALL_WORDS[now.call]}`}
    >
      <path
        d={`M${x - WALL} ${floor - h}V${floor + WALL}H${x + w + WALL}V${floor - h}h${-WALL}V${floor}H${x}V${floor - h}z`}
        fill="url(#hatch-cut)"
        stroke="var(--steel)"
        strokeWidth={1.3}
      />
      <rect x={x} y={level} width={w} height={fill} fill="var(--lift)" />
      <line x1={x} x2={x + w} y1={level} y2={level} stroke="var(--pale)" strokeWidth={1.5} />
      <path
        d={`M${x + w / 2 - 9} ${level - 13}h18l-9 11zM${x + w / 2 - 6} ${level + 5}h12`}
        fill="none"
        stroke="var(--pale)"
        strokeWidth={1.2}
      />
      <line x1={x + w} x2={right - 4} y1={middle} y2={middle} stroke="var(--line2)" strokeDasharray="4 4" />
      <text x={right} y={middle + 2} fontSize={26} fill="var(--ink)">
        {showDegrees(now.mean_C, units)}
      </text>
      <text x={right} y={middle + 22} fontSize={14} fill="var(--ink2)" className="drawn">
        {bathRange(now, units)}
      </text>
      <text x={right} y={middle + 42} fontSize={14} fill="var(--ink2)" className="drawn">
        {CALL_WORDS[now.call]}
      </text>
      <DimV x={x - WALL - 20} y1={level} y2={floor} text={lengthNumber(bath.fill_mm, units)} />
      <DimH x1={x} x2={x + w} y={floor + WALL + 18} text={lengthNumber(bath.width_mm, units)} />
    </svg>
  );
}
