/** The piece lying down, painted with its hardness from nine sections, and the cut that is looked at: drag it along. */

import { formOf, measuredStation, pointAt, type Mouth, type Piece, type Point, type SectionPicture } from "@tembrak/core";
import { useId, useMemo } from "react";
import { showLength, type Units } from "../../../format/show.js";
import { hardnessShade } from "../../../parts/hardnessShade.js";
import { drawPiece, pathOf } from "../../../parts/Silhouette.js";

export const STATIONS: readonly number[] = [0.06, 0.17, 0.28, 0.39, 0.5, 0.61, 0.72, 0.83, 0.94];

interface Props {
  readonly piece: Piece;
  readonly pictures: readonly (SectionPicture | undefined)[];
  /** Share of the length; null for where it was measured. */
  readonly station: number | null;
  readonly onStation: (station: number) => void;
  readonly units: Units;
  /** Where only a part of it was in the fire. */
  readonly mouth: Mouth | null;
}

/** What stayed out of the fire, HRC: drawn as soft as steel is drawn. */
const LEFT_HRC = 25;

const [WIDTH_px, HEIGHT_px] = [430, 54];
/** Bands from edge to back, and steps along each station's part of the piece. */
const BANDS = 8;
const STEPS = 6;

/** Tempered hardness at a share of the height of a station's section, at the surface. */
function hardnessAt({ columns, nodes, tempered_HRC }: SectionPicture, share: number): number {
  const j = Math.min(columns - 1, Math.floor(share * columns));
  return tempered_HRC[j * nodes + nodes - 1]!;
}

/** Where hard goes over into soft at one station, as shares of its height: where it begins, half way, and where it has ended. */
interface LinePoint {
  readonly along: number;
  readonly hard: number;
  readonly half: number;
  readonly soft: number;
}

/** The line along the piece, through the stations that have one. */
export function lineAlong(pictures: readonly (SectionPicture | undefined)[]): LinePoint[] {
  return pictures.flatMap((picture, k) => {
    const { quenchLine, section } = picture ?? {};
    if (!quenchLine || section?.shape !== "wedge") return [];
    const share = (mm: number): number => Math.max(0, Math.min(1, mm / section.height_mm));
    const [half_mm, about_mm] = [quenchLine.height_mm, 0.5 * (quenchLine.width_mm ?? 0)];
    return [{ along: STATIONS[k]!, hard: share(half_mm - about_mm), half: share(half_mm), soft: share(half_mm + about_mm) }];
  });
}

