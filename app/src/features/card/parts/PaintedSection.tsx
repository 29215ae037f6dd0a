/** The section painted node by node: back at the left, edge at the right, thickness up and down, at a scale of its own. */

import type { Section, SectionPicture } from "@tembrak/core";
import { useEffect, useMemo, useRef, useState } from "react";
import { lengthNumber, type Units } from "../../../format/show.js";
import { cellsOf } from "./sectionCells.js";

interface Props {
  readonly picture: SectionPicture;
  readonly field: ArrayLike<number>;
  readonly shade: (value: number) => string;
  readonly units: Units;
}

const HEIGHT_px = 52;
const ROUND_px = 76;
/** Room for the two thicknesses beside it. */
const BESIDE_px = 40;

function useWidth() {
  const ref = useRef<HTMLDivElement>(null);
  const [width_px, setWidth] = useState(0);
  useEffect(() => {
    const box = ref.current;
    if (box === null) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width));
    watch.observe(box);
    return () => watch.disconnect();
  }, []);
  return { ref, width_px };
}

/** Its outline on a canvas of so many dots. */
function outlineOn(section: Section, width: number, height: number): Path2D {
  const path = new Path2D();
  if (section.shape === "round") path.arc(width / 2, height / 2, width / 2 - 1, 0, 2 * Math.PI);
  else if (section.shape === "wedge") {
    const edge = Math.max(2, (height * section.edge_mm) / Math.max(section.spine_mm, section.edge_mm));
    const back = Math.max(2, (height * section.spine_mm) / Math.max(section.spine_mm, section.edge_mm));
    path.moveTo(0, (height - back) / 2);
    path.lineTo(width, (height - edge) / 2);
    path.lineTo(width, (height + edge) / 2);
    path.lineTo(0, (height + back) / 2);
    path.closePath();
  } else path.rect(0, 0, width, height);
  return path;
}

export function PaintedSection({ picture, field, shade, units }: Props) {
  const { ref, width_px } = useWidth();
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawn = useMemo(() => cellsOf(picture), [picture]);
  const { section } = picture;
  const isWide = section.shape === "wedge" || section.shape === "plate";
  const tall_px = isWide ? HEIGHT_px : ROUND_px;
  const room_px = Math.max(0, width_px - 2 * BESIDE_px);
  // A blade is drawn as wide as there is room, its thickness stretched up to six times so that it can be seen.
  const kx = isWide ? room_px / drawn.width_mm : tall_px / drawn.height_mm;
  const ky = isWide ? Math.min(tall_px / drawn.height_mm, 6 * kx) : kx;
  const [w, h] = [drawn.width_mm * kx, drawn.height_mm * ky];
  useEffect(() => {
    const to = canvas.current;
    const pen = to?.getContext("2d");
    if (!to || !pen || w === 0) return;
    const ratio = globalThis.devicePixelRatio || 1;
    to.width = Math.round(w * ratio);
    to.height = Math.round(h * ratio);
    const outline = outlineOn(section, to.width, to.height);
    pen.save();
    pen.clip(outline);
    for (const cell of drawn.cells) {
      pen.fillStyle = shade(field[cell.node]!);
      if (cell.kind === "disc") {
        pen.beginPath();
        pen.arc((ratio * w) / 2, (ratio * h) / 2, cell.radius * kx * ratio, 0, 2 * Math.PI);
        pen.fill();
      } else {
        // Snapped outwards to whole dots, so that no seam shows between two patches.
        const [x0, y0] = [Math.floor(cell.x * kx * ratio), Math.floor(cell.y * ky * ratio)];
        const [x1, y1] = [Math.ceil((cell.x + cell.width) * kx * ratio), Math.ceil((cell.y + cell.height) * ky * ratio)];
        pen.fillRect(x0, y0, x1 - x0, y1 - y0);
      }
    }
    pen.restore();
    pen.strokeStyle = getComputedStyle(to).getPropertyValue("--steel");
    pen.lineWidth = 1.2 * ratio;
    pen.stroke(outline);
  }, [drawn, section, field, shade, w, h, kx, ky]);
  const [left, right] =
    section.shape === "wedge"
      ? [lengthNumber(section.spine_mm, units), lengthNumber(section.edge_mm, units)]
      : section.shape === "plate"
        ? [lengthNumber(section.thickness_mm, units), ""]
        : section.shape === "round"
          ? ["", `Ø ${lengthNumber(section.diameter_mm, units)}`]
          : ["", lengthNumber(section.side_mm, units)];
  return (
    <div ref={ref} className="painted" style={{ height: tall_px + 4 }}>
      <span className="drawn">{left}</span>
      <canvas ref={canvas} aria-hidden="true" style={{ width: w, height: h }} />
      <span className="drawn">{right}</span>
    </div>
  );
}
