/** The steps of the route, each with its heat, its time and its reason: changed, added, left out and moved here. */

import {
  LIMITS,
  annealStep,
  CATALOGUE,
  namedHeat,
  orderProblem,
  preheatStep,
  questionHeat,
  resolveSteel,
  usualEdgeDepth_mm,
  type Kit,
  type Piece,
  type PieceState,
  type Route,
  type Step,
} from "@tembrak/core";
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { arrayMove, SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState, type ReactNode } from "react";
import { mediumName } from "../../../words/actWords.js";
import { showDuration, type Units } from "../../../format/show.js";
import { stepSource } from "../../../words/sources.js";
import { DifferenceField, DurationField, LengthField, TemperatureField } from "../../../parts/QuantityField.js";
import { useLog, useUnits } from "../../../store/useStore.js";
import { OtherPractices } from "./OtherPractices.js";
import { NAMED_HEAT_WORDS, ORDER_WORDS, reasonWords } from "../../../words/routeWords.js";
import "./steps.css";

function nameOf(step: Step): string {
  switch (step.kind) {
    case "preheat":
      return "Warm through";
    case "anneal":
      return "Anneal";
    case "run":
      return "Run the colours";
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

/** A heat by the smith's own word for it: what that is, and one press to have it. */
function NamedHeatField({ onAdd }: { onAdd: (kind: Exclude<Addable, "temper">) => void }) {
  const [text, setText] = useState("");
  const found = namedHeat(text);
  return (
    <div className="named-heat">
      <TextField
        label="Or by its name: refine, spheroidise, stress relief…"
        value={text}
        onChange={(event) => setText(event.target.value)}
        helperText={
          text === ""
            ? " "
            : found === null
              ? "Not one of: normalise, anneal, refine, sub-critical, destress."
              : NAMED_HEAT_WORDS[found.name]
        }
        fullWidth
      />
      {found === null ? null : <Button onClick={() => onAdd(found.kind)}>Add it</Button>}
    </div>
  );
}

/** The same bath with all of it under, or only the edge; whatever else was said of it stays. */
export function immersed(step: Extract<Step, { kind: "quench" }>, what: "whole" | "edge", height_mm: number): Step {
  const { edgeDepth_mm: before, ...whole } = step;
  return what === "whole" ? whole : { ...whole, edgeDepth_mm: before ?? usualEdgeDepth_mm(height_mm) };
}

interface Props {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly state: PieceState;
  readonly route: Route;
  readonly kit: Kit | null;
  /** Where the magnet lets go, by the model. */
  readonly magnet_C: number | undefined;
}

/** A step with a key that stays its own while it moves. */
interface Row {
  readonly key: string;
  readonly step: Step;
}

function rowsOf({ steps }: Route): Row[] {
  return steps.map((step, i) => ({ key: `was-${i}`, step }));
}

interface SortableProps {
  readonly id: string;
  readonly name: string;
  readonly isLocked: boolean;
  readonly onRemove: () => void;
  readonly children: ReactNode;
}

/** A row that can be dragged by its grip, with pointer or keys, and left out. */
function SortableStep({ id, name, isLocked, onRemove, children }: SortableProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
    disabled: isLocked,
  });
  const moved = transform === null ? undefined : `translate3d(0, ${Math.round(transform.y)}px, 0)`;
  return (
    <li ref={setNodeRef} style={{ transform: moved, transition, opacity: isDragging ? 0.6 : 1 }}>
      {isLocked ? (
        <span className="step-grip" aria-hidden="true" />
      ) : (
        <button type="button" className="step-grip" ref={setActivatorNodeRef} {...attributes} {...listeners} aria-label={`Move: ${name}`}>
          <svg viewBox="0 0 20 28" width="20" height="28" aria-hidden="true">
            <path d="M4 8h12M4 14h12M4 20h12" stroke="currentColor" strokeWidth={2} />
          </svg>
        </button>
      )}
      {children}
      {isLocked ? null : (
        <Button variant="text" className="step-out" onClick={onRemove} aria-label={`Leave out: ${name}`}>
          Leave out
        </Button>
      )}
    </li>
  );
}

interface FieldProps<K extends Step["kind"]> {
  readonly step: Step & { readonly kind: K };
  readonly section: Piece["section"];
  readonly units: Units;
  readonly isLocked: boolean;
  readonly onChange: (to: Step) => void;
  /** A field by its name, and whether what stands in it can be read. */
  readonly onFault: (field: string, isBad: boolean) => void;
}

