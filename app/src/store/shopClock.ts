/** The time by which the bench counts: right through a clock that is set, a sleep and a reload. Pure but for its two sources. */

export interface ClockSources {
  /** The clock on the wall, ms since 1970; can be set. */
  readonly wall_ms: () => number;
  /** A clock nobody can set, ms; may stand still while the machine sleeps. */
  readonly steady_ms: () => number;
}

export interface Jump {
  /** How far the wall clock went against the steady one, ms; positive is ahead. */
  readonly by_ms: number;
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
      else this.ahead = { by_ms: (this.ahead?.by_ms ?? 0) + by_ms };
      [this.wall0_ms, this.steady0_ms] = [wall_ms, steady_ms];
    }
    return wall_ms + this.shift_ms;
  }

  /** A jump ahead that nobody has explained yet. */
  unexplained(): Jump | null {
    return this.ahead;
  }

  /** slept: the time did pass. set: it did not, and the bench goes on from where it was. */
  explain(what: "slept" | "set"): void {
    if (this.ahead !== null && what === "set") this.shift_ms -= this.ahead.by_ms;
    this.ahead = null;
  }

  /** What has to be added to the wall clock, ms: kept over a reload. */
  get shift(): number {
    return this.shift_ms;
  }

  /** Starts from a shift that was kept. */
  resume(shift_ms: number): void {
    this.shift_ms = shift_ms;
  }
}

export const shopClock = new ShopClock({ wall_ms: () => Date.now(), steady_ms: () => performance.now() });
