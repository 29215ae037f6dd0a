/** The silhouette of a piece in mm, from its form's stations and its own measurements. */

import { InputError } from "../errors.js";
import type { Piece } from "../schema/book.js";
import type { KindFile } from "../schema/kind.js";

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** In mm: y down along the piece from where it hangs, x to the edge side. */
export interface Outline {
  /** Closed polygon: down the back, up the edge. */
  readonly contour: readonly Point[];
  /** Line where the bevel begins, if the form has one. */
  readonly bevel: readonly Point[];
  /** The same across the other end. */
  readonly otherBevel: readonly Point[];
  readonly eye: readonly Point[];
  readonly hole: { readonly centre: Point; readonly radius_mm: number } | null;
  /** Points of the axis, evenly spaced, for painting along the piece. */
  readonly axis: readonly Point[];
  readonly box: { readonly left_mm: number; readonly top_mm: number; readonly width_mm: number; readonly height_mm: number };
}

/** Width of a piece across its face, mm: the height of a blade, the diameter of a bar, of a plate as measured, or a fifth of its length. */
export function breadth_mm({ section, length_mm }: Piece): number {
  switch (section.shape) {
    case "wedge":
      return section.height_mm;
    case "round":
      return section.diameter_mm;
    case "square":
      return section.side_mm;
    case "plate":
      return section.width_mm ?? Math.max(2 * section.thickness_mm, 0.2 * length_mm);
  }
}

