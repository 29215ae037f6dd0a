/** From a tap on the drawing of a lying piece to where on the piece it was, and back. Pure. */

import type { Point, TestPlace } from "@tembrak/core";
import type { Drawn } from "./Silhouette.js";

/** Back and edge of the drawing at a distance from the tang, px from the top; null beside it. */
function spanAt({ outline, toPx }: Drawn, x: number): { readonly back: number; readonly edge: number } | null {
  const points = outline.contour.map(toPx);
  const ys = points.flatMap((a, i) => {
    const b = points[(i + 1) % points.length]!;
    if (a.x === b.x || x < Math.min(a.x, b.x) || x > Math.max(a.x, b.x)) return [];
    return [a.y + ((x - a.x) / (b.x - a.x)) * (b.y - a.y)];
  });
  return ys.length < 2 ? null : { back: Math.min(...ys), edge: Math.max(...ys) };
}

const clamped = (share: number): number => Math.min(1, Math.max(0, share));

/** Where on the piece a point of its drawing is; null beside the piece. A thumb in a glove may be so far off, px: an awl is thin. */
export function placeAt(drawn: Drawn, { x, y }: Point, slack_px = 40): TestPlace | null {
  const span = spanAt(drawn, Math.min(drawn.width_px - 0.5, Math.max(0.5, x)));
  if (span === null || x < -slack_px || x > drawn.width_px + slack_px) return null;
  if (y < span.back - slack_px || y > span.edge + slack_px) return null;
  const high = Math.max(1e-9, span.edge - span.back);
  return { along: clamped(x / drawn.width_px), up: clamped((span.edge - y) / high) };
}

/** Where a place is on the drawing, px. */
export function pointOf(drawn: Drawn, { along, up }: TestPlace): Point {
  const x = Math.min(drawn.width_px - 0.5, Math.max(0.5, along * drawn.width_px));
  const span = spanAt(drawn, x) ?? { back: 0, edge: drawn.height_px };
  return { x, y: span.edge - up * (span.edge - span.back) };
}
