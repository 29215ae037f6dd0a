/** Ensembles of the hardenings asked about last: a slide that only tempers, the picture, and a tap in the bath find them here. */

import { isSameAfter_s, lastFor, lastOf_s, MEMBERS, type Known, type Member, type Piece, type Route } from "@tembrak/core";
import { ask } from "./client.js";
import { makeShared } from "./shared.js";

const MOST = 16;
const ensembles = makeShared<readonly Member[]>(MOST);
/** The last that was answered of hardenings that are the same but for the seconds in the bath. */
const answered = new Map<string, { readonly bath_s: number | null; readonly members: readonly Member[] }>();

export interface Asked {
  readonly piece: Piece;
  readonly route: Route;
  readonly known?: Known | undefined;
}

function upToBath({ route }: Asked): Route["steps"] {
  const last = route.steps.findLastIndex(({ kind }) => kind === "quench");
  return route.steps.slice(0, last + 1);
}

/** Names a hardening: the piece, its steps up to the last quench, and its shop. What comes after does not touch it. */
export function hardeningOf(asked: Asked): string {
  const { piece, known } = asked;
  return JSON.stringify([piece, upToBath(asked), known?.shop, known?.fall]);
}

/** The same for hardenings that are alike but for the seconds in their bath. */
function anyTimeOf(asked: Asked): { readonly key: string; readonly bath_s: number | null } {
  const { piece, known } = asked;
  const steps = upToBath(asked);
  const quench = steps.at(-1);
  const key = JSON.stringify([
    piece,
    steps.slice(0, -1),
    quench?.kind === "quench" ? lastFor(quench, null) : null,
    known?.shop,
    known?.fall,
  ]);
  return { key, bath_s: quench?.kind === "quench" ? lastOf_s(quench) : null };
}

/** Whether none of its members has to be run: they are there, or longer in the bath leaves those that are as they were. */
export function isEnsembleThere(asked: Asked): boolean {
  const { key, bath_s } = anyTimeOf(asked);
  const had = answered.get(key);
  return had !== undefined && (had.bath_s === bath_s || had.members.every((member) => isSameAfter_s(member, bath_s)));
}

/** Members run in one go: short enough that no worker waits long for another at the end. */
const CHUNK = 4;

/** The whole ensemble of a hardening, in parts across the pool, without those that longer in the bath leaves as they were. The answer is the same as from one. */
export function ensembleOf(asked: Asked, signal?: AbortSignal): Promise<readonly Member[]> {
  const { piece, route, known = {} } = asked;
  const { key: sameBath, bath_s } = anyTimeOf(asked);
  const run = async (together: AbortSignal): Promise<readonly Member[]> => {
    const before = answered.get(sameBath)?.members;
    const starts = Array.from({ length: MEMBERS / CHUNK }, (_, k) => k * CHUNK);
    const parts = starts.map((from) => {
      const had = before?.slice(from, from + CHUNK);
      if (had?.every((member) => isSameAfter_s(member, bath_s))) return Promise.resolve(had);
      return ask<"members">({ kind: "members", piece, route, known, from, to: from + CHUNK }, { signal: together, isFirst: true });
    });
    const members = (await Promise.all(parts)).flat();
    answered.delete(sameBath);
    answered.set(sameBath, { bath_s, members });
    if (answered.size > MOST) answered.delete(answered.keys().next().value!);
    return members;
  };
  return ensembles.ask(hardeningOf(asked), run, signal);
}
