/** The plan worked out: ways that land it, over each other where they differ, what set the heat, and what would be worth knowing. */

import { PINS, type PieceState, type Pin, type PlannedWay, type PlanWay, type Route, type Solved } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useId, useState } from "react";
import { Link, useNavigate } from "react-router";
import { usePrediction, useQuestion, useSolved, useStepTimes } from "../../compute/useAnswers.js";
import { toPiece } from "../../format/address.js";
import type { Units } from "../../format/show.js";
import { Hatches } from "../../parts/Drawing.js";
import { HeatLine } from "../../parts/HeatLine.js";
import { OfPlannedPiece } from "../../parts/OfPiece.js";
import { useLog, useSettings } from "../../store/useStore.js";
import {
  grindWords,
  isSameSteps,
  limitWords,
  mayFailSentence,
  oneThingWords,
  solvedSentence,
  spareWords,
  temperWords,
  WAY_NAMES,
  wayInShort,
  wayOnWords,
} from "../../words/planWords.js";
import { steelWords } from "../../words/steelWords.js";
import { HeatJaws } from "./HeatJaws.js";
import { OtherSchools } from "./OtherSchools.js";
import { TemperDrawing } from "./TemperDrawing.js";
import { WaysTable } from "./WaysTable.js";
import { WorthKnowing } from "./WorthKnowing.js";
import "./ways.css";

const PIN_WORDS: Readonly<Record<Pin, string>> = { heat: "the heat", bath: "the bath", temper: "the temper" };

interface PinsProps {
  readonly pins: readonly Pin[];
  readonly onPins: (pins: readonly Pin[]) => void;
}

/** What stays as it is planned; the ways are worked out anew around it. */
function Pins({ pins, onPins }: PinsProps) {
  return (
    <fieldset className="ways-pins">
      <legend>Stays as planned</legend>
      {PINS.map((pin) => {
        const isOn = pins.includes(pin);
        return (
          <Button
            key={pin}
            aria-pressed={isOn}
            variant={isOn ? "outlined" : "text"}
            onClick={() => onPins(isOn ? pins.filter((one) => one !== pin) : [...pins, pin])}
          >
            {PIN_WORDS[pin]}
          </Button>
        );
      })}
    </fieldset>
  );
}

interface PanelProps {
  readonly solved: Solved;
  readonly way: PlannedWay;
  readonly units: Units;
}

