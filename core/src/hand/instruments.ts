/**
 * What a shop reads, sees, feels and files with: how far one such look is off, how often it is nonsense, and how often the thing it looks at
 * has moved without anybody having logged why. One table for every instrument and sense. All of it judgement, where a line names no source.
 */

export interface Instrument {
  /** One look is off by so much, one deviation, in the unit of what it reads. */
  readonly sd: number;
  /** How often it is nonsense: the wrong place, the wrong word, a bulb that hangs in the air. */
  readonly slip: number;
  /** Over how wide a range nonsense lies, in the same unit. */
  readonly range: number;
  /** How far a thing goes when something happened that nobody logged, one deviation. */
  readonly jump: number;
}

/** A thermometer in a bath, stirred; at its top alone, where it is warmer than below. K. */
export const BATH_STIRRED: Instrument = { sd: 1.5, slip: 0.01, range: 230, jump: 25 };
export const BATH_TOP: Instrument = { sd: 5, slip: 0.02, range: 230, jump: 25 };
/** Something happens to a bath that nobody logs: chance an hour, and of one that nobody has looked at for longer (a lid, a top-up, a burner). */
export const BATH_JUMPS_AN_HOUR = 1 / 8;
export const BATH_JUMPS_UNREAD = 1 / 3;
/** A second thermometer in an oven, K. */
export const OVEN_SECOND: Instrument = { sd: 3, slip: 0.02, range: 400, jump: 20 };
/** A bench tester, HRC: its range is that of the scale. */
export const TESTER: Instrument = { sd: 0.8, slip: 1 / 60, range: 50, jump: 0 };
/** A file on bright, cold steel: how unsure a hand is, HRC; its answer is one of three. */
export const FILE: Pick<Instrument, "sd" | "slip"> = { sd: 0.8, slip: 1 / 40 };
/** A colour seen at the edge of a run: how often it is any other. */
export const RUN_COLOUR: Pick<Instrument, "slip"> = { slip: 1 / 25 };
