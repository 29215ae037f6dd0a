/** A new piece: described, measured, given a school; then its heat card. */

import {
  CATALOGUE,
  fitProblems,
  formOf,
  FORMS,
  missingFor,
  planRoute,
  HEATINGS,
  JUDGES,
  judgedIn,
  MAY_FAIL,
  SCHOOL_HEATING,
  hardensForZones,
  USUAL_WAY,
  wayOf,
  type Kit,
  type Piece,
  type PieceState,
  type Heating,
  type JudgedBy,
  type Route,
  type Way,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { lazy, Suspense, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { shopNow } from "../../store/shopClock.js";
import { newId } from "../../store/db.js";
import { useKeepKit, useLog, useKit, usePieces, useSettings, useUnits } from "../../store/useStore.js";
import { nextMark, ORDERED_FORMS, pieceOfForm } from "./draft.js";
import { lackWords, unfairWords } from "../../words/routeWords.js";
import { isFair, usePlanned } from "../../compute/useAnswers.js";
import { practiceWay, WayKeys, wayWithin } from "../../parts/WayKeys.js";
import { RadioKeys } from "../../parts/RadioKeys.js";
import { markProblem } from "../../words/markWords.js";
import { PlaceKeys } from "../../parts/PlaceKeys.js";
import { heatingName, JUDGE_WORDS } from "../../words/schools.js";
import { fitSentence } from "../../words/fitWords.js";
import { FitNotice } from "../../parts/FitNotice.js";
import { unknownOf } from "../../words/unknownWords.js";
import { showLength, type Units } from "../../format/show.js";
import { Fold } from "../../parts/Fold.js";
import { PieceForm, type Group } from "./PieceForm.js";
import { useFaults } from "../../parts/useFaults.js";
import { toPiece } from "../../format/address.js";

const SolvedNotice = lazy(async () => ({ default: (await import("../../parts/SolvedNotice.js")).SolvedNotice }));

/** A plan that may fail is said before it is kept, with what would help. */
function MayFail({ piece, route }: { readonly piece: Piece; readonly route: Route }) {
  const prediction = usePlanned(piece, route, "quick");
  const { data, isPlaceholderData } = prediction;
  if (data === undefined || isPlaceholderData || (data.failChance <= MAY_FAIL && data.chanceInTarget >= MAY_FAIL)) return null;
  return (
    <Suspense fallback={null}>
      <SolvedNotice piece={piece} route={route} isNew />
    </Suspense>
  );
}

/** What is hardened of such a piece, where nobody says otherwise. */
function usualWay({ form }: Pick<Piece, "form">): Way {
  return { ...USUAL_WAY, hardens: FORMS.find(({ id }) => id === form)?.usualHardens ?? USUAL_WAY.hardens };
}

/** The heating a shop starts from: its kiln where it has one. */
function firstHeating(kit: Kit | null): Heating {
  // Who has a kiln bought it for this.
  if (kit?.some(({ kind }) => kind === "kiln") === true && missingFor("kiln", kit) === null) return SCHOOL_HEATING.kiln;
  return HEATINGS.find((heating) => missingFor(heating, kit) === null) ?? SCHOOL_HEATING.forge;
}

const WHERE = {
  own: (
    <>
      <b>In my own shop</b>
      <small>Steel and fire.</small>
    </>
  ),
  practice: (
    <>
      <b>In the simulated shop</b>
      <small>No steel, no fire: a forge, bath and oven that behave, with a clock up to a hundred times as fast.</small>
    </>
  ),
} as const;

/** How it is heated, what is to be hard, and where. */
function HowAndWhere({ piece, heating, way, isPractice, kit, onHeating, onWay, onPractice }: HowProps) {
  const { temperature: unit } = useUnits();
  const falling = usePlanned(piece, planRoute(CATALOGUE, piece, { in: heating.in, by: "pull" }, { way, kit, unit }), "quick").data;
  const lackOf = (by: JudgedBy): string | null => {
    const there = { in: heating.in, by };
    return lackWords(there, kit) ?? (falling === undefined || isFair(there, falling) ? null : unfairWords(falling));
  };
  return (
    <>
      <h2>What will you heat it in?</h2>
      <PlaceKeys place={heating.in} kit={kit} onPick={(place) => onHeating(judgedIn(place, heating))} />
      <h2>How will you know that it is hot enough?</h2>
      <RadioKeys
        label="Judged by"
        className="place-keys judge-keys"
        keyClass="plain-key"
        chosen={heating.by}
        onPick={(by) => onHeating({ in: heating.in, by })}
        keys={JUDGES[heating.in].map((key) => ({
          key,
          isDisabled: lackOf(key) !== null,
          inside: (
            <>
              <b>{JUDGE_WORDS[key].name}</b>
              {key === heating.by || lackOf(key) !== null ? <small>{lackOf(key) ?? JUDGE_WORDS[key].does}</small> : null}
            </>
          ),
        }))}
      />
      <WayKeys section={piece.section} way={way} note="does" className="school-keys" isPractice={isPractice} kit={kit} onPick={onWay} />
      <h2>Where?</h2>
      <RadioKeys
        label="Where"
        className="school-keys"
        keyClass="plain-key"
        chosen={isPractice ? "practice" : "own"}
        onPick={(where) => onPractice(where === "practice")}
        keys={(["own", "practice"] as const).map((where) => ({ key: where, inside: WHERE[where] }))}
      />
    </>
  );
}

interface HowProps {
  readonly piece: Piece;
  readonly heating: Heating;
  readonly way: Way;
  readonly isPractice: boolean;
  readonly kit: Kit | null;
  readonly onHeating: (heating: Heating) => void;
  readonly onWay: (way: Way) => void;
  readonly onPractice: (isPractice: boolean) => void;
}

/** Its answers, with a mark of its own. */
function likeIt(piece: Piece, mark: string): Piece {
  const answers: Piece = { ...piece, mark };
  delete answers.isPractice;
  return answers;
}

/** The answers of the last piece, for one like it. */
function AsTheLast({ last, units, onTake }: { last: PieceState; units: Units; onTake: () => void }) {
  const { name, steel, length_mm } = last.piece;
  return (
    <Button className="as-last" onClick={onTake}>
      As the last one: {name.toLowerCase()}, {CATALOGUE.steel(steel)?.name ?? steel}, {showLength(length_mm, units)}
    </Button>
  );
}

/** A test coupon of the same bar. */
function couponOf({ steel, start }: Piece, mark: string): Piece {
  const form = FORMS.find(({ id }) => id === "coupon")!;
  return { ...pieceOfForm(form, null, mark), steel, start };
}

interface NewProps {
  /** The piece whose bar it is to tell of. */
  readonly coupon: PieceState | null;
  readonly mark: string;
  readonly kit: Kit | null;
  readonly last: PieceState | null;
  /** The piece it is to be like, where it was asked for beside that. */
  readonly like: PieceState | null;
  readonly startsInPractice: boolean;
}

function NewPiece({ mark, kit, last, like, coupon, startsInPractice }: NewProps) {
  const units = useSettings();
  const navigate = useNavigate();
  const [piece, setPiece] = useState<Piece>(() =>
    coupon !== null ? couponOf(coupon.piece, mark) : like === null ? pieceOfForm(ORDERED_FORMS[0]!, null, mark) : likeIt(like.piece, mark),
  );
  const [heating, setHeating] = useState<Heating>(() =>
    like?.route && missingFor(like.route.heating, kit) === null ? like.route.heating : firstHeating(kit),
  );
  const [chosenWay, setWay] = useState<Way>(() => (like?.route ? wayOf(like.route) : usualWay(piece)));
  const [isPractice, setPractice] = useState(startsInPractice || like?.piece.isPractice === true);
  const [open, setOpen] = useState<Group | null>("what");
  const { faults, onFault, clear } = useFaults();
  const { write } = useLog();
  const keepKit = useKeepKit();
  const pieces = usePieces() ?? [];
  const isReady = faults === 0 && piece.name.trim() !== "" && markProblem({ ...piece, isPractice }, pieces) === null;
  const way = isPractice ? practiceWay(piece.section, chosenWay) : wayWithin(piece.section, chosenWay);
  const route = planRoute(CATALOGUE, piece, heating, { way, kit, unit: units.temperature });
  // A fire that does not get so hot: nothing is planned that cannot be done, and the ways on stand above the key.
  const short = fitProblems(CATALOGUE, piece, formOf(piece), route, kit).find(({ what }) => what === "not-so-hot");
  const change = (next: Piece): void => {
    if (next.form !== piece.form || next.section.shape !== piece.section.shape) clear();
    // What the parts are wanted to be asks for a way; the smith may still choose another.
    const asked = hardensForZones(next);
    if (asked !== null && asked !== hardensForZones(piece)) setWay({ ...chosenWay, hardens: asked });
    else if (next.form !== piece.form) setWay({ ...usualWay(next), draws: chosenWay.draws });
    setPiece(next);
  };
  const take = ({ piece: other, route: its }: PieceState): void => {
    clear();
    setPiece(likeIt(other, mark));
    setPractice(other.isPractice === true);
    if (its === null) return;
    if (missingFor(its.heating, kit) === null) setHeating(its.heating);
    setWay(wayOf(its));
  };
  const save = async (): Promise<void> => {
    const id = newId(shopNow());
    const definition = { ...piece, name: piece.name.trim(), mark: piece.mark.trim(), ...(isPractice ? { isPractice } : {}) };
    const isStored = await write(id, [
      { kind: "piece", definition },
      { kind: "route", route },
    ]);
    if (isStored) await navigate(toPiece(id));
  };
  return (
    <main className="new-page">
      <header>
        <div>
          <h1>A new piece</h1>
          <p>Four answers and a few measures; the rest is worked out.</p>
        </div>
      </header>
      {last === null || like !== null ? null : <AsTheLast last={last} units={units} onTake={() => take(last)} />}
      <PieceForm piece={piece} onChange={change} onFault={onFault} open={open} onOpen={setOpen} />
      <Fold
        title="How and where"
        says={`${heatingName(heating)}; ${isPractice ? "in the simulated shop" : "in my own shop"}`}
        isOpen={open === "how"}
        onOpen={(isOpen) => setOpen(isOpen ? "how" : null)}
      >
        <HowAndWhere
          piece={piece}
          heating={heating}
          way={way}
          isPractice={isPractice}
          kit={kit}
          onHeating={setHeating}
          onWay={setWay}
          onPractice={setPractice}
        />
      </Fold>
      <FitNotice
        piece={piece}
        route={route}
        kit={kit}
        units={units}
        onKit={(item) => void keepKit.add([item])}
        onReplan={(nextHeating, nextWay) => {
          setHeating(nextHeating);
          setWay(nextWay);
        }}
      />
      {faults > 0 || short !== undefined ? null : <MayFail piece={piece} route={route} />}
      <div className="form-foot">
        <Button
          variant="contained"
          className="act-key"
          disabled={!isReady || short !== undefined}
          onClick={() => void save()}
          sx={{ minHeight: 60, fontSize: 20 }}
        >
          Plan its heats
        </Button>
        <span role="alert">
          {faults > 0 ? "One of the measures above is not clear yet." : short === undefined ? "" : fitSentence(short, units)}
        </span>
      </div>
    </main>
  );
}

/** The piece described last, of a kind that is known here. */
function lastMade(pieces: readonly PieceState[]): PieceState | null {
  const known = pieces.filter((state) => state.route !== null && unknownOf(state).length === 0);
  return known.reduce<PieceState | null>(
    (newest, state) => (newest !== null && madeAt_ms(newest) >= madeAt_ms(state) ? newest : state),
    null,
  );
}

function madeAt_ms({ events }: PieceState): number {
  return events[0]?.at_ms ?? 0;
}

export function NewPiecePage() {
  const pieces = usePieces();
  const kit = useKit();
  const [asked] = useSearchParams();
  if (pieces === undefined || kit === undefined) return <main aria-busy="true" style={{ flex: 1 }} />;
  const like = pieces.find(({ id }) => id === asked.get("like"));
  const coupon = pieces.find(({ id }) => id === asked.get("coupon"));
  return (
    <NewPiece
      coupon={coupon === undefined || unknownOf(coupon).length > 0 ? null : coupon}
      mark={nextMark(pieces.map(({ piece }) => piece.mark))}
      kit={kit}
      last={lastMade(pieces)}
      like={like === undefined || unknownOf(like).length > 0 ? null : like}
      startsInPractice={asked.has("practice")}
    />
  );
}
