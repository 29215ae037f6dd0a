/** Verb about a piece in the fire: heat-now. */

import { requireBook } from "../book/exchange.js";
import { eyeErrors_K, learnEye } from "../book/eye.js";
import { piecesOf } from "../book/state.js";
import { CATALOGUE, formOf } from "../catalogue.js";
import { InputError } from "../errors.js";
import { warmUpQuestion } from "../heatNow/fire.js";
import { heatNow } from "../heatNow/heatNow.js";
import { requireAny } from "../schema/checkAll.js";
import { warmUp } from "../simulate/warmUp.js";

/** The same judgement as on bench and rack: of the book's log, with its kit and its smith's eye. */
export function heatNowVerb(input: unknown) {
  const { book: text, piece, now_ms } = requireAny("VerbHeatNow", input);
  const book = requireBook(text);
  const pieces = piecesOf(book.events);
  const state = pieces.find(({ id }) => id === piece);
  const act = state?.next;
  if (state === undefined || act?.kind !== "heat") {
    const message = state === undefined ? `/piece: there is no piece "${piece}" in the book` : `/piece: "${piece}" is not in a heat`;
    throw new InputError({ code: "inconsistent", path: "/piece", got: piece, message });
  }
  const kit = book.kit ?? null;
  const eye = learnEye(pieces.filter((p) => p.piece.isPractice !== true).flatMap(({ checks }) => eyeErrors_K(checks)));
  const ask = warmUpQuestion(state, act, kit);
  const course = ask === null ? undefined : warmUp(ask.piece, formOf(ask.piece), ask.hardens, ask.fire, ask.target_C, ask.start_C);
  const { read, ...now } = heatNow(state, act, now_ms, { catalogue: CATALOGUE, eye, kit, course });
  if (read === null) return { target_C: act.target_C, ...now, read };
  const { mean_C, sd_C, p05_C, p95_C, chanceInWindow } = read.estimate;
  return {
    target_C: act.target_C,
    ...now,
    read: { mean_C, sd_C, p05_C, p95_C, chanceInWindow, from: read.from, newest_ms: read.newest_ms },
  };
}
