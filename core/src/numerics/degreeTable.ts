/** Tables with one entry a degree, read straight between entries: what a loop over nodes can afford. */

/** `f` at every whole degree from 0 to `last_C`. */
export function degreeTable(last_C: number, f: (temperature_C: number) => number): Float64Array {
  const table = new Float64Array(last_C + 1);
  for (let T = 0; T <= last_C; T++) table[T] = f(T);
  return table;
}

/** Value of a table with one entry a degree, linear between; held at its ends. */
export function atDegree(table: Float64Array, temperature_C: number): number {
  const last = table.length - 1;
  const T = temperature_C < 0 ? 0 : temperature_C > last ? last : temperature_C;
  const i = T >= last ? last - 1 : Math.floor(T);
  return table[i]! + (T - i) * (table[i + 1]! - table[i]!);
}
