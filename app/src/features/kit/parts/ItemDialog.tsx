/** One item of the kit: its name, its measures, how it errs; and what to remember when it is lit again. */

import { LIMITS, questionHeat, VESSELS, type KitItem, type NewKitItem } from "@tembrak/core";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Units } from "../../../format/show.js";
import { Choice } from "../../../parts/Choice.js";
import { DifferenceField, DurationField, LengthField, NumberField, PressureField, TemperatureField } from "../../../parts/QuantityField.js";
import { useFaults } from "../../../parts/useFaults.js";
import { FIELDS, KIND_WORDS, type Field, said } from "../../../words/kitWords.js";
import { keepCaution } from "../../../words/vesselWords.js";

type Draft = Readonly<Record<string, unknown>>;

function textOf(value: unknown): string {
  return typeof value === "string" ? value : "";
}

interface InputProps {
  readonly field: Field;
  readonly draft: Draft;
  readonly units: Units;
  readonly onChange: (value: unknown) => void;
  readonly onFault: (isBad: boolean) => void;
}

const [LEAST_HRC, MOST_HRC] = LIMITS.files.rated_HRC;
/** More files nobody tries on one piece. */
const MOST_FILES = 12;

/** Files as typed, `45, 50 55`, softest first; null where one is no hardness of a file. */
function filesIn(text: string): number[] | null {
  const typed = text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);
  const isBad = typed.some((x) => !Number.isFinite(x) || x < LEAST_HRC || x > MOST_HRC);
  return isBad || typed.length === 0 || typed.length > MOST_FILES ? null : typed.sort((a, b) => a - b);
}

function FilesField({
  value,
  onChange,
  onFault,
}: {
  value: readonly number[];
  onChange: (value: number[]) => void;
  onFault: (isBad: boolean) => void;
}) {
  const [text, setText] = useState(value.join(", "));
  const isBad = filesIn(text) === null;
  return (
    <TextField
      label="Files, HRC"
      value={text}
      error={isBad}
      helperText={isBad ? `Numbers from ${LEAST_HRC} to ${MOST_HRC}, with commas between.` : " "}
      onChange={(event) => {
        setText(event.target.value);
        const typed = filesIn(event.target.value);
        onFault(typed === null);
        if (typed !== null) onChange(typed);
      }}
      fullWidth
    />
  );
}

function Input({ field, draft, units, onChange, onFault }: InputProps) {
  const { key, label, kind, least = 0, most = 0 } = field;
  const value = draft[key];
  const number = Number(value ?? 0);
  // What stood there as it was opened: a number far off it that is near it in the other unit is asked about.
  const [stood] = useState(number);
  switch (kind) {
    case "length":
      return (
        <LengthField
          label={label}
          role="length"
          value_mm={number}
          units={units}
          least_mm={least}
          most_mm={most}
          onFault={onFault}
          onChange={onChange}
        />
      );
    case "temperature":
      return (
        <TemperatureField
          label={label}
          value_C={number}
          units={units}
          low_C={least}
          high_C={most}
          question={(T, unit) => questionHeat("reading", T, unit, stood)}
          onFault={onFault}
          onChange={onChange}
        />
      );
    case "difference":
      return (
        <DifferenceField label={label} value_K={number} units={units} low_K={least} high_K={most} onFault={onFault} onChange={onChange} />
      );
    case "minutes":
      return <DurationField label={label} value_min={number} least_min={least} most_min={most} onFault={onFault} onChange={onChange} />;
    case "HRC":
    case "lux":
      return (
        <NumberField
          label={label}
          value={number}
          unit={kind === "lux" ? "lx" : "HRC"}
          least={least}
          most={most}
          onFault={onFault}
          onChange={onChange}
        />
      );
    case "pressure":
      return (
        <PressureField
          label={label}
          value_kPa={number}
          units={units}
          least_kPa={least}
          most_kPa={most}
          onFault={onFault}
          onChange={onChange}
        />
      );
    case "number":
      return <NumberField label={label} value={number} unit="" least={least} most={most} onFault={onFault} onChange={onChange} />;
    case "choice":
      return (
        <Choice fullWidth label={label} value={textOf(value)} onChange={(event) => onChange(event.target.value)}>
          {(field.options ?? []).map(([word, text]) => (
            <MenuItem key={word} value={word}>
              {text}
            </MenuItem>
          ))}
        </Choice>
      );
    case "said":
      return (
        <Choice
          fullWidth
          label={label}
          value={value === true ? "yes" : value === false ? "no" : ""}
          onChange={(event) => onChange(event.target.value === "" ? "" : event.target.value === "yes")}
        >
          <MenuItem value="">not said</MenuItem>
          <MenuItem value="yes">yes</MenuItem>
          <MenuItem value="no">no</MenuItem>
        </Choice>
      );
    case "flag":
      return (
        <FormControlLabel
          control={<Checkbox checked={value === true} onChange={(event) => onChange(event.target.checked)} />}
          label={label}
        />
      );
    case "files":
      return <FilesField value={value as number[]} onChange={onChange} onFault={onFault} />;
  }
}

