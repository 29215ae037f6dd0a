/** What the page says to a worker and what it hears back. Everything is plain data. */

import { Type, type Static } from "@sinclair/typebox";
import { PieceSchema, RouteSchema } from "./book.js";
import { choice, strict, tagged } from "./parts.js";

export const JobSchema = tagged(
  "kind",
  strict({ kind: Type.Literal("predict"), piece: PieceSchema, route: RouteSchema }),
  strict({
    kind: Type.Literal("what-if"),
    piece: PieceSchema,
    route: RouteSchema,
    tracks: Type.Array(choice(["temper", "heat", "thickness"] as const)),
    media: Type.Array(Type.String()),
  }),
);
export type Job = Static<typeof JobSchema>;

export interface JobFailure {
  readonly code: string;
  readonly path: string;
  readonly message: string;
}