function between(a: Point, b: Point, share: number): Point {
  return { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
}

function distance(a: Point, b: Point): number {
  const x = b.x - a.x;
  const y = b.y - a.y;
  return Math.sqrt(x * x + y * y);
}

function direction(a: Point, b: Point): Point {
  const d = distance(a, b) || 1;
  return { x: (b.x - a.x) / d, y: (b.y - a.y) / d };
}

/** Tangent at a point: the unit directions to its neighbours, each weighted by the other chord, so no overshoot. */
function tangent(before: Point | undefined, here: Point, after: Point | undefined): Point {
  if (before === undefined) return direction(here, after!);
  if (after === undefined) return direction(before, here);
  const [d1, d2] = [direction(before, here), direction(here, after)];
  const [w1, w2] = [distance(here, after), distance(before, here)];
  return direction({ x: 0, y: 0 }, { x: d1.x * w1 + d2.x * w2, y: d1.y * w1 + d2.y * w2 });
}

const HANDLE = 0.35;
const PIECES_A_SPAN = 10;
const BEVEL_POINTS = 10;

/** Shares of a cubic's four points where a span is sampled (Bernstein), four to a sample. */
const SHARES = Float64Array.from(
  Array.from({ length: PIECES_A_SPAN }, (_, k) => {
    const t = (k + 1) / PIECES_A_SPAN;
    const u = 1 - t;
    return [u * u * u, 3 * t * u * u, 3 * t * t * u, t * t * t];
  }).flat(),
);

/** A line of points, its coordinates flat: a rack of a thousand is laid out by four thousand of them. */
interface Line {
  readonly x: Float64Array;
  readonly y: Float64Array;
}

/** A smooth line through points, broken at corners; each span a cubic, sampled. */
function smoothLine(points: readonly Point[], corners: readonly boolean[]): Line {
  const count = 1 + (points.length - 1) * PIECES_A_SPAN;
  const line = { x: new Float64Array(count), y: new Float64Array(count) };
  [line.x[0], line.y[0]] = [points[0]!.x, points[0]!.y];
  let n = 1;
  for (let i = 0; i + 1 < points.length; i++) {
    const a = points[i]!;
    const b = points[i + 1]!;
    const handle = HANDLE * distance(a, b);
    const ta = corners[i] ? direction(a, b) : tangent(points[i - 1], a, b);
    const tb = corners[i + 1] ? direction(a, b) : tangent(a, b, points[i + 2]);
    const [x1, x2] = [a.x + handle * ta.x, b.x - handle * tb.x];
    const [y1, y2] = [a.y + handle * ta.y, b.y - handle * tb.y];
    // By index: taking an array apart is slow in code that runs for the first time, as all of a page that opens does.
    for (let k = 0; k < SHARES.length; k += 4, n++) {
      line.x[n] = SHARES[k]! * a.x + SHARES[k + 1]! * x1 + SHARES[k + 2]! * x2 + SHARES[k + 3]! * b.x;
      line.y[n] = SHARES[k]! * a.y + SHARES[k + 1]! * y1 + SHARES[k + 2]! * y2 + SHARES[k + 3]! * b.y;
    }
  }
  return line;
}

function pointsOf({ x, y }: Line): Point[] {
  return Array.from(x, (at, i) => ({ x: at, y: y[i]! }));
}

export interface Axis {
  readonly points: readonly Point[];
  readonly along: readonly number[];
}

export function axisOf(form: KindFile, length_mm: number): Axis {
  const raw = (
    form.axis ?? [
      [0, 0],
      [0, 0.5],
      [0, 1],
    ]
  ).map((p) => ({ x: p[0]! * length_mm, y: p[1]! * length_mm }));
  const points = pointsOf(
    smoothLine(
      raw,
      raw.map(() => false),
    ),
  );
  const along = [0];
  for (let i = 1; i < points.length; i++) along.push(along[i - 1]! + distance(points[i - 1]!, points[i]!));
  return { points, along };
}

/** Place and direction at a share of the axis. */
function onAxis({ points, along }: Axis, s: number): { at: Point; toward: Point } {
  const wanted = s * along[along.length - 1]!;
  let i = 0;
  while (i < along.length - 2 && along[i + 1]! < wanted) i++;
  const span = along[i + 1]! - along[i]! || 1;
  return { at: between(points[i]!, points[i + 1]!, (wanted - along[i]!) / span), toward: direction(points[i]!, points[i + 1]!) };
}

/** From the axis towards the edge (to the right as it hangs). */
export function beside(axis: Axis, s: number, offset_mm: number): Point {
  const { at, toward } = onAxis(axis, s);
  return { x: at.x + offset_mm * toward.y, y: at.y - offset_mm * toward.x };
}

/** Offsets of back and edge from the axis at a share of its length, in shares of the height. */
export function offsetsAt(form: Pick<KindFile, "stations">, s: number): { readonly back: number; readonly edge: number } {
  const { stations } = form;
  const i = Math.max(
    1,
    Math.min(
      stations.length - 1,
      stations.findIndex((station) => station.s >= s),
    ),
  );
  const [a, b] = [stations[i - 1]!, stations[i]!];
  const share = b.s > a.s ? Math.min(1, Math.max(0, (s - a.s) / (b.s - a.s))) : 0;
  return { back: a.back + share * (b.back - a.back), edge: a.edge + share * (b.edge - a.edge) };
}

function bevelLine(form: KindFile, axis: Axis, breadth: number): Point[] {
  if (form.bevel === undefined) return [];
  const { depth, from, to } = form.bevel;
  const offset = (s: number): number => {
    const { back, edge: edgeShare } = offsetsAt(form, s);
    return edgeShare - depth * Math.min(1, edgeShare + back);
  };
  const points = Array.from({ length: BEVEL_POINTS }, (_, k) => {
    const s = from + ((to - from) * k) / (BEVEL_POINTS - 1);
    return beside(axis, s, offset(s) * breadth);
  });
  return pointsOf(
    smoothLine(
      points,
      points.map(() => false),
    ),
  );
}

/** Where the bevel across an end begins: a line from side to side. */
function endBevel(form: KindFile, axis: Axis, breadth: number, s: number): Point[] {
  const { back, edge } = offsetsAt(form, s);
  return [beside(axis, s, -back * breadth), beside(axis, s, edge * breadth)];
}

function boxOf(lines: readonly Line[]): Outline["box"] {
  let [left_mm, right_mm, top_mm, foot_mm] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { x, y } of lines) {
    for (let i = 0; i < x.length; i++) {
      if (x[i]! < left_mm) left_mm = x[i]!;
      if (x[i]! > right_mm) right_mm = x[i]!;
      if (y[i]! < top_mm) top_mm = y[i]!;
      if (y[i]! > foot_mm) foot_mm = y[i]!;
    }
  }
  return { left_mm, top_mm, width_mm: right_mm - left_mm, height_mm: foot_mm - top_mm };
}

