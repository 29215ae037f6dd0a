/** The whole route as one ribbon: past solid in its real colour, future hollow, the temperatures that matter drawn through it. */

import { checkTemperature_C, type Route, type Transformations, type LoggedCheck, type Act } from "@tembrak/core";
import { useEffect, useId, useMemo, useRef, useState } from "react";
import { showDegrees, showDuration, type Units } from "../format/show.js";
import { useSet, useSettings } from "../store/useStore.js";
import { stretchedShare } from "../format/temperatureScale.js";
import { onRibbon, ribbonOf, type Ribbon } from "./ribbon.js";
import { ribbonStops } from "./ribbonColour.js";
import "./heatLine.css";
import { spreadOut } from "./spreadOut.js";

interface Props {
  readonly route: Route;
  /** Of each step, s; null where that is not known. */
  readonly times_s: readonly (number | null)[];
  /** A route under trial, drawn as a thin line over the plan. */
  readonly trial: Route | null;
  readonly steel: string;
  readonly lux: number;
  readonly levels: Transformations | undefined;
  readonly progress: number;
  readonly checks: readonly LoggedCheck[];
  readonly acts: readonly Act[];
  readonly units: Units;
  readonly label: string;
}

const HEIGHT = 288;
const TOP = 26;
const BOTTOM = 244;
const FOOT = 258;
const LEFT = 178;
const RIGHT = 34;

interface LevelLine {
  readonly at_C: number;
  readonly plain: string;
  readonly book: string;
  readonly dash: string;
}

function levelsOf(t: Transformations): LevelLine[] {
  return [
    ...(t.ac3_C === null ? [] : [{ at_C: t.ac3_C, plain: "all austenite", book: "Ac3", dash: "" }]),
    ...(t.acm_C === null ? [] : [{ at_C: t.acm_C, plain: "all carbon dissolves", book: "Acm", dash: "" }]),
    { at_C: t.magnetLost_C, plain: "lets go of the magnet", book: "magnet", dash: "1.5 4" },
    { at_C: t.ac1_C, plain: "austenite begins", book: "Ac1", dash: "" },
    { at_C: t.ms_C, plain: "martensite begins", book: "Ms", dash: "12 3 2 3" },
    { at_C: t.mf_C, plain: "as good as all hard", book: "Mf", dash: "12 3 2 3" },
  ];
}

const DEFINITIONS: Readonly<Record<string, string>> = {
  Ac1: "Ac1, where austenite begins on heating",
  Ac3: "Ac3, where the last ferrite is gone on heating",
  Acm: "Acm, above it no carbide is left",
  magnet: "where a magnet lets go on heating; on cooling it comes back lower",
  Ms: "Ms, martensite start on cooling",
  Mf: "Mf, here where nine parts in ten are hard",
};

function Readings({
  checks,
  acts,
  ribbon,
  xOf,
  yOf,
  levels,
}: {
  checks: readonly LoggedCheck[];
  acts: readonly Act[];
  ribbon: Ribbon;
  xOf: (x: number) => number;
  yOf: (T: number) => number;
  levels: Transformations | undefined;
}) {
  return (
    <g aria-hidden="true">
      {checks.map((logged, n) => {
        const act = acts.find(({ id }) => id === logged.act);
        const span = ribbon.spans.find(({ step }) => step === act?.step);
        if (!span || !act) return null;
        const magnet = logged.reading.check === "magnet" ? logged.reading.state : null;
        const offset = magnet === "sticks" ? -14 : magnet === "free" ? 6 : 0;
        const T = magnet === null ? checkTemperature_C(logged) : levels ? levels.magnetLost_C + offset : null;
        if (T === null) return null;
        const rising = act.kind === "heat";
        const target = ribbon.points.find((p) => p.x >= span.x0 && p.x <= span.top0 && p.temperature_C >= Math.min(T, span.peak_C - 1));
        const x = xOf(rising ? (target?.x ?? span.top0) : span.top0 + ((n % 5) + 1) * 0.16 * (span.top1 - span.top0));
        const y = yOf(T);
        if (magnet !== null) {
          return (
            <path
              key={logged.id}
              d={`M${x + 10} ${y + 6}v-6a5 5 0 0 1 10 0v6`}
              fill="none"
              stroke="var(--pale)"
              strokeWidth={2.2}
              strokeDasharray={magnet === "free" ? "1.5 3" : undefined}
            />
          );
        }
        if (logged.reading.check === "probe")
          return (
            <rect key={logged.id} x={x - 3.5} y={y - 3.5} width={7} height={7} fill="var(--wall)" stroke="var(--pale)" strokeWidth={1.8} />
          );
        return (
          <g key={logged.id} stroke="var(--pale)" strokeWidth={1.6} fill="var(--wall)">
            <path d={`M${x} ${y - 14}v28M${x - 4} ${y - 14}h8M${x - 4} ${y + 14}h8`} />
            <circle cx={x} cy={y} r={4.2} />
          </g>
        );
      })}
    </g>
  );
}