/** How warm the bath is, and how much of the piece goes under. */
function QuenchFields({ step, section, units, isLocked, onChange, onFault }: FieldProps<"quench">) {
  return (
    <>
      <TemperatureField
        label="Bath"
        value_C={step.bath_C}
        units={units}
        isDisabled={isLocked}
        low_C={LIMITS.quench.bath_C[0]}
        high_C={LIMITS.quench.bath_C[1]}
        question={(T, unit) => questionHeat("bath", T, unit)}
        onFault={(bad) => onFault("bath", bad)}
        onChange={(bath_C) => onChange({ ...step, bath_C })}
      />
      {section.shape === "wedge" ? (
        <ToggleButtonGroup
          exclusive
          disabled={isLocked}
          value={step.edgeDepth_mm === undefined ? "whole" : "edge"}
          aria-label="How much of it goes under"
          onChange={(_, chosen: "whole" | "edge" | null) => chosen && onChange(immersed(step, chosen, section.height_mm))}
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
          isDisabled={isLocked}
          least_mm={LIMITS.quench.depth_mm[0]}
          most_mm={section.height_mm}
          onFault={(bad) => onFault("depth", bad)}
          onChange={(edgeDepth_mm) => onChange({ ...step, edgeDepth_mm })}
        />
      ) : null}
    </>
  );
}

