/** The wall of the shop: silhouettes hang from rails in the order of work, all on one scale. */

import { hardParts } from "../../../parts/brittleTeeth.js";
import { timeFor } from "../../../format/pieceTime.js";
import { brittleSince, type PieceState, mayStillBend } from "@tembrak/core";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { statusLine } from "../../../words/rackWords.js";
import { lengthNumber, showNotches } from "../../../format/show.js";
import { DimV } from "../../../parts/Drawing.js";
import { MiniHeatLine } from "../../../parts/MiniHeatLine.js";
import { Boundary } from "../../../parts/Boundary.js";
import { usePaint } from "../../../parts/usePaint.js";
import { useCooling } from "../../../compute/useCooling.js";
import { progressOf } from "../../../parts/progress.js";
import { SectionDrawing } from "../../../parts/SectionDrawing.js";
import { Silhouette } from "../../../parts/Silhouette.js";
import { useSettings, useUnits } from "../../../store/useStore.js";
import { hanger_px, inSight, layOutRack, STAGE_WORDS, type Hung, type RailSpan } from "./rackLayout.js";
import { toPiece, toRecord } from "../../../format/address.js";

interface Props {
  readonly pieces: readonly PieceState[];
  readonly first: string;
  readonly now_ms: number;
}

const RAIL_Y = 104;
const PIECE_Y = 114;
const FOOT = 112;
/** How far above the foot of the wall the section is drawn, and from line to line of the caution. */
const SECTION_UP = 92;
const CAUTION_LINE = 20;

function Rail({ span, holdsFirst }: { span: RailSpan; holdsFirst: boolean }) {
  const { x0, x1, stage } = span;
  return (
    <g>
      <text x={x0} y={14} fontSize={15.5} fill="var(--ink2)">
        {STAGE_WORDS[stage]}
      </text>
      <line x1={x0} x2={x1 - 8} y1={23} y2={23} stroke={holdsFirst ? "var(--verd)" : "var(--line)"} strokeWidth={holdsFirst ? 3 : 1} />
      <rect x={x0} y={RAIL_Y} width={x1 - x0 - 8} height={7} fill="var(--lift)" stroke="var(--line2)" strokeWidth={0.9} />
      <rect x={x0} y={RAIL_Y} width={10} height={7} fill="url(#hatch-cut)" opacity={0.6} />
      <rect x={x1 - 18} y={RAIL_Y} width={10} height={7} fill="url(#hatch-cut)" opacity={0.6} />
    </g>
  );
}

/** What could not be drawn has its name and its record. */
function FailedPiece({ hung: { state, x } }: { hung: Hung }) {
  return (
    <Link to={toRecord(state.id)} className="rack-piece" aria-label={`${state.piece.name}: could not be drawn`}>
      <text x={x} y={PIECE_Y + 20} fontSize={14} fill="var(--ink)">
        {state.piece.name}
      </text>
    </Link>
  );
}

/** Words that may lie on pale steel or on another drawing stay to be read. */
const HALO = { stroke: "var(--wall)", strokeWidth: 6, strokeLinejoin: "round", paintOrder: "stroke" } as const;

