/** What is to be hard, and what draws it: two choices, each with what it is for. */

import { canDraw, drawsFor, hardensFor, VESSELS, type Kit, type Section, type Way } from "@tembrak/core";
import { RadioKeys } from "./RadioKeys.js";
import { DRAWS_WORDS, HARDENS_WORDS, type SchoolWords } from "../words/schools.js";

interface GroupProps<K extends string> {
  readonly label: string;
  readonly keys: readonly K[];
  readonly chosen: K;
  readonly words: Readonly<Record<K, SchoolWords>>;
  readonly note: "does" | "prefer";
  readonly className: string;
  /** All but these are shut. */
  readonly only: readonly K[];
  /** What a way lacks in this kit; null for one that lacks nothing. */
  readonly lacks?: (key: K) => string | null;
  readonly onPick: (key: K) => void;
}

function Group<K extends string>({ label, keys, chosen, words, note, className, only, lacks = () => null, onPick }: GroupProps<K>) {
  return (
    <RadioKeys
      label={label}
      className={className}
      keyClass="plain-key"
      chosen={chosen}
      onPick={onPick}
      keys={keys.map((key) => ({
        key,
        isDisabled: !only.includes(key) || lacks(key) !== null,
        inside: (
          <>
            <b>{words[key].name}</b>
            <small>{lacks(key) ?? words[key][note]}</small>
          </>
        ),
      }))}
    />
  );
}

/** What each way of drawing cannot do without. */
const DRAW_LACKS: Readonly<Record<Way["draws"], string>> = {
  oven: "There is no oven and no kiln in the kit.",
  oil: "There is no pot of oil to temper in in the kit.",
  salt: "There is no salt pot in the kit.",
  sand: "There is no sand tray in the kit.",
  torch: "There is no torch in the kit.",
  "hot-bar": "There is no fire in the kit to heat a bar in.",
  residual: "",
};

interface Props {
  readonly section: Section;
  readonly way: Way;
  readonly note: "does" | "prefer";
  readonly className: string;
  /** The simulated shop quenches all of a piece or its edge, and draws it in its oven. */
  readonly isPractice?: boolean;
  readonly kit?: Kit | null;
  readonly onPick: (way: Way) => void;
}

/** What the simulated shop can play: it follows a blade's section, not a bar's length, so no colours run along a bar. */
const PRACTICE_DRAWS: readonly Way["draws"][] = ["oven", "torch", "hot-bar", "residual", ...VESSELS];
const PRACTICE_HARDENS: readonly Way["hardens"][] = ["whole", "edge"];
const HARDENS = Object.keys(HARDENS_WORDS) as Way["hardens"][];
const DRAWS = Object.keys(DRAWS_WORDS) as Way["draws"][];

/** The nearest to a way that a shape has: what it cannot do is done as usual. */
export function wayWithin(section: Section, { hardens, draws }: Way): Way {
  const what = hardensFor(section).includes(hardens) ? hardens : "whole";
  return { hardens: what, draws: drawsFor(what).includes(draws) ? draws : "oven" };
}

/** The nearest to a way that the simulated shop can play. */
export function practiceWay(section: Section, way: Way): Way {
  const within = wayWithin(section, way);
  const hardens = PRACTICE_HARDENS.includes(within.hardens) ? within.hardens : "whole";
  const draws = practiceDraws(section).includes(within.draws) && drawsFor(hardens).includes(within.draws) ? within.draws : "oven";
  return { hardens, draws };
}

function practiceDraws({ shape }: Section): readonly Way["draws"][] {
  return shape === "wedge" ? PRACTICE_DRAWS : ["oven", ...VESSELS];
}

/** Oil, salt and sand are asked after where there are such: the kit has them under its ovens. */
function isOffered(draws: Way["draws"], kit: Kit | null): boolean {
  return VESSELS.every((vessel) => vessel !== draws) || (kit !== null && canDraw(draws, kit));
}

export function WayKeys({ section, way, note, className, isPractice = false, kit = null, onPick }: Props) {
  return (
    <>
      <h2>What is to be hard?</h2>
      <Group
        label="What is to be hard"
        keys={hardensFor(section)}
        chosen={way.hardens}
        words={HARDENS_WORDS}
        note={note}
        className={className}
        only={isPractice ? PRACTICE_HARDENS : HARDENS}
        onPick={(hardens) => onPick(wayWithin(section, { ...way, hardens }))}
      />
      <h2>What draws the temper?</h2>
      <Group
        label="What draws the temper"
        keys={drawsFor(way.hardens).filter((by) => by === way.draws || isOffered(by, kit))}
        chosen={way.draws}
        words={DRAWS_WORDS}
        note={note}
        className={className}
        only={isPractice ? practiceDraws(section) : DRAWS}
        lacks={(draws) => (canDraw(draws, kit) ? null : DRAW_LACKS[draws])}
        onPick={(draws) => onPick({ ...way, draws })}
      />
    </>
  );
}
