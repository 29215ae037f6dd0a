/** The section painted with hardness, and under it the curve from back to edge or from surface to centre. */

import type { Prediction, Section } from "@tembrak/core";
import { useId } from "react";
import { Area, ComposedChart, Line, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from "recharts";
import { lengthNumber, showHardness, showLength, type Units } from "../../../format/show.js";
import { hardnessShade } from "../../../parts/hardnessShade.js";
import { sectionRows, type SectionRow } from "./sectionRows.js";

interface Props {
  readonly prediction: Prediction;
  readonly section: Section;
  readonly units: Units;
}

const W = 400;
const H = 62;
const INSET = 34;

function Shades({ id, rows, isMirrored }: { id: string; rows: readonly SectionRow[]; isMirrored: boolean }) {
  const last = rows[rows.length - 1]!.x_mm;
  const stops = rows.map(({ x_mm, tempered_HRC }) => ({ at: x_mm / last, colour: hardnessShade(tempered_HRC) }));
  const all = isMirrored
    ? [...stops.map((s) => ({ ...s, at: s.at / 2 })), ...[...stops].reverse().map((s) => ({ ...s, at: 1 - s.at / 2 }))]
    : stops;
  return (
    <linearGradient id={id} x1="0" x2={isMirrored ? "0" : "1"} y1="0" y2={isMirrored ? "1" : "0"}>
      {all.map(({ at, colour }, i) => (
        <stop key={i} offset={at} stopColor={colour} />
      ))}
    </linearGradient>
  );
}

function PaintedSection({ section, rows, units }: { section: Section; rows: readonly SectionRow[]; units: Units }) {
  const id = useId();
  const fill = `url(#${id})`;
  const outline = { fill, stroke: "var(--steel)", strokeWidth: 1.1 };
  if (section.shape === "wedge") {
    const run = W - 2 * INSET;
    const k = Math.min(6, 46 / section.spine_mm);
    const [t, e] = [section.spine_mm * k, Math.max(2, section.edge_mm * k)];
    return (
      <svg viewBox={`0 0 ${W} ${H}`} width="100%" aria-hidden="true">
        <defs>
          <Shades id={id} rows={rows} isMirrored={false} />
        </defs>
        <path d={`M${INSET} ${H / 2 - t / 2}L${INSET + run} ${H / 2 - e / 2}V${H / 2 + e / 2}L${INSET} ${H / 2 + t / 2}Z`} {...outline} />
        <text x={INSET - 6} y={H / 2} textAnchor="end" dominantBaseline="central" fontSize={13} fill="var(--ink2)" className="drawn">
          {lengthNumber(section.spine_mm, units)}
        </text>
        <text x={W - INSET + 6} y={H / 2} dominantBaseline="central" fontSize={13} fill="var(--ink2)" className="drawn">
          {lengthNumber(section.edge_mm, units)}
        </text>
      </svg>
    );
  }
  const size_mm = section.shape === "plate" ? section.thickness_mm : section.shape === "round" ? section.diameter_mm : section.side_mm;
  const d = H - 8;
  const word = section.shape === "round" ? "Ø " : "";
  if (section.shape === "round") {
    return (
      <svg viewBox={`0 0 ${W} ${H}`} width="100%" aria-hidden="true">
        <defs>
          <radialGradient id={id}>
            {[...rows].reverse().map(({ x_mm, tempered_HRC }, i) => (
              <stop key={i} offset={1 - x_mm / rows[rows.length - 1]!.x_mm} stopColor={hardnessShade(tempered_HRC)} />
            ))}
          </radialGradient>
        </defs>
        <circle cx={W / 2} cy={H / 2} r={d / 2} {...outline} />
        <text x={W / 2 + d / 2 + 10} y={H / 2} dominantBaseline="central" fontSize={13} fill="var(--ink2)" className="drawn">
          {word + lengthNumber(size_mm, units)}
        </text>
      </svg>
    );
  }
  const width = section.shape === "square" ? d : W - 2 * INSET;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width="100%" aria-hidden="true">
      <defs>
        <Shades id={id} rows={rows} isMirrored />
      </defs>
      <rect x={(W - width) / 2} y={4} width={width} height={d} {...outline} />
      <text
        x={(W - width) / 2 - 6}
        y={H / 2}
        textAnchor="end"
        dominantBaseline="central"
        fontSize={13}
        fill="var(--ink2)"
        className="drawn"
      >
        {lengthNumber(size_mm, units)}
      </text>
    </svg>
  );
}

export function ThroughSteel({ prediction, section, units }: Props) {
  const rows = sectionRows(prediction, section);
  const isBlade = section.shape === "wedge";
  const last = rows[rows.length - 1]!;
  const { low_HRC, high_HRC } = prediction.target;
  const least = Math.min(30, ...rows.map(({ low_HRC: low }) => Math.floor(low / 5) * 5));
  const data = rows.map((row) => ({
    x: row.x_mm,
    quenched: row.asQuenched_HRC,
    tempered: row.tempered_HRC,
    band: [Math.max(15, row.low_HRC), Math.min(70, row.high_HRC)],
  }));
  const [from, to] = isBlade ? ["spine", "edge"] : ["surface", "centre"];
  const first = rows[0]!;
  const says = `Hardness from ${from} to ${to}: as quenched ${showHardness(first.asQuenched_HRC)} to ${showHardness(last.asQuenched_HRC)}, tempered ${showHardness(first.tempered_HRC)} to ${showHardness(last.tempered_HRC)} HRC`;
  const tick = { fill: "var(--ink2)", fontSize: 13, fontFamily: "Barlow Semi Condensed" };
  return (
    <div>
      <PaintedSection section={section} rows={rows} units={units} />
      <div role="img" aria-label={says} style={{ height: 138 }}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={data} margin={{ top: 8, right: 12, bottom: 0, left: 0 }} accessibilityLayer={false}>
            <ReferenceArea y1={low_HRC} y2={high_HRC} fill="var(--verd-body)" fillOpacity={0.55} stroke="none" />
            <XAxis
              dataKey="x"
              type="number"
              domain={[0, last.x_mm]}
              ticks={[0, last.x_mm / 2, last.x_mm]}
              tickFormatter={(x: number) => (x === 0 ? from : x === last.x_mm ? to : showLength(x, units))}
              tick={tick}
              stroke="var(--line2)"
              tickLine={false}
              interval={0}
            />
            <YAxis
              domain={[least, 70]}
              ticks={[20, 30, 40, 50, 60, 70].filter((t) => t >= least)}
              interval={0}
              tick={tick}
              width={34}
              stroke="var(--line2)"
              tickLine={false}
            />
            <Area dataKey="band" stroke="none" fill="var(--steel)" fillOpacity={0.22} isAnimationActive={false} />
            <Line dataKey="quenched" stroke="var(--ink2)" strokeDasharray="6 4" strokeWidth={1.4} dot={false} isAnimationActive={false} />
            <Line dataKey="tempered" stroke="var(--pale)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <p className="drawn" style={{ margin: 0, fontSize: 13.5, color: "var(--ink2)" }}>
        HRC. Dashed as quenched {showHardness(last.asQuenched_HRC)} at the {to}, solid tempered {showHardness(last.tempered_HRC)}; band 9 in
        10; green what the use wants.
      </p>
    </div>
  );
}
