/** Describes a piece: what it is, of what steel, how it starts, what for, and its measures. Drawn to scale while typed. */

import { breadth_mm, LIMITS, CATALOGUE, targetOf, thickness_mm, type Piece, type Section } from "@tembrak/core";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useRef, useState, type ReactNode } from "react";
import { steelFacts } from "../../words/sources.js";
import { steelWords } from "../../words/steelWords.js";
import { showLength, showNotches, type Units } from "../../format/show.js";
import { Choice } from "../../parts/Choice.js";
import { Fold } from "../../parts/Fold.js";
import { LivePiece, SCALE_PAINT, type Dimension } from "./LivePiece.js";
import { RadioKeys } from "../../parts/RadioKeys.js";
import { useWide } from "../../parts/useWide.js";
import { Hatches } from "../../parts/Drawing.js";
import { LengthField, NumberField } from "../../parts/QuantityField.js";
import { drawPiece, Silhouette } from "../../parts/Silhouette.js";
import { usePieces, useUnits } from "../../store/useStore.js";
import { markProblem } from "../../words/markWords.js";
import { BevelFields } from "./BevelFields.js";
import { CladFields } from "./CladFields.js";
import { MorePlaces, ZoneWishes } from "./MorePlaces.js";
import { inShape, ORDERED_FORMS, pieceOfForm, SHAPE_WORDS, START_WORDS, withPlace, type ShapeName } from "./draft.js";
import "./newPiece.css";

interface Props {
  /** Of one that is in the book already. */
  readonly id?: string;
  readonly piece: Piece;
  readonly onChange: (piece: Piece) => void;
  readonly onFault: (key: string, isBad: boolean) => void;
  /** The group that stands open on a phone. */
  readonly open: Group | null;
  readonly onOpen: (group: Group | null) => void;
}

/** A phone shows so many kinds, the commonest, until more are asked for. */
const COMMON_FORMS = 6;

function FormPicker({ piece, onChange }: Pick<Props, "piece" | "onChange">) {
  const isWide = useWide();
  const [isAll, setAll] = useState(false);
  const shown = ORDERED_FORMS.filter((form, i) => isWide || isAll || i < COMMON_FORMS || form.id === piece.form);
  return (
    <RadioKeys
      label="Kind of piece"
      className="forms"
      keyClass="form-key"
      chosen={piece.form ?? null}
      onPick={(id) => onChange(pieceOfForm(ORDERED_FORMS.find((form) => form.id === id) ?? ORDERED_FORMS[0]!, piece, piece.mark))}
      keys={shown.map((form) => {
        const sample = pieceOfForm(form, null, "1");
        const box = drawPiece(sample, 1, "hang");
        const k = Math.min(62 / box.width_px, 74 / box.height_px);
        const drawn = drawPiece(sample, k, "hang");
        return {
          key: form.id,
          inside: (
            <>
              <svg width={70} height={80} aria-hidden="true">
                <g transform={`translate(${35 - drawn.width_px / 2} ${40 - drawn.height_px / 2})`}>
                  <Silhouette drawn={drawn} lie="hang" paint={SCALE_PAINT} />
                </g>
              </svg>
              {form.name}
            </>
          ),
        };
      })}
    >
      {shown.length === ORDERED_FORMS.length ? null : (
        <Button variant="text" className="more-kinds" onClick={() => setAll(true)}>
          {ORDERED_FORMS.length - shown.length} more kinds
        </Button>
      )}
    </RadioKeys>
  );
}

/** A field that the drawing leads to. */
function Measured({ of, children }: { of: Dimension; children: ReactNode }) {
  return <div data-dimension={of}>{children}</div>;
}

