/** A simulated shop: forge, kiln with its controller, oven, bath, tester, and pieces that become what the core says they become. */

import { cooledSection } from "../shape/bevel.js";
import type { BodySection } from "../schema/parts.js";
import { filmHex, growFilm_nm, oxideName } from "../colour/oxide.js";
import { glowHex, isGlowVisible, ambientFromLux } from "../colour/glow.js";
import { InputError } from "../errors.js";
import { isLiquid } from "../heat/bathKind.js";
import { bathAfter_C } from "../heat/bathHeat.js";
import { CURIE_C } from "../kinetics/austenite.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { austeniteLeft, makeStructure, nodeHardness_HV, type Structure } from "../kinetics/structure.js";
import { normalQuantile } from "../numerics/normal.js";
import { uniforms } from "../numerics/sampling.js";
import { formOf } from "../catalogue.js";
import { resolveSteel, type Catalogue } from "../plan/catalogue.js";
import { cooledMass_kg, type Dipped } from "../plan/fit.js";
import { structureBeforeHardening } from "../plan/route.js";
import type { Medium } from "../schema/medium.js";
import type { ColourName, Into, Piece } from "../schema/book.js";
import type { Vessel } from "../schema/kit.js";
import type { Coat, Immersion } from "../schema/parts.js";
import type { ShopAnswer, ShopCommand, ShopPlace, ShopQuestion, ShopReading, ShopReset } from "../schema/practice.js";
import { surfaceShift_K } from "../plan/colourRun.js";
import { runCourse } from "../simulate/course.js";
import { cladOf } from "../shape/cladding.js";
import { breadth_mm } from "../shape/outline.js";
import { allAround, bodyOf, gridOf, STEP_K, type Places } from "../simulate/section.js";
import { barMeets, sectionMeets, type Whereabouts } from "./around.js";
import { MILL_FILE_HRC } from "../evidence/storedTest.js";
import { BarAlong } from "./barAlong.js";

/** How the simulated instruments err, and how its fires behave. All made up, of the size a shop has. */
const PROBE_SD_C = 4;
const PROBE_OFFSET_C = 3;
const PROBE_LAG_s = 5;
const CHAMBER_SD_C = 2;
const FORGE_WANDER_C = 12;
const FORGE_WANDER_s = 40;
const KILN_OFFSET_C = 6;
const KILN_SWING_C = 3;
const KILN_SWING_s = 240;
const KILN_RISE_s = 600;
const DOOR_DROP_C = 36;
const DOOR_DROP_s = 8;
const DOOR_BACK_s = 70;
const OVEN_OFFSET_C = 4;
const OVEN_SWING_C = 5;
const OVEN_SWING_s = 500;
const OVEN_RISE_s = 420;
const TESTER_BIAS_HRC = 0.5;
const TESTER_SD_HRC = 0.6;
const FILE_SD_HRC = 1.3;
/** A file drags within this of its own hardness, HRC (judgement). */
const DRAGS_HRC = 1;
/** Where the shop's mill file changes, HRC (common practice, no source: near 60). */
const MILL_CHANGES_HRC = 60;
/** A magnet sticks while so much of what it feels pulls, and lets go below so much (judgement). */
const STICKS = 0.75;
const LETS_GO = 0.15;
const BATH_MIXES_s = 12;
const ROOM_C = 22;
/** Hotter than this it scales, and nobody reads a colour from it, C. */
const SCALES_C = 450;
/** Run past its colours it is grey, nm. */
const GREY_nm = 68;
/** How it glows is told of so many places. */
const SEEN = 8;
/** Bright steel before any colour. */
const BRIGHT_nm = 3;
const BRIGHT_HEX = "#8f9a9c";
/** Fires are followed in steps of a second; a piece too while it changes fast, in longer ones where it does not, s. */
const STEP_s = 1;
const CALM_STEP_s: Readonly<Record<ShopPlace, number>> = { rack: 30, air: 2, forge: 2, kiln: 4, bath: 1, oven: 15, torch: 1, bar: 1 };
/** Colder than this in air nothing goes fast any more, C. */
const COLD_C = 90;

