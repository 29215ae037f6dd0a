/** A bath in time: an hour back by what was logged, half an hour ahead if nothing more goes in, with the band it quenches right in. */

import { bathState, type BathEntryAt, type BathNow } from "@tembrak/core";
import { showDegrees, showTimeOfDay, type Units } from "../../../format/show.js";

const [W, H, LEFT, BOTTOM, TOP] = [560, 380, 46, 30, 14] as const;
const BACK_ms = 3_600_000;
const AHEAD_ms = 1_800_000;
const STEP_ms = 60_000;
/** Room over and under what is drawn, K. */
const ROOM_K = 6;

interface Props {
  readonly now: BathNow;
  readonly log: readonly BathEntryAt[];
  readonly now_ms: number;
  readonly units: Units;
}

export function BathChart({ now, log, now_ms, units }: Props) {
  const { band, tank } = now;
  const timed = log.map(({ at_ms, what }) => ({ ...what, at_s: at_ms / 1000 }));
  // Just before a piece and just after it too: a step is a step.
  const times = [
    ...Array.from({ length: (BACK_ms + AHEAD_ms) / STEP_ms + 1 }, (_, i) => now_ms - BACK_ms + i * STEP_ms),
    ...log.flatMap(({ at_ms }) => (at_ms > now_ms - BACK_ms ? [at_ms - 1, at_ms] : [])),
  ].sort((a, b) => a - b);
  const line = times.map((at_ms) => ({ at_ms, C: bathState(tank, timed, at_ms / 1000).mean_C }));
  const all = [...line.map(({ C }) => C), band.low_C, band.high_C, Math.min(band.most_C, band.high_C + 10)];
  const [low, high] = [Math.min(...all) - ROOM_K, Math.max(...all) + ROOM_K];
  const xOf = (at_ms: number): number => LEFT + ((at_ms - (now_ms - BACK_ms)) / (BACK_ms + AHEAD_ms)) * (W - LEFT - 8);
  const yOf = (C: number): number => TOP + ((high - C) / (high - low)) * (H - TOP - BOTTOM);
  const path = (of: typeof line): string =>
    of.map(({ at_ms, C }, i) => `${i === 0 ? "M" : "L"}${xOf(at_ms).toFixed(1)} ${yOf(C).toFixed(1)}`).join("");
  const ticks = [band.low_C, tank.medium.usualBath_C, band.high_C, ...(band.most_C <= high ? [band.most_C] : [])];
  const right = W - 8;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`Its temperature over the last hour, now ${showDegrees(now.mean_C, units)}`}
    >
      <rect x={LEFT} y={TOP} width={right - LEFT} height={Math.max(0, yOf(band.high_C) - TOP)} fill="url(#hatch-out)" opacity={0.5} />
      <rect
        x={LEFT}
        y={yOf(band.low_C)}
        width={right - LEFT}
        height={Math.max(0, H - BOTTOM - yOf(band.low_C))}
        fill="url(#hatch-out)"
        opacity={0.5}
      />
      {ticks.map((C, i) => (
        <g key={`${C} ${i}`}>
          <line
            x1={LEFT}
            x2={right}
            y1={yOf(C)}
            y2={yOf(C)}
            stroke={C === tank.medium.usualBath_C ? "var(--verd-edge)" : "var(--verd)"}
            strokeDasharray={C === tank.medium.usualBath_C ? "10 5 2 5" : undefined}
            strokeWidth={1}
          />
          <text x={LEFT - 6} y={yOf(C) + 4} textAnchor="end" fontSize={13} fill="var(--ink2)" className="drawn">
            {showDegrees(C, units)}
          </text>
        </g>
      ))}
      <text x={LEFT + 8} y={yOf(band.high_C) - 8} fontSize={13} fill="var(--ink2)" className="drawn">
        warmer: it still quenches, and smokes
      </text>
      <text x={LEFT + 8} y={yOf(band.low_C) + 18} fontSize={13} fill="var(--ink2)" className="drawn">
        {tank.medium.kind === "oil" ? "colder: thick, slow as well" : "colder: harder on the steel"}
      </text>
      <path d={path(line.filter(({ at_ms }) => at_ms <= now_ms))} fill="none" stroke="var(--steel)" strokeWidth={4} />
      <path
        d={path(line.filter(({ at_ms }) => at_ms >= now_ms))}
        fill="none"
        stroke="var(--steel)"
        strokeWidth={1.5}
        strokeDasharray="6 4"
      />
      <line x1={xOf(now_ms)} x2={xOf(now_ms)} y1={TOP} y2={H - BOTTOM} stroke="var(--pale)" strokeWidth={1} />
      <circle cx={xOf(now_ms)} cy={yOf(now.mean_C)} r={5} fill="var(--wall)" stroke="var(--pale)" strokeWidth={1.6} />
      {[now_ms - BACK_ms, now_ms, now_ms + AHEAD_ms].map((at_ms, i) => (
        <text
          key={i}
          x={xOf(at_ms)}
          y={H - 8}
          textAnchor={i === 0 ? "start" : i === 1 ? "middle" : "end"}
          fontSize={13}
          fill="var(--ink2)"
          className="drawn"
        >
          {i === 1 ? `now ${showTimeOfDay(at_ms)}` : showTimeOfDay(at_ms)}
        </text>
      ))}
    </svg>
  );
}
