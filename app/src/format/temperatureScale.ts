/** The heat line's stretched scale: room where it is decided (0 to 320 C, 680 to 900 C), little between. */

const LAST_C = 1050;
const STEP_K = 2;

function sigmoid(x: number): number {
  return 1 / (1 + Math.exp(-x));
}

/** Room for each degree: 4 below 320, 1 between, 8 from 680 to 900, 3 above. */
function density(temperature_C: number): number {
  const low = 3 * (1 - sigmoid((temperature_C - 320) / 14));
  const high = 7 * sigmoid((temperature_C - 680) / 9);
  const top = 5 * sigmoid((temperature_C - 905) / 9);
  return 1 + low + high - top;
}

const TABLE = ((): number[] => {
  const sums = [0];
  for (let T = STEP_K; T <= LAST_C; T += STEP_K) sums.push(sums[sums.length - 1]! + density(T - STEP_K / 2) * STEP_K);
  return sums;
})();

/** Height of a temperature on the scale, 0 at 0 C to 1 at `highest_C`. */
export function stretchedShare(temperature_C: number, highest_C: number): number {
  const at = (T: number): number => {
    const x = Math.min(Math.max(T, 0), LAST_C) / STEP_K;
    const i = Math.min(TABLE.length - 2, Math.floor(x));
    return TABLE[i]! + (x - i) * (TABLE[i + 1]! - TABLE[i]!);
  };
  return at(temperature_C) / at(highest_C);
}