interface ShopPiece {
  readonly id: string;
  readonly piece: Piece;
  /** Of the end that works. */
  readonly section: BodySection;
  readonly places: Places;
  readonly structure: Structure;
  readonly body: ReturnType<typeof bodyOf>;
  /** Of what is no blade its length; of a blade its section has its height. */
  readonly bar: BarAlong | null;
  T: Float64Array;
  place: ShopPlace;
  immersion: Immersion;
  /** The second tub it is in; null for the shop's own. */
  tub: Medium | null;
  coat: Coat | null;
  /** What it lies in where its oven is none. */
  vessel: Vessel | undefined;
  /** Which block it lies on, and since when, s. */
  block: number;
  laid_s: number;
  probe_C: number;
  /** How far behind its edge a line is that it is warmed down to, the edge in water, mm; null where none is. */
  line_mm: number | null;
  /** On its bright side, from its edge or its end back, nm; how much hotter this steel has to be for the same colour, K. */
  readonly film_nm: Float64Array;
  readonly shift_K: number;
  /** How much of it gave its heat to the bath it lies in, kg. */
  gave_kg: number;
  /** Time that has passed but was not followed yet, s. */
  owed_s: number;
}

/** What is so, whatever the instruments say. */
export interface ShopTruth {
  readonly seen_C: number;
  readonly hottest_C: number;
  /** Of a blade its edge, of anything else its surface. */
  readonly edge_C: number;
  readonly hardness_HRC: number;
  /** Of the edge, or of what is no blade its surface; and of the body. */
  readonly martensite: number;
  readonly bodyMartensite: number;
  readonly oven_C: number;
  /** The colour of its bright edge. */
  readonly edgeColour: ColourName;
}

/** How warm its bright side is at each place that is looked at, C, and how far behind its edge or its end that is, mm. */
function side_C({ bar, T, places: { grid, edge } }: ShopPiece, place: number): number {
  if (bar !== null) return bar.T[place]!;
  return T[place === 0 && edge !== null ? edge : place * grid.nodes + grid.nodes - 1]!;
}
function behind_mm({ bar, places: { grid } }: ShopPiece, place: number): number {
  return bar === null ? 1000 * grid.columnMiddle_m[place]! : bar.from_mm[place]!;
}

const shownHex = (film_nm: number): string => (film_nm < BRIGHT_nm ? BRIGHT_HEX : filmHex(film_nm));

/** One shop with its own time. Advance it, command it, ask it: the same seed and the same calls give the same answers. */
/** What goes under, as a quench of a route says it. */
function dippedAs(immersion: Immersion, isBar: boolean, into: Into): Dipped {
  const until = { is: "cold" } as const;
  if (immersion.kind === "full") return { dips: [{ under: "all", into, until }] };
  const { kind, depth_mm } = immersion;
  return { dips: [{ under: kind === "back" ? kind : isBar ? "end" : "edge", depth_mm, into, until }] };
}

export class PracticeShop {
  private readonly draw: () => number;
  private readonly reset: ShopReset;
  private readonly catalogue: Catalogue;
  private readonly medium: Medium;
  private readonly pieces: ShopPiece[];
  private time_s = 0;
  private wander_K = 0;
  private forge_C: number;
  private kilnSet_C: number;
  private kiln_C: number;
  private ovenSet_C: number;
  private oven_C: number;
  private bath_C: number;
  private bathGoal_C: number;
  private isDoorOpen = false;
  private dropped_K = 0;
  speed: number;

