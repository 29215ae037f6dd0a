/** Hardness by the heat of the tempers: what its use wants, where toughness dips, and what was chosen. */

import type { Solved, TemperCurve } from "@tembrak/core";
import { showDegrees, showHardness, type Units } from "../../format/show.js";

interface Props {
  readonly curve: TemperCurve;
  readonly target: Solved["target"];
  readonly temper_C: number;
  readonly units: Units;
  readonly label: string;
}

const [WIDE, HIGH] = [360, 150];
const [LEFT, RIGHT, TOP, BOTTOM] = [40, 350, 8, 126];
/** Drawn so far beside what is wanted, HRC. */
const BESIDE_HRC = 8;
const TICK_K = 100;

export function TemperDrawing({ curve: { points, dip_C }, target: { low_HRC, high_HRC }, temper_C, units, label }: Props) {
  const [from_C, to_C] = [points[0]!.temperature_C, points.at(-1)!.temperature_C];
  const [low, high] = [low_HRC - BESIDE_HRC, high_HRC + BESIDE_HRC];
  const x = (T: number): number => LEFT + ((Math.min(to_C, Math.max(from_C, T)) - from_C) / Math.max(1, to_C - from_C)) * (RIGHT - LEFT);
  const y = (hrc: number): number => TOP + ((high - Math.min(high, Math.max(low, hrc))) / (high - low)) * (BOTTOM - TOP);
  const after = points.findIndex(({ temperature_C }) => temperature_C >= temper_C);
  const [a, b] = [points[Math.max(0, after - 1)]!, points[Math.max(0, after)]!];
  const share = a === b ? 0 : (temper_C - a.temperature_C) / (b.temperature_C - a.temperature_C);
  const is_HRC = a.mean_HRC + share * (b.mean_HRC - a.mean_HRC);
  // What is beyond the drawing is not drawn along its edge.
  const drawn = points.filter(({ mean_HRC }) => mean_HRC >= low && mean_HRC <= high);
  const line = drawn.map(({ temperature_C, mean_HRC }, i) => `${i === 0 ? "M" : "L"}${x(temperature_C)} ${y(mean_HRC)}`).join("");
  const first = TICK_K * Math.ceil(from_C / TICK_K);
  const ticks = Array.from({ length: Math.max(0, Math.floor((to_C - first) / TICK_K) + 1) }, (_, i) => first + i * TICK_K);
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="drawn ways-jaws" role="img" aria-label={label}>
      {dip_C === null || dip_C[0] > to_C ? null : (
        <rect x={x(dip_C[0])} y={TOP} width={x(dip_C[1]) - x(dip_C[0])} height={BOTTOM - TOP} fill="url(#hatch-out)" />
      )}
      <path d={`M${LEFT} ${y(high_HRC)}H${RIGHT}M${LEFT} ${y(low_HRC)}H${RIGHT}`} className="ways-jaw" />
      <path d={line} className="ways-spread" />
      <circle cx={x(temper_C)} cy={y(is_HRC)} r={5} className="ways-mean" />
      {[high_HRC, low_HRC].map((hrc) => (
        <text key={hrc} x={LEFT - 6} y={y(hrc) + 5} textAnchor="end">
          {showHardness(hrc)}
        </text>
      ))}
      {ticks.map((T) => (
        <text key={T} x={x(T)} y={HIGH - 6} textAnchor="middle">
          {showDegrees(T, units)}
        </text>
      ))}
    </svg>
  );
}