/** What set the heat of a way, and what of its bath there is to spare. */
function Limits({ solved, way, units }: PanelProps) {
  const { low, high, reaches } = limitWords(solved, units);
  const heat = way.route.steps.findLast((step) => step.kind === "harden");
  const spare = spareWords(way);
  if (heat?.kind !== "harden") return null;
  return (
    <section aria-labelledby="limits-h" className="ways-limits">
      <h2 id="limits-h">What sets the hardening heat</h2>
      <HeatJaws limits={solved.limits} heat_C={heat.temperature_C} units={units} label={`${high}; ${low}; ${reaches}.`} />
      <ul>
        {[high, low, reaches, ...(spare === null ? [] : [spare])].map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}

/** What set its temper; nothing where no oven does. */
function Temper({ solved: { temper, target }, way, units }: PanelProps) {
  const step = way.route.steps.findLast(({ kind }) => kind === "temper");
  if (temper === null || step?.kind !== "temper") return null;
  const words = temperWords(temper, step.temperature_C, units);
  return (
    <section aria-labelledby="temper-h" className="ways-limits">
      <h2 id="temper-h">What sets the temper</h2>
      <TemperDrawing curve={temper} target={target} temper_C={step.temperature_C} units={units} label={words.join("; ")} />
      <ul>
        {words.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}

function Ways({ state, route }: { readonly state: PieceState; readonly route: Route }) {
  const { piece } = state;
  const units = useSettings();
  const { write } = useLog();
  const navigate = useNavigate();
  const [pins, setPins] = useState<readonly Pin[]>([]);
  const [chosen, setChosen] = useState<PlanWay>("surest");
  const question = useQuestion(state)!;
  const planned = usePrediction(question);
  const { data: solved, error, isPlaceholderData } = useSolved(piece, route, pins, { isAsked: !planned.isPending });
  const way = solved?.ways.find(({ name }) => name === chosen) ?? solved?.ways[0];
  const shown = way?.route ?? route;
  const times_s = useStepTimes(state, shown, solved !== undefined);
  const place = piece.section.shape === "wedge" ? "edge" : "surface";
  const isBegun = state.doneAt_ms.size > 0;
  const headline = solved === undefined ? "Working out what this shop can do with it…" : solvedSentence(solved, place);
  const isSame = way !== undefined && isSameSteps(way.route, route);
  const name = useId();
  const take = async (taken: Route) => {
    const isKept = isSameSteps(taken, route) || (await write(state.id, [{ kind: "route", route: taken }]));
    if (isKept) void navigate(toPiece(state.id));
  };
  const oneThing = solved === undefined ? null : oneThingWords(solved, units);
  const grind = solved === undefined ? null : grindWords(solved, piece, units);
  const fails = solved === undefined ? null : mayFailSentence(solved, place);
  return (
    <main className="ways">
      <Hatches />
      <header className="card-head">
        <div>
          <h1>
            {piece.name}{" "}
            <span>
              {piece.mark}, {steelWords(piece)}
            </span>
          </h1>
          <p role="status">{headline}</p>
        </div>
        <div className="card-keys">
          <Button component={Link} to={toPiece(state.id)}>
            Card
          </Button>
          {isBegun ? null : (
            <Button variant="contained" disabled={way === undefined || isPlaceholderData} onClick={() => void take(shown)}>
              {isSame ? "Keep it as planned" : `Go the ${WAY_NAMES[way?.name ?? "surest"]} way`}
            </Button>
          )}
        </div>
      </header>
      {isBegun ? <p className="notice">It is begun: what is done stays. A way can be taken before the first act.</p> : null}
      {error === null ? null : (
        <p className="notice" role="alert">
          {error.message}
        </p>
      )}
      {fails === null || solved === undefined ? null : (
        <div className="fit-notice" role="status">
          <p>
            <b>{fails}</b>
          </p>
          <ul>
            {solved.waysOn.map((on) => (
              <li key={JSON.stringify(on)}>{wayOnWords(on, units)}</li>
            ))}
          </ul>
        </div>
      )}
      <HeatLine
        route={shown}
        times_s={times_s}
        trial={isSame ? null : route}
        steel={piece.steel}
        lux={units.ambient_lux}
        levels={planned.data?.transformations}
        progress={0}
        checks={[]}
        acts={[]}
        units={units}
        label={`Heat line of the ${piece.name}, the ${way === undefined ? "plan" : `${WAY_NAMES[way.name]} way`}. ${headline}`}
      />
      {solved === undefined || way === undefined ? null : (
        <div aria-busy={isPlaceholderData}>
          <p className="ways-short">
            <b>{WAY_NAMES[way.name]}</b>: {wayInShort(way, units)}
            {isSame ? ", as it is planned." : ". Dashed: as it is planned."}
          </p>
          <WaysTable
            solved={solved}
            chosen={way.name}
            name={name}
            place={place}
            thickest={place === "edge" ? "spine" : "centre"}
            units={units}
            onChoose={setChosen}
          />
          <Pins pins={pins} onPins={setPins} />
          {oneThing === null ? null : <p className="ways-short">{oneThing}</p>}
          <div className="ways-panels">
            <Limits solved={solved} way={way} units={units} />
            <Temper solved={solved} way={way} units={units} />
            <WorthKnowing solved={solved} id={state.id} />
          </div>
          {grind === null ? null : <p className="ways-foot">{grind}</p>}
          <OtherSchools piece={piece} route={route} onTake={isBegun ? null : (other) => void take(other)} />
          <p className="ways-foot">
            Cracks by judgement, right to a factor of two. How often it is normalised is by the tables: what that does is not computed.
          </p>
        </div>
      )}
    </main>
  );
}

export function WaysPage() {
  return <OfPlannedPiece>{(state, route) => <Ways key={state.id} state={state} route={route} />}</OfPlannedPiece>;
}
