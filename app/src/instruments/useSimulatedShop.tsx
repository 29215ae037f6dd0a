/** The simulated shop beside a practice piece: its stream, its clock, and hands that follow the bench. */

import type { PieceState, ShopQuestion, ShopAnswer, ShopReading } from "@tembrak/core";
import { createContext, useContext, useEffect, useRef, useState } from "react";
import type { InstrumentState } from "./instrument.js";
import { isToBeMoved, moveOf, settingOf } from "./placeOf.js";
import { InstrumentsContext } from "./registry.js";
import { ratedClock, heardAt, type Heard } from "./shopTime.js";
import { askShop, commandShop, currentShop, onAnswer, shopStream } from "./simulatedShop.js";

export interface SimulatedShop {
  /** Null while it is not open, or does not hold this piece. */
  readonly reading: ShopReading | null;
  readonly piece: ShopReading["pieces"][number] | null;
  readonly state: InstrumentState | "asking";
  /** Simulated time, ms; what was last heard of it while it is not open. */
  readonly now: () => number;
  readonly ask: (question: ShopQuestion) => Promise<ShopAnswer>;
  /** Looks for it again, once it was opened. */
  readonly reopen: () => void;
}

export const SimulatedShopContext = createContext<SimulatedShop | null>(null);

/** Null for a piece that is made of steel. */
export function useShopBeside(): SimulatedShop | null {
  return useContext(SimulatedShopContext);
}

/** @param last_ms time of the last event of the piece: its clock never stands before that. */
export function useSimulatedShop(id: string, isPractice: boolean, last_ms: number): SimulatedShop | null {
  const instruments = useContext(InstrumentsContext);
  const [heard, setHeard] = useState<Heard | null>(null);
  const [state, setState] = useState<InstrumentState | "asking">("asking");
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (!isPractice) return;
    let stop: (() => void) | null = null;
    let isGone = false;
    void currentShop(id).then((reading) => {
      if (isGone) return;
      if (reading === null || !reading.pieces.some((piece) => piece.id === id)) return setState("closed");
      const stream = shopStream(id);
      // What it reads of the heat goes where every instrument's readings go: the bench looks at nothing else.
      const leave = instruments.add(stream);
      const hear = (message: ShopReading): void => setHeard((before) => heardAt(before, message, performance.now()));
      const deaf = stream.messages(hear, setState);
      const still = onAnswer((message) => (message.pieces.some((piece) => piece.id === id) ? hear(message) : undefined));
      stop = () => {
        leave();
        deaf();
        still();
      };
    });
    return () => {
      isGone = true;
      stop?.();
    };
  }, [id, isPractice, tries, instruments]);
  if (!isPractice) return null;
  return {
    reading: heard?.reading ?? null,
    piece: heard?.reading.pieces.find((piece) => piece.id === id) ?? null,
    state,
    now: () => Math.max(last_ms + 1, heard === null ? 0 : ratedClock(heard, performance.now())),
    ask: askShop,
    reopen: () => setTries((n) => n + 1),
  };
}

/** Moves the simulated piece to where the bench has it, and sets kiln and oven for the step. */
export function useFollowingHands(state: PieceState, shop: SimulatedShop | null, isLeading: boolean): void {
  const move = moveOf(state);
  const wanted = move.to;
  const said = JSON.stringify(move);
  const setting = settingOf(state);
  const settings = JSON.stringify(setting);
  const place = shop?.piece?.place;
  const asked = useRef("");
  /** What was last said of where it is, and how: the same place may want to be said again, deeper, or on a fresh block. */
  const moved = useRef("");
  useEffect(() => {
    if (place === undefined || !isLeading) return;
    const key = `${wanted} ${settings}`;
    if (asked.current !== key && settings !== "{}")
      void commandShop(state.id, { do: "set", ...(JSON.parse(settings) as typeof setting) }).catch(() => undefined);
    asked.current = key;
    if (isToBeMoved(place, wanted, said, moved.current)) void commandShop(state.id, JSON.parse(said) as typeof move).catch(() => undefined);
    moved.current = said;
  }, [place, wanted, said, settings, isLeading, state.id]);
}