function Measures({ piece, onChange, onFault, units }: Omit<Props, "open" | "onOpen"> & { units: Units }) {
  const { section } = piece;
  const set = (next: Section): void => onChange({ ...piece, section: next });
  const field = (key: string) => ({ units, onFault: (bad: boolean) => onFault(key, bad) });
  return (
    <div className="measures">
      <Measured of="length">
        <LengthField
          {...field("length")}
          label="Length over all"
          role="length"
          value_mm={piece.length_mm}
          least_mm={LIMITS.piece.length_mm[0]}
          most_mm={LIMITS.piece.length_mm[1]}
          onChange={(length_mm) => onChange({ ...piece, length_mm })}
        />
      </Measured>
      {section.shape === "wedge" ? (
        <>
          <Measured of="height">
            <LengthField
              {...field("height")}
              label="Height, edge to back"
              role="height"
              value_mm={section.height_mm}
              least_mm={LIMITS.wedge.height_mm[0]}
              most_mm={LIMITS.wedge.height_mm[1]}
              onChange={(height_mm) => set({ ...section, height_mm })}
            />
          </Measured>
          <Measured of="thickness">
            <LengthField
              {...field("spine")}
              label="Thickness at the spine"
              role="thickness"
              value_mm={section.spine_mm}
              least_mm={LIMITS.wedge.spine_mm[0]}
              most_mm={LIMITS.wedge.spine_mm[1]}
              onChange={(spine_mm) => set({ ...section, spine_mm })}
            />
          </Measured>
          <LengthField
            {...field("edge")}
            label="Thickness at the edge now"
            role="thickness"
            value_mm={section.edge_mm}
            least_mm={LIMITS.wedge.edge_mm[0]}
            most_mm={LIMITS.wedge.edge_mm[1]}
            suggestion={section.edge_mm < 0.7 ? "Thin for the fire: it may crack or wrinkle." : ""}
            onChange={(edge_mm) => set({ ...section, edge_mm })}
          />
        </>
      ) : section.shape === "plate" ? (
        <>
          <Measured of="height">
            <LengthField
              {...field("wide")}
              label="Width"
              role="height"
              value_mm={breadth_mm(piece)}
              least_mm={LIMITS.plate.width_mm[0]}
              most_mm={LIMITS.plate.width_mm[1]}
              onChange={(width_mm) => set({ ...section, width_mm })}
            />
          </Measured>
          <Measured of="thickness">
            <LengthField
              {...field("thick")}
              label="Thickness"
              role="thickness"
              value_mm={section.thickness_mm}
              least_mm={LIMITS.plate.thickness_mm[0]}
              most_mm={LIMITS.plate.thickness_mm[1]}
              onChange={(thickness_mm) => set({ ...section, thickness_mm })}
            />
          </Measured>
        </>
      ) : section.shape === "round" ? (
        <Measured of="thickness">
          <LengthField
            {...field("thick")}
            label="Diameter"
            role="thickness"
            value_mm={section.diameter_mm}
            least_mm={LIMITS.round.diameter_mm[0]}
            most_mm={LIMITS.round.diameter_mm[1]}
            onChange={(diameter_mm) => set({ ...section, diameter_mm })}
          />
        </Measured>
      ) : (
        <Measured of="thickness">
          <LengthField
            {...field("thick")}
            label="Side"
            role="thickness"
            value_mm={section.side_mm}
            least_mm={LIMITS.square.side_mm[0]}
            most_mm={LIMITS.square.side_mm[1]}
            onChange={(side_mm) => set({ ...section, side_mm })}
          />
        </Measured>
      )}
    </div>
  );
}

function WhatItIs({ id, piece, onChange }: Pick<Props, "id" | "piece" | "onChange">) {
  const badMark = markProblem(piece, usePieces() ?? [], id);
  return (
    <>
      <h2>What is it?</h2>
      <FormPicker piece={piece} onChange={onChange} />
      <div className="two">
        <TextField
          label="Name"
          value={piece.name}
          error={piece.name.trim() === ""}
          helperText={piece.name.trim() === "" ? "Give it a name." : " "}
          onChange={(e) => onChange({ ...piece, name: e.target.value.slice(0, 60) })}
        />
        <TextField
          label="Mark that survives the fire"
          value={piece.mark}
          error={badMark !== null}
          helperText={badMark ?? `File ${showNotches(piece.mark)} into the tang. Scribed lines vanish in scale.`}
          onChange={(e) => onChange({ ...piece, mark: e.target.value.slice(0, 12) })}
        />
      </div>
    </>
  );
}

function SteelAndUse({ piece, onChange, onFault, units }: Pick<Props, "piece" | "onChange" | "onFault"> & { units: Units }) {
  const steel = CATALOGUE.steel(piece.steel);
  const use = CATALOGUE.use(piece.use);
  return (
    <>
      <h2>Of what steel, and how does it start?</h2>
      <div className="two">
        <Choice
          label="Steel"
          value={piece.steel}
          helperText={steel ? `${steel.about} ${steelFacts(steel, units)}` : " "}
          onChange={(e) => onChange({ ...piece, steel: e.target.value })}
        >
          {CATALOGUE.steels.map(({ id, name, composition_wtpct }) => (
            <MenuItem key={id} value={id}>
              {name}, {composition_wtpct.value.C.toFixed(2)} % carbon
            </MenuItem>
          ))}
        </Choice>
        <Choice
          label="How it starts"
          value={piece.start}
          helperText={START_WORDS[piece.start][1]}
          onChange={(e) => onChange({ ...piece, start: e.target.value as Piece["start"] })}
        >
          {(Object.keys(START_WORDS) as Piece["start"][]).map((start) => (
            <MenuItem key={start} value={start}>
              {START_WORDS[start][0]}
            </MenuItem>
          ))}
        </Choice>
      </div>
      <h2>What is it for?</h2>
      <Choice
        fullWidth
        label="Use"
        value={piece.use}
        helperText={use ? `Wants ${use.target_HRC[0]} to ${use.target_HRC[1]} Rockwell C (HRC). ${use.why}` : " "}
        onChange={(e) => onChange({ ...piece, use: e.target.value })}
      >
        {CATALOGUE.uses.map(({ id, name, target_HRC }) => (
          <MenuItem key={id} value={id}>
            {name}, {target_HRC[0]} to {target_HRC[1]} HRC
          </MenuItem>
        ))}
      </Choice>
      <OwnAim piece={piece} onChange={onChange} onFault={onFault} />
    </>
  );
}

