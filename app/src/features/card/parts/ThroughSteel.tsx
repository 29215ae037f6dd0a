/** Through the steel at any station: hardness when done, martensite and temperature at any moment of the quench. */

import { failureWords } from "../../../words/failureWords.js";
import { formOf, hasStations, workingSection, type Effort, type Prediction, type Question, type SectionPicture } from "@tembrak/core";
import { useId, useMemo, useState } from "react";
import { useSectionPicture, useStations } from "../../../compute/useAnswers.js";
import { axisTicks_C, showDegrees, showHardness, showLength, showTemperature, type Units } from "../../../format/show.js";
import { hardnessShade, martensiteShade, temperatureShade } from "../../../parts/hardnessShade.js";
import { PaintedSection } from "./PaintedSection.js";
import { ProfileChart, type ProfileRow } from "./ProfileChart.js";
import { fieldRows, rowsLength_mm, type FieldRow } from "./sectionCells.js";
import { sectionRows } from "./sectionRows.js";
import { STATIONS, StationStrip } from "./StationStrip.js";

export type ThroughView = "hardness" | "martensite" | "heat";

interface Props {
  readonly view: ThroughView;
  readonly question: Question;
  readonly effort: Effort;
  readonly prediction: Prediction;
  readonly units: Units;
}

interface PlaceWords {
  readonly from: string;
  readonly to: string;
}

/** Softer than this the scale says nothing, HRC. */
const LEAST_DRAWN_HRC = 15;

function Hardness({
  picture,
  prediction,
  words,
  units,
}: {
  picture: SectionPicture;
  prediction: Prediction;
  words: PlaceWords;
  units: Units;
}) {
  const rows = sectionRows(picture);
  const [first, last] = [rows[0]!, rows[rows.length - 1]!];
  const { low_HRC, high_HRC } = prediction.target;
  const least = Math.max(LEAST_DRAWN_HRC, Math.min(30, ...rows.map(({ low_HRC: low }) => Math.floor(low / 5) * 5)));
  const data: ProfileRow[] = rows.map((row) => ({
    x: row.x_mm,
    main: row.tempered_HRC,
    second: row.asQuenched_HRC,
    band: [Math.max(LEAST_DRAWN_HRC, row.low_HRC), Math.min(70, row.high_HRC)],
  }));
  const says = `Hardness from ${words.from} to ${words.to}: as quenched ${showHardness(first.asQuenched_HRC)} to ${showHardness(last.asQuenched_HRC)}, tempered ${showHardness(first.tempered_HRC)} to ${showHardness(last.tempered_HRC)} HRC`;
  return (
    <>
      <PaintedSection picture={picture} field={picture.tempered_HRC} shade={hardnessShade} units={units} />
      <ProfileChart
        rows={data}
        length_mm={rowsLength_mm(picture)}
        {...words}
        domain={[least, 70]}
        ticks={least < 30 ? [20, 40, 60] : [30, 40, 50, 60, 70]}
        wanted={[low_HRC, high_HRC]}
        says={says}
        units={units}
      />
      <p className="drawn through-note">
        HRC. Dashed as quenched {showHardness(last.asQuenched_HRC)} at the {words.to}, solid tempered {showHardness(last.tempered_HRC)};
        band 9 in 10; green what the use wants.
      </p>
    </>
  );
}

/** Moments of the quench as a slide: the steps of the picture, not even in time. */
function Moments({ picture, at, onAt }: { picture: SectionPicture; at: number; onAt: (at: number) => void }) {
  const id = useId();
  const time_s = picture.frames[at]!.time_s;
  const says = time_s < 10 ? `${time_s.toFixed(1)} s` : `${Math.round(time_s)} s`;
  return (
    <div className="moments">
      <label htmlFor={id} className="drawn">
        out of the fire <b>{says}</b>
      </label>
      <input
        id={id}
        type="range"
        min={0}
        max={picture.frames.length - 1}
        step={1}
        value={at}
        aria-valuetext={says}
        onChange={(e) => onAt(Number(e.target.value))}
      />
    </div>
  );
}

interface InTimeProps {
  readonly picture: SectionPicture;
  readonly view: "martensite" | "heat";
  readonly words: PlaceWords;
  readonly units: Units;
}

