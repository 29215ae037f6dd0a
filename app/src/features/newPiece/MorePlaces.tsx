/** A blade at more places than one, and what each part of it is wanted to be. */

import { zoneName, zonesFor } from "../../words/zoneNames.js";
import { LIMITS, THIN_EDGE, thinnestEdge_mm, hardensForZones, leavesTang, WISHES, type Piece, type Wish, type Zone } from "@tembrak/core";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import { showLength, type Units } from "../../format/show.js";
import { Choice } from "../../parts/Choice.js";
import { LengthField } from "../../parts/QuantityField.js";
import { MOST_PLACES, withPlace } from "./draft.js";

interface Props {
  readonly piece: Piece;
  readonly units: Units;
  readonly onChange: (piece: Piece) => void;
  readonly onFault: (key: string, isBad: boolean) => void;
}

/** Where one more is taken to be until it is said: the tip first. */
const FREE = [0.9, 0.3, 0.7, 0.5, 0.2, 0.8, 0.4, 0.6];

type Station = NonNullable<Piece["stations"]>[number];

/** The piece with its further places; without the field when there are none. */
function withStations(piece: Piece, stations: readonly Station[]): Piece {
  const rest = { ...piece };
  delete rest.stations;
  return stations.length === 0 ? rest : { ...rest, stations: [...stations] };
}

export function MorePlaces({ piece, units, onChange, onFault }: Props) {
  const { section, stations = [] } = piece;
  if (section.shape !== "wedge") return null;
  const put = (i: number, change: Partial<Station>): void =>
    onChange(
      withStations(
        piece,
        stations.map((station, k) => (k === i ? { ...station, ...change } : station)),
      ),
    );
  const thinnest_mm = thinnestEdge_mm(piece);
  return (
    <>
      {stations.map((station, i) => (
        <div key={i} className="measures more-place">
          <LengthField
            label="From the tang's end"
            role="length"
            value_mm={station.at * piece.length_mm}
            units={units}
            least_mm={0}
            most_mm={piece.length_mm}
            onFault={(bad) => onFault(`at ${i}`, bad)}
            onChange={(from_mm) => put(i, { at: Math.min(1, from_mm / piece.length_mm) })}
          />
          <LengthField
            label="Spine there"
            role="thickness"
            value_mm={station.spine_mm}
            units={units}
            least_mm={LIMITS.wedge.spine_mm[0]}
            most_mm={LIMITS.wedge.spine_mm[1]}
            onFault={(bad) => onFault(`spine ${i}`, bad)}
            onChange={(spine_mm) => put(i, { spine_mm })}
          />
          <LengthField
            label="Edge there"
            role="thickness"
            value_mm={station.edge_mm}
            units={units}
            least_mm={LIMITS.wedge.edge_mm[0]}
            most_mm={LIMITS.wedge.edge_mm[1]}
            onFault={(bad) => onFault(`edge ${i}`, bad)}
            onChange={(edge_mm) => put(i, { edge_mm })}
          />
          <Button
            variant="text"
            onClick={() => {
              for (const key of ["at", "spine", "edge"]) onFault(`${key} ${i}`, false);
              onChange(
                withStations(
                  piece,
                  stations.filter((_, k) => k !== i),
                ),
              );
            }}
          >
            Leave this place out
          </Button>
        </div>
      ))}
      {stations.length < MOST_PLACES ? (
        <Button onClick={() => onChange(withPlace(piece, FREE.find((at) => withPlace(piece, at) !== piece) ?? 0.5))}>
          Measure at one more place
        </Button>
      ) : null}
      {thinnest_mm !== null && thinnest_mm < THIN_EDGE.oil.thin_mm ? (
        <p className="hint" role="status">
          The edge is {showLength(thinnest_mm, units)} at its thinnest: it runs ahead of the rest, loses its skin and bends. Leave it at{" "}
          {showLength(THIN_EDGE.oil.leave_mm, units)} and grind it after.
        </p>
      ) : null}
    </>
  );
}

const WISH_WORDS: Readonly<Record<Wish, string>> = {
  hard: "hard, as its use wants",
  medium: "medium",
  soft: "soft, tough",
  untreated: "left as it is",
};

/** What each part should be: two parts at least, or nothing is kept. */
export function ZoneWishes({ piece, onChange }: Pick<Props, "piece" | "onChange">) {
  const { zones = [] } = piece;
  const { section } = piece;
  // Where it works: taken as wanted hard when only another part is spoken of.
  const works: Zone = section.shape === "wedge" ? "edge" : "tip";
  const wishOf = (zone: Zone): Wish | "" => zones.find((z) => z.zone === zone)?.wants ?? "";
  const wish = (zone: Zone, wants: Wish | ""): void => {
    const others = zones.filter((z) => z.zone !== zone);
    // A wish for one part alone says nothing yet of the piece.
    const next = wants === "" ? others : [...others, { zone, wants }];
    const asked = next.length === 1 && next[0]!.zone !== works ? [{ zone: works, wants: "hard" as const }, ...next] : next;
    const rest = { ...piece };
    delete rest.zones;
    onChange(asked.length >= 2 ? { ...rest, zones: asked } : rest);
  };
  const hardens = hardensForZones(piece);
  return (
    <>
      <div className="measures">
        {zonesFor(section).map((zone) => (
          <Choice
            key={zone}
            label={`The ${zoneName(zone, section)}`}
            value={wishOf(zone)}
            onChange={(event) => wish(zone, event.target.value as Wish | "")}
          >
            <MenuItem value="">not said</MenuItem>
            {WISHES.map((key) => (
              <MenuItem key={key} value={key}>
                {WISH_WORDS[key]}
              </MenuItem>
            ))}
          </Choice>
        ))}
      </div>
      {leavesTang(piece) && section.shape === "wedge" ? (
        <p className="hint">The tang stays out of the fire: so it is planned, but in a kiln.</p>
      ) : null}
      {hardens === "edge" ? <p className="hint">A hard edge and a softer back: quench the edge only.</p> : null}
      {hardens === "whole" && wishOf("spine") === "medium" ? (
        <p className="hint">A hard edge and a medium back: harden all of it, then draw the back.</p>
      ) : null}
      {hardens === "face" ? <p className="hint">One hard end and a softer body: quench that end only.</p> : null}
      {hardens === "ends" ? <p className="hint">Two hard ends and a softer body: one after the other.</p> : null}
    </>
  );
}
