/** The break of a hard piece as facets, one a grain, true to scale: what a number of grain looks like. Pure, and the same every time. */

/** Side of a cell with one grain in it, in mean intercepts: 4 / pi of a cell whose grain is nearest to a point strewn in it. */
const CELL = 4 / Math.PI;
/** One facet in so many faces the light, and glitters (judgement). */
const GLITTER = 0.93;

/** A number 0 ... 1 that belongs to two whole numbers and a salt. */
function strewn(i: number, k: number, salt: number): number {
  let h = Math.imul(i, 374761393) ^ Math.imul(k, 668265263) ^ Math.imul(salt, 2147483647);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

/** Which grain a point lies in, as a number 0 ... 1 of its own. @param intercept_um mean intercept of the grain, um */
export function grainAt(x_um: number, y_um: number, intercept_um: number): number {
  const cell_um = CELL * intercept_um;
  const [x, y] = [x_um / cell_um, y_um / cell_um];
  const [i0, k0] = [Math.floor(x), Math.floor(y)];
  let [nearest, of] = [Infinity, 0];
  for (let i = i0 - 1; i <= i0 + 1; i++)
    for (let k = k0 - 1; k <= k0 + 1; k++) {
      const [dx, dy] = [i + strewn(i, k, 1) - x, k + strewn(i, k, 2) - y];
      const far = dx * dx + dy * dy;
      if (far < nearest) [nearest, of] = [far, strewn(i, k, 3)];
    }
  return of;
}

/** How bright a facet is, 0 ... 1. */
function shine(grain: number): number {
  return grain > GLITTER ? 1 : 0.2 + 0.5 * grain;
}

/** Each dot is looked at so often across and down: what is finer than a dot runs together, as it does to the eye. */
const LOOKS = 3;

/** Grey values 0 ... 255, row by row, of a break so many dots wide and high. */
export function breakFace(width: number, height: number, um_dot: number, intercept_um: number): Uint8ClampedArray {
  const grey = new Uint8ClampedArray(width * height);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      let sum = 0;
      for (let a = 0; a < LOOKS; a++)
        for (let b = 0; b < LOOKS; b++)
          sum += shine(grainAt((column + (a + 0.5) / LOOKS) * um_dot, (row + (b + 0.5) / LOOKS) * um_dot, intercept_um));
      grey[row * width + column] = (255 * sum) / (LOOKS * LOOKS);
    }
  return grey;
}