  /** @throws InputError unknown-medium, unknown-steel, or two pieces with one id. */
  constructor(catalogue: Catalogue, reset: ShopReset) {
    this.catalogue = catalogue;
    const medium = catalogue.medium(reset.medium);
    if (medium === undefined) throw new InputError({ code: "unknown-medium", path: "/medium", got: reset.medium });
    if (new Set(reset.pieces.map(({ id }) => id)).size !== reset.pieces.length) {
      throw new InputError({ code: "inconsistent", path: "/pieces", message: "/pieces: two pieces share an id" });
    }
    this.draw = uniforms(reset.seed);
    this.reset = reset;
    this.medium = medium;
    this.speed = reset.speed;
    this.forge_C = reset.forge_C;
    this.kilnSet_C = reset.kiln_C;
    this.kiln_C = reset.kiln_C;
    this.ovenSet_C = reset.oven_C;
    this.oven_C = reset.oven_C;
    this.bath_C = reset.bath_C;
    this.bathGoal_C = reset.bath_C;
    this.pieces = reset.pieces.map(({ id, piece }) => {
      const section = cooledSection(piece);
      const places = gridOf(section, "coarse");
      const count = places.grid.columns * places.grid.nodes;
      const steel = resolveSteel(catalogue, piece.steel);
      const prior = structureBeforeHardening(piece, []);
      const bar = piece.section.shape === "wedge" ? null : new BarAlong(piece.section, breadth_mm(piece), piece.length_mm, ROOM_C);
      const structure = makeStructure({ nodes: count, bar_wtpct: steel.composition_wtpct, prior, temperSteel: steel.temper });
      return {
        id,
        piece,
        section,
        places,
        structure,
        body: bodyOf(structure, places.grid, cladOf(piece.section, piece.cladding)),
        bar,
        T: new Float64Array(count).fill(ROOM_C),
        place: "rack",
        immersion: { kind: "full" },
        tub: null,
        coat: null,
        vessel: undefined,
        block: -1,
        laid_s: 0,
        probe_C: ROOM_C,
        line_mm: null,
        film_nm: new Float64Array(bar?.T.length ?? places.grid.columns),
        shift_K: surfaceShift_K(steel.composition_wtpct),
        gave_kg: 0,
        owed_s: 0,
      };
    });
  }

  /** Simulated time now, ms since 1970. */
  get now_ms(): number {
    return this.reset.epoch_ms + 1000 * this.time_s;
  }