function HungPiece({ hung, now_ms, height, isFirst }: { hung: Hung; now_ms: number; height: number; isFirst: boolean }) {
  const units = useUnits();
  const { state, drawn, x, pieceX } = hung;
  const hangerX = pieceX + hanger_px(drawn);
  const { piece, route } = state;
  const brittleSince_ms = brittleSince(state, now_ms);
  const { ambient_lux: lux } = useSettings();
  const paint = usePaint(state, now_ms);
  const cooling = useCooling(state, now_ms);
  // While it may still be bent it is not called brittle.
  const isBrittle = brittleSince_ms !== null && (cooling.straightening === null || !mayStillBend(cooling.straightening));
  const status = statusLine(state, now_ms, paint.now_C, units, { call: paint.call, ...cooling });
  const footY = PIECE_Y + drawn.height_px;
  // Under the longest piece there is just room for two lines over its section.
  const cautionY = Math.min(footY + 36, height - SECTION_UP - 9 - CAUTION_LINE);
  const brittle_min = isBrittle ? Math.floor((now_ms - brittleSince_ms) / 60000) : 0;
  return (
    <Link
      to={toPiece(state.id)}
      className="rack-piece"
      aria-label={`${piece.name}, mark ${piece.mark}, ${piece.steel}. ${status}${isBrittle ? `. Brittle for ${brittle_min} minutes` : ""}`}
    >
      <rect x={x - 4} y={28} width={hung.columnWidth} height={height - 28} fill="transparent" />
      <text x={x} y={46} fontSize={20} fontWeight={isFirst ? 600 : 540} fill="var(--ink)" className="piece-name">
        {piece.name}
      </text>
      <text x={x} y={64} fontSize={13} fill="var(--ink2)" className="drawn">
        <tspan fontWeight={600} fill="var(--ink)">
          {piece.mark}
        </tspan>
        <tspan dx={6}>{piece.steel.toUpperCase()}</tspan>
        <tspan dx={8}>{showNotches(piece.mark)}</tspan>
      </text>
      <text x={x} y={86} fontSize={15.5} fill="var(--ink2)">
        {status}
      </text>
      <line x1={hangerX} x2={hangerX} y1={RAIL_Y - 5} y2={PIECE_Y + 7} stroke="var(--steel)" strokeWidth={1.4} />
      <circle cx={hangerX} cy={RAIL_Y + 3.5} r={2.6} fill="var(--wall)" stroke="var(--steel)" strokeWidth={1} />
      <g transform={`translate(${pieceX} ${PIECE_Y})`}>
        <Silhouette drawn={drawn} lie="hang" paint={paint} brittle={isBrittle ? hardParts(state.route) : null} />
      </g>
      <DimV x={pieceX - 16} y1={PIECE_Y} y2={footY} text={lengthNumber(drawn.outline.box.height_mm, units)} />
      {isBrittle ? (
        <>
          <text
            x={pieceX + drawn.width_px * 0.54}
            y={PIECE_Y + drawn.height_px * 0.52}
            textAnchor="middle"
            fontSize={46}
            fontWeight={480}
            fill="var(--pale)"
            {...HALO}
          >
            {brittle_min}
          </text>
          <text
            x={pieceX + drawn.width_px * 0.54}
            y={PIECE_Y + drawn.height_px * 0.52 + 20}
            textAnchor="middle"
            fontSize={15}
            fontWeight={600}
            fill="var(--pale)"
            {...HALO}
          >
            min brittle
          </text>
          <text x={x + 4} y={cautionY} fontSize={15.5} fill="var(--ink)" {...HALO}>
            Do not drop, clamp,
          </text>
          <text x={x + 4} y={cautionY + CAUTION_LINE} fontSize={15.5} fill="var(--ink)" {...HALO}>
            straighten or strike it.
          </text>
        </>
      ) : (
        <text x={pieceX + drawn.width_px / 2} y={footY + 24} textAnchor="middle" fontSize={13} fill="var(--ink2)" className="drawn">
          {paint.words}
        </text>
      )}
      {paint.isGlowing && paint.now_C !== null ? (
        <text x={pieceX + drawn.width_px + 8} y={PIECE_Y + drawn.height_px * 0.62} fontSize={20} fill="var(--ink)">
          {`${Math.round(units.temperature === "F" ? paint.now_C * 1.8 + 32 : paint.now_C)}°`}
        </text>
      ) : null}
      <g transform={`translate(${x} ${height - SECTION_UP})`}>
        <SectionDrawing section={piece.section} scale_px_mm={1.1} mostWidth={hung.columnWidth - 46} units={units} />
      </g>
      {route ? (
        <g transform={`translate(${x} ${height - 60})`}>
          <MiniHeatLine
            route={route}
            steel={piece.steel}
            lux={lux}
            progress={progressOf(state, now_ms)}
            width={Math.min(126, hung.columnWidth - 10)}
            height={50}
          />
        </g>
      ) : null}
    </Link>
  );
}

export function RackWide({ pieces, first, now_ms }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 1240, height: 580 });
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    if (box.current) watch.observe(box.current);
    return () => watch.disconnect();
  }, []);
  const [left, setLeft] = useState(0);
  const height = Math.max(460, size.height - 4);
  const layout = layOutRack(pieces, now_ms, size.width, height - PIECE_Y - FOOT - 26);
  const width = Math.max(size.width, layout.width);
  return (
    <div className="rack-scroll" ref={box} onScroll={({ currentTarget }) => setLeft(currentTarget.scrollLeft)}>
      <svg width={width} height={height} style={{ display: "block" }} role="group" aria-label="The rack, in the order of work">
        {layout.rails.map((span) => (
          <Rail key={span.stage} span={span} holdsFirst={layout.hung.some((h) => h.state.id === first && h.state.stage === span.stage)} />
        ))}
        {inSight(layout, left, size.width).map((hung) => (
          <Boundary key={hung.state.id} fallback={<FailedPiece hung={hung} />}>
            <HungPiece
              hung={hung}
              now_ms={timeFor(hung.state, now_ms)}

              height={height}
              isFirst={hung.state.id === first}
            />
          </Boundary>
        ))}
      </svg>
    </div>
  );
}
