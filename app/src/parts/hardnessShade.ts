/** Cool shades for hardness, from soft slate to near white. Pure. */

const SHADES: readonly (readonly [number, readonly [number, number, number]])[] = [
  [25, [31, 44, 49]],
  [35, [44, 61, 68]],
  [45, [77, 100, 109]],
  [52, [126, 152, 159]],
  [56, [169, 191, 194]],
  [60, [205, 220, 220]],
  [65, [238, 245, 244]],
];

export function hardnessShade(hardness_HRC: number): string {
  const i = Math.max(
    0,
    Math.min(
      SHADES.length - 2,
      SHADES.findIndex(([at]) => at > hardness_HRC) === -1 ? SHADES.length - 2 : SHADES.findIndex(([at]) => at > hardness_HRC) - 1,
    ),
  );
  const [[low, a], [high, b]] = [SHADES[i]!, SHADES[i + 1]!];
  const share = Math.min(1, Math.max(0, (hardness_HRC - low) / (high - low)));
  return `rgb(${a.map((v, k) => Math.round(v + share * (b[k]! - v))).join(" ")})`;
}
