/** A removed section: the cross section hatched, thickness beside it, at a scale of its own. */

import type { Section } from "@tembrak/core";
import { lengthNumber, type Units } from "../format/show.js";

interface Props {
  readonly section: Section;
  readonly scale_px_mm: number;
  readonly mostWidth: number;
  readonly units: Units;
}

export function SectionDrawing({ section, scale_px_mm, mostWidth, units }: Props) {
  const stroke = { fill: "url(#hatch-cut)", stroke: "var(--steel)", strokeWidth: 1 };
  if (section.shape === "wedge") {
    const k = Math.min(scale_px_mm, mostWidth / section.height_mm);
    const [w, t, e] = [section.height_mm * k, Math.max(3, section.spine_mm * k), Math.max(0.8, section.edge_mm * k)];
    const bevel = 0.72 * w;
    return (
      <g>
        <path d={`M0 ${-t / 2}H${w - bevel * 0.6}L${w} ${-e / 2}V${e / 2}L${w - bevel * 0.6} ${t / 2}H0Z`} {...stroke} />
        <text x={w + 7} y={0} dominantBaseline="central" fontSize={13} fill="var(--ink2)" className="drawn">
          {lengthNumber(section.spine_mm, units)}
        </text>
      </g>
    );
  }
  const size_mm = section.shape === "plate" ? section.thickness_mm : section.shape === "round" ? section.diameter_mm : section.side_mm;
  const k = Math.min(scale_px_mm, 26 / size_mm);
  const d = Math.max(4, size_mm * k);
  const text = `${section.shape === "round" ? "Ø " : ""}${lengthNumber(size_mm, units)}`;
  const across = section.shape === "plate" ? Math.min(mostWidth, 60) : d;
  return (
    <g>
      {section.shape === "round" ? (
        <circle cx={d / 2} cy={0} r={d / 2} {...stroke} />
      ) : (
        <rect x={0} y={-d / 2} width={across} height={d} {...stroke} />
      )}
      <text x={across + 7} y={0} dominantBaseline="central" fontSize={13} fill="var(--ink2)" className="drawn">
        {text}
      </text>
    </g>
  );
}
