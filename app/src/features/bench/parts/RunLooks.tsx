/** What is looked at in a run: the minute to come, what the simulated shop shows, and a key for each colour there can be. */

import {
  COMING_s,
  filmNamed_nm,
  heatOfColour_C,
  type Check,
  type ColourName,
  type RunLog,
  type RunNow,
  type RunSource,
} from "@tembrak/core";
import { useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { alloyShiftOf_K } from "../../../format/alloyShift.js";
import { showDegrees } from "../../../format/show.js";
import { filmColour } from "../../../parts/ribbonColour.js";
import { useSettings } from "../../../store/useStore.js";
import { colourKeys, edgeWords, glareWords } from "../../../words/runWords.js";
import type { ActProps } from "./ActKey.js";

type Props = ActProps<"run">;

/** Where its colour is looked for, and the line where there is one. */
export interface Watched {
  readonly place: string;
  readonly line_mm: number | null;
}

interface KeysProps extends Pick<Props, "bench"> {
  readonly steel: string;
  readonly names: readonly ColourName[];
  readonly wanted: ColourName;
  readonly seen: ColourName | undefined;
  readonly legend: string;
  /** Of an edge that was to stay bare, not of what is watched. */
  readonly isEdge?: boolean;
}

function ColourKeys({ steel, names, wanted, seen, bench, legend, isEdge = false }: KeysProps) {
  const units = useSettings();
  const surface_K = alloyShiftOf_K(steel);
  return (
    <div className="colour-keys" role="group" aria-label={legend}>
      {names.map((name) => {
        const film_nm = filmNamed_nm(name);
        const reading: Check = { check: "temper-colour", name, ...(isEdge ? { at: "edge" as const } : {}) };
        return (
          <button
            key={name}
            type="button"
            className={name === wanted ? "colour-key wanted" : "colour-key"}
            aria-pressed={seen === name}
            disabled={bench.isStoring}
            onClick={() => bench.check(reading)}
          >
            <i style={{ background: film_nm === 0 ? "var(--steel)" : filmColour(film_nm) }} />
            {name}
            {film_nm === 0 ? null : <small aria-hidden="true">{showDegrees(heatOfColour_C(name, surface_K), units)}</small>}
          </button>
        );
      })}
    </div>
  );
}

/** What is watched over the next minute: now at the left, the jaws where it is right. */
function EdgeStrip({ now, wanted, place }: { now: RunNow; wanted: ColourName; place: string }) {
  const W = 1000;
  const cell = W / now.coming_nm.length;
  const xOf = (s: number): number => Math.min(W + 40, Math.max(-40, (s / COMING_s) * W));
  const [a, b] = now.window_s.map(xOf) as [number, number];
  return (
    <figure className="edge-strip">
      <svg
        viewBox={`0 0 ${W} 70`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`The ${place} over the next minute; right for ${wanted} between the jaws`}
      >
        {now.coming_nm.map((film, i) => (
          <rect key={i} x={i * cell} y={14} width={cell + 1} height={42} fill={film < 3 ? "var(--line2)" : filmColour(film)} />
        ))}
        {b < W ? <rect x={b} y={14} width={W - b} height={42} fill="url(#hatch-cut)" /> : null}
        <path
          d={`M${a + 12} 4H${a}V66H${a + 12}M${b - 12} 4H${b}V66H${b - 12}`}
          fill="none"
          stroke="var(--pale)"
          strokeWidth={5}
          vectorEffect="non-scaling-stroke"
        />
        <path d="M2 4V66" stroke="var(--ink)" strokeWidth={4} vectorEffect="non-scaling-stroke" />
      </svg>
      <figcaption>
        <b>now</b>
        <span>{wanted} between the jaws</span>
        <span>in a minute</span>
      </figcaption>
    </figure>
  );
}

/** In the simulated shop its edge can be seen: as it is, without a name. */
function Seen({ state, place, line_mm }: Pick<Props, "state"> & Watched) {
  const shop = useShopBeside();
  const seen = state.piece.isPractice === true ? shop?.reading?.pieces.find(({ id }) => id === state.id) : undefined;
  if (seen === undefined) return null;
  const at =
    line_mm === null
      ? undefined
      : seen.along.reduce((a, b) => (Math.abs(b.behind_mm - line_mm) < Math.abs(a.behind_mm - line_mm) ? b : a), seen.along[0]!);
  return (
    <figure className="seen-edge">
      <i style={{ background: at?.hex ?? seen.edgeHex }} />
      {at === undefined ? null : <i style={{ background: seen.edgeHex }} />}
      <figcaption>
        {at === undefined
          ? `the ${place} of the simulated piece, in daylight`
          : "the line and the edge of the simulated piece, in daylight"}
      </figcaption>
    </figure>
  );
}

/** A line is run past more easily than an edge: keys up to blue. */
const LINE_KEYS = 8;
/** What an edge that was to stay bare may have taken. */
const EDGE_COLOURS: readonly ColourName[] = ["bare", "light straw", "dark straw", "purple"];

interface LooksProps extends Watched, Pick<Props, "state" | "bench"> {
  readonly log: RunLog;
  readonly wanted: ColourName;
}

/** While it runs: what the edge does meanwhile, and what is seen where it is watched. */
export function RunningLooks({
  state,
  bench,
  log,
  wanted,
  place,
  line_mm,
  now,
  source,
}: LooksProps & { now: RunNow | null; source: RunSource }) {
  const units = useSettings();
  return (
    <div>
      {now === null ? null : <EdgeStrip now={now} wanted={wanted} place={place} />}
      <Seen state={state} place={place} line_mm={line_mm} />
      <p className="run-note">
        {now === null || line_mm === null ? "" : `${edgeWords(now.edge_C, units)}. `}At the {place} you see{glareWords(source)}:
      </p>
      <ColourKeys
        steel={state.piece.steel}
        names={colourKeys(wanted, line_mm === null ? undefined : LINE_KEYS)}
        wanted={wanted}
        seen={log.seen.at(-1)?.name}
        bench={bench}
        legend={`The colour at the ${place}`}
      />
    </div>
  );
}

/** Dunked and cold: what was watched, and an edge that was to stay bare. */
export function ColdLooks({ state, bench, log, wanted, place, line_mm }: LooksProps) {
  return (
    <div>
      <Seen state={state} place={place} line_mm={line_mm} />
      <ColourKeys
        steel={state.piece.steel}
        names={colourKeys(wanted, line_mm === null ? undefined : LINE_KEYS)}
        wanted={wanted}
        seen={log.cold ?? undefined}
        bench={bench}
        legend={`The colour at the ${place}, cold`}
      />
      {line_mm === null ? null : (
        <>
          <p className="run-note edge-note">And the edge itself:</p>
          <ColourKeys
            steel={state.piece.steel}
            names={EDGE_COLOURS}
            wanted="bare"
            seen={log.edge ?? undefined}
            bench={bench}
            legend="The colour of the edge, cold"
            isEdge
          />
        </>
      )}
    </div>
  );
}
