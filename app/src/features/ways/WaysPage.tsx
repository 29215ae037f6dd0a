/** The plan worked out: ways that land it, over each other where they differ, what set the heat, and what would be worth knowing. */

import { PINS, type PieceState, type Pin, type PlanWay, type Route, type Solved } from "@tembrak/core";
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
import { WAY_NAMES, limitWords, mayFailSentence, solvedSentence, wayInShort, wayOnWords } from "../../words/planWords.js";
import { steelWords } from "../../words/steelWords.js";
import { HeatJaws } from "./HeatJaws.js";
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

function Limits({ solved, heat_C, units }: { readonly solved: Solved; readonly heat_C: number; readonly units: Units }) {
  const { low, high, reaches } = limitWords(solved, units);
  return (
    <section aria-labelledby="limits-h" className="ways-limits">
      <h2 id="limits-h">What sets the hardening heat</h2>
      <HeatJaws limits={solved.limits} heat_C={heat_C} units={units} label={`${high}; ${low}; ${reaches}.`} />
      <ul>
        <li>{high}</li>
        <li>{low}</li>
        <li>{reaches}</li>
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
  const { data: solved, error, isPlaceholderData } = useSolved(piece, route, pins, !planned.isPending);
  const way = solved?.ways.find(({ name }) => name === chosen) ?? solved?.ways[0];
  const shown = way?.route ?? route;
  const times_s = useStepTimes(state, shown, solved !== undefined);
  const place = piece.section.shape === "wedge" ? "edge" : "surface";
  const isBegun = state.doneAt_ms.size > 0;
  const headline = solved === undefined ? "Working out what this shop can do with it…" : solvedSentence(solved, place);
  const isSame = way !== undefined && JSON.stringify(way.route.steps) === JSON.stringify(route.steps);
  const heat = shown.steps.findLast((step) => step.kind === "harden");
  const name = useId();
  const go = async () => {
    if (way === undefined) return;
    const isKept = isSame || (await write(state.id, [{ kind: "route", route: way.route }]));
    if (isKept) void navigate(toPiece(state.id));
  };
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
            <Button variant="contained" disabled={way === undefined || isPlaceholderData} onClick={() => void go()}>
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
          <div className="ways-panels">
            {heat?.kind === "harden" ? <Limits solved={solved} heat_C={heat.temperature_C} units={units} /> : null}
            <WorthKnowing solved={solved} />
          </div>
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
