/** A slide whose track is the response curve with its band; the handle rides on it. Keys and touch as any slider. */

import { useId } from "react";
import "./curveSlide.css";

export interface CurvePoint {
  readonly x: number;
  readonly y: number;
}

interface Props {
  readonly label: string;
  readonly points: readonly CurvePoint[];
  readonly value: number;
  /** Where the plan stands. */
  readonly planned: number;
  readonly step: number;
  readonly band: number;
  readonly show: (x: number) => string;
  readonly result: string;
  readonly difference: string;
  readonly onChange: (x: number) => void;
}

const W = 196;
const H = 46;

export function CurveSlide({ label, points, value, planned, step, band, show, result, difference, onChange }: Props) {
  const id = useId();
  if (points.length < 2) return null;
  const [low, high] = [points[0]!.x, points[points.length - 1]!.x];
  const ys = points.map(({ y }) => y);
  const [least, most] = [Math.min(...ys) - band - 1, Math.max(...ys) + band + 1];
  const xOf = (x: number): number => 10 + ((x - low) / (high - low)) * (W - 20);
  const yOf = (y: number): number => H - 3 - ((y - least) / Math.max(6, most - least)) * (H - 14);
  const at = (x: number): number => {
    const clamped = Math.min(high, Math.max(low, x));
    const i = Math.max(
      1,
      points.findIndex((p) => p.x >= clamped),
    );
    const [a, b] = [points[i - 1]!, points[i]!];
    return a.y + ((clamped - a.x) / (b.x - a.x)) * (b.y - a.y);
  };
  const line = points.map((p) => `${xOf(p.x).toFixed(1)} ${yOf(p.y).toFixed(1)}`);
  const above = points.map((p) => `${xOf(p.x).toFixed(1)} ${yOf(p.y + band).toFixed(1)}`);
  const below = points.map((p) => `${xOf(p.x).toFixed(1)} ${yOf(p.y - band).toFixed(1)}`).reverse();
  return (
    <div className="curve-slide">
      <label htmlFor={id} className="cs-label">
        <span>{label}</span>
        <b>{show(value)}</b>
      </label>
      <div className="cs-track">
        <svg viewBox={`0 0 ${W} ${H + 16}`} width="100%" aria-hidden="true">
          <path d={`M${above.join("L")}L${below.join("L")}Z`} fill="var(--lift)" />
          <path d={`M${line.join("L")}`} fill="none" stroke="var(--steel)" strokeWidth={1.4} />
          <line x1={10} x2={W - 10} y1={H} y2={H} stroke="var(--line2)" strokeWidth={0.8} />
          <text x={10} y={H + 13} fontSize={12.5} fill="var(--ink3)" className="drawn">
            {show(low)}
          </text>
          <text x={W - 10} y={H + 13} textAnchor="end" fontSize={12.5} fill="var(--ink3)" className="drawn">
            {show(high)}
          </text>
          <circle cx={xOf(planned)} cy={yOf(at(planned))} r={5} fill="none" stroke="var(--steel)" strokeWidth={1.3} />
          <line x1={xOf(value)} x2={xOf(value)} y1={yOf(at(value))} y2={H} stroke="var(--verd)" strokeWidth={1.6} />
          <circle
            cx={xOf(value)}
            cy={yOf(at(value))}
            r={8.5}
            fill="var(--wall)"
            stroke="var(--verd)"
            strokeWidth={2.6}
            className="cs-handle"
          />
        </svg>
        <input
          id={id}
          type="range"
          min={low}
          max={high}
          step={step}
          value={value}
          aria-valuetext={`${show(value)}: ${result}`}
          onChange={(e) => onChange(Number(e.target.value))}
        />
      </div>
      <div className="cs-result">
        <b>{result}</b>
        <span className="drawn">{difference}</span>
      </div>
    </div>
  );
}
