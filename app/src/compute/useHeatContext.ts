/** What a heat is judged with beside the log: this shop's eye and its kit. */

import {
  bathReads,
  CATALOGUE,
  eyeErrors_K,
  learnEye,
  type BathRead,
  type Kit,
  type LearnedEye,
  type MagnetPoint,
  type PieceState,
} from "@tembrak/core";
import { useMemo } from "react";
import { useBathEntries, useKit, usePieces } from "../store/useStore.js";

/** What each piece has to say of the eye: a piece nothing happened to is the same object, and is not read again. */
const errors = new WeakMap<PieceState, readonly number[]>();

function errorsOf(state: PieceState): readonly number[] {
  const known = errors.get(state) ?? eyeErrors_K(state.checks);
  errors.set(state, known);
  return known;
}

let last: { readonly pieces: readonly PieceState[]; readonly eye: LearnedEye } | null = null;

/** Of all pieces that are there, made once for all who ask. */
function eyeOf(pieces: readonly PieceState[]): LearnedEye {
  if (last?.pieces !== pieces) {
    last = { pieces, eye: learnEye(pieces.filter(({ piece }) => piece.isPractice !== true).flatMap(errorsOf)) };
  }
  return last.eye;
}

const NOBODY: readonly PieceState[] = [];

/** The eye of this shop. Practice trains the eye of its smith; what it says of a screen is no evidence for steel. */
export function useEye(): LearnedEye {
  return eyeOf(usePieces() ?? NOBODY);
}

const points = new Map<string, MagnetPoint>();
const beliefs = new Map<string, Float64Array>();

export interface ShopContext {
  readonly catalogue: typeof CATALOGUE;
  readonly eye: LearnedEye;
  readonly kit: Kit | null;
  readonly bathReads: readonly BathRead[];
  readonly points: Map<string, MagnetPoint>;
  readonly beliefs: Map<string, Float64Array>;
}

/** The same object while shop and eye are the same. */
export function useHeatContext(): ShopContext {
  const kit = useKit() ?? null;
  const entries = useBathEntries();
  const { bias_C, sd_C, pairs } = useEye();
  const reads = useMemo(() => (kit === null ? [] : bathReads(kit, entries)), [kit, entries]);
  return useMemo(
    () => ({ catalogue: CATALOGUE, eye: { bias_C, sd_C, pairs }, kit, bathReads: reads, points, beliefs }),
    [bias_C, sd_C, pairs, kit, reads],
  );
}
