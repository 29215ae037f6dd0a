/** The inverse of an edge quench: one says where hard is to go over into soft, and is told how deep and how long. */

import type { LineFor, Piece, Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import { ask } from "../../../compute/client.js";
import { showDuration, showLength, type Units } from "../../../format/show.js";
import { LengthField } from "../../../parts/QuantityField.js";

interface Props {
  readonly piece: Piece;
  readonly route: Route;
  readonly height_mm: number;
  readonly units: Units;
  readonly isLocked: boolean;
  readonly onFound: (depth_mm: number) => void;
}

/** A third of the height is where a line is usually wanted (common practice, no source). */
const USUAL_SHARE = 1 / 3;

function foundWords({ depth_mm, hold_s, line_mm, isReachable }: LineFor, units: Units): string {
  if (line_mm === null) return "No line at any depth: with this steel and bath it hardens all over, or nowhere.";
  const how = `${showLength(depth_mm, units)} deep, about ${showDuration(hold_s)} until the back is dark`;
  return isReachable ? `${how}.` : `The nearest line is ${showLength(line_mm, units)} up: ${how}.`;
}

export function LineFinder({ piece, route, height_mm, units, isLocked, onFound }: Props) {
  const [wanted_mm, setWanted] = useState(Math.round(USUAL_SHARE * height_mm));
  const [says, setSays] = useState<string | null>(null);
  const asked = useRef<AbortController | null>(null);
  useEffect(() => () => asked.current?.abort(), []);
  const find = (): void => {
    asked.current?.abort();
    const { signal } = (asked.current = new AbortController());
    setSays("Being worked out…");
    ask<"line">({ kind: "line", piece, route, wanted_mm }, { signal, isFirst: true })
      .then((line) => {
        setSays(foundWords(line, units));
        if (line.line_mm !== null) onFound(Math.round(10 * line.depth_mm) / 10);
      })
      .catch((error: unknown) => {
        if (!signal.aborted) setSays(error instanceof Error ? error.message : "It could not be worked out.");
      });
  };
  return (
    <div className="line-finder">
      <LengthField
        label="Line wanted, up from the edge"
        role="height"
        value_mm={wanted_mm}
        units={units}
        isDisabled={isLocked}
        least_mm={1}
        most_mm={height_mm - 1}
        onChange={setWanted}
      />
      <Button disabled={isLocked} onClick={find}>
        Find its depth
      </Button>
      {says === null ? null : <p role="status">{says}</p>}
    </div>
  );
}