/** The silhouette of a piece drawn in a form. @throws InputError not-a-choice when the form is of another kind. */
export function outlineOf(piece: Piece, form: KindFile): Outline {
  if (form.kind !== piece.kind) {
    throw new InputError({ code: "not-a-choice", path: "/form", got: form.id, allowed: `a form of ${piece.kind}` });
  }
  const breadth = breadth_mm(piece);
  const axis = axisOf(form, piece.length_mm);
  const corners = form.stations.map(({ corner }) => corner === true);
  const back = smoothLine(
    form.stations.map(({ s, back: b }) => beside(axis, s, -b * breadth)),
    corners,
  );
  const edge = smoothLine(
    form.stations.map(({ s, edge: e }) => beside(axis, s, e * breadth)),
    corners,
  );
  const { eye, hole } = form;
  const eyeAt = eye && onAxis(axis, eye.s).at;
  const eyePoints =
    eye && eyeAt
      ? Array.from({ length: 33 }, (_, i) => ({
          x: eyeAt.x + 0.5 * eye.width * breadth * Math.cos((i * Math.PI) / 16),
          y: eyeAt.y + 0.5 * eye.length * piece.length_mm * Math.sin((i * Math.PI) / 16),
        }))
      : [];
  let contour: Point[] | null = null;
  let bevel: Point[] | null = null;
  let otherBevel: Point[] | null = null;
  return {
    // A rack of a thousand is laid out by its boxes: what is drawn in one is worked out when it is drawn.
    get contour() {
      return (contour ??= [...pointsOf(back), ...pointsOf(edge).reverse()]);
    },
    get bevel() {
      return (bevel ??=
        piece.bevel === undefined
          ? bevelLine(form, axis, breadth)
          : endBevel(form, axis, breadth, 1 - Math.min(1, piece.bevel.length_mm / piece.length_mm)));
    },
    get otherBevel() {
      return (otherBevel ??=
        piece.otherBevel === undefined ? [] : endBevel(form, axis, breadth, Math.min(1, piece.otherBevel.length_mm / piece.length_mm)));
    },
    eye: eyePoints,
    hole: hole ? { centre: onAxis(axis, hole.s).at, radius_mm: hole.radius * breadth } : null,
    axis: axis.points,
    box: boxOf([back, edge]),
  };
}

/** Evenly spaced points along a closed contour pushed outwards by turns: the saw-tooth that marks brittle steel. */
export function sawTooth(contour: readonly Point[], spacing: number, near: number, far: number): Point[] {
  const closed = [...contour, contour[0]!];
  const area = closed.slice(1).reduce((sum, b, i) => sum + (closed[i]!.x * b.y - b.x * closed[i]!.y), 0);
  const outward = area > 0 ? 1 : -1;
  const teeth: Point[] = [];
  let carried = 0;
  for (let i = 0; i + 1 < closed.length; i++) {
    const [a, b] = [closed[i]!, closed[i + 1]!];
    const span = distance(a, b);
    if (span === 0) continue;
    const d = direction(a, b);
    for (let at = carried; at < span; at += spacing) {
      const push = (teeth.length % 2 === 0 ? near : far) * outward;
      const p = between(a, b, at / span);
      teeth.push({ x: p.x + push * d.y, y: p.y - push * d.x });
    }
    carried = (carried - span) % spacing;
    if (carried < 0) carried += spacing;
  }
  return teeth;
}
