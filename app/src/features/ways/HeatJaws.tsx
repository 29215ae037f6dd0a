/** The hardening heat between its two limits, and how far this fire errs about it. */

import type { Solved } from "@tembrak/core";
import { showDegrees, type Units } from "../../format/show.js";

interface Props {
  readonly limits: Solved["limits"];
  readonly heat_C: number;
  readonly units: Units;
  readonly label: string;
}

const [WIDE, HIGH] = [360, 150];
const BESIDE_K = 30;

export function HeatJaws({ limits: { low_C, high_C, reaches_C }, heat_C, units, label }: Props) {
  const [low, high] = [Math.min(low_C ?? heat_C, heat_C, reaches_C[0]) - BESIDE_K, Math.max(high_C, heat_C, reaches_C[1]) + BESIDE_K];
  const y = (T: number): number => 6 + ((high - T) / (high - low)) * (HIGH - 12);
  const hatch = "url(#hatch-out)";
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="drawn ways-jaws" role="img" aria-label={label}>
      <rect x={60} y={0} width={180} height={y(high_C)} fill={hatch} />
      <path d={`M60 0V${y(high_C)}H240V0`} className="ways-jaw" />
      {low_C === null ? null : (
        <>
          <rect x={60} y={y(low_C)} width={180} height={HIGH - y(low_C)} fill={hatch} />
          <path d={`M60 ${HIGH}V${y(low_C)}H240V${HIGH}`} className="ways-jaw" />
        </>
      )}
      <path d={`M144 ${y(reaches_C[1])}h12M150 ${y(reaches_C[1])}V${y(reaches_C[0])}M144 ${y(reaches_C[0])}h12`} className="ways-spread" />
      <circle cx={150} cy={y(heat_C)} r={5} className="ways-mean" />
      <text x={250} y={y(high_C) + 5}>
        {showDegrees(high_C, units)}
      </text>
      <text x={250} y={y(heat_C) + 5} className="is-heat">
        {showDegrees(heat_C, units)}
      </text>
      {low_C === null ? null : (
        <text x={250} y={y(low_C) + 5}>
          {showDegrees(low_C, units)}
        </text>
      )}
    </svg>
  );
}