interface Props {
  readonly item: KitItem | NewKitItem;
  readonly isNew: boolean;
  readonly units: Units;
  readonly onKeep: (item: unknown) => void;
  readonly onRemove: () => void;
  readonly onClose: () => void;
}

export function ItemDialog({ item, isNew, units, onKeep, onRemove, onClose }: Props) {
  const [draft, setDraft] = useState<Draft>({ ...item });
  const { faults, onFault } = useFaults();
  const { kind } = item;
  const name = textOf(draft["name"]);
  const notes = textOf(draft["notes"]);
  const keep = (): void => {
    const rest = Object.fromEntries(Object.entries(said(kind, draft)).filter(([key]) => key !== "notes"));
    onKeep(notes.trim() === "" ? rest : { ...rest, notes: notes.trim() });
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{isNew ? `A ${KIND_WORDS[kind].toLowerCase()} for the kit` : KIND_WORDS[kind]}</DialogTitle>
      <DialogContent>
        {kind === "kiln" ? <p>Power off before reaching in, at every opening. Wiring is for licensed trades.</p> : null}
        {kind === "oven" ? <p>{keepCaution(VESSELS.find((vessel) => vessel === draft["holds"]))}</p> : null}
        {kind === "forge" || kind === "torch" ? (
          <p>Gas lines, hoses and flues by the maker&apos;s sheet and local codes; a carbon monoxide alarm beside it.</p>
        ) : null}
        <div className="kit-fields">
          <TextField
            label="Name"
            value={name}
            error={name.trim() === "" || name.length > 60}
            helperText={name.trim() === "" ? "It needs a name." : " "}
            onChange={(event) => setDraft({ ...draft, name: event.target.value })}
            fullWidth
          />
          {FIELDS[kind].map((field) => (
            <Input
              key={field.key}
              field={field}
              draft={draft}
              units={units}
              onChange={(value) => setDraft((before) => ({ ...before, [field.key]: value }))}
              onFault={(isBad) => onFault(field.key, isBad)}
            />
          ))}
          <TextField
            label="To remember: pressure, air, hot spots, test piece"
            value={notes}
            onChange={(event) => setDraft({ ...draft, notes: event.target.value.slice(0, 600) })}
            multiline
            minRows={2}
            fullWidth
            className="kit-notes"
          />
        </div>
      </DialogContent>
      <DialogActions>
        {isNew ? null : (
          <Button variant="text" onClick={onRemove}>
            Take it out of the kit
          </Button>
        )}
        <Button variant="text" onClick={onClose}>
          Leave it
        </Button>
        <Button variant="contained" disabled={faults > 0 || name.trim() === "" || name.length > 60} onClick={keep}>
          Keep it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
