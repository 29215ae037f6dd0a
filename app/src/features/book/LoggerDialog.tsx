/** A logger's file into a piece's record: its columns, its unit and its gaps are shown before anything is kept. */

import { InputError, pieceState, requireValid, type BookEvent, type PieceState, type TemperatureUnit } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import LinearProgress from "@mui/material/LinearProgress";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMemo, useRef, useState } from "react";
import { Choice } from "../../parts/Choice.js";
import { showDuration, showMoment, showTemperature, type Units } from "../../format/show.js";
import { FileInstrument, type InstrumentReading } from "../../instruments/instrument.js";
import { guessMapping, readTable, type Guess, type LoggerSum, type LoggerTable } from "../../instruments/loggerFile.js";
import { useLoggerFile, type LoggerProgress } from "../../instruments/useLoggerFile.js";
import { mergeBook, newId } from "../../store/db.js";
import { shopNow } from "../../store/shopClock.js";

/** More readings of one file than this are thinned: a heat is well drawn by far fewer. */
const MOST_KEPT = 400;

/** So much of a file tells its columns, bytes. */
const SAMPLE = 65536;

interface Open {
  readonly file: File;
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
function Found({ guess, sum, units }: { guess: Guess; sum: LoggerSum; units: Units }) {
  return (
    <p>
      {guess.unitFrom === "nothing"
        ? "The file does not say its unit: check it. "
        : guess.unitFrom === "size"
          ? "Too hot for Celsius, so Fahrenheit. "
          : ""}
      {sum.count > 0
        ? `${sum.count} readings, ${showMoment(sum.first_ms)} for ${showDuration((sum.last_ms - sum.first_ms) / 1000)}, hottest ${showTemperature(sum.hottest_C, units)}.`
        : "No reading can be made of these columns."}
      {sum.gaps > 0 ? ` ${sum.gaps} gap${sum.gaps === 1 ? "" : "s"}, the longest ${showDuration(sum.longestGap_ms / 1000)}.` : ""}
      {sum.skipped > 0 ? ` ${sum.skipped} line${sum.skipped === 1 ? "" : "s"} without sense, the first: ${sum.firstSkipped ?? ""}.` : ""}
      {sum.last_ms > shopNow() ? " Its last reading would lie ahead of now: check when it began. Nothing ahead of now is stored." : ""}
      {sum.kept.length < sum.count ? ` ${sum.kept.length} of them go into the record, the hottest among them.` : ""}
    </p>
  );
}

/** As a field for a moment has it, by the clock on the wall. */
function localText(at_ms: number): string {
  const at = new Date(at_ms - 60_000 * new Date(at_ms).getTimezoneOffset());
  return at.toISOString().slice(0, 19);
}

/** When a logger that counts from its own start was started. */
function Began({ text, looked_ms, onChange }: { text: string; looked_ms: number; onChange: (text: string) => void }) {
  return (
    <div style={{ display: "grid", gap: 8, paddingTop: 14 }}>
      <TextField
        label="It counts from its own start: when was that?"
        type="datetime-local"
        value={text}
        onChange={(event) => onChange(event.target.value)}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { step: 1 } }}
        fullWidth
      />
      <Button size="small" onClick={() => onChange(localText(looked_ms))}>
        When this piece was first looked at, {showMoment(looked_ms)}
      </Button>
    </div>
  );
}

type Column = Pick<Guess, "timeColumn" | "temperatureColumn" | "unit">;

/** Which column is what, and in which unit. */
function Columns({ table, column, onChange }: { table: LoggerTable; column: Column; onChange: (column: Column) => void }) {
  return (
    <>
      {(["timeColumn", "temperatureColumn"] as const).map((key) => (
        <Choice
          key={key}
          label={key === "timeColumn" ? "Time" : "Temperature"}
          value={column[key]}
          onChange={(event) => onChange({ ...column, [key]: Number(event.target.value) })}
        >
          {table.columns.map((name, i) => (
            <MenuItem key={i} value={i}>
              {name}, such as {table.rows[0]?.[i]}
            </MenuItem>
          ))}
        </Choice>
      ))}
      <Choice label="Unit" value={column.unit} onChange={(event) => onChange({ ...column, unit: event.target.value as TemperatureUnit })}>
        <MenuItem value="C">Celsius</MenuItem>
        <MenuItem value="F">Fahrenheit</MenuItem>
      </Choice>
    </>
  );
}

