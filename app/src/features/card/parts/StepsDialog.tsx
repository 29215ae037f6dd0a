/** The steps of the route, each with its heat, its time and its reason: changed, added, left out and moved here. */

import {
  annealStep,
  canDraw,
  CATALOGUE,
  destressStep,
  intoOf,
  isBackToDraw,
  namedHeat,
  orderProblem,
  PLATES,
  preheatStep,
  resolveSteel,
  softBack,
  subCriticalStep,
  type HeatName,
  type Kit,
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
import { lazy, Suspense, useState, type ReactNode } from "react";
import { isUnderTheChange, mediumName } from "../../../words/actWords.js";
import { showDuration, type Units } from "../../../format/show.js";
import { stepSource } from "../../../words/sources.js";
import { useLog, useUnits } from "../../../store/useStore.js";
import { StepFields } from "./StepFields.js";
import { OtherPractices } from "./OtherPractices.js";
import { WaysThrough } from "./WaysThrough.js";
import { NAMED_HEAT_WORDS, ORDER_WORDS, reasonWords } from "../../../words/routeWords.js";
import "./steps.css";

const AsChanged = lazy(async () => ({ default: (await import("./AsChanged.js")).AsChanged }));

function nameOf(step: Step): string {
  switch (step.kind) {
    case "preheat":
      return "Warm through";
    case "anneal":
      return isUnderTheChange(step) ? "Hold under the change" : "Anneal";
    case "run":
      return "Run the colours";
    case "normalise":
      return `Normalise, then cool to ${step.coolTo}`;
    case "harden":
      return "Harden";
    case "quench":
      return intoOf(step).medium === PLATES ? "Between two plates" : `Into the ${mediumName(intoOf(step).medium).toLowerCase()}`;
    case "temper":
      return "Temper";
  }
}

function isDone(state: PieceState, index: number): boolean {
  const own = state.acts.filter(({ step }) => step === index);
  return own.length > 0 && own.some(({ id }) => state.doneAt_ms.has(id));
}

/** A heat by the smith's own word for it: what that is, and one press to have it. */
function NamedHeatField({ onAdd }: { onAdd: (what: HeatName) => void }) {
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
      {found === null ? null : <Button onClick={() => onAdd(found.name)}>Add it</Button>}
    </div>
  );
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

interface NameProps extends Pick<Props, "state" | "route" | "magnet_C"> {
  readonly step: Step;
  readonly units: Units;
}

/** What a step is, why it stands here, who says so. */
function StepName({ state, route, step, magnet_C, units }: NameProps) {
  return (
    <div className="step-name">
      <b>{nameOf(step)}</b>
      <small>{reasonWords(step)}</small>
      <small className="step-source">{stepSource(step, state.piece, route, magnet_C, units)}</small>
    </div>
  );
}

/** Steps that may be added, by key or by name. */
function AddKeys({ mayDrawBack, onAdd }: { mayDrawBack: boolean; onAdd: (kind: Addable) => void }) {
  return (
    <div className="step-adds">
      <Button onClick={() => onAdd("normalise")}>One more normalising heat</Button>
      <Button onClick={() => onAdd("preheat")}>Warm it through first</Button>
      <Button onClick={() => onAdd("anneal")}>An anneal</Button>
      <Button onClick={() => onAdd("temper")}>One more temper</Button>
      {mayDrawBack ? <Button onClick={() => onAdd("soft-back")}>Soften its back: the edge in water</Button> : null}
      <NamedHeatField onAdd={onAdd} />
    </div>
  );
}

type Addable = "temper" | "preheat" | "soft-back" | HeatName;

/** The step an addition is. */
function kindOf(what: Addable): Step["kind"] {
  switch (what) {
    case "temper":
    case "preheat":
      return what;
    case "soft-back":
      return "run";
    case "normalise":
    case "refine":
      return "normalise";
    case "anneal":
    case "sub-critical":
    case "destress":
      return "anneal";
  }
}

/** What draws its back further, by what the shop has for it; null where it has neither, or the piece no back. */
function backStep(piece: PieceState["piece"], kit: Kit | null): Step | null {
  const source = (["torch", "hot-bar"] as const).find((by) => canDraw(by, kit));
  return source === undefined ? null : softBack(piece, source);
}

/** One more step of a kind: like the last of its kind, or as it usually is. */
function oneMore(what: Addable, like: Step | undefined, { piece }: PieceState, route: Route, kit: Kit | null): Step {
  switch (what) {
    case "sub-critical":
      return subCriticalStep(resolveSteel(CATALOGUE, piece.steel));
    case "destress":
      return destressStep(NAMED_HEAT_WORDS.destress);
    case "anneal":
      return annealStep(resolveSteel(CATALOGUE, piece.steel), kit);
    case "preheat":
      return preheatStep(route.heating, piece.start === "hardened");
    case "normalise":
    case "refine":
      return like ?? { kind: "normalise", temperature_C: 860, hold_min: 0, coolTo: "hand-warm", why: "once-more" };
    case "soft-back":
      return backStep(piece, kit)!;
    case "temper":
      return like ?? { kind: "temper", temperature_C: 200, hold_min: 120, why: "one-more-temper" };
  }
}

/** The rows after one was let go over another, none before what is done; null where nothing moved. */
function dropped(rows: readonly Row[], { active, over }: DragEndEvent, lockedCount: number): Row[] | null {
  if (over === null || active.id === over.id) return null;
  const at = (id: typeof active.id): number => rows.findIndex(({ key }) => key === id);
  return arrayMove([...rows], at(active.id), Math.max(lockedCount, at(over.id)));
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
  // What is done stays where it is: everything after it may move.
  const lockedCount = rows.findLastIndex((_, i) => isDone(state, i)) + 1;
  const drafted: Route = { ...(taken ?? route), steps: rows.map(({ step }) => step) };
  const problem = orderProblem(drafted.steps);
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
  const add = (what: Addable): void => {
    const kind = kindOf(what);
    const step = oneMore(what, rows.findLast((row) => row.step.kind === kind)?.step, state, route, kit);
    const heat = rows.findLastIndex(({ step: s }) => s.kind === "harden");
    const before = kind === "temper" || kind === "run" ? rows.length : Math.max(lockedCount, heat);
    setMade(made + 1);
    setDraft([...rows.slice(0, before), { key: `new-${made}`, step }, ...rows.slice(before)]);
  };
  const drop = (event: DragEndEvent): void => setDraft(dropped(rows, event, lockedCount) ?? draft);
  const takeRoute = (other: Route): void => {
    setTaken(other);
    setDraft(rowsOf(other));
  };
  const close = (): void => {
    setDraft(null);
    setTaken(null);
    setFaults(new Set());
    onClose();
  };
  const save = async (): Promise<void> => {
    if (draft === null) return close();
    // What could not be stored stays on the screen.
    if (await write(state.id, [{ kind: "route", route: drafted }])) close();
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
                    <StepName state={state} route={route} step={step} magnet_C={magnet_C} units={units} />
                    <StepFields
                      step={step}
                      piece={state.piece}
                      route={drafted}
                      units={units}
                      isLocked={locked}
                      onChange={(to) => change(key, to)}
                      onFault={(of, bad) => fault(`${key} ${of}`, bad)}
                    />
                    {draft === null && !locked ? (
                      <OtherPractices piece={state.piece} route={route} index={i} doneCount={lockedCount} kit={kit} onTake={takeRoute} />
                    ) : null}
                    {locked ? null : (
                      <WaysThrough
                        step={step}
                        piece={state.piece}
                        route={drafted}
                        index={i}
                        units={units}
                        onTake={(to) => change(key, to)}
                      />
                    )}
                    {locked ? (
                      <small className="step-done">done{step.kind === "temper" ? `, ${showDuration(step.hold_min * 60)}` : ""}</small>
                    ) : null}
                  </SortableStep>
                );
              })}
            </ol>
          </SortableContext>
        </DndContext>
        <AddKeys mayDrawBack={isBackToDraw(drafted) && backStep(state.piece, kit) !== null} onAdd={add} />
        <p role="alert" className="step-problem">
          {problem === null ? "" : ORDER_WORDS[problem]}
        </p>
      </DialogContent>
      {draft === null || faults.size > 0 || problem !== null || lockedCount > 0 ? null : (
        <Suspense fallback={null}>
          <AsChanged piece={state.piece} planned={route} changed={drafted} onTake={takeRoute} />
        </Suspense>
      )}
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
