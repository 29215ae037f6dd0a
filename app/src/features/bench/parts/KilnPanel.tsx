/** What else is in the kiln: the time each piece still wants, the door, the chamber, and the power. */

import { isInKiln, type Check, type PieceState } from "@tembrak/core";
import { Link } from "react-router";
import { isInWork, LIMITS, soakClock } from "@tembrak/core";
import { showClock, type Units } from "../../../format/show.js";
import type { Log } from "../../../store/LogProvider.js";
import { useLog } from "../../../store/useStore.js";
import { useLatest_C } from "../../../instruments/registry.js";
import { ReadKey } from "./ReadKey.js";
import { toPiece } from "../../../format/address.js";

/** Whether it was put in, and not taken out since. */
function isIn({ checks }: PieceState, act: string): boolean {
  const last = checks.findLast((c) => c.act === act && c.reading.check === "fire")?.reading;
  return last?.check === "fire" && last.state === "in";
}

/** Pieces that lie in the kiln now: at a heat or a hold of the kiln school, and put in. */
export function inKiln(states: readonly PieceState[]): PieceState[] {
  return states.filter(
    (state) =>
      isInWork(state) &&
      isInKiln(state.route) &&
      (state.next?.kind === "hold" || (state.next?.kind === "heat" && isIn(state, state.next.id))),
  );
}

/** Logs a reading of the kiln to every piece in it: the door and the chamber are theirs together. */
export async function logToKiln({ write }: Log, states: readonly PieceState[], reading: Check, now_ms: number): Promise<void> {
  await Promise.all(states.flatMap(({ id, next }) => (next ? [write(id, [{ kind: "check", act: next.id, reading }], now_ms)] : [])));
}

/** The other pieces whose time stops when this one goes in or out: steel with steel, practice with practice. */
export function matesOf(state: PieceState, pieces: readonly PieceState[]): PieceState[] {
  return inKiln(pieces).filter(({ id, piece }) => id !== state.id && (piece.isPractice === true) === (state.piece.isPractice === true));
}

interface Props {
  readonly state: PieceState;
  readonly pieces: readonly PieceState[];
  readonly units: Units;
  readonly now_ms: number;
}

export function KilnPanel({ state, pieces, units, now_ms }: Props) {
  const taps = useLog();
  const mates = matesOf(state, pieces);
  const group = [...mates, state];
  const log = (reading: Check): void => void logToKiln(taps, group, reading, now_ms);
  const live_C = useLatest_C("chamber");
  return (
    <div className="kiln-panel">
      <div className="kiln-keys">
        <button type="button" className="small-key" onClick={() => log({ check: "door", state: "open" })}>
          Door was opened
        </button>
        <ReadKey
          what="Chamber"
          limits_C={LIMITS.reading.instrument_C}
          units={units}
          live_C={live_C}
          onRead={(temperature_C) => log({ check: "chamber", temperature_C })}
        />
      </div>
      {mates.length > 0 ? (
        <ul className="kiln-mates" aria-label="Also in the kiln">
          {mates.map((mate) => {
            const clock = mate.next?.kind === "hold" ? soakClock(mate, mate.next, now_ms) : null;
            const told =
              clock === null
                ? "coming to heat"
                : clock.waitsForChamber
                  ? "waits for the chamber"
                  : clock.left_s > 0
                    ? `${showClock(clock.left_s)} left`
                    : "over: take it out";
            return (
              <li key={mate.id}>
                <Link to={toPiece(mate.id, "bench")}>
                  {mate.piece.name} {mate.piece.mark}
                </Link>
                : {told}
              </li>
            );
          })}
        </ul>
      ) : null}
    </div>
  );
}
