/** Which of several is nearest, on a drawing and on a scale that is felt by ratios. */

interface Drawn {
  readonly x: number;
  readonly y: number;
}

/** Index of the drawn point that lies nearest to one. @throws nothing: 0 of an empty list */
export function nearestPoint(points: readonly Drawn[], { x, y }: Drawn): number {
  const far = (i: number): number => Math.hypot(points[i]!.x - x, points[i]!.y - y);
  return points.reduce((best, _, i) => (far(i) < far(best) ? i : best), 0);
}

/** The one whose value is nearest by ratio, as an eye takes brightness. */
export function nearestByRatio<T>(all: readonly T[], valueOf: (one: T) => number, wanted: number): T {
  const far = (one: T): number => Math.abs(Math.log2(valueOf(one) / wanted));
  return all.reduce((best, one) => (far(one) < far(best) ? one : best));
}
