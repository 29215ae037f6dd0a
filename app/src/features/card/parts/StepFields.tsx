/** The numbers of one step: its bath and how much goes under, or its heat, its time and how slowly it falls. */

import {
  allUnder,
  CATALOGUE,
  edgeDepth_mm,
  edgeInAir,
  edgeInWater,
  edgeSoDeep,
  heatWithPart,
  hottestBath_C,
  intoOf,
  isBackDrawn,
  isLaid,
  kitOf,
  lastFor,
  lastOf_s,
  LIMITS,
  PASTE,
  PLATES,
  questionHeat,
  usualEdgeDepth_mm,
  wayOf,
  withInto,
  type Piece,
  type Quench,
  type Route,
  type Step,
} from "@tembrak/core";
import MenuItem from "@mui/material/MenuItem";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import type { Units } from "../../../format/show.js";
import { DifferenceField, DurationField, LengthField, TemperatureField } from "../../../parts/QuantityField.js";

/** whole: straight down. edge-first: all of it, laid in. edge: no more than that. */
type Goes = "whole" | "edge-first" | "edge";

import { Choice } from "../../../parts/Choice.js";
import { useKit } from "../../../store/useStore.js";
import { DipFields } from "./DipFields.js";
import { LineFinder } from "./LineFinder.js";
import { isUnderTheChange } from "../../../words/actWords.js";

interface FieldProps<K extends Step["kind"]> {
  readonly step: Step & { readonly kind: K };
  readonly piece: Piece;
  /** All the steps as they stand in the dialog. */
  readonly route: Route;
  readonly units: Units;
  readonly isLocked: boolean;
  readonly onChange: (to: Step) => void;
  /** A field by its name, and whether what stands in it can be read. */
  readonly onFault: (field: string, isBad: boolean) => void;
}

/** The same bath with all of it under, or only the edge; whatever else was said of it stays. */
export function immersed(step: Quench, what: Goes, height_mm: number): Quench {
  const before = edgeDepth_mm(step);
  if (what === "edge") return before === undefined ? edgeSoDeep(step, usualEdgeDepth_mm(height_mm)) : step;
  // The back that follows the edge follows nothing where all of it is under.
  const dips = before === undefined ? step.dips : allUnder(intoOf(step));
  const laid = what === "edge-first" ? { laid: true } : {};
  const whole = dips.map(({ into, until }, i) => ({ under: "all" as const, ...(i === 0 ? laid : {}), into, until }));
  return before === undefined ? { ...step, dips: whole } : lastFor({ ...step, dips: whole }, lastOf_s(step));
}

function goesIn(step: Quench): Goes {
  if (edgeDepth_mm(step) !== undefined) return "edge";
  return isLaid(step) ? "edge-first" : "whole";
}