function InTime({ picture, view, words, units }: InTimeProps) {
  // Half a second in the bath says most; begin there.
  const [moment, setMoment] = useState(10);
  if (picture.frames.length === 0) {
    return (
      <p className="waiting" role="status">
        Working it out…
      </p>
    );
  }
  const at = Math.min(moment, picture.frames.length - 1);
  const frame = picture.frames[at]!;
  const isHeat = view === "heat";
  const field = isHeat ? frame.temperature_C : frame.martensite;
  const rows = fieldRows(picture, field);
  const [first, last] = [rows[0]!, rows[rows.length - 1]!];
  const say = ({ middle }: FieldRow): string => (isHeat ? showTemperature(middle, units) : `${Math.round(100 * middle)} %`);
  const says = `${isHeat ? "Temperature" : "Martensite"} after ${frame.time_s.toFixed(1)} s: ${words.from} ${say(first)}, ${words.to} ${say(last)}`;
  return (
    <>
      <PaintedSection picture={picture} field={field} shade={isHeat ? temperatureShade : martensiteShade} units={units} />
      <ProfileChart
        rows={rows.map(({ x_mm, middle, surface }) => ({
          x: x_mm,
          main: isHeat ? middle : 100 * middle,
          second: surface === null ? null : isHeat ? surface : 100 * surface,
        }))}
        length_mm={rowsLength_mm(picture)}
        {...words}
        domain={isHeat ? [0, 900] : [0, 100]}
        ticks={isHeat ? axisTicks_C({ C: [0, 300, 600, 900], F: [500, 1000, 1500] }, units) : [0, 50, 100]}
        showTick={isHeat ? (T) => showDegrees(T, units) : (share) => `${share}\u00a0%`}
        says={says}
        units={units}
      />
      <Moments picture={picture} at={at} onAt={setMoment} />
      <p className="drawn through-note">
        {words.from} {say(first)}, {words.to} {say(last)}.{rows[0]!.surface === null ? "" : " Solid in the middle, dashed at the surface."}
      </p>
    </>
  );
}

/** How high the line runs along the piece. */
function lineWords(along: readonly (SectionPicture | undefined)[], units: Units): string {
  const heights = along.flatMap((picture) => (picture?.quenchLine ? [picture.quenchLine.height_mm] : []));
  if (heights.length < 2) return "";
  const [low, high] = [showLength(Math.min(...heights), units), showLength(Math.max(...heights), units)];
  return ` Broken line: hard below, about ${low === high ? low : `${low} to ${high}`} up.`;
}

export function ThroughSteel({ view, question, effort, prediction, units }: Props) {
  const { piece } = question;
  const [station, setStation] = useState<number | null>(null);
  const form = formOf(piece);
  const isBlade = hasStations(piece, form);
  const asked = useMemo(() => ({ ...question, effort }), [question, effort]);
  const picture = useSectionPicture(asked, isBlade ? station : null);
  const quick = useMemo(() => ({ ...question, effort: "quick" as const }), [question]);
  const along = useStations(quick, STATIONS, isBlade && effort === "full" && picture.data !== undefined);
  const words = workingSection(piece).shape === "wedge" ? { from: "spine", to: "edge" } : { from: "surface", to: "centre" };
  if (picture.error !== null) return <p className="waiting">{failureWords(picture.error)}</p>;
  return (
    <div className="through">
      {isBlade ? (
        <>
          <StationStrip piece={piece} pictures={along} station={station} onStation={setStation} units={units} mouth={prediction.mouth} />
          <p className="drawn through-note">
            {station === null
              ? "Cut where it was measured; drag it along."
              : `Cut ${showLength(station * piece.length_mm, units)} from where it hangs, ${showLength(picture.data?.section.shape === "wedge" ? picture.data.section.height_mm : 0, units)} high.`}
            {lineWords(along, units)}
          </p>
        </>
      ) : null}
      {picture.data === undefined ? (
        <p className="waiting" role="status">
          Working it out…
        </p>
      ) : view === "hardness" ? (
        <Hardness picture={picture.data} prediction={prediction} words={words} units={units} />
      ) : (
        <InTime picture={picture.data} view={view} words={words} units={units} />
      )}
    </div>
  );
}
