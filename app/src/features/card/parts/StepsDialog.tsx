/** The steps of the route, each with its heat, its time and its reason; heats and times can be changed here. */

import { questionHeat, type PieceState, type Route, type Step } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import { mediumName } from "../../../format/actWords.js";
import { showDuration } from "../../../format/show.js";
import { stepSource } from "../../../format/sources.js";
import { DurationField, LengthField, TemperatureField } from "../../../parts/QuantityField.js";
import { append } from "../../../store/db.js";
import { useUnits } from "../../../store/useStore.js";
import "./steps.css";

function nameOf(step: Step): string {
  switch (step.kind) {
    case "normalise":
      return `Normalise, then cool to ${step.coolTo}`;
    case "harden":
      return "Harden";
    case "quench":
      return `Into the ${mediumName(step.medium).toLowerCase()}`;
    case "temper":
      return "Temper";
  }
}

function isDone(state: PieceState, index: number): boolean {
  const own = state.acts.filter(({ step }) => step === index);
  return own.length > 0 && own.some(({ id }) => state.doneAt_ms.has(id));
}

/** A third of the height is where an edge quench usually begins (common practice, no source). */
const USUAL_EDGE = 1 / 3;

function immersed(step: Extract<Step, { kind: "quench" }>, what: "whole" | "edge", height_mm: number): Step {
  const { kind, medium, bath_C, agitation, why } = step;
  const whole: Step = { kind, medium, bath_C, agitation, why };
  return what === "whole" ? whole : { ...whole, edgeDepth_mm: Math.max(1, Math.round(USUAL_EDGE * height_mm)) };
}

interface Props {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly state: PieceState;
  readonly route: Route;
  /** Where the magnet lets go, by the model. */
  readonly magnet_C: number | undefined;
}

export function StepsDialog({ isOpen, onClose, state, route, magnet_C }: Props) {
  const units = useUnits();
  const [draft, setDraft] = useState<Route | null>(null);
  const [faults, setFaults] = useState<ReadonlySet<string>>(new Set());
  const steps = (draft ?? route).steps;
  const { section } = state.piece;
  const change = (index: number, step: Step): void => setDraft({ ...route, steps: steps.map((old, i) => (i === index ? step : old)) });
  const fault = (key: string, isBad: boolean): void =>
    setFaults((before) => {
      const after = new Set(before);
      if (isBad) after.add(key);
      else after.delete(key);
      return after;
    });
  const close = (): void => {
    setDraft(null);
    setFaults(new Set());
    onClose();
  };
  const save = async (): Promise<void> => {
    if (draft) await append(state.id, [{ kind: "route", route: draft }]);
    close();
  };
  return (
    <Dialog open={isOpen} onClose={close} fullWidth maxWidth="md">
      <DialogTitle>Steps of the {state.piece.name.toLowerCase()}</DialogTitle>
      <DialogContent>
        <ol className="steps">
          {steps.map((step, i) => {
            const locked = isDone(state, i);
            return (
              <li key={i}>
                <div className="step-name">
                  <b>{nameOf(step)}</b>
                  <small>{step.why}</small>
                  <small className="step-source">{stepSource(step, state.piece, route, magnet_C, units)}</small>
                </div>
                {step.kind === "quench" ? (
                  <>
                    <TemperatureField
                      label="Bath"
                      value_C={step.bath_C}
                      units={units}
                      isDisabled={locked}
                      low_C={-10}
                      high_C={250}
                      question={(T, unit) => questionHeat("bath", T, unit)}
                      onFault={(bad) => fault(`${i}b`, bad)}
                      onChange={(bath_C) => change(i, { ...step, bath_C })}
                    />
                    {section.shape === "wedge" ? (
                      <ToggleButtonGroup
                        exclusive
                        disabled={locked}
                        value={step.edgeDepth_mm === undefined ? "whole" : "edge"}
                        aria-label="How much of it goes under"
                        onChange={(_, chosen: "whole" | "edge" | null) => chosen && change(i, immersed(step, chosen, section.height_mm))}
                      >
                        <ToggleButton value="whole">whole</ToggleButton>
                        <ToggleButton value="edge" aria-label="edge only">
                          edge
                        </ToggleButton>
                      </ToggleButtonGroup>
                    ) : null}
                    {section.shape === "wedge" && step.edgeDepth_mm !== undefined ? (
                      <LengthField
                        label="Depth"
                        role="height"
                        value_mm={step.edgeDepth_mm}
                        units={units}
                        isDisabled={locked}
                        least_mm={1}
                        most_mm={section.height_mm}
                        onFault={(bad) => fault(`${i}e`, bad)}
                        onChange={(edgeDepth_mm) => change(i, { ...step, edgeDepth_mm })}
                      />
                    ) : null}
                  </>
                ) : (
                  <>
                    <TemperatureField
                      label="Heat"
                      value_C={step.temperature_C}
                      units={units}
                      isDisabled={locked}
                      low_C={step.kind === "temper" ? 50 : 600}
                      high_C={step.kind === "temper" ? 720 : 1200}
                      question={(T, unit) => questionHeat(step.kind, T, unit)}
                      onFault={(bad) => fault(`${i}t`, bad)}
                      onChange={(temperature_C) => change(i, { ...step, temperature_C })}
                    />
                    <DurationField
                      label="Hold"
                      value_min={step.hold_min}
                      isDisabled={locked}
                      most_min={step.kind === "temper" ? 1440 : 240}
                      least_min={step.kind === "temper" ? 1 : 0}
                      onFault={(bad) => fault(`${i}h`, bad)}
                      onChange={(hold_min) => change(i, { ...step, hold_min })}
                    />
                  </>
                )}
                {locked ? (
                  <small className="step-done">done{step.kind === "temper" ? `, ${showDuration(step.hold_min * 60)}` : ""}</small>
                ) : null}
              </li>
            );
          })}
        </ol>
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={close}>
          Leave as it was
        </Button>
        <Button variant="contained" disabled={draft === null || faults.size > 0} onClick={() => void save()}>
          Keep these steps
        </Button>
      </DialogActions>
    </Dialog>
  );
}