/** Which tank, where the kit has more than one of that liquid. */
function TankField({ step, isLocked, onChange }: { step: Quench; isLocked: boolean; onChange: (to: Step) => void }) {
  const kit = useKit() ?? null;
  const { medium, bath } = intoOf(step);
  const tanks = kit === null ? [] : kitOf(kit, "bath").filter((tank) => tank.medium === medium);
  if (tanks.length < 2) return null;
  return (
    <Choice
      label="Which tank"
      value={tanks.some(({ id }) => id === bath) ? bath : ""}
      disabled={isLocked}
      onChange={(event) => onChange(withInto(step, { bath: event.target.value }))}
    >
      {tanks.map(({ id, name }) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </Choice>
  );
}

/** How warm the bath is, and how much of the piece goes under. */
function QuenchFields({ step, piece, route, units, isLocked, onChange, onFault }: FieldProps<"quench">) {
  const { section } = piece;
  const { medium, bath_C } = intoOf(step);
  const isPressed = medium === PLATES;
  const isPaste = medium === PASTE;
  const edge_mm = edgeDepth_mm(step);
  return (
    <>
      <TemperatureField
        label={isPressed ? "Plates" : isPaste ? "Paste" : "Bath"}
        value_C={bath_C}
        units={units}
        isDisabled={isLocked}
        low_C={LIMITS.quench.bath_C[0]}
        high_C={Math.min(LIMITS.quench.bath_C[1], hottestBath_C(CATALOGUE.medium(medium)) ?? Infinity)}
        question={(T, unit) => questionHeat("bath", T, unit)}
        onFault={(bad) => onFault("bath", bad)}
        onChange={(T) => onChange(withInto(step, { bath_C: T }))}
      />
      <TankField step={step} isLocked={isLocked} onChange={onChange} />
      {section.shape === "wedge" && !isPressed && !isPaste ? (
        <ToggleButtonGroup
          exclusive
          disabled={isLocked}
          value={goesIn(step)}
          aria-label="How much of it goes under"
          onChange={(_, chosen: Goes | null) => chosen && onChange(immersed(step, chosen, section.height_mm))}
        >
          <ToggleButton value="whole" aria-label="whole, straight down">
            whole
          </ToggleButton>
          <ToggleButton value="edge-first" aria-label="whole, edge first">
            laid in
          </ToggleButton>
          <ToggleButton value="edge" aria-label="edge only">
            edge
          </ToggleButton>
        </ToggleButtonGroup>
      ) : null}
      {section.shape === "wedge" && edge_mm !== undefined ? (
        <LengthField
          label="Depth"
          role="height"
          value_mm={edge_mm}
          units={units}
          isDisabled={isLocked}
          least_mm={LIMITS.quench.depth_mm[0]}
          most_mm={section.height_mm}
          onFault={(bad) => onFault("depth", bad)}
          onChange={(depth_mm) => onChange(edgeSoDeep(step, depth_mm))}
        />
      ) : null}
      {section.shape === "wedge" && edge_mm !== undefined ? (
        <LineFinder
          piece={piece}
          route={route}
          height_mm={section.height_mm}
          units={units}
          isLocked={isLocked}
          onFound={(depth_mm) => onChange(edgeSoDeep(step, depth_mm))}
        />
      ) : null}
      <DipFields step={step} piece={piece} units={units} isLocked={isLocked} onChange={onChange} onFault={onFault} />
    </>
  );
}

/** Whether its edge takes the colour, or stands in water while a line behind it does. */
function RunFields({ step, piece, route, units, isLocked, onChange, onFault }: FieldProps<"run">) {
  const { section } = piece;
  // What an oven drew is run with its edge in water, or not at all.
  const wet = isBackDrawn(route) ? null : edgeInWater(piece, step);
  if ((wet === null && step.mark === undefined) || section.shape !== "wedge") return null;
  const { mark } = step;
  return (
    <>
      {wet === null ? null : (
        <ToggleButtonGroup
          exclusive
          size="small"
          disabled={isLocked}
          value={mark === undefined ? "air" : "water"}
          aria-label="Where the edge is meanwhile"
          onChange={(_, chosen: "air" | "water" | null) => chosen && onChange(chosen === "water" ? wet : edgeInAir(step))}
        >
          <ToggleButton value="air">edge coloured</ToggleButton>
          <ToggleButton value="water">edge in water</ToggleButton>
        </ToggleButtonGroup>
      )}
      {mark === undefined ? null : (
        <LengthField
          label="Line at"
          role="height"
          value_mm={mark.behind_mm}
          units={units}
          isDisabled={isLocked}
          least_mm={LIMITS.run.behind_mm[0]}
          most_mm={section.height_mm}
          onFault={(bad) => onFault("line", bad)}
          onChange={(behind_mm) => onChange({ ...step, mark: { ...mark, behind_mm } })}
        />
      )}
    </>
  );
}

/** How hot, how long, and how slowly it falls. */
function HeatFields({ step, units, isLocked, onChange, onFault }: FieldProps<Exclude<Step["kind"], "quench">>) {
  // As it was before anybody typed over it.
  const line = step.kind === "run" ? step.mark : undefined;
  const shown_C = line?.temperature_C ?? step.temperature_C;
  const [planned_C] = useState(shown_C);
  return (
    <>
      <TemperatureField
        key={line === undefined ? "own" : "line"}
        label={line === undefined ? "Heat" : "Line to"}
        value_C={shown_C}
        units={units}
        isDisabled={isLocked}
        low_C={LIMITS[step.kind].temperature_C[0]}
        high_C={LIMITS[step.kind].temperature_C[1]}
        question={(T, unit) => questionHeat(isUnderTheChange(step) ? "under-the-change" : step.kind, T, unit, planned_C)}
        onFault={(bad) => onFault("heat", bad)}
        onChange={(temperature_C) =>
          onChange(step.kind === "run" && line !== undefined ? { ...step, mark: { ...line, temperature_C } } : { ...step, temperature_C })
        }
      />
      {step.kind === "run" ? null : (
        <DurationField
          label="Hold"
          value_min={step.hold_min}
          isDisabled={isLocked}
          most_min={LIMITS[step.kind].hold_min[1]}
          least_min={LIMITS[step.kind].hold_min[0]}
          onFault={(bad) => onFault("hold", bad)}
          onChange={(hold_min) => onChange({ ...step, hold_min })}
        />
      )}
      {step.kind === "anneal" && !isUnderTheChange(step) ? (
        <DifferenceField
          label="Falls by"
          isRate
          value_K={step.rate_C_h}
          low_K={LIMITS.anneal.rate_C_h[0]}
          high_K={LIMITS.anneal.rate_C_h[1]}
          units={units}
          isDisabled={isLocked}
          onFault={(bad) => onFault("rate", bad)}
          onChange={(rate_C_h) => onChange({ ...step, rate_C_h })}
        />
      ) : null}
    </>
  );
}

/** With the end that is hard already kept wet, or bare. */
function guarded(step: Step & { readonly kind: "harden" }, isWet: boolean): Step {
  const rest = { ...step };
  delete rest.guard;
  return isWet ? { ...rest, guard: "wet" } : rest;
}

/** How much of it is in the fire: all of it, or so much from the end that works. */
function InFireField({ step, piece, route, units, isLocked, onChange, onFault }: FieldProps<"harden">) {
  const { length_mm } = piece;
  const set = (mm: number | null): void => onChange(heatWithPart(step, mm));
  return (
    <>
      <ToggleButtonGroup
        exclusive
        disabled={isLocked}
        value={step.inFire_mm === undefined ? "all" : "part"}
        aria-label="How much of it is in the fire"
        onChange={(_, chosen: "all" | "part" | null) => chosen && set(chosen === "all" ? null : Math.round((2 / 3) * length_mm))}
      >
        <ToggleButton value="all">all in</ToggleButton>
        <ToggleButton value="part">a part</ToggleButton>
      </ToggleButtonGroup>
      {step.inFire_mm === undefined ? null : (
        <LengthField
          label={piece.section.shape === "wedge" ? "In it, from the tip" : "In it, from the end"}
          role="length"
          value_mm={step.inFire_mm}
          units={units}
          isDisabled={isLocked}
          least_mm={Math.min(LIMITS.harden.inFire_mm[0], length_mm)}
          most_mm={length_mm}
          onFault={(bad) => onFault("in fire", bad)}
          onChange={set}
        />
      )}
      {step.inFire_mm === undefined || wayOf(route).hardens !== "ends" ? null : (
        <ToggleButtonGroup
          exclusive
          disabled={isLocked}
          value={step.guard ?? "bare"}
          aria-label="The end that is hard already"
          onChange={(_, chosen: "wet" | "bare" | null) => chosen && onChange(guarded(step, chosen === "wet"))}
        >
          <ToggleButton value="wet">other end wet</ToggleButton>
          <ToggleButton value="bare">bare</ToggleButton>
        </ToggleButtonGroup>
      )}
    </>
  );
}

export function StepFields(props: FieldProps<Step["kind"]>) {
  const { step } = props;
  return (
    <div className="step-fields">
      {step.kind === "quench" ? <QuenchFields {...props} step={step} /> : <HeatFields {...props} step={step} />}
      {step.kind === "harden" ? <InFireField {...props} step={step} /> : null}
      {step.kind === "run" ? <RunFields {...props} step={step} /> : null}
    </div>
  );
}