  private noise(sd: number): number {
    return sd * normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, this.draw())));
  }

  private find(id: string): ShopPiece {
    const found = this.pieces.find((p) => p.id === id);
    if (found === undefined) {
      throw new InputError({ code: "not-a-choice", path: "/piece", got: id, allowed: this.pieces.map((p) => p.id).join(", ") });
    }
    return found;
  }

  private advanceFires(step_s: number): void {
    const towards = (now: number, goal: number, tau_s: number): number => goal + (now - goal) * Math.exp(-step_s / tau_s);
    this.wander_K = towards(this.wander_K, 0, FORGE_WANDER_s) + this.noise(FORGE_WANDER_C * Math.sqrt((2 * step_s) / FORGE_WANDER_s));
    this.kiln_C = towards(this.kiln_C, this.kilnSet_C, KILN_RISE_s);
    this.oven_C = towards(this.oven_C, this.ovenSet_C, OVEN_RISE_s);
    this.dropped_K = this.isDoorOpen ? towards(this.dropped_K, DOOR_DROP_C, DOOR_DROP_s) : towards(this.dropped_K, 0, DOOR_BACK_s);
    this.bath_C = towards(this.bath_C, this.bathGoal_C, BATH_MIXES_s);
  }

  private forgeTrue_C(): number {
    return this.forge_C + this.wander_K;
  }
  private kilnTrue_C(): number {
    return this.kiln_C + KILN_OFFSET_C + KILN_SWING_C * Math.sin((2 * Math.PI * this.time_s) / KILN_SWING_s) - this.dropped_K;
  }
  private ovenTrue_C(): number {
    return this.oven_C + OVEN_OFFSET_C + OVEN_SWING_C * Math.sin((2 * Math.PI * this.time_s) / OVEN_SWING_s);
  }

  /** Follows what a piece is owed, once that is a step long or somebody wants to know. */
  private settle(p: ShopPiece, isAsked: boolean): void {
    const isCold = p.place === "air" && p.T[p.places.surface]! < COLD_C;
    if (p.owed_s <= 0 || (!isAsked && p.owed_s < (isCold ? CALM_STEP_s.rack : CALM_STEP_s[p.place]))) return;
    const step_s = p.owed_s;
    p.owed_s = 0;
    const { section } = p;
    const { grid } = p.places;
    const at = this.whereabouts(p);
    const lead = p.bar?.advance(barMeets(at), 0.5 * (p.T[p.places.surface]! + p.T[p.places.centre]!), step_s) ?? null;
    const surroundings = lead === null ? sectionMeets(section, grid, at) : allAround(section, grid, lead);
    const { temperature_C } = runCourse({
      grid,
      start_C: p.T,
      stretches: [{ kind: "exchange", surroundings, duration_s: step_s, longestStep_s: Math.max(STEP_s, 0.5 * step_s) }],
      body: p.body,
      watch: [p.places.surface],
      stepAim_K: STEP_K.coarse,
    });
    p.T = temperature_C;
    // What scaled is rubbed bright before its colours are run; under a bath there is no air to colour it.
    p.film_nm.forEach((film, place) => {
      const T = side_C(p, place);
      if (T > SCALES_C) p.film_nm[place] = p.line_mm === null ? 0 : GREY_nm;
      else if (p.place !== "bath")
        p.film_nm[place] = growFilm_nm(film, { temperature_C: T, hold_min: step_s / 60, alloyShift_K: p.shift_K });
    });
    const seen_C = p.T[p.places.surface]!;
    p.probe_C = seen_C + PROBE_OFFSET_C + (p.probe_C - seen_C - PROBE_OFFSET_C) * Math.exp(-step_s / PROBE_LAG_s);
  }

  private whereabouts({ place, tub, immersion, coat, vessel, line_mm, laid_s }: ShopPiece): Whereabouts {
    return {
      place,
      forge_C: this.forgeTrue_C(),
      kiln_C: this.kilnTrue_C(),
      oven_C: this.ovenTrue_C(),
      room_C: ROOM_C,
      bath: { medium: tub ?? this.medium, bath_C: tub?.usualBath_C ?? this.bath_C, agitation: "mild", immersion },
      coat,
      vessel,
      line_mm,
      laid_s: this.time_s - laid_s,
    };
  }

  /** Lets simulated time pass, s. */
  advance(duration_s: number): void {
    for (let left = duration_s; left > 1e-9; left -= STEP_s) {
      const step_s = Math.min(STEP_s, left);
      this.time_s += step_s;
      this.advanceFires(step_s);
      for (const p of this.pieces) {
        p.owed_s += step_s;
        this.settle(p, false);
      }
    }
  }

  private into(): Into {
    return { medium: this.reset.medium, bath_C: this.bathGoal_C, agitation: "mild" };
  }

  /** What goes under gives the bath its heat, once: the back that is dipped after its edge what that had not given. */
  private warmBath(p: ShopPiece, immersion: ShopPiece["immersion"] = { kind: "full" }): void {
    const { medium } = this;
    if (!isLiquid(medium)) return;
    const under_kg = cooledMass_kg(p.piece, formOf(p.piece), dippedAs(immersion, p.bar !== null, this.into()));
    // An edge that follows its back is hot still.
    const isTurnedOver = immersion.kind === "edge" && p.immersion.kind === "back";
    const more_kg = isTurnedOver ? under_kg : Math.max(0, under_kg - p.gave_kg);
    p.gave_kg += more_kg;
    this.bathGoal_C = bathAfter_C(medium.liquid, this.reset.volume_L, this.bathGoal_C, more_kg, p.T[p.places.surface]!);
  }

  /** @throws InputError for a piece that is not there. */
  command(command: ShopCommand): void {
    switch (command.do) {
      case "move": {
        const p = this.find(command.piece);
        this.settle(p, true);
        if (command.to === "bath" && command.medium === undefined) this.warmBath(p, command.immersion);
        if (command.to !== "bath") p.gave_kg = 0;
        // A hand through the door lets the heat out, in and out alike.
        if ((p.place === "kiln") !== (command.to === "kiln")) this.dropped_K = Math.max(this.dropped_K, DOOR_DROP_C);
        p.place = command.to;
        p.immersion = command.immersion ?? { kind: "full" };
        p.tub = command.medium === undefined ? null : (this.catalogue.medium(command.medium) ?? null);
        p.coat = command.coat ?? null;
        p.vessel = command.in;
        p.line_mm = command.line_mm ?? null;
        if (command.to === "bar" && p.block !== (command.block ?? 0)) [p.block, p.laid_s] = [command.block ?? 0, this.time_s];
        return;
      }
      case "speed":
        this.speed = command.speed;
        return;
      case "door":
        this.isDoorOpen = command.state === "open";
        return;
      case "set":
        this.forge_C = command.forge_C ?? this.forge_C;
        this.kilnSet_C = command.kiln_C ?? this.kilnSet_C;
        this.ovenSet_C = command.oven_C ?? this.ovenSet_C;
        if (command.bath_C !== undefined) this.bath_C = this.bathGoal_C = command.bath_C;
    }
  }

  private hardness_HRC(p: ShopPiece): number {
    // Where one tests: the edge of a blade, the surface of a bar.
    return rockwellCFromVickers(nodeHardness_HV(p.structure, p.places.edge ?? p.places.surface));
  }

  /** What an instrument says when it is held to a piece. @throws InputError for a piece that is not there. */
  ask(question: ShopQuestion): ShopAnswer {
    const p = this.find(question.piece);
    this.settle(p, true);
    switch (question.ask) {
      case "magnet": {
        const { structure, places } = p;
        // It is held to the place one looks at, and feels what lies below it there.
        const nodes = [places.surface, places.centre];
        const pull = nodes.reduce((sum, i) => sum + (p.T[i]! < CURIE_C ? 1 - austeniteLeft(structure, i) : 0), 0) / nodes.length;
        return { ask: "magnet", state: pull > STICKS ? "sticks" : pull < LETS_GO ? "free" : "weak" };
      }
      case "file": {
        const changes_HRC = question.file_HRC === MILL_FILE_HRC ? MILL_CHANGES_HRC : question.file_HRC;
        const over_HRC = this.hardness_HRC(p) + this.noise(FILE_SD_HRC) - changes_HRC;
        return { ask: "file", result: over_HRC > DRAGS_HRC ? "skates" : over_HRC < -DRAGS_HRC ? "bites" : "drags" };
      }
      case "tester":
        return { ask: "tester", reading_HRC: Math.round(10 * (this.hardness_HRC(p) + TESTER_BIAS_HRC + this.noise(TESTER_SD_HRC))) / 10 };
    }
  }

  /** What stands on all instruments now. */
  read(): ShopReading {
    const ambient = ambientFromLux(this.reset.ambient_lux);
    const limited = (T: number): number => Math.min(1490, Math.max(-79, Math.round(10 * T) / 10));
    return {
      now_ms: this.now_ms,
      speed: this.speed,
      forge_C: limited(this.forgeTrue_C() + this.noise(CHAMBER_SD_C)),
      kiln_C: limited(this.kilnTrue_C() - KILN_OFFSET_C + this.noise(CHAMBER_SD_C)),
      isDoorOpen: this.isDoorOpen,
      oven_C: limited(this.ovenTrue_C() + this.noise(CHAMBER_SD_C)),
      bath_C: limited(this.bath_C),
      pieces: this.pieces.map((p) => {
        this.settle(p, true);
        const seen_C = p.T[p.places.surface]!;
        const count = p.film_nm.length;
        const back_C = Array.from({ length: Math.min(SEEN, count) }, (_, i) => side_C(p, Math.floor((i * count) / Math.min(SEEN, count))));
        return {
          id: p.id,
          place: p.place,
          probe_C: limited(p.probe_C + this.noise(PROBE_SD_C)),
          hex: glowHex(Math.max(20, seen_C), ambient),
          back: back_C.map((T) => glowHex(Math.max(20, T), ambient)),
          glows: [seen_C, ...back_C].some((T) => isGlowVisible(T, ambient)),
          edgeHex: shownHex(p.film_nm[0]!),
          along: Array.from(p.film_nm, (film, i) => ({ behind_mm: behind_mm(p, i), hex: shownHex(film) })),
        };
      }),
    };
  }

  /** What is truly so of a piece: for tests and for the talk after the practice, never shown while it is worked. */
  truth(id: string): ShopTruth {
    const p = this.find(id);
    this.settle(p, true);
    const { surface } = p.places;
    const edge = p.places.edge ?? surface;
    return {
      seen_C: p.T[surface]!,
      hottest_C: Math.max(...p.T, ...(p.bar?.T ?? [])),
      edge_C: p.T[edge]!,
      hardness_HRC: this.hardness_HRC(p),
      martensite: p.structure.martensite[edge]!,
      bodyMartensite: p.structure.martensite[surface]!,
      oven_C: this.ovenTrue_C(),
      edgeColour: oxideName(p.film_nm[0]!),
    };
  }
}
