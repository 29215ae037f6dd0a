/** A logger's file into a piece's record: its columns, its unit and its gaps are shown before anything is kept. */

import { pieceState, requireValid, type BookEvent, type PieceState, type TemperatureUnit } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useRef, useState } from "react";
import { showDuration, showMoment, showTemperature, type Units } from "../../format/show.js";
import { FileInstrument, type InstrumentReading } from "../../instruments/instrument.js";
import { guessMapping, readingsOf, readTable, thinned, type Guess, type LoggerTable } from "../../instruments/loggerFile.js";
import { mergeBook, newId } from "../../store/db.js";

/** More readings of one file than this are thinned: a heat is well drawn by far fewer. */
const MOST_KEPT = 400;

interface Open {
  readonly name: string;
  readonly table: LoggerTable;
  readonly guess: Guess;
}

/** The act that was going on at a moment: the first that was not done yet. */
function actAt(state: PieceState, at_ms: number): string {
  const before = pieceState(
    state.id,
    state.events.filter((event) => event.at_ms <= at_ms || event.kind === "piece" || event.kind === "route"),
  );
  return before?.next?.id ?? state.acts[state.acts.length - 1]?.id ?? "prove";
}

/** When this piece first was in a fire, for files that count from their own start. */
function startOf(state: PieceState): number {
  return state.checks[0]?.at_ms ?? state.madeAt_ms;
}

/** What the columns make of the file, before anything is kept. */
function Found({ guess, found, units }: { guess: Guess; found: ReturnType<typeof readingsOf>; units: Units }) {
  const hottest_C = Math.max(...found.readings.map(({ temperature_C }) => temperature_C));
  const first = found.readings[0];
  const last = found.readings[found.readings.length - 1];
  return (
    <p>
      {guess.unitFrom === "nothing"
        ? "The file does not say its unit: check it. "
        : guess.unitFrom === "size"
          ? "Too hot for Celsius, so Fahrenheit. "
          : ""}
      {first && last
        ? `${found.readings.length} readings, ${showMoment(first.at_ms)} for ${showDuration((last.at_ms - first.at_ms) / 1000)}, hottest ${showTemperature(hottest_C, units)}.`
        : "No reading can be made of these columns."}
      {found.gaps.length > 0
        ? ` ${found.gaps.length} gap${found.gaps.length === 1 ? "" : "s"}, the longest ${showDuration(Math.max(...found.gaps.map(({ from_ms, to_ms }) => to_ms - from_ms)) / 1000)}.`
        : ""}
      {found.skipped > 0
        ? ` ${found.skipped} line${found.skipped === 1 ? "" : "s"} without sense, the first: ${found.firstSkipped ?? ""}.`
        : ""}
      {guess.isElapsed ? " It counts from its own start: taken as when this piece was first looked at." : ""}
    </p>
  );
}

export function LoggerDialog({ state, units }: { state: PieceState; units: Units }) {
  const input = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState<Open | null>(null);
  const [column, setColumn] = useState<Pick<Guess, "timeColumn" | "temperatureColumn" | "unit">>({
    timeColumn: 0,
    temperatureColumn: 1,
    unit: "C",
  });
  const [said, setSaid] = useState<string | null>(null);
  const take = async (file: File | undefined): Promise<void> => {
    if (file === undefined) return;
    const table = readTable(await file.text());
    if (table === null) return setSaid(`${file.name} has no columns of times and temperatures; nothing was changed.`);
    const guess = guessMapping(table);
    setColumn(guess);
    setSaid(null);
    setOpen({ name: file.name, table, guess });
  };
  const found = open === null ? null : readingsOf(open.table, { ...column, start_ms: startOf(state) });
  const keep = async (): Promise<void> => {
    if (open === null || found === null) return;
    const heard: InstrumentReading[] = [];
    new FileInstrument(open.name, thinned(found.readings, MOST_KEPT)).listen((reading) => heard.push(reading));
    const events = heard.map(({ at_ms, temperature_C }): BookEvent =>
      requireValid("Event", {
        id: newId(at_ms),
        piece: state.id,
        at_ms,
        kind: "check",
        act: actAt(state, at_ms),
        reading: { check: "probe", temperature_C },
      }),
    );
    setOpen(null);
    try {
      await mergeBook(events);
      setSaid(`${events.length} readings of ${open.name} are in the record.`);
    } catch {
      setSaid("Not stored: the browser refused. The record is as it was.");
    }
  };
  return (
    <>
      <Button onClick={() => input.current?.click()}>Bring in a logger&apos;s file</Button>
      <input
        ref={input}
        type="file"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        aria-label="Logger file"
        className="unseen"
        tabIndex={-1}
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = "";
        }}
      />
      {said ? <p role="status">{said}</p> : null}
      {open && found ? (
        <Dialog open onClose={() => setOpen(null)} fullWidth maxWidth="sm">
          <DialogTitle>{open.name}</DialogTitle>
          <DialogContent>
            <div style={{ display: "grid", gap: 14, paddingTop: 8 }}>
              {(["timeColumn", "temperatureColumn"] as const).map((key) => (
                <TextField
                  key={key}
                  select
                  label={key === "timeColumn" ? "Time" : "Temperature"}
                  value={column[key]}
                  onChange={(event) => setColumn({ ...column, [key]: Number(event.target.value) })}
                >
                  {open.table.columns.map((name, i) => (
                    <MenuItem key={i} value={i}>
                      {name}, such as {open.table.rows[0]?.[i]}
                    </MenuItem>
                  ))}
                </TextField>
              ))}
              <TextField
                select
                label="Unit"
                value={column.unit}
                onChange={(event) => setColumn({ ...column, unit: event.target.value as TemperatureUnit })}
              >
                <MenuItem value="C">Celsius</MenuItem>
                <MenuItem value="F">Fahrenheit</MenuItem>
              </TextField>
            </div>
            <Found guess={open.guess} found={found} units={units} />
          </DialogContent>
          <DialogActions>
            <Button variant="text" onClick={() => setOpen(null)}>
              Leave it
            </Button>
            <Button variant="contained" disabled={found.readings.length === 0} onClick={() => void keep()}>
              Into the record
            </Button>
          </DialogActions>
        </Dialog>
      ) : null}
    </>
  );
}