/** How hot, how long, and how slowly it falls. */
function HeatFields({ step, units, isLocked, onChange, onFault }: FieldProps<Exclude<Step["kind"], "quench">>) {
  return (
    <>
      <TemperatureField
        label="Heat"
        value_C={step.temperature_C}
        units={units}
        isDisabled={isLocked}
        low_C={LIMITS[step.kind].temperature_C[0]}
        high_C={LIMITS[step.kind].temperature_C[1]}
        question={(T, unit) => questionHeat(step.kind, T, unit)}
        onFault={(bad) => onFault("heat", bad)}
        onChange={(temperature_C) => onChange({ ...step, temperature_C })}
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
      {step.kind === "anneal" ? (
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

function StepFields(props: FieldProps<Step["kind"]>) {
  const { step } = props;
  return (
    <div className="step-fields">
      {step.kind === "quench" ? <QuenchFields {...props} step={step} /> : <HeatFields {...props} step={step} />}
    </div>
  );
}

interface NameProps extends Pick<Props, "state" | "route" | "magnet_C"> {
  readonly step: Step;
  readonly units: Units;
  readonly children: ReactNode;
}

/** What a step is, why it stands here, who says so. */
function StepName({ state, route, step, magnet_C, units, children }: NameProps) {
  return (
    <div className="step-name">
      <b>{nameOf(step)}</b>
      <small>{reasonWords(step)}</small>
      {children}
      <small className="step-source">{stepSource(step, state.piece, route, magnet_C, units)}</small>
    </div>
  );
}

/** Steps that may be added, by key or by name. */
function AddKeys({ onAdd }: { onAdd: (kind: Addable) => void }) {
  return (
    <div className="step-adds">
      <Button onClick={() => onAdd("normalise")}>One more normalising heat</Button>
      <Button onClick={() => onAdd("preheat")}>Warm it through first</Button>
      <Button onClick={() => onAdd("anneal")}>An anneal</Button>
      <Button onClick={() => onAdd("temper")}>One more temper</Button>
      <NamedHeatField onAdd={onAdd} />
    </div>
  );
}

type Addable = "normalise" | "temper" | "anneal" | "preheat";

/** One more step of a kind: like the last of its kind, or as it usually is. */
function oneMore(kind: Addable, like: Step | undefined, { piece }: PieceState, route: Route, kit: Kit | null): Step {
  switch (kind) {
    case "anneal":
      return annealStep(resolveSteel(CATALOGUE, piece.steel), kit);
    case "preheat":
      return preheatStep(route.school, piece.start === "hardened");
    case "normalise":
      return like ?? { kind, temperature_C: 860, hold_min: 0, coolTo: "hand-warm", why: "once-more" };
    case "temper":
      return like ?? { kind, temperature_C: 200, hold_min: 120, why: "one-more-temper" };
  }
}

export function StepsDialog({ isOpen, onClose, state, route, kit, magnet_C }: Props) {
  const units = useUnits();
  const { write } = useLog();
  const [draft, setDraft] = useState<readonly Row[] | null>(null);
  /** Another practice that was taken as a whole: its school comes with it. */
  const [taken, setTaken] = useState<Route | null>(null);
  const [made, setMade] = useState(0);
  const [faults, setFaults] = useState<ReadonlySet<string>>(new Set());
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const rows = draft ?? rowsOf(route);
  const { section } = state.piece;
  // What is done stays where it is: everything after it may move.
  const lockedCount = rows.findLastIndex((_, i) => isDone(state, i)) + 1;
  const problem = orderProblem(rows.map(({ step }) => step));
  const change = (key: string, step: Step): void => setDraft(rows.map((row) => (row.key === key ? { key, step } : row)));
  const fault = (key: string, isBad: boolean): void =>
    setFaults((before) => {
      const after = new Set(before);
      if (isBad) after.add(key);
      else after.delete(key);
      return after;
    });
  const remove = (key: string): void => {
    setDraft(rows.filter((row) => row.key !== key));
    setFaults((before) => new Set([...before].filter((of) => !of.startsWith(`${key} `))));
  };
  const add = (kind: Addable): void => {
    const step = oneMore(kind, rows.findLast((row) => row.step.kind === kind)?.step, state, route, kit);
    const before =
      kind === "temper"
        ? rows.length
        : Math.max(
            lockedCount,
            rows.findLastIndex(({ step: s }) => s.kind === "harden"),
          );
    setMade(made + 1);
    setDraft([...rows.slice(0, before), { key: `new-${made}`, step }, ...rows.slice(before)]);
  };
  const drop = ({ active, over }: DragEndEvent): void => {
    if (over === null || active.id === over.id) return;
    const from = rows.findIndex(({ key }) => key === active.id);
    const to = Math.max(
      lockedCount,
      rows.findIndex(({ key }) => key === over.id),
    );
    setDraft(arrayMove([...rows], from, to));
  };
  const close = (): void => {
    setDraft(null);
    setTaken(null);
    setFaults(new Set());
    onClose();
  };
  const save = async (): Promise<void> => {
    if (draft === null) return close();
    const kept = { ...(taken ?? route), steps: draft.map(({ step }) => step) };
    // What could not be stored stays on the screen.
    if (await write(state.id, [{ kind: "route", route: kept }])) close();
  };
  return (
    <Dialog open={isOpen} onClose={close} fullWidth maxWidth="md">
      <DialogTitle>Steps of the {state.piece.name.toLowerCase()}</DialogTitle>
      <DialogContent>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <SortableContext items={rows.map(({ key }) => key)} strategy={verticalListSortingStrategy}>
            <ol className="steps">
              {rows.map(({ key, step }, i) => {
                const locked = i < lockedCount;
                return (
                  <SortableStep key={key} id={key} name={`${i + 1}, ${nameOf(step)}`} isLocked={locked} onRemove={() => remove(key)}>
                    <StepName state={state} route={route} step={step} magnet_C={magnet_C} units={units}>
                      {draft === null && !locked ? (
                        <OtherPractices
                          piece={state.piece}
                          route={route}
                          index={i}
                          doneCount={lockedCount}
                          kit={kit}
                          onTake={(other) => {
                            setTaken(other);
                            setDraft(rowsOf(other));
                          }}
                        />
                      ) : null}
                    </StepName>
                    <StepFields
                      step={step}
                      section={section}
                      units={units}
                      isLocked={locked}
                      onChange={(to) => change(key, to)}
                      onFault={(of, bad) => fault(`${key} ${of}`, bad)}
                    />
                    {locked ? (
                      <small className="step-done">done{step.kind === "temper" ? `, ${showDuration(step.hold_min * 60)}` : ""}</small>
                    ) : null}
                  </SortableStep>
                );
              })}
            </ol>
          </SortableContext>
        </DndContext>
        <AddKeys onAdd={add} />
        <p role="alert" className="step-problem">
          {problem === null ? "" : ORDER_WORDS[problem]}
        </p>
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={close}>
          Leave as it was
        </Button>
        <Button variant="contained" disabled={draft === null || faults.size > 0 || problem !== null} onClick={() => void save()}>
          Keep these steps
        </Button>
      </DialogActions>
    </Dialog>
  );
}
