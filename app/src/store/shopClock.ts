/** The one time by which everything here counts and is written: right through a clock that is set, a sleep and a reload. Pure but for its two sources. */

export interface ClockSources {
  /** The clock on the wall, ms since 1970; can be set. */
  readonly wall_ms: () => number;
  /** A clock nobody can set, ms; may stand still while the machine sleeps. */
  readonly steady_ms: () => number;
}

export interface Jump {
  /** How far the wall clock went ahead of the steady one, or how far the newest entry lies ahead of it, ms. */
  readonly by_ms: number;
  /** clock: it went ahead while we looked. entry: it stands behind what was logged last, as after it was set back while nobody looked. */
  readonly of: "clock" | "entry";
}

/** Smaller differences are the two clocks' own, ms. */
const LEAST_JUMP_ms = 2500;

/**
 * A clock that notices when the wall clock jumps.
 *
 * Back can only mean that it was set: the time goes on as before. Ahead can be a sleep (then time did pass) or a setting: it is taken
 * as a sleep until the smith says otherwise, since too early is cheaper than too late.
 */
export class ShopClock {
  private shift_ms: number;
  private readonly sources: ClockSources;
  private wall0_ms: number;
  private steady0_ms: number;
  private ahead: Jump | null = null;
  /** An entry that was asked about already. */
  private accepted_ms = -Infinity;

  constructor(sources: ClockSources, shift_ms = 0) {
    this.sources = sources;
    this.shift_ms = shift_ms;
    this.wall0_ms = sources.wall_ms();
    this.steady0_ms = sources.steady_ms();
  }

  /** The time now, ms since 1970 as the bench counts it. */
  now_ms(): number {
    const wall_ms = this.sources.wall_ms();
    const steady_ms = this.sources.steady_ms();
    const by_ms = wall_ms - this.wall0_ms - (steady_ms - this.steady0_ms);
    if (Math.abs(by_ms) > LEAST_JUMP_ms) {
      if (by_ms < 0) this.shift_ms -= by_ms;
      else this.ahead = { by_ms: (this.ahead?.of === "clock" ? this.ahead.by_ms : 0) + by_ms, of: "clock" };
      [this.wall0_ms, this.steady0_ms] = [wall_ms, steady_ms];
    }
    return wall_ms + this.shift_ms;
  }

  /** A jump ahead that nobody has explained yet. */
  unexplained(): Jump | null {
    return this.ahead;
  }

  /** Told of the newest entry there is. One that lies ahead of now by more than a moment is asked about, once. */
  heardOf(newest_ms: number): void {
    const by_ms = newest_ms - this.now_ms();
    if (by_ms <= LEAST_JUMP_ms || newest_ms <= this.accepted_ms || this.ahead !== null) return;
    this.ahead = { by_ms, of: "entry" };
    this.accepted_ms = newest_ms;
  }

  /**
   * Of a clock that went ahead, slept: the time did pass; set: it did not, and the time goes on from where it was. Of an entry that
   * lies ahead, set: the clock was set back, and the time goes on from that entry; slept: the clock is right, the entry is not.
   */
  explain(what: "slept" | "set"): void {
    if (this.ahead !== null && what === "set") this.shift_ms += this.ahead.of === "entry" ? this.ahead.by_ms : -this.ahead.by_ms;
    this.ahead = null;
  }

  /** What has to be added to the wall clock, ms: kept over a reload. */
  get shift(): number {
    return this.shift_ms;
  }

  /** Goes by the wall again: what it was corrected by was wrong, or its reason is gone. */
  forget(): void {
    this.shift_ms = 0;
    this.ahead = null;
    this.accepted_ms = -Infinity;
  }

  /** Starts from a shift that was kept. */
  resume(shift_ms: number): void {
    this.shift_ms = shift_ms;
  }
}

export const shopClock = new ShopClock({ wall_ms: () => Date.now(), steady_ms: () => performance.now() });

/** Now, ms since 1970, by the clock every screen reads and every entry is written by. */
export function shopNow(): number {
  return shopClock.now_ms();
}
