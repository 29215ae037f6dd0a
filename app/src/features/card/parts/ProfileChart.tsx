/** The curve through the steel: back to edge of a blade, surface to centre of a bar. */

import { Area, ComposedChart, Line, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from "recharts";
import { showLength, type Units } from "../../../format/show.js";

export interface ProfileRow {
  readonly x: number;
  /** Solid, heavy. */
  readonly main: number;
  /** Dashed, light. */
  readonly second: number | null;
  readonly band?: readonly [number, number];
}

interface Props {
  readonly rows: readonly ProfileRow[];
  /** From one end of the axis to the other. */
  readonly length_mm: number;
  readonly from: string;
  readonly to: string;
  readonly domain: readonly [number, number];
  readonly ticks: readonly number[];
  readonly showTick?: (value: number) => string;
  readonly wanted?: readonly [number, number];
  readonly says: string;
  readonly units: Units;
}

export function ProfileChart({ rows, length_mm: last, from, to, domain, ticks, showTick, wanted, says, units }: Props) {
  const tick = { fill: "var(--ink2)", fontSize: 13, fontFamily: "Barlow Semi Condensed" };
  return (
    <div role="img" aria-label={says} style={{ height: 106 }}>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={[...rows]} margin={{ top: 8, right: 20, bottom: 0, left: 0 }} accessibilityLayer={false}>
          {wanted ? <ReferenceArea y1={wanted[0]} y2={wanted[1]} fill="var(--verd-body)" fillOpacity={0.55} stroke="none" /> : null}
          <XAxis
            dataKey="x"
            type="number"
            domain={[0, last]}
            ticks={[0, last / 2, last]}
            tickFormatter={(x: number) => (x === 0 ? from : x === last ? to : showLength(x, units))}
            tick={tick}
            stroke="var(--line2)"
            tickLine={false}
            interval={0}
          />
          <YAxis
            domain={[...domain]}
            ticks={[...ticks]}
            interval={0}
            tick={tick}
            width={44}
            stroke="var(--line2)"
            tickLine={false}
            {...(showTick ? { tickFormatter: showTick } : {})}
          />
          <Area dataKey="band" stroke="none" fill="var(--steel)" fillOpacity={0.22} isAnimationActive={false} />
          <Line dataKey="second" stroke="var(--ink2)" strokeDasharray="6 4" strokeWidth={1.4} dot={false} isAnimationActive={false} />
          <Line dataKey="main" stroke="var(--pale)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