type Place = (x: number) => number;

/** The temperatures that matter by name, in the smith's words or the book's. */
function LevelNames({ lines, labelYs, yOf, units }: { lines: readonly LevelLine[]; labelYs: readonly number[]; yOf: Place; units: Units }) {
  const { symbols: saysBook } = useSettings();
  const set = useSet();
  return (
    <button
      type="button"
      className="heat-levels"
      onClick={() => set({ symbols: !saysBook })}
      aria-label={saysBook ? "Say it in plain words" : "Say it in textbook terms"}
    >
      <svg width={LEFT} height={HEIGHT} aria-hidden="true">
        {lines.map(({ at_C, plain, book }, i) => (
          <g key={book}>
            <text
              x={LEFT - 18}
              y={labelYs[i]}
              textAnchor="end"
              dominantBaseline="central"
              fontSize={13.5}
              fill="var(--ink2)"
              className="drawn"
            >
              {saysBook ? (DEFINITIONS[book]!.split(",")[0] ?? book) : plain}
              <tspan dx={5} fontWeight={600} fill="var(--ink)">
                {showDegrees(at_C, units)}
              </tspan>
            </text>
            <path d={`M${LEFT - 15} ${labelYs[i]}L${LEFT - 2} ${yOf(at_C)}`} stroke="var(--line2)" strokeWidth={0.8} fill="none" />
          </g>
        ))}
        <text x={LEFT - 18} y={yOf(480)} textAnchor="end" dominantBaseline="central" fontSize={12.5} fill="var(--ink3)" className="drawn">
          stretched above and below
        </text>
      </svg>
    </button>
  );
}

interface DefsProps {
  readonly id: string;
  readonly stops: ReturnType<typeof ribbonStops>;
  readonly x0: number;
  readonly x1: number;
  readonly nowX: number;
  readonly width: number;
  /** Height from which it glows. */
  readonly glowY: number;
}

/** Colours along the ribbon, and what is past, to come and aglow. */
function Defs({ id, stops, x0, x1, nowX, width, glowY }: DefsProps) {
  return (
    <defs>
      <linearGradient id={`${id}g`} gradientUnits="userSpaceOnUse" x1={x0} y1={0} x2={x1} y2={0}>
        {stops.map(({ at, colour }) => (
          <stop key={at} offset={at} stopColor={colour} />
        ))}
      </linearGradient>
      <filter id={`${id}b`} x="-5%" y="-20%" width="110%" height="140%">
        <feGaussianBlur stdDeviation="9" />
      </filter>
      <clipPath id={`${id}p`}>
        <rect x={-20} y={-20} width={nowX + 20} height={HEIGHT + 40} />
      </clipPath>
      <clipPath id={`${id}f`}>
        <rect x={nowX} y={-20} width={width} height={HEIGHT + 40} />
      </clipPath>
      <clipPath id={`${id}h`}>
        <rect x={-20} y={-20} width={nowX + 20} height={glowY + 20} />
      </clipPath>
    </defs>
  );
}

/** What each stretch is, how hot and how long. */
function Spans({ ribbon, times_s, xOf, yOf, units }: Pick<Props, "times_s" | "units"> & { ribbon: Ribbon; xOf: Place; yOf: Place }) {
  return (
    <>
      {ribbon.spans.map((span) => {
        const [a, b] = [xOf(span.x0), xOf(span.x1)];
        const middle = (a + b) / 2;
        const isQuench = span.kind === "quench";
        return (
          <g key={span.step}>
            {isQuench ? null : (
              <text
                x={xOf((span.top0 + span.top1) / 2)}
                y={yOf(span.peak_C) - 13}
                textAnchor="middle"
                fontSize={16}
                fontWeight={540}
                fill="var(--ink)"
              >
                {showDegrees(span.peak_C, units)}
              </text>
            )}
            <g stroke="var(--ink3)" strokeWidth={0.8} className="drawn">
              <path d={`M${a + 1} ${FOOT - 4}v8M${b - 1} ${FOOT - 4}v8M${a + 1} ${FOOT}H${b - 1}`} fill="none" />
              <text
                x={middle}
                y={FOOT}
                textAnchor="middle"
                dominantBaseline="central"
                fontSize={12.5}
                fill="var(--ink2)"
                stroke="var(--wall)"
                strokeWidth={6}
                paintOrder="stroke"
              >
                {b - a > 62 ? timeWords(times_s[span.step]) : ""}
              </text>
            </g>
            <text x={middle} y={FOOT + 20} textAnchor="middle" fontSize={15} fill="var(--ink2)">
              {isQuench ? "bath" : span.label}
            </text>
          </g>
        );
      })}
    </>
  );
}

