/** Surface and centre cooling, drawn over the start of the change that must not happen: by how much the nose is passed. */

import type { Prediction } from "@tembrak/core";
import { logShare } from "../../../format/logTime.js";
import { axisTicks_C, showDegrees, type Units } from "../../../format/show.js";
import { spareWords } from "../../../words/verdictWords.js";

const [W, H] = [400, 232];
const [LEFT, RIGHT, TOP, BOTTOM] = [40, 12, 10, 206];
const [FIRST_s, LAST_s] = [0.1, 300];
const TOP_C = 800;

interface Props {
  readonly prediction: Prediction;
  readonly units: Units;
}

/** A curve counted from the moment it falls below `from_C`, which is where waiting begins to cost. */
function sinceBelow(
  time_s: readonly number[],
  temperature_C: readonly number[],
  from_C: number,
): { time_s: number; temperature_C: number }[] {
  const i = temperature_C.findIndex((T) => T < from_C);
  if (i < 1) return [];
  const [a, b] = [temperature_C[i - 1]!, temperature_C[i]!];
  const zero_s = time_s[i - 1]! + ((a - from_C) / (a - b)) * (time_s[i]! - time_s[i - 1]!);
  return time_s.slice(i).map((t, k) => ({ time_s: t - zero_s, temperature_C: temperature_C[i + k]! }));
}

const TICKS = { C: [200, 400, 600, 800], F: [400, 800, 1200, 1500] } as const;

export function CoolingDrawing({ prediction, units }: Props) {
  const { hardening, thickest } = prediction;
  const { curve, startCurve, ae1_C, martensiteStart_C: ms_C, noseMargin_s } = hardening;
  const xOf = (s: number): number => LEFT + logShare(s, FIRST_s, LAST_s) * (W - LEFT - RIGHT);
  const yOf = (T: number): number => BOTTOM - (T / TOP_C) * (BOTTOM - TOP);
  const line = (points: readonly { time_s: number; temperature_C: number }[]): string =>
    points.length === 0 ? "" : `M${points.map((p) => `${xOf(p.time_s).toFixed(1)} ${yOf(p.temperature_C).toFixed(1)}`).join("L")}`;
  const start = startCurve.filter(({ start_s }) => start_s <= LAST_s);
  const nose = startCurve.reduce((a, b) => (b.start_s < a.start_s ? b : a), startCurve[0] ?? { temperature_C: 550, start_s: 1 });
  const margin = `${spareWords(noseMargin_s)} ${noseMargin_s > 0 ? "to spare" : "too slow"} at the ${thickest.place}`;
  const says = `Cooling of surface and centre over the start of change: ${margin}`;
  return (
    <figure style={{ margin: 0 }}>
      <svg viewBox={`0 0 ${W} ${H}`} width="100%" role="img" aria-label={says}>
        {axisTicks_C(TICKS, units).map((T) => (
          <g key={T}>
            <line x1={LEFT} x2={W - RIGHT} y1={yOf(T)} y2={yOf(T)} stroke="var(--line)" strokeWidth={0.8} />
            <text x={LEFT - 6} y={yOf(T)} textAnchor="end" dominantBaseline="central" fontSize={13} fill="var(--ink2)" className="drawn">
              {showDegrees(T, units)}
            </text>
          </g>
        ))}
        {[0.1, 1, 10, 100].map((s) => (
          <g key={s}>
            <line x1={xOf(s)} x2={xOf(s)} y1={TOP} y2={BOTTOM} stroke="var(--line)" strokeWidth={0.8} />
            <text x={xOf(s)} y={BOTTOM + 16} textAnchor="middle" fontSize={13} fill="var(--ink2)" className="drawn">
              {s} s
            </text>
          </g>
        ))}
        <line x1={LEFT} x2={W - RIGHT} y1={yOf(ms_C)} y2={yOf(ms_C)} stroke="var(--line2)" strokeWidth={0.9} strokeDasharray="12 3 2 3" />
        <text x={LEFT + 5} y={yOf(ms_C) - 7} fontSize={12.5} fill="var(--ink2)" className="drawn">
          martensite begins
        </text>
        {start.length > 1 ? (
          <>
            <path
              d={`M${start.map((p) => `${xOf(p.start_s).toFixed(1)} ${yOf(p.temperature_C).toFixed(1)}`).join("L")}L${W - RIGHT} ${yOf(start.at(-1)!.temperature_C)}L${W - RIGHT} ${yOf(start[0]!.temperature_C)}Z`}
              fill="url(#hatch-out)"
              stroke="var(--steel)"
              strokeWidth={1.4}
            />
            <text
              x={xOf(nose.start_s) + 12}
              y={yOf(nose.temperature_C)}
              dominantBaseline="central"
              fontSize={13}
              fill="var(--ink)"
              className="drawn"
              stroke="var(--wall)"
              strokeWidth={5}
              paintOrder="stroke"
            >
              begins to turn soft
            </text>
          </>
        ) : null}
        <path
          d={line(sinceBelow(curve.time_s, curve.surface_C, ae1_C))}
          fill="none"
          stroke="var(--ink2)"
          strokeWidth={1.4}
          strokeDasharray="6 4"
        />
        <path d={line(sinceBelow(curve.time_s, curve.centre_C, ae1_C))} fill="none" stroke="var(--pale)" strokeWidth={2.4} />
      </svg>
      <figcaption className="drawn" style={{ fontSize: 13.5, lineHeight: "18px", color: "var(--ink2)" }}>
        Dashed surface, solid centre, counted from {showDegrees(ae1_C, units)}.{" "}
        {Number.isFinite(noseMargin_s) ? `${margin}, to the first tenth.` : ""}
      </figcaption>
    </figure>
  );
}
