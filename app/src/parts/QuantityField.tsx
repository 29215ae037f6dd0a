/** Fields for what people type: read the way it is written, wrong beside the field, the improbable asked about, nothing lost. */

import {
  parseDuration,
  parseLength,
  parseNumber,
  parseTemperature,
  questionLength,
  type HeatQuestion,
  type LengthRole,
  type TemperatureUnit,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import {
  lengthText,
  otherDifference,
  pressureFromText,
  pressureText,
  pressureUnit,
  differenceFromText,
  differenceText,
  showLength,
  showTemperature,
  temperatureText,
  type Units,
} from "../format/show.js";
import { faultWords, heatQuestionWords, lengthQuestionWords } from "../words/quantityWords.js";

interface Common {
  readonly label: string;
  readonly isDisabled?: boolean;
  /** Told when the text stops or starts making sense. */
  readonly onFault?: (isBad: boolean) => void;
}

/** What a field asks about what was typed. */
interface Question {
  readonly words: string;
  /** The value that was probably meant, in the unit of the field. */
  readonly probably?: number;
}

interface Reading {
  readonly value: number | null;
  readonly problem: string | null;
  readonly question: Question | null;
  /** What the text was read as, where that is not plain to see. */
  readonly echo: string;
}

interface FieldProps extends Common {
  readonly start: string;
  readonly unit: string;
  readonly read: (text: string) => Reading;
  readonly showProbable: (value: number) => string;
  readonly textOf: (value: number) => string;
  readonly onValue: (value: number) => void;
  readonly suggestion?: string | undefined;
}

function TypedField({ label, start, unit, read, showProbable, textOf, onValue, onFault, isDisabled, suggestion }: FieldProps) {
  // What is half typed lives here; it starts anew when the value or the unit changes from outside.
  const [text, setText] = useState(start);
  const [known, setKnown] = useState(start);
  const [meant, setMeant] = useState<string | null>(null);
  if (known !== start) {
    setKnown(start);
    const still = read(text);
    if (still.value === null || textOf(still.value) !== start) setText(start);
  }
  const { value, problem, question, echo } = read(text);
  const asks = problem === null && question !== null && meant !== text;
  const type = (next: string): void => {
    setText(next);
    const reading = read(next);
    onFault?.(reading.problem !== null || reading.value === null);
    if (reading.problem === null && reading.value !== null) {
      setKnown(textOf(reading.value));
      onValue(reading.value);
    }
  };
  return (
    <div>
      <TextField
        label={`${label}, ${unit}`}
        value={text}
        disabled={isDisabled ?? false}
        error={problem !== null}
        helperText={problem ?? (asks ? question.words : echo === "" ? (suggestion ?? " ") : echo)}
        onChange={(event) => type(event.target.value)}
        fullWidth
        slotProps={{ htmlInput: { autoComplete: "off", spellCheck: false } }}
      />
      {asks ? (
        <div style={{ display: "flex", gap: 8, flexWrap: "wrap", marginTop: 4 }}>
          {question.probably === undefined ? null : (
            <Button size="small" onClick={() => type(textOf(question.probably!))}>
              {showProbable(question.probably)}
            </Button>
          )}
          {value === null ? null : (
            <Button size="small" onClick={() => setMeant(text)}>
              It is meant
            </Button>
          )}
        </div>
      ) : null}
    </div>
  );
}

interface LengthProps extends Common {
  readonly role: LengthRole;
  readonly value_mm: number;
  readonly units: Units;
  readonly least_mm: number;
  readonly most_mm: number;
  readonly suggestion?: string;
  readonly onChange: (length_mm: number) => void;
}

export function LengthField({ role, value_mm, units, least_mm, most_mm, onChange, suggestion, ...common }: LengthProps) {
  const read = (text: string): Reading => {
    const parsed = parseLength(text, units.length);
    if (!parsed.ok) return { value: null, problem: faultWords(parsed.fault), question: null, echo: "" };
    const { length_mm } = parsed;
    const asked = questionLength(role, length_mm, parsed.unit);
    const question = asked === null ? null : { words: lengthQuestionWords(asked, units), probably: asked.probably_mm };
    if (length_mm < least_mm || length_mm > most_mm) {
      const fits = question?.probably !== undefined && question.probably >= least_mm && question.probably <= most_mm;
      if (fits) return { value: null, problem: null, question, echo: "" };
      return {
        value: null,
        problem: `Between ${showLength(least_mm, units)} and ${showLength(most_mm, units)}, please.`,
        question: null,
        echo: "",
      };
    }
    const isOther = parsed.unit !== units.length;
    return { value: length_mm, problem: null, question, echo: isOther ? `That is ${showLength(length_mm, units)}.` : "" };
  };
  return (
    <TypedField
      {...common}
      start={lengthText(value_mm, units)}
      unit={units.length}
      read={read}
      textOf={(value) => lengthText(value, units)}
      showProbable={(value) => showLength(value, units)}
      onValue={onChange}
      suggestion={suggestion}
    />
  );
}

interface TemperatureProps extends Common {
  /** Null for a field that starts empty: a reading nobody took is no reading. */
  readonly value_C: number | null;
  readonly units: Units;
  readonly low_C: number;
  readonly high_C: number;
  /** What core asks of such a heat, or a sentence of the field's own. */
  readonly question: (temperature_C: number, unit: TemperatureUnit) => HeatQuestion | string | null;
  readonly onChange: (temperature_C: number) => void;
}

function askedOf(question: HeatQuestion | string | null, units: Units): Question | null {
  if (question === null) return null;
  if (typeof question === "string") return { words: question };
  const words = heatQuestionWords(question, units);
  return "probably_C" in question ? { words, probably: question.probably_C } : { words };
}

export function TemperatureField({ value_C, units, low_C, high_C, question, onChange, ...common }: TemperatureProps) {
  const read = (text: string): Reading => {
    const parsed = parseTemperature(text, units.temperature);
    if (!parsed.ok) return { value: null, problem: faultWords(parsed.fault), question: null, echo: "" };
    const { temperature_C } = parsed;
    const asked = askedOf(question(temperature_C, parsed.unit), units);
    if ((temperature_C < low_C || temperature_C > high_C) && asked?.probably === undefined) {
      return {
        value: temperature_C,
        problem: `Between ${showTemperature(low_C, units)} and ${showTemperature(high_C, units)}, please.`,
        question: asked,
        echo: "",
      };
    }
    const isOutside = temperature_C < low_C || temperature_C > high_C;
    const isOther = parsed.unit !== units.temperature;
    return {
      value: isOutside ? null : temperature_C,
      problem: null,
      question: asked,
      echo: isOther ? `That is ${showTemperature(temperature_C, units)}.` : "",
    };
  };
  return (
    <TypedField
      {...common}
      start={value_C === null ? "" : temperatureText(value_C, units)}
      unit={`°${units.temperature}`}
      read={read}
      textOf={(value) => temperatureText(value, units)}
      showProbable={(value) => showTemperature(value, units)}
      onValue={onChange}
    />
  );
}

interface DurationProps extends Common {
  readonly value_min: number;
  readonly least_min: number;
  readonly most_min: number;
  readonly onChange: (duration_min: number) => void;
}

export function DurationField({ value_min, least_min, most_min, onChange, ...common }: DurationProps) {
  const read = (text: string): Reading => {
    const parsed = parseDuration(text);
    if (!parsed.ok) return { value: null, problem: faultWords(parsed.fault), question: null, echo: "" };
    const minutes = parsed.duration_s / 60;
    const problem = minutes < least_min || minutes > most_min ? `Between ${least_min} and ${most_min} min, please.` : null;
    return {
      value: minutes,
      problem,
      question: null,
      echo: /^[\d.,\s]+(m|min)?$/.test(text.trim()) ? "" : `That is ${Math.round(minutes * 10) / 10} min.`,
    };
  };
  return (
    <TypedField
      {...common}
      start={String(Math.round(value_min * 100) / 100)}
      unit="min"
      read={read}
      textOf={(value) => String(Math.round(value * 100) / 100)}
      showProbable={(value) => `${value} min`}
      onValue={onChange}
    />
  );
}

interface DifferenceProps extends Common {
  readonly value_K: number;
  readonly units: Units;
  readonly low_K: number;
  readonly high_K: number;
  /** By the hour. */
  readonly isRate?: boolean;
  readonly onChange: (difference_K: number) => void;
}

/** A difference of temperature, or a rate of it: converts without the 32, and is echoed in the other unit. */
export function DifferenceField({ value_K, units, low_K, high_K, isRate = false, onChange, ...common }: DifferenceProps) {
  const perHour = isRate ? " an hour" : "";
  const read = (text: string): Reading => {
    const typed = parseNumber(text);
    if (typed === null) return { value: null, problem: "A number, please.", question: null, echo: "" };
    const difference_K = differenceFromText(typed, units);
    const problem =
      difference_K < low_K || difference_K > high_K
        ? `Between ${differenceText(low_K, units)} and ${differenceText(high_K, units)}, please.`
        : null;
    const echo = typed === 0 ? "" : `That is ${otherDifference(difference_K, units)}${perHour}: a difference, so without the 32.`;
    return { value: difference_K, problem, question: null, echo };
  };
  return (
    <TypedField
      {...common}
      start={differenceText(value_K, units)}
      unit={`°${units.temperature}${perHour}`}
      read={read}
      textOf={(value) => differenceText(value, units)}
      showProbable={(value) => differenceText(value, units)}
      onValue={onChange}
    />
  );
}

interface NumberProps extends Common {
  readonly value: number;
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
}

/** A number with limits and a unit that nobody converts. */
export function NumberField({ value, unit, least, most, onChange, ...common }: NumberProps) {
  const read = (text: string): Reading => {
    const typed = parseNumber(text);
    if (typed === null) return { value: null, problem: "A number, please.", question: null, echo: "" };
    const problem = typed < least || typed > most ? `Between ${least} and ${most}, please.` : null;
    return { value: typed, problem, question: null, echo: "" };
  };
  return <TypedField {...common} start={String(value)} unit={unit} read={read} textOf={String} showProbable={String} onValue={onChange} />;
}

interface PressureProps extends Common {
  /** 0 where nobody said. */
  readonly value_kPa: number;
  readonly units: Units;
  readonly least_kPa: number;
  readonly most_kPa: number;
  readonly onChange: (value_kPa: number) => void;
}

/** A pressure of gas, in the unit its gauge most likely has; it may be left empty. */
export function PressureField({ value_kPa, units, least_kPa, most_kPa, onChange, ...common }: PressureProps) {
  const [least, most] = [least_kPa, most_kPa].map((kPa) => pressureText(kPa, units));
  const read = (text: string): Reading => {
    if (text.trim() === "") return { value: 0, problem: null, question: null, echo: "" };
    const typed = parseNumber(text);
    const value = typed === null ? null : pressureFromText(typed, units);
    const isOutside = value !== null && (value < least_kPa || value > most_kPa);
    const problem = value === null ? "A number, please." : isOutside ? `Between ${least} and ${most}, please.` : null;
    return { value, problem, question: null, echo: "" };
  };
  return (
    <TypedField
      {...common}
      start={value_kPa === 0 ? "" : pressureText(value_kPa, units)}
      unit={pressureUnit(units)}
      read={read}
      textOf={(value) => (value === 0 ? "" : pressureText(value, units))}
      showProbable={(value) => pressureText(value, units)}
      onValue={onChange}
    />
  );
}
