/**
 * The one state of a piece that every screen reads: its plan where nothing was done, its log where something was, what the kit can do
 * and what the tests said. What it comes to is worked out by `predict` from this question and nothing else.
 */

import { bathOf } from "../plan/dips.js";
import type { PieceState } from "../book/state.js";
import { wayOf } from "../plan/way.js";
import type { Piece, Route } from "../schema/book.js";
import type { FallSeen, Known, ShopKnown } from "../schema/job.js";
import { knownOtherwise } from "../simulate/shopTies.js";
import { asDone, ovenRead_C, type DoneContext } from "./asDone.js";
import { fallLogOf } from "./fallLog.js";
import { READ_OVEN_K, shopOf, testsOf, timedWay } from "./known.js";
import { shopLearned } from "./learn.js";
import type { TapDoubt } from "./tapDoubt.js";

export interface Question {
  readonly piece: Piece;
  readonly route: Route;
  readonly known: Known;
}

/** What is known beside the log: kit and eye, and what the shop's earlier pieces taught. */
export type StandingContext = DoneContext;

/** What is known of the shop a route is done in. */
function shopFor(
  piece: Piece,
  route: Route,
  { kit = null, factors = [] }: Pick<StandingContext, "kit" | "factors">,
): ShopKnown | undefined {
  // What the shop's oven taught says nothing of a pot of oil.
  const told = wayOf(route).draws === "oven" ? factors : factors.filter(({ name }) => name !== "oven");
  return shopLearned(told, { medium: bathOf(route), steel: piece.steel }, shopOf(piece, route, kit));
}

/** Only what is known, so that the same knowledge is the same question. */
function knownFrom(shop: ShopKnown | undefined, fall?: FallSeen, tests: NonNullable<Known["tests"]> = []): Known {
  return {
    ...(shop === undefined ? {} : { shop }),
    ...(fall === undefined ? {} : { fall }),
    ...(tests.length === 0 ? {} : { tests }),
  };
}

/** A plan before anything of it was done. */
export function plannedQuestion(
  { piece }: Pick<PieceState, "piece">,
  route: Route,
  context: Pick<StandingContext, "kit" | "factors">,
): Question {
  return { piece, route, known: knownFrom(shopFor(piece, route, context)) };
}

/** The less likely of two ways to the bath: tapped as it went in, or late. */
function otherWay({ chance, tapped_s, usual_s }: TapDoubt): Pick<ShopKnown, "transferElse"> {
  const isLate = chance > 0.5;
  const ln = Math.log(isLate ? tapped_s / usual_s : usual_s / tapped_s);
  return { transferElse: { chance: isLate ? 1 - chance : chance, ln: Math.max(-4, Math.min(4, ln)) } };
}

/** A piece as it stands: done so far, and planned from here. Null for a piece nobody planned. */
export function standingQuestion(state: PieceState, context: StandingContext): Question | null {
  const done = asDone(state, context);
  if (done === null) return null;
  const { route, heat, transfer_s, tap } = done;
  const planned = shopFor(state.piece, route, context);
  const last = route.steps.findLastIndex(({ kind }) => kind === "temper");
  const isRead = last >= 0 && ovenRead_C(state, last) !== undefined;
  const shop =
    heat === null && transfer_s === null && tap === null && !isRead
      ? planned
      : knownOtherwise(planned, {
          ...(heat === null ? {} : { heat_K: { mean: 0, sd: heat.sd_C } }),
          ...(transfer_s === null ? {} : timedWay(transfer_s)),
          ...(tap === null ? {} : otherWay(tap)),
          ...(isRead ? { oven_K: { mean: 0, sd: READ_OVEN_K } } : {}),
        });
  return { piece: state.piece, route, known: knownFrom(shop, fallLogOf(state), testsOf(state)) };
}
