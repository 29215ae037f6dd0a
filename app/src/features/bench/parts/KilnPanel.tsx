/** What else is in the kiln: the time each piece still wants, the door, the chamber, and the power. */

import type { Act, Check, PieceState } from "@tembrak/core";
import { useState } from "react";
import { Link } from "react-router";
import { LIMITS, soakClock } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { showClock, showDegrees, type Units } from "../../../format/show.js";
import { TemperatureField } from "../../../parts/QuantityField.js";
import type { Log } from "../../../store/LogProvider.js";
import { useLog } from "../../../store/useStore.js";
import { useLatest_C } from "../../../instruments/registry.js";

/** Whether it was put in, and not taken out since. */
function isIn({ checks }: PieceState, act: string): boolean {
  const last = checks.findLast((c) => c.act === act && c.reading.check === "fire")?.reading;
  return last?.check === "fire" && last.state === "in";
}

/** Pieces that lie in the kiln now: at a heat or a hold of the kiln school, and put in. */
export function inKiln(states: readonly PieceState[]): PieceState[] {
  return states.filter(
    (state) =>
      state.finishedAt_ms === null &&
      state.route?.school === "kiln" &&
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
  readonly act: Extract<Act, { kind: "heat" | "hold" }>;
  readonly pieces: readonly PieceState[];
  readonly units: Units;
  readonly now_ms: number;
}

export function KilnPanel({ state, act, pieces, units, now_ms }: Props) {
  const [isReading, setReading] = useState(false);
  const [read_C, setRead] = useState(act.target_C);
  const [isBad, setBad] = useState(false);
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
        <button
          type="button"
          className="small-key"
          onClick={() => (live_C === null ? setReading(true) : log({ check: "chamber", temperature_C: live_C }))}
        >
          {live_C === null ? "Chamber reads…" : `Chamber reads ${showDegrees(live_C, units)}: log it`}
        </button>
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
                <Link to={`/piece/${mate.id}/bench`}>
                  {mate.piece.name} {mate.piece.mark}
                </Link>
                : {told}
              </li>
            );
          })}
        </ul>
      ) : null}
      <Dialog open={isReading} onClose={() => setReading(false)} fullWidth maxWidth="xs">
        <DialogTitle>What does the chamber read?</DialogTitle>
        <DialogContent>
          <div style={{ paddingTop: 8 }}>
            <TemperatureField
              label="Chamber"
              value_C={read_C}
              units={units}
              low_C={LIMITS.reading.instrument_C[0]}
              high_C={LIMITS.reading.instrument_C[1]}
              question={() => null}
              onFault={setBad}
              onChange={setRead}
            />
          </div>
        </DialogContent>
        <DialogActions>
          <Button variant="text" onClick={() => setReading(false)}>
            Not now
          </Button>
          <Button
            variant="contained"
            disabled={isBad}
            onClick={() => {
              log({ check: "chamber", temperature_C: read_C });
              setReading(false);
            }}
          >
            Log it
          </Button>
        </DialogActions>
      </Dialog>
    </div>
  );
}