export function StationStrip({ piece, pictures, station, onStation, units, mouth }: Props) {
  const id = useId();
  const form = formOf(piece);
  const drawn = useMemo(() => {
    const box = drawPiece(piece, 1, "lay");
    return drawPiece(piece, Math.min(WIDTH_px / box.width_px, HEIGHT_px / box.height_px), "lay");
  }, [piece]);
  const at = useMemo(() => pointAt(piece, form), [piece, form]);
  const patches = useMemo(
    () =>
      STATIONS.flatMap((s, k) => {
        const picture = pictures[k];
        if (picture === undefined) return [];
        const from = k === 0 ? 0 : 0.5 * (STATIONS[k - 1]! + s);
        const to = k === STATIONS.length - 1 ? 1 : 0.5 * (s + STATIONS[k + 1]!);
        const along = (share: number): Point[] => Array.from({ length: STEPS + 1 }, (_, i) => at(from + ((to - from) * i) / STEPS, share));
        return Array.from({ length: BANDS }, (_, b) => {
          // The outer bands reach over the outline, which cuts them off.
          const [low, high] = [b === 0 ? -0.3 : b / BANDS, b === BANDS - 1 ? 1.3 : (b + 1) / BANDS];
          const path = pathOf([...along(low), ...along(high).reverse()].map(drawn.toPx), true);
          return { path, colour: hardnessShade(hardnessAt(picture, (b + 0.5) / BANDS)) };
        });
      }),
    [pictures, at, drawn],
  );
  const left = useMemo(() => {
    if (mouth === null) return null;
    const [hard, soft] = [mouth.hardTo_mm, mouth.asItWasFrom_mm].map((from_mm) => Math.max(0, 1 - from_mm / piece.length_mm)) as [
      number,
      number,
    ];
    const steps = Array.from({ length: 13 }, (_, i) => i / 12);
    const side = (share: number): Point[] => steps.map((s) => at(s * hard, share));
    return {
      path: pathOf([...side(-0.4), ...side(1.4).reverse()].map(drawn.toPx), true),
      lines: [hard, soft].map((s) => pathOf([at(s, -0.4), at(s, 1.4)].map(drawn.toPx), false)),
    };
  }, [mouth, piece.length_mm, at, drawn]);
  const line = useMemo(() => lineAlong(pictures), [pictures]);
  const cut = station ?? measuredStation(form);
  const toPx = ({ along }: LinePoint, share: number): Point => drawn.toPx(at(along, share));
  const [edge, back] = [at(cut, -0.12), at(cut, 1.12)].map(drawn.toPx) as [{ x: number; y: number }, { x: number; y: number }];
  const contour = pathOf(drawn.outline.contour.map(drawn.toPx), true);
  const says = `${showLength(cut * piece.length_mm, units)} from the end it hangs by`;
  return (
    <div className="stations" style={{ width: drawn.width_px, maxWidth: "100%" }}>
      <svg viewBox={`-4 -6 ${drawn.width_px + 8} ${drawn.height_px + 12}`} width="100%" aria-hidden="true">
        <defs>
          <clipPath id={`${id}s`}>
            <path d={contour} />
          </clipPath>
        </defs>
        <g clipPath={`url(#${id}s)`}>
          {patches.map(({ path, colour }, i) => (
            <path key={i} d={path} fill={colour} stroke={colour} strokeWidth={0.8} />
          ))}
        </g>
        {left === null ? null : (
          <g clipPath={`url(#${id}s)`} data-testid="mouth-line">
            <path d={left.path} fill={hardnessShade(LEFT_HRC)} />
            {left.lines.map((path, i) => (
              <path key={path} d={path} stroke="var(--verd)" strokeWidth={i === 0 ? 1.8 : 0.9} strokeDasharray="6 3" fill="none" />
            ))}
          </g>
        )}
        {line.length < 2 ? null : (
          <g clipPath={`url(#${id}s)`} data-testid="quench-line">
            <path
              d={pathOf([...line.map((p) => toPx(p, p.hard)), ...line.map((p) => toPx(p, p.soft)).reverse()], true)}
              fill="var(--verd)"
              opacity={0.25}
            />
            <path
              d={pathOf(
                line.map((p) => toPx(p, p.half)),
                false,
              )}
              fill="none"
              stroke="var(--verd)"
              strokeWidth={1.8}
              strokeDasharray="6 3"
            />
          </g>
        )}
        <path d={contour} fill="none" stroke="var(--steel)" strokeWidth={1.1} strokeLinejoin="round" />
        <line x1={edge.x} y1={edge.y} x2={back.x} y2={back.y} stroke="var(--wall)" strokeWidth={4.5} />
        <line x1={edge.x} y1={edge.y} x2={back.x} y2={back.y} stroke="var(--verd)" strokeWidth={2.2} />
        <circle cx={edge.x} cy={edge.y} r={4} fill="var(--verd)" />
        <circle cx={back.x} cy={back.y} r={4} fill="var(--verd)" />
      </svg>
      <input
        type="range"
        min={0.02}
        max={0.98}
        step={0.02}
        value={cut}
        aria-label="Where along the piece"
        aria-valuetext={says}
        onChange={(e) => onStation(Number(e.target.value))}
      />
    </div>
  );
}