/** A long file while it is read. */
function Reading({ progress }: { progress: LoggerProgress }) {
  if (progress.failed !== null) return <p role="alert">The file could not be read: {progress.failed}. Nothing was changed.</p>;
  const percent = Math.round(100 * progress.share);
  return (
    <p role="status">
      Reading it, {percent} %
      <LinearProgress variant="determinate" value={percent} aria-label="How much of the file is read" />
    </p>
  );
}

export function LoggerDialog({ state, units }: { state: PieceState; units: Units }) {
  const input = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useState<Open | null>(null);
  const [column, setColumn] = useState<Column>({
    timeColumn: 0,
    temperatureColumn: 1,
    unit: "C",
  });
  const [said, setSaid] = useState<string | null>(null);
  const take = async (file: File | undefined): Promise<void> => {
    if (file === undefined) return;
    const head = await file.slice(0, SAMPLE).text();
    // The last line of the sample may be cut in two.
    const table = readTable(file.size > SAMPLE ? head.slice(0, head.lastIndexOf("\n") + 1) : head);
    if (table === null) return setSaid(`${file.name} has no columns of times and temperatures; nothing was changed.`);
    const guess = guessMapping(table);
    setColumn(guess);
    setSaid(null);
    setBegan("");
    setOpen({ file, table, guess });
  };
  // One that counts from its own start does not know when that was: nobody but the smith does.
  const [began, setBegan] = useState("");
  const isElapsed = open?.guess.isElapsed === true;
  const began_ms = began === "" ? NaN : Date.parse(began);
  const start_ms = isElapsed && Number.isFinite(began_ms) ? began_ms : startOf(state);
  const asked = useMemo(
    () => (open === null ? null : { file: open.file, mapping: { ...column, start_ms }, from: open.table.from, most: MOST_KEPT }),
    [open, column, start_ms],
  );
  const progress = useLoggerFile(asked);
  const { sum } = progress;
  const keep = async (): Promise<void> => {
    if (open === null || sum === null) return;
    const { name } = open.file;
    const heard: InstrumentReading[] = [];
    new FileInstrument(name, sum.kept).listen((reading) => heard.push(reading));
    setOpen(null);
    try {
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
      await mergeBook(events);
      setSaid(`${events.length} readings of ${name} are in the record.`);
    } catch (error) {
      setSaid(
        error instanceof InputError
          ? `Not stored: ${error.message}. The record is as it was.`
          : "Not stored: the browser refused. The record is as it was.",
      );
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
      {open ? (
        <Dialog open onClose={() => setOpen(null)} fullWidth maxWidth="sm">
          <DialogTitle>{open.file.name}</DialogTitle>
          <DialogContent>
            <div style={{ display: "grid", gap: 14, paddingTop: 8 }}>
              <Columns table={open.table} column={column} onChange={setColumn} />
            </div>
            {isElapsed ? <Began text={began} looked_ms={startOf(state)} onChange={setBegan} /> : null}
            {sum === null ? <Reading progress={progress} /> : <Found guess={open.guess} sum={sum} units={units} />}
          </DialogContent>
          <DialogActions>
            <Button variant="text" onClick={() => setOpen(null)}>
              {sum === null && progress.failed === null ? "Stop" : "Leave it"}
            </Button>
            <Button
              variant="contained"
              disabled={(sum?.count ?? 0) === 0 || (isElapsed && !Number.isFinite(began_ms)) || sum!.last_ms > shopNow()}
              onClick={() => void keep()}
            >
              Into the record
            </Button>
          </DialogActions>
        </Dialog>
      ) : null}
    </>
  );
}
