/** What else a test rests on: the surface, whether it is hand-warm, tester readings and how the tester reads its block. */

import { LIMITS, parseNumber, type Piece, type SoftParts } from "@tembrak/core";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import type { TestDraft } from "../../../words/testDraft.js";
import { TesterPlaces } from "./TesterPlaces.js";

interface Props {
  readonly piece: Piece;
  /** What was left soft on purpose. */
  readonly soft: SoftParts;
  /** Whether it should be hand-warm by now. */
  readonly isWarm: boolean;
  readonly draft: TestDraft;
  readonly onChange: (draft: TestDraft) => void;
}

const [LEAST_HRC, MOST_HRC] = LIMITS.tester.reading_HRC;
const [, MOST_BIAS_HRC] = LIMITS.tester.bias_HRC;

/** Readings as typed: `59.1 58.8, 60`: those that are some, and a sentence about the first part that is none. */
function readReadings(text: string): { readonly readings: readonly number[]; readonly problem: string | null } {
  const parts = text
    .replace(/(\d),(\d)/g, "$1.$2")
    .split(/[\s;,]+/)
    .filter((part) => part !== "");
  const readings: number[] = [];
  let problem: string | null = null;
  for (const part of parts) {
    const value = parseNumber(part);
    if (value === null) problem ??= `"${part}" is not a number.`;
    else if (value < LEAST_HRC || value > MOST_HRC)
      problem ??= `${part} HRC is not a reading a tester gives. Rockwell C runs from 20 to 68.`;
    else readings.push(value);
  }
  return { readings, problem };
}

export function TestTools({ piece, soft, isWarm, draft, onChange }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  const [text, setText] = useState("");
  const [bias, setBias] = useState(() => (draft.blockBias_HRC === null ? "" : String(draft.blockBias_HRC)));
  const read = readReadings(text);
  const biasOf = (typed: string): number | null => {
    const value = parseNumber(typed);
    return value === null || Math.abs(value) > MOST_BIAS_HRC ? null : value;
  };
  const biasBad = bias.trim() !== "" && biasOf(bias) === null;
  return (
    <div className="test-tools">
      <ToggleButtonGroup
        exclusive
        size="small"
        value={draft.surface}
        aria-label="Surface where it was tried"
        onChange={(_, surface: TestDraft["surface"] | null) => surface && onChange({ ...draft, surface })}
      >
        <ToggleButton value="as-it-came">not ground</ToggleButton>
        <ToggleButton value="ground">ground bright</ToggleButton>
        <ToggleButton value="heated-long-unprotected">long in the fire</ToggleButton>
      </ToggleButtonGroup>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={(draft.isHandWarm ?? isWarm) ? "yes" : "no"}
        aria-label="Can you hold it"
        onChange={(_, v: string | null) => v && onChange({ ...draft, isHandWarm: v === "yes" })}
      >
        <ToggleButton value="yes">can be held</ToggleButton>
        <ToggleButton value="no">still hot</ToggleButton>
      </ToggleButtonGroup>
      {isOpen ? (
        <div className="tester">
          <TextField
            label="Tester readings, HRC"
            value={text}
            error={read.problem !== null}
            helperText={read.problem ?? "Flat ground steel, both faces, not the edge. 59.1 58.8 60"}
            onChange={(event) => {
              setText(event.target.value);
              const { readings, problem } = readReadings(event.target.value);
              onChange({ ...draft, readings, unread: problem });
            }}
            fullWidth
          />
          <TesterPlaces
            piece={piece}
            soft={soft}
            draft={draft}
            onChange={(next) => {
              const isLess = next.readings.length < draft.readings.length;
              if (isLess) setText(next.readings.join(" "));
              onChange(isLess ? { ...next, unread: null } : next);
            }}
          />
          <TextField
            label="Tester reads its block too high by"
            value={bias}
            error={biasBad}
            helperText={biasBad ? `A number of HRC between -${MOST_BIAS_HRC} and ${MOST_BIAS_HRC}.` : "Leave empty when you have no block."}
            onChange={(event) => {
              setBias(event.target.value);
              onChange({ ...draft, blockBias_HRC: biasOf(event.target.value) });
            }}
            fullWidth
          />
        </div>
      ) : (
        <Button onClick={() => setIsOpen(true)}>Add tester readings</Button>
      )}
    </div>
  );
}
