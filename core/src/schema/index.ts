/** Every shape that is stored, sent or typed in, by name. */

import { BookSchema, EventSchema, PieceSchema, RouteSchema } from "./book.js";
import { JobSchema } from "./job.js";
import { KitItemSchema } from "./kit.js";
import { KindSchema } from "./kind.js";
import { KineticsSchema, TemperLawSchema } from "./kinetics.js";
import { MediumSchema } from "./medium.js";
import { ShopAnswerSchema, ShopCommandSchema, ShopQuestionSchema, ShopReadingSchema, ShopResetSchema } from "./practice.js";
import { SteelSchema, UsesSchema } from "./steel.js";
import { VERB_SCHEMAS } from "./verbs.js";

export const SCHEMAS = {
  Book: BookSchema,
  Event: EventSchema,
  Piece: PieceSchema,
  Route: RouteSchema,
  Job: JobSchema,
  Kind: KindSchema,
  KitItem: KitItemSchema,
  Kinetics: KineticsSchema,
  Medium: MediumSchema,
  Steel: SteelSchema,
  TemperLaw: TemperLawSchema,
  Uses: UsesSchema,
  ShopReset: ShopResetSchema,
  ShopCommand: ShopCommandSchema,
  ShopQuestion: ShopQuestionSchema,
  ShopAnswer: ShopAnswerSchema,
  ShopReading: ShopReadingSchema,
  ...VERB_SCHEMAS,
};
export type SchemaName = keyof typeof SCHEMAS;

/** What a page reads from its store, from a file or from the simulated shop. Jobs are checked by the worker, the rest by the command line. */
export const PAGE_SCHEMAS = [
  "Book",
  "Event",
  "KitItem",
  "Piece",
  "Route",
  "ShopAnswer",
  "ShopReading",
] as const satisfies readonly SchemaName[];
