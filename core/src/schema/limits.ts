/** Least and most of what is stored and typed, each once: the schemas hold values to them, fields and dialogs take them from here. */

type Limits = readonly [least: number, most: number];

const HOLD_min: Limits = [0, 240];
const ALL_DAY_min: Limits = [0, 1440];
const HIGH_C: Limits = [600, 1200];
const DRAW_C: Limits = [50, 720];
const INSTRUMENT_C: Limits = [-50, 1400];
const MELTS_C: Limits = [40, 1370];
const LIGHT_lux: Limits = [0, 120000];
const BAR_mm: Limits = [0.2, 300];
const ACROSS_mm: Limits = [30, 3000];
const TANK_mm: Limits = [20, 3000];
const OFFSET_K: Limits = [-100, 100];

export const LIMITS = {
  piece: { length_mm: [5, 3000] },
  plate: { thickness_mm: BAR_mm, width_mm: [1, 1000] },
  round: { diameter_mm: BAR_mm },
  square: { side_mm: BAR_mm },
  wedge: { spine_mm: [0.2, 100], edge_mm: [0.1, 100], height_mm: [2, 400] },
  bevel: { edge_mm: [0.1, 100], length_mm: [1, 200] },
  preheat: { temperature_C: [200, 750], hold_min: HOLD_min },
  anneal: { temperature_C: [500, 1000], hold_min: ALL_DAY_min, rate_C_h: [1, 2000], to_C: [20, 750] },
  normalise: { temperature_C: HIGH_C, hold_min: HOLD_min },
  harden: { temperature_C: HIGH_C, hold_min: HOLD_min, fallTo_C: [500, 1000], inFire_mm: [5, 3000] },
  quench: { bath_C: [-10, 250], depth_mm: [1, 400], transfer_s: [0.2, 60], bath_s: [0.2, 3600], after_s: [0.5, 600], turn_s: [1, 60] },
  run: { temperature_C: DRAW_C, behind_mm: [1, 500] },
  temper: { temperature_C: DRAW_C, hold_min: [1, 1440] },
  reading: { instrument_C: INSTRUMENT_C, melts_C: MELTS_C, emissivity: [0.1, 1], light_lux: LIGHT_lux },
  calibration: { time_min: [0, 600], set_C: [20, 1300], second_C: [-20, 1350] },
  chamber: { length_mm: [30, 5000], width_mm: ACROSS_mm, height_mm: ACROSS_mm },
  controlled: { limit_C: [50, 1350], offset_C: OFFSET_K, swing_C: [0, 60], settle_min: HOLD_min },
  aims: { wanted_HRC: [20, 68] },
  proof: { count: [1, 5000], height_mm: [10, 5000], force_N: [1, 5000] },
  forge: { gas_kPa: [1, 400], burners: [0, 20], chamber_C: [700, 1400], ambient_lux: LIGHT_lux },
  torch: { heats_mm: [5, 500] },
  kiln: { recovery_min: [0, 60] },
  bath: { width_mm: TANK_mm, depth_mm: TANK_mm, fill_mm: [10, 3000], heater_W: [10, 20000], added_L: [0.1, 2000] },
  warp: { bow_mm: [0, 200], over_mm: [10, 5000] },
  probe: { offset_C: OFFSET_K, sd_C: [0.5, 60], limit_C: [50, 1400] },
  files: { rated_HRC: [20, 72] },
  tester: { bias_HRC: [-10, 10], reading_HRC: [0, 75] },
} as const satisfies Readonly<Record<string, Readonly<Record<string, Limits>>>>;