/** A hardness wanted of this piece alone, in the place of what its use wants. */
function OwnAim({ piece, onChange, onFault }: Pick<Props, "piece" | "onChange" | "onFault">) {
  const { aims_HRC: aims, ...rest } = piece;
  const [least, most] = LIMITS.aims.wanted_HRC;
  if (aims === undefined) {
    const { low_HRC, high_HRC } = targetOf(CATALOGUE, piece);
    return (
      <Button variant="text" onClick={() => onChange({ ...piece, aims_HRC: { low_HRC, high_HRC } })}>
        Another hardness for this one
      </Button>
    );
  }
  const field = (key: keyof typeof aims, label: string) => (
    <NumberField
      label={label}
      value={aims[key]}
      unit="HRC"
      least={least}
      most={most}
      onFault={(isBad) => onFault(key, isBad)}
      onChange={(value) => onChange({ ...piece, aims_HRC: { ...aims, [key]: value } })}
    />
  );
  return (
    <div className="two own-aim">
      {field("low_HRC", "This one: from")}
      {field("high_HRC", "to")}
      <Button
        variant="text"
        onClick={() => {
          onFault("low_HRC", false);
          onFault("high_HRC", false);
          onChange(rest);
        }}
      >
        As its use wants
      </Button>
    </div>
  );
}

function MeasureIt({ piece, onChange, onFault, units }: Omit<Props, "open" | "onOpen"> & { units: Units }) {
  return (
    <>
      <h2>Measure it</h2>
      <ToggleButtonGroup
        exclusive
        value={piece.section.shape}
        aria-label="Shape of the section"
        onChange={(_, shape: ShapeName | null) => shape && onChange(inShape(piece, shape))}
        sx={{ mb: 2, flexWrap: "wrap" }}
      >
        {(Object.keys(SHAPE_WORDS) as ShapeName[]).map((shape) => (
          <ToggleButton key={shape} value={shape}>
            {SHAPE_WORDS[shape]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Measures key={`${piece.form}-${piece.section.shape}`} piece={piece} onChange={onChange} onFault={onFault} units={units} />
      <BevelFields key={`bevel ${piece.form}`} piece={piece} units={units} onChange={onChange} onFault={onFault} />
      <CladFields piece={piece} units={units} onChange={onChange} onFault={onFault} />
      <MorePlaces piece={piece} units={units} onChange={onChange} onFault={onFault} />
      {piece.section.shape === "wedge" ? <h2>What should each part be? (if it matters)</h2> : null}
      <ZoneWishes piece={piece} onChange={onChange} />
      <p className="hint">Write it as you measure it: 4.8, 4.8 mm, 3/16, 1 1/4&quot;.</p>
    </>
  );
}

/** The groups of the form that fold on a phone; the last is the page's own. */
export type Group = "what" | "steel" | "measures" | "how";

/** The three groups that describe a piece. */
export function PieceForm({ id, piece, onChange, onFault, open, onOpen }: Props) {
  const units = useUnits();
  const isWide = useWide();
  const fields = useRef<HTMLDivElement>(null);
  const fold = (group: Group) => ({ isOpen: open === group, onOpen: (isOpen: boolean) => onOpen(isOpen ? group : null) });
  const live = (
    <LivePiece
      piece={piece}
      units={units}
      onPlace={(at) => onChange(withPlace(piece, at))}
      onTap={(of) => {
        const field = fields.current?.querySelector<HTMLInputElement>(`[data-dimension=${of}] input`);
        field?.focus();
        field?.select();
      }}
    />
  );
  const start = START_WORDS[piece.start][0].toLowerCase();
  const { name: use = "" } = CATALOGUE.use(piece.use) ?? {};
  return (
    <div className="piece-form">
      <Hatches />
      <div className="piece-fields" ref={fields}>
        <Fold title="What is it?" says={`${piece.name}, ${piece.mark}`} {...fold("what")}>
          <WhatItIs {...(id === undefined ? {} : { id })} piece={piece} onChange={onChange} />
        </Fold>
        <Fold title="Steel and use" says={`${steelWords(piece)}, ${start}; ${use.toLowerCase()}`} {...fold("steel")}>
          <SteelAndUse piece={piece} onChange={onChange} onFault={onFault} units={units} />
        </Fold>
        <Fold
          title="Measures"
          says={`${showLength(piece.length_mm, units)} long, ${showLength(thickness_mm(piece.section), units)} thick`}
          {...fold("measures")}
        >
          {isWide ? null : live}
          <MeasureIt piece={piece} onChange={onChange} onFault={onFault} units={units} />
        </Fold>
      </div>
      {isWide ? live : null}
    </div>
  );
}