function timeWords(time_s: number | null | undefined): string {
  return time_s === null || time_s === undefined ? "" : showDuration(time_s);
}

export function HeatLine({ route, times_s, trial, steel, lux, levels, progress, checks, acts, units, label }: Props) {
  const id = useId();
  const box = useRef<HTMLDivElement>(null);
  const { symbols } = useSettings();
  const [room, setRoom] = useState(1240);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => entry && setRoom(entry.contentRect.width));
    if (box.current) watch.observe(box.current);
    return () => watch.disconnect();
  }, []);
  const width = Math.max(room - LEFT, 690);
  const ribbon = useMemo(() => ribbonOf(route), [route]);
  const other = useMemo(() => (trial === null ? null : ribbonOf(trial)), [trial]);
  const stops = useMemo(() => {
    const holds = new Map(route.steps.map((step, i) => [i, "hold_min" in step ? step.hold_min : 0]));
    return ribbonStops(ribbon, steel, lux, holds);
  }, [ribbon, route, steel, lux]);
  const highest_C = Math.max(900, ...ribbon.points.map((p) => p.temperature_C), ...(other?.points.map((p) => p.temperature_C) ?? [])) + 8;
  const yOf = (T: number): number => BOTTOM - stretchedShare(T, highest_C) * (BOTTOM - TOP);
  const xOf = (x: number): number => 12 + x * (width - RIGHT - 12);
  const path = (r: Ribbon): string => `M${r.points.map((p) => `${xOf(p.x).toFixed(1)} ${yOf(p.temperature_C).toFixed(1)}`).join("L")}`;
  const d = path(ribbon);
  const now = onRibbon(ribbon, progress);
  const lines = levels ? levelsOf(levels) : [];
  const labelYs = spreadOut(
    lines.map(({ at_C }) => yOf(at_C)),
    17,
  );
  const [nowX, nowY] = [xOf(progress), yOf(now.temperature_C)];
  return (
    <div className="heat-line" ref={box}>
      <LevelNames lines={lines} labelYs={labelYs} yOf={yOf} units={units} />
      <div className="heat-scroll" tabIndex={0} role="group" aria-label="Heat line, scrolls sideways">
        <svg width={width} height={HEIGHT} role="img" aria-label={label}>
          <Defs id={id} stops={stops} x0={xOf(0)} x1={xOf(1)} nowX={nowX} width={width} glowY={yOf(640)} />
          {lines.map(({ at_C, book, dash }, i) => (
            <g key={book}>
              <line
                x1={0}
                x2={width - RIGHT}
                y1={yOf(at_C)}
                y2={yOf(at_C)}
                stroke="var(--line2)"
                strokeWidth={0.9}
                strokeDasharray={dash || undefined}
                strokeLinecap={book === "magnet" ? "round" : undefined}
              />
              {symbols && book !== "magnet" ? (
                <text x={width - RIGHT + 5} y={labelYs[i]} dominantBaseline="central" fontSize={12.5} fill="var(--ink3)" className="drawn">
                  {book}
                </text>
              ) : null}
            </g>
          ))}
          {[320, 680].map((T) => (
            <path
              key={T}
              d={`M0 ${yOf(T)}${"l4 -2l4 2".repeat(Math.floor((width - RIGHT) / 8))}`}
              fill="none"
              stroke="var(--line)"
              strokeWidth={0.8}
            />
          ))}
          <g clipPath={`url(#${id}f)`} fill="none" strokeLinejoin="round">
            <path d={d} stroke="var(--line2)" strokeWidth={9.5} />
            <path d={d} stroke="var(--wall)" strokeWidth={7.3} />
          </g>
          {progress > 0 ? (
            <>
              <g clipPath={`url(#${id}h)`}>
                <path d={d} fill="none" stroke={`url(#${id}g)`} strokeWidth={10} filter={`url(#${id}b)`} opacity={0.42} />
              </g>
              <g clipPath={`url(#${id}p)`} fill="none" strokeLinejoin="round">
                <path d={d} stroke="var(--wall)" strokeWidth={13} />
                <path d={d} stroke={`url(#${id}g)`} strokeWidth={9.5} />
              </g>
            </>
          ) : null}
          {other ? <path d={path(other)} fill="none" stroke="var(--verd)" strokeWidth={1.6} strokeDasharray="6 4" /> : null}
          <Readings checks={checks} acts={acts} ribbon={ribbon} xOf={xOf} yOf={yOf} levels={levels} />
          {progress > 0 && progress < 1 ? (
            <circle cx={nowX} cy={nowY} r={7} fill="var(--wall)" stroke="var(--pale)" strokeWidth={2.6} />
          ) : null}
          <Spans ribbon={ribbon} times_s={times_s} xOf={xOf} yOf={yOf} units={units} />
        </svg>
      </div>
    </div>
  );
}
