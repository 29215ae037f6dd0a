/** The heat line in small: the same model as the large one, filled as far as it has come. */

import type { Route } from "@tembrak/core";
import { useId, useMemo } from "react";
import { stretchedShare } from "../format/temperatureScale.js";
import { ribbonOf } from "./ribbon.js";
import { ribbonStops } from "./ribbonColour.js";

interface Props {
  readonly route: Route;
  readonly steel: string;
  readonly lux: number;
  /** How far along the route, 0 ... 1. */
  readonly progress: number;
  readonly width: number;
  readonly height: number;
}

export function MiniHeatLine({ route, steel, lux, progress, width, height }: Props) {
  const id = useId();
  const { d, stops } = useMemo(() => {
    const ribbon = ribbonOf(route);
    const holds = new Map(route.steps.map((step, i) => [i, "hold_min" in step ? step.hold_min : 0]));
    const line = ribbon.points.map(
      ({ x, temperature_C }) => `${(x * width).toFixed(1)} ${(height - 3 - stretchedShare(temperature_C, 930) * (height - 6)).toFixed(1)}`,
    );
    return { d: `M${line.join("L")}`, stops: ribbonStops(ribbon, steel, lux, holds) };
  }, [route, steel, lux, width, height]);
  const now = progress * width;
  return (
    <g>
      <defs>
        <linearGradient id={`${id}g`} gradientUnits="userSpaceOnUse" x1={0} y1={0} x2={width} y2={0}>
          {stops.map(({ at, colour }) => (
            <stop key={at} offset={at} stopColor={colour} />
          ))}
        </linearGradient>
        <clipPath id={`${id}p`}>
          <rect x={-4} y={-4} width={now + 4} height={height + 8} />
        </clipPath>
        <clipPath id={`${id}f`}>
          <rect x={now} y={-4} width={width - now + 4} height={height + 8} />
        </clipPath>
      </defs>
      <path d={d} clipPath={`url(#${id}f)`} fill="none" stroke="var(--line2)" strokeWidth={1} />
      <path
        d={d}
        clipPath={`url(#${id}p)`}
        fill="none"
        stroke={`url(#${id}g)`}
        strokeWidth={3.4}
        strokeLinejoin="round"
        strokeLinecap="round"
      />
    </g>
  );
}
