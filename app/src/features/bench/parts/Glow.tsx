/** The target as this light shows it, a shade short and a shade past; and the rule of glow with what the reading says. */

import { WINDOW_K, glowHex, heatOfNode_C, type Ambient, type HeatEstimate } from "@tembrak/core";
import { useId } from "react";
import { showDegrees, type Units, ticksIn } from "../../../format/show.js";

const SHADE_K = 28;

/** Surround of a swatch by the light it is seen in: half of what a colour looks like comes from beside it. */
function surroundOf(lux: number): string {
  return lux <= 2 ? "#0a0908" : lux <= 100 ? "#1d1b19" : lux <= 500 ? "#777471" : lux < 20000 ? "#9ba0a3" : "#d9d3c4";
}

export function Swatch({ target_C, ambient, words }: { target_C: number; ambient: Ambient; words: string }) {
  const facets = [target_C - SHADE_K, target_C, target_C + SHADE_K].map((T) => glowHex(T, ambient));
  return (
    <figure className="swatch">
      <div className="swatch-ground" style={{ background: surroundOf(ambient.illuminance_lux) }}>
        <i style={{ background: facets[0], flex: 1 }} />
        <i style={{ background: facets[1], flex: 2.6 }} />
        <i style={{ background: facets[2], flex: 1 }} />
      </div>
      <figcaption>
        <span className="drawn">a shade short</span>
        <b>look for this</b>
        <span className="drawn">a shade past</span>
      </figcaption>
      <p>{words}</p>
    </figure>
  );
}

interface RuleProps {
  readonly target_C: number;
  readonly estimate: HeatEstimate | null;
  readonly lets_C: number | undefined;
  readonly ambient: Ambient;
  readonly units: Units;
}

const CELLS = 40;

/** Width of the rule, and the degrees it spans. */
const W = 1000;
const SPAN_K = 220;

/** Where a temperature lies on a rule that begins at `low_C`. */
function placeOf(low_C: number): (T: number) => number {
  return (T) => ((Math.min(low_C + SPAN_K, Math.max(low_C, T)) - low_C) / SPAN_K) * W;
}

/** What the readings say: how likely each heat is, and the middle of it. */
function Belief({ estimate, low_C }: { estimate: HeatEstimate; low_C: number }) {
  const xOf = placeOf(low_C);
  const most = estimate.belief.reduce((a, b) => Math.max(a, b), 0);
  const curve = Array.from(estimate.belief, (w, i) => ({ T: heatOfNode_C(i), h: w / most }))
    .filter(({ T }) => T >= low_C && T <= low_C + SPAN_K)
    .map(({ T, h }) => `${xOf(T).toFixed(1)} ${(58 - 46 * h).toFixed(1)}`);
  return (
    <>
      <path d={`M0 58L${curve.join("L")}L${W} 58Z`} fill="var(--pale)" fillOpacity={0.14} stroke="none" />
      <path d={`M${curve.join("L")}`} fill="none" stroke="var(--pale)" strokeWidth={1.6} vectorEffect="non-scaling-stroke" />
      {estimate.conflict === null ? (
        <line
          x1={xOf(estimate.mean_C)}
          x2={xOf(estimate.mean_C)}
          y1={54}
          y2={98}
          stroke="var(--pale)"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      ) : null}
    </>
  );
}

export function GlowRule({ target_C, estimate, lets_C, ambient, units }: RuleProps) {
  const id = useId();
  const low_C = Math.min(700, Math.round((target_C - 130) / 10) * 10);
  const high_C = low_C + SPAN_K;
  const xOf = placeOf(low_C);
  const [jawLow, jawHigh] = [xOf(target_C - WINDOW_K), xOf(target_C + WINDOW_K)];
  const ticks = ticksIn(low_C, high_C, units);
  const percent = (T: number): string => `${(xOf(T) / W) * 100}%`;
  const letsGo_C = lets_C !== undefined && lets_C > low_C && lets_C < high_C ? lets_C : null;
  return (
    <div className="rule">
      <svg
        viewBox={`0 0 ${W} 104`}
        className="glow-rule"
        role="img"
        aria-label={`Wanted ${showDegrees(target_C, units)}${estimate ? `, now about ${showDegrees(estimate.mean_C, units)}` : ""}`}
        preserveAspectRatio="none"
      >
        <defs>
          <linearGradient id={id}>
            {Array.from({ length: CELLS + 1 }, (_, i) => (
              <stop key={i} offset={i / CELLS} stopColor={glowHex(low_C + (i / CELLS) * (high_C - low_C), ambient)} />
            ))}
          </linearGradient>
        </defs>
        <rect x={0} y={62} width={W} height={30} fill={`url(#${id})`} opacity={0.5} />
        <rect x={jawLow} y={62} width={jawHigh - jawLow} height={30} fill={glowHex(target_C, ambient)} />
        {estimate === null ? null : <Belief estimate={estimate} low_C={low_C} />}
        {letsGo_C !== null ? (
          <line
            x1={xOf(letsGo_C)}
            x2={xOf(letsGo_C)}
            y1={34}
            y2={92}
            stroke="var(--ink2)"
            strokeWidth={2}
            strokeDasharray="1.5 4"
            strokeLinecap="round"
            vectorEffect="non-scaling-stroke"
          />
        ) : null}
        {[
          [jawLow, 9],
          [jawHigh, -9],
        ].map(([x, turn]) => (
          <path
            key={x}
            d={`M${x! + turn!} 54H${x}V100H${x! + turn!}`}
            fill="none"
            stroke="var(--pale)"
            strokeWidth={3}
            vectorEffect="non-scaling-stroke"
          />
        ))}
        {ticks.map(({ at_C }) => (
          <line
            key={at_C}
            x1={xOf(at_C)}
            x2={xOf(at_C)}
            y1={94}
            y2={100}
            stroke="var(--ink3)"
            strokeWidth={0.8}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      <div className="rule-words drawn" aria-hidden="true">
        {ticks
          .filter(({ at_C, isNumbered }) => isNumbered && Math.abs(at_C - target_C) > 26)
          .map(({ at_C }) => (
            <span key={at_C} style={{ left: percent(at_C) }}>
              {showDegrees(at_C, units)}
            </span>
          ))}
        <b style={{ left: percent(target_C) }}>wanted {showDegrees(target_C, units)}</b>
        {letsGo_C === null ? null : <i style={{ left: percent(letsGo_C) }}>lets go {showDegrees(letsGo_C, units)}</i>}
      </div>
    </div>
  );
}
